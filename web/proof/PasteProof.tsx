import { useId, useState } from 'react';
import { ENGINES, SKERRY } from '../../core/engines/index.ts';
import { pieceOfFile, type ProofPiece, type Proving, type ReadPiece } from '../../core/ownership/index.ts';
import { all, applyChange, recordsDomain, siteHost, type SiteDocument } from '../../core/site/index.ts';
import { counted, pieceGoes, pieceWords } from '../../core/wording/index.ts';
import { note, useDrop } from '../ui/index.ts';
import { useReport, useTables, useWorkspaceApi } from '../workspace/index.ts';
import { beforePlacing, placeable, placeFor, placeProof, readFor } from './placing.ts';
import { noteWords, wording } from './wording.ts';

const NO_TAGS: Proving['tags'] = [];
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
  const domain = recordsDomain(host);
  const understood = dropped ?? readFor(engine, pasted, host);
  const file = understood.ok && understood.piece.kind === 'file' ? understood.piece.name : '';
  const taken = useReport(async (one) => ({ file, has: file !== '' && (await one.tools.analysis.hasFile(file)) }), file);
  // Until it is known whether something stands there, nothing is placed.
  const asked = taken?.file === file;
  const read = placeable(understood, asked && taken.has);
  const { claims } = document.tables;
  const tags = useReport((one) => one.tools.analysis.provingTags()) ?? NO_TAGS;
  const notes = read.ok ? beforePlacing(pasted, read.piece, { engine, host, tags }) : [];
  const at = (): string => workspace.tools.now().toISOString();
  const place = (piece: ProofPiece): void => {
    const { kind } = piece;
    workspace.change(placeProof(claims, engine, piece, at()), { label: `A proof for ${engine.trim()} was placed` });
    setDropped(undefined);
    onPasted('');
    note(kind === 'tag' || kind === 'file' ? 'Placed. It counts once it is released.' : 'Written down. It counts once it is set at the domain.', {}, 'good');
  };
  /** Of several the ones that are wanted; what is left stays to be chosen from. */
  const placeOffers = (pieces: readonly ProofPiece[]): void => {
    let now = workspace.state.document;
    const changes = pieces.map((piece) => {
      const change = placeProof(now.tables.claims, engine, piece, at());
      now = applyChange(now, change);
      return change;
    });
    workspace.change(all(changes), { label: `${counted(pieces.length, 'proof')} for ${engine.trim()} ${pieces.length === 1 ? 'was' : 'were'} placed` });
    note('Placed. What is in the page counts once it is released, a record once it is set at the domain.', {}, 'good');
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
              It goes {goes.where}. {read.around && wording.around} {placeFor(claims, engine, read.piece).replaces && wording.replaces}{' '}
              {read.calledBefore && wording.calledBefore(read.piece.name, read.calledBefore)}
            </>
          ) : !read.ok && (pasted !== '' || dropped) ? (
            <span className={read.offers ? '' : 'text-error'}>{pieceWords(read)}</span>
          ) : (
            !read.ok && pieceWords(read)
          )}
        </p>
        {notes.length > 0 && (
          <ul className="notice notice-amber order-last w-full text-small" data-testid="before-placing">
            {notes.map((one) => (
              <li key={one.what}>{noteWords(one, host)}</li>
            ))}
          </ul>
        )}
        {(read.ok || !read.offers) && (
          <button type="button" className="btn btn-primary" disabled={!read.ok || !asked || engine.trim() === ''} onClick={() => read.ok && place(read.piece)}>
            {wording.place}
          </button>
        )}
      </div>
      {!read.ok && read.offers && (
        <Offers offers={read.offers} domain={domain} disabled={engine.trim() === ''} claims={claims} engine={engine} onPlace={placeOffers} />
      )}
    </section>
  );
}

/** Several proofs that stand in one paste: each can be placed, or all at once. A file is placed by itself, since it is looked at first what stands there. */
function Offers({
  offers,
  domain,
  disabled,
  claims,
  engine,
  onPlace,
}: {
  readonly offers: readonly ProofPiece[];
  readonly domain: string;
  readonly disabled: boolean;
  readonly claims: SiteDocument['tables']['claims'];
  readonly engine: string;
  readonly onPlace: (pieces: readonly ProofPiece[]) => void;
}) {
  const isPlaced = (piece: ProofPiece): boolean => claims[placeFor(claims, engine, piece).key]?.content === piece.content;
  const open = offers.filter((piece) => piece.kind !== 'file' && !isPlaced(piece));
  return (
    <div className="mt-2" data-testid="proof-offers">
      <ul className="panel">
        {offers.map((piece) => (
          <li key={JSON.stringify(piece)} className="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-line px-3.5 py-2 text-small first:border-t-0">
            <span className="min-w-0 flex-1 basis-60 break-words first-letter:uppercase">
              {pieceGoes(piece, domain).what}: <code className="break-all">{piece.content.slice(0, 120)}</code>
              {piece.kind === 'file' && <span className="soft block text-note">{wording.fileAlone}</span>}
            </span>
            {isPlaced(piece) ? (
              <span className="text-note text-green">{wording.placed}</span>
            ) : (
              piece.kind !== 'file' && (
                <button type="button" className="btn btn-sm btn-outline-ink" disabled={disabled} onClick={() => onPlace([piece])}>
                  {wording.placeThis}
                </button>
              )
            )}
          </li>
        ))}
      </ul>
      {open.length > 1 && (
        <button type="button" className="btn btn-sm btn-primary mt-2" disabled={disabled} onClick={() => onPlace(open)}>
          {wording.placeAll}
        </button>
      )}
    </div>
  );
}
