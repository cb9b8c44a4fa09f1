import { useMemo, useState } from 'react';
import { readList } from '../../core/ledger/index.ts';
import { readableAddress } from '../../core/source/index.ts';
import { counted } from '../../core/wording/index.ts';
import type { Bringing } from '../analysis/index.ts';
import { leftOut, siteOfList } from './listed.ts';
import { wording } from './wording.ts';

const SHOWN = 6;

/** For builders that give no files: addresses typed, pasted or from a file; each becomes a page to write words for. */
export function FromList({ busy, onTake }: { readonly busy: boolean; readonly onTake: (bringing: Bringing) => void }) {
  const [text, setText] = useState('');
  const [bytes, setBytes] = useState<Uint8Array>();
  const list = useMemo(() => readList(bytes ?? new TextEncoder().encode(text)), [bytes, text]);
  const { pages } = list;
  const out = leftOut(list);
  return (
    <form
      className="panel mt-4 p-4"
      onSubmit={(event) => {
        event.preventDefault();
        const site = siteOfList(list);
        if (site) onTake(site);
      }}
    >
      <label className="block">
        <span className="font-semibold">{wording.listLabel}</span> <span className="soft text-note">{wording.listNote}</span>
        <textarea
          className="textarea mono mt-1 w-full"
          rows={6}
          autoFocus
          spellCheck={false}
          placeholder={'https://your-name.example/\nhttps://your-name.example/about'}
          value={text}
          onChange={(event) => {
            setBytes(undefined);
            setText(event.target.value);
          }}
        />
      </label>
      <div className="mt-2 flex flex-wrap items-center gap-3 text-small">
        <label className="link-act cursor-pointer">
          {wording.listFile}
          <input
            type="file"
            className="sr-only"
            accept=".csv,.tsv,.txt,.xml,text/csv,text/plain,text/xml"
            onChange={(event) => {
              const [file] = event.target.files ?? [];
              if (file) void file.arrayBuffer().then((buffer) => setBytes(new Uint8Array(buffer)));
            }}
          />
        </label>
        <span className="soft min-w-0 flex-1 truncate" role="status">
          {pages.length > 0 &&
            `${counted(pages.length, 'page')}: ${pages
              .slice(0, SHOWN)
              .map((page) => page.title || readableAddress(page.address))
              .join(', ')}`}
          {pages.length === 0 && (text !== '' || bytes !== undefined) && wording.listNone}
        </span>
        <button type="submit" className="btn btn-sm btn-primary" disabled={busy || pages.length === 0}>
          {wording.listTake}
        </button>
      </div>
      {out.length > 0 && (
        <p className="notice notice-amber mt-3 text-small" role="status" data-testid="left-out">
          {wording.leftOut} {out.join('; ')}.
        </p>
      )}
    </form>
  );
}
