import { useId, useState } from 'react';
import { ENGINES, SKERRY } from '../../core/engines/index.ts';
import { pieceOfFile, type ReadPiece } from '../../core/ownership/index.ts';
import { siteHost } from '../../core/site/index.ts';
import { pieceGoes, pieceWords } from '../../core/wording/index.ts';
import { note, useDrop } from '../ui/index.ts';
import { useReport, useTables, useWorkspaceApi } from '../workspace/index.ts';
import { placeable, placeProof, proofKey, readFor } from './placing.ts';
import { wording } from './wording.ts';

/** Largest file that is a proof. */
const LARGEST = 100_000;

/** Takes whatever an engine gave, says what it is and where it will go, and places it. */
export function PasteProof({ pasted, onPasted }: { readonly pasted: string; readonly onPasted: (text: string) => void }) {
  const workspace = useWorkspaceApi();
  const id = useId();
  const document = useTables('facts', 'claims');
  const [engine, setEngine] = useState(SKERRY.name);
  const [dropped, setDropped] = useState<ReadPiece>();
  const host = siteHost(document);
  const domain = host.replace(/^www\./, '');
  const understood = dropped ?? readFor(engine, pasted, host);
  const file = understood.ok && understood.piece.kind === 'file' ? understood.piece.name : '';
  const taken = useReport(async (one) => ({ file, has: file !== '' && (await one.tools.analysis.hasFile(file)) }), file);
  // Until it is known whether something stands there, nothing is placed.
  const asked = taken?.file === file;
  const read = placeable(understood, asked && taken.has);
  const key = read.ok ? proofKey(engine, read.piece) : '';
  const place = (): void => {
    if (!read.ok) return;
    const { kind } = read.piece;
    workspace.change(placeProof(engine, read.piece, workspace.tools.now().toISOString()), { label: `A proof for ${engine.trim()} was placed` });
    setDropped(undefined);
    onPasted('');
    note(kind === 'tag' || kind === 'file' ? 'Placed. It counts once it is released.' : 'Written down. It counts once it is set at the domain.', {}, 'good');
  };
  const { over, zone } = useDrop((transfer) => {
    const [file] = transfer.files;
    if (!file) return onPasted(transfer.getData('text/plain'));
    if (file.size > LARGEST) return setDropped({ ok: false, reason: 'no-code', found: file.name });
    void file.text().then((text) => setDropped(pieceOfFile(file.name, text)));
  });
  const goes = read.ok ? pieceGoes(read.piece, domain) : undefined;
  return (
    <section className="mt-5" {...zone}>
      <label htmlFor={id} className="display mb-1 block text-lead font-semibold">
        {wording.paste} <span className="soft text-note font-normal">{wording.dropHint}</span>
      </label>
      <div className={`field ${over ? 'outline-2 outline-accent outline-dashed' : ''}`}>
        <textarea
          id={id}
          className="mono"
          rows={3}
          spellCheck={false}
          placeholder={wording.placeholder}
          value={pasted}
          onChange={(event) => {
            setDropped(undefined);
            onPasted(event.target.value);
          }}
          aria-describedby={`${id}-read`}
        />
      </div>
      <div className="mt-2 flex flex-wrap items-start gap-3">
        <label className="flex flex-none items-center gap-2 text-small">
          {wording.engine}
          <input
            className="input input-sm w-40"
            list={`${id}-engines`}
            maxLength={80}
            value={engine}
            title={wording.engineHint}
            onChange={(event) => setEngine(event.target.value)}
          />
          <datalist id={`${id}-engines`}>
            {ENGINES.map(({ name }) => (
              <option key={name} value={name} />
            ))}
          </datalist>
        </label>
        <p id={`${id}-read`} className="soft min-w-0 flex-1 basis-60 pt-1 text-small break-words" aria-live="polite">
          {read.ok && goes ? (
            <>
              <span className="text-base-content">
                Understood as {goes.what}: <code className="break-all">{read.piece.content.slice(0, 300)}</code>
              </span>{' '}
              It goes {goes.where}. {read.around && wording.around} {document.tables.claims[key]?.content ? wording.replaces : ''}
            </>
          ) : !read.ok && (pasted !== '' || dropped) ? (
            <span className="text-error">{pieceWords(read)}</span>
          ) : (
            !read.ok && pieceWords(read)
          )}
        </p>
        <button type="button" className="btn btn-primary" disabled={!read.ok || !asked || engine.trim() === ''} onClick={place}>
          {wording.place}
        </button>
      </div>
    </section>
  );
}
