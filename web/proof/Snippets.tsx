import { useId, useState } from 'react';
import { LONGEST_SNIPPET, type ReadSnippet } from '../../core/snippets/index.ts';
import type { SnippetPlace } from '../../core/page/index.ts';
import { all, set, snippetsOf, type Change, type Snippet } from '../../core/site/index.ts';
import { useTables, useWorkspaceApi } from '../workspace/index.ts';
import { FitOnPages, goesNowhere, useFits } from './FitOnPages.tsx';
import { PlacedSnippets } from './PlacedSnippets.tsx';
import { partsWords, PLACE_NAMES, refusalWords, snippetWording as wording, WARNINGS } from './snippet-wording.ts';
import { useReading } from './reading.ts';
import type { Scope } from './scope.ts';
import { WhichPages } from './WhichPages.tsx';

const ALL: Scope = { by: 'all', on: [] };
const NOTHING_YET: ReadSnippet = { ok: false, reason: 'empty', changes: [] };

/** Code of other services: what it is, where it goes, on which pages; and all that is placed. */
export function Snippets() {
  const workspace = useWorkspaceApi();
  const document = useTables('snippets');
  const snippets = snippetsOf(document);
  const id = useId();
  const [editing, setEditing] = useState<string>();
  const [code, setCode] = useState('');
  const [name, setName] = useState('');
  const [chosen, setChosen] = useState<SnippetPlace>();
  const [scope, setScope] = useState<Scope>(ALL);
  const reading = useReading(code);
  const read = reading ?? NOTHING_YET;
  const fits = useFits(read.ok ? code : '', scope);
  const place = read.ok ? (chosen !== undefined && read.places.includes(chosen) ? chosen : read.place) : undefined;
  const shown = name.trim() || (read.ok ? (read.hosts[0] ?? 'A snippet') : '');
  const nobody = scope.by !== 'all' && scope.on.length === 0;
  const begin = (snippet?: Snippet): void => {
    setEditing(snippet?.id);
    setCode(snippet?.code ?? '');
    setName(snippet?.name ?? '');
    setChosen(snippet?.place);
    setScope(snippet && snippet.on !== 'all' ? { by: snippet.by, on: [...snippet.on] } : ALL);
  };
  const placing = (key: string, text: string, at: SnippetPlace, called: string, order: number): Change[] => [
    set('snippets', key, 'name', called.slice(0, 200)),
    set('snippets', key, 'code', text.trim()),
    set('snippets', key, 'place', at),
    set('snippets', key, 'by', scope.by),
    set('snippets', key, 'on', scope.by === 'all' ? null : scope.on.join('\n')),
    set('snippets', key, 'order', order),
  ];
  const order = Math.max(0, ...Object.values(document.tables.snippets).map((one) => one.order ?? 0)) + 1;
  const put = (): void => {
    if (!read.ok || place === undefined || nobody) return;
    const key = editing ?? workspace.tools.newId();
    workspace.change(all(placing(key, code, place, shown, document.tables.snippets[key]?.order ?? order)), {
      label: `“${shown}” was ${editing === undefined ? 'placed' : 'changed'}`,
    });
    begin();
  };
  const putBoth = async (): Promise<void> => {
    if (!read.ok || !read.split || nobody) return;
    const [head, body] = read.split;
    const { readSnippet } = workspace.tools.analysis;
    const [first, second] = await Promise.all([readSnippet(head), readSnippet(body)]);
    workspace.change(
      all([
        ...placing(workspace.tools.newId(), head, first.ok ? first.place : 'head-end', `${shown}, head`, order),
        ...placing(workspace.tools.newId(), body, second.ok ? second.place : 'body-start', `${shown}, body`, order + 1),
      ]),
      { label: `“${shown}” was placed in two parts` },
    );
    begin();
  };
  return (
    <div className="mx-auto max-w-narrow">
      <h1>{wording.title}</h1>
      <p className="soft mt-1.5 max-w-prose">{wording.lead}</p>
      <section className="mt-4" aria-label="A new one">
        <label className="font-semibold" htmlFor={`${id}-code`}>
          {wording.paste}
        </label>
        <textarea
          id={`${id}-code`}
          className="textarea mono mt-1.5 w-full"
          rows={5}
          maxLength={LONGEST_SNIPPET + 1}
          spellCheck={false}
          value={code}
          aria-describedby={`${id}-told`}
          onChange={(event) => setCode(event.target.value)}
        />
        <div id={`${id}-told`} aria-live="polite">
          {reading === undefined && <p className="soft mt-2 text-small">{wording.reading}</p>}
          {!read.ok && read.reason !== 'empty' && <p className="notice notice-bad mt-2">{refusalWords(read)}</p>}
          {read.ok && (
            <>
              <p className="mt-2 text-small" data-testid="snippet-told">
                {partsWords(read.parts, read.hosts)}
              </p>
              {read.warnings.map((warning) => (
                <p key={warning} className="notice notice-amber mt-2 text-small">
                  {WARNINGS[warning]}
                </p>
              ))}
              {read.split && (
                <p className="notice notice-amber mt-2 flex flex-wrap items-center gap-3 text-small">
                  <span className="min-w-0 flex-1 basis-52">{wording.split}</span>
                  <button type="button" className="btn btn-sm btn-primary" disabled={nobody} onClick={() => void putBoth()}>
                    {wording.splitIt}
                  </button>
                </p>
              )}
            </>
          )}
        </div>
        {read.ok && place !== undefined && (
          <div className="panel mt-3 grid gap-3 px-4 py-3 sm:grid-cols-2">
            <div>
              <label className="text-small font-semibold" htmlFor={`${id}-name`}>
                {wording.name}
              </label>
              <input
                id={`${id}-name`}
                className="input mt-1 w-full"
                maxLength={200}
                placeholder={shown}
                value={name}
                onChange={(event) => setName(event.target.value)}
              />
            </div>
            <div>
              <label className="text-small font-semibold" htmlFor={`${id}-place`}>
                {wording.where}
              </label>
              <select id={`${id}-place`} className="select mt-1 w-full" value={place} onChange={(event) => setChosen(event.target.value as SnippetPlace)}>
                {read.places.map((one) => (
                  <option key={one} value={one}>
                    {PLACE_NAMES[one]}
                    {one === read.place ? ' (best here)' : ''}
                  </option>
                ))}
              </select>
            </div>
            <div className="sm:col-span-2">
              <WhichPages scope={scope} onScope={setScope} />
            </div>
            {!nobody && !read.split && (
              <div className="sm:col-span-2" aria-live="polite">
                <FitOnPages fits={fits} place={place} />
              </div>
            )}
            <p className="flex gap-2 sm:col-span-2">
              <button
                type="button"
                className={`btn ${read.split ? 'btn-outline-ink' : 'btn-primary'}`}
                disabled={nobody || (!read.split && (fits === undefined || goesNowhere(fits, place)))}
                onClick={put}
              >
                {editing === undefined ? wording.place : wording.change}
              </button>
              {editing !== undefined && (
                <button type="button" className="btn btn-ghost" onClick={() => begin()}>
                  Leave it as it was
                </button>
              )}
            </p>
          </div>
        )}
      </section>
      <PlacedSnippets snippets={snippets} onEdit={begin} />
    </div>
  );
}
