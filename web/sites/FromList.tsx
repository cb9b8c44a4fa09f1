import { useMemo, useState } from 'react';
import { listedFiles, readList } from '../../core/ledger/index.ts';
import { readableAddress } from '../../core/source/index.ts';
import { counted, numberText } from '../../core/wording/index.ts';
import type { Bringing } from '../analysis/index.ts';
import { wording } from './wording.ts';

const SHOWN = 6;

/** For builders that give no files: addresses typed, pasted or from a file; each becomes a page to write words for. */
export function FromList({ busy, onTake }: { readonly busy: boolean; readonly onTake: (bringing: Bringing) => void }) {
  const [text, setText] = useState('');
  const [bytes, setBytes] = useState<Uint8Array>();
  const list = useMemo(() => readList(bytes ?? new TextEncoder().encode(text)), [bytes, text]);
  const { pages } = list;
  const first = pages.find(({ address }) => /^https?:\/\//i.test(address));
  const leftOut = [
    ...list.others.map(({ host, count }) => `${wording.otherSite(host)} (${numberText(count)})`),
    ...(list.repeats > 0 ? [wording.repeats(list.repeats)] : []),
    ...(list.noPages > 0 ? [wording.noPages(list.noPages)] : []),
    ...(list.beyond > 0 ? [wording.beyond(list.beyond)] : []),
  ];
  return (
    <form
      className="panel mt-4 p-4"
      onSubmit={(event) => {
        event.preventDefault();
        if (pages.length > 0) onTake({ kind: 'list', name: first ? new URL(first.address.trim()).host : 'My site', files: listedFiles(pages) });
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
      {leftOut.length > 0 && (
        <p className="notice notice-amber mt-3 text-small" role="status" data-testid="left-out">
          {wording.leftOut} {leftOut.join('; ')}.
        </p>
      )}
    </form>
  );
}
