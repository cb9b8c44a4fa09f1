import { readableAddress } from '../../../core/source/index.ts';
import { useMemo, useState } from 'react';
import { addressOf, all, kindIntent, KINDS, ruleCatches, set, spares, type Kind, type KindRule, KIND_TABLE } from '../../../core/site/index.ts';
import { counted, plural } from '../../../core/wording/index.ts';
import { MATCHES } from '../../components/index.ts';
import { article } from '../wording.ts';
import { useTables, useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';

/** Another rule that gives pages their kind; what it would catch, and change, is told first. */
export function NewKindRule({ order }: { readonly order: number }) {
  const workspace = useWorkspaceApi();
  const rows = useWorkspace((state) => state.rows);
  const [path, setPath] = useState('');
  const [match, setMatch] = useState<KindRule['match']>('below');
  const [kind, setKind] = useState<Kind>('post');
  const [archives, setArchives] = useState(false);
  const document = useTables('kinds');
  const below = useMemo(() => (path.trim() === '' ? [] : rows.filter((row) => ruleCatches({ path, match }, addressOf(row.id)))), [rows, path, match]);
  const lists = below.filter((row) => row.kindFrom === 'guess' && spares({ kind, archives: false }, row.kind));
  const caught = archives ? below : below.filter((row) => !lists.includes(row));
  const { intent } = kindIntent(document, kind);
  const flipped = caught.filter((row) => row.kindFrom !== 'owner' && (row.intentFrom === 'kind' || row.intentFrom === 'default') && row.intent !== intent);
  const folders = useMemo(() => [...new Set(rows.flatMap((row) => addressOf(row.id).match(/^\/[^/]+\//)?.[0] ?? []))].slice(0, 60), [rows]);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (path.trim() === '') return;
        const id = `${match} ${path.trim()}`;
        workspace.change(
          all([
            set('rules', id, 'path', path.trim()),
            set('rules', id, 'match', match),
            set('rules', id, 'kind', kind),
            set('rules', id, 'archives', archives && lists.length > 0 ? true : null),
            set('rules', id, 'order', order),
          ]),
          {
            label: `${MATCHES[match].replace(/^./, (letter) => letter.toUpperCase())} ${path.trim()} is ${article(kind)} ${KIND_TABLE[kind].name.toLowerCase()}`,
          },
        );
        setPath('');
      }}
    >
      <div className="flex flex-wrap items-center gap-2 text-plain">
        <select
          className="select select-sm w-auto"
          aria-label="Which addresses"
          value={match}
          onChange={(event) => setMatch(event.target.value as KindRule['match'])}
        >
          {Object.entries(MATCHES).map(([id, name]) => (
            <option key={id} value={id}>
              {name.replace(/^./, (letter) => letter.toUpperCase())}
            </option>
          ))}
        </select>
        <input
          className="input input-sm mono w-52"
          list="folders"
          placeholder="/journal/"
          aria-label="Address"
          value={path}
          maxLength={300}
          onChange={(event) => setPath(event.target.value)}
        />
        <datalist id="folders">
          {folders.map((folder) => (
            <option key={folder} value={folder} />
          ))}
        </datalist>
        is a
        <select className="select select-sm w-auto" aria-label="Kind" value={kind} onChange={(event) => setKind(event.target.value as Kind)}>
          {KINDS.map((one) => (
            <option key={one} value={one}>
              {KIND_TABLE[one].name.toLowerCase()}
            </option>
          ))}
        </select>
        <button type="submit" className="btn btn-sm btn-primary" disabled={path.trim() === ''}>
          Add the rule
        </button>
        {path.trim() !== '' && (
          <span className="soft text-note" role="status">
            catches {counted(caught.length, 'page')}
          </span>
        )}
      </div>
      {lists.length > 0 && (
        <label className="mt-2 flex items-center gap-2 text-note">
          <input type="checkbox" className="checkbox checkbox-sm" checked={archives} onChange={(event) => setArchives(event.target.checked)} />
          Also for {counted(lists.length, 'page that lists others', 'pages that list others')} (categories, tags, authors, dates)
        </label>
      )}
      {flipped.length > 0 && (
        <p className="mt-2 text-note text-brick" role="status">
          {counted(flipped.length, 'page')}{' '}
          {intent === 'list'
            ? plural(flipped.length, 'would be listed that is kept out now', 'would be listed that are kept out now')
            : plural(flipped.length, 'would be kept out that is listed now', 'would be kept out that are listed now')}
          :{' '}
          {flipped
            .slice(0, 5)
            .map((row) => row.name)
            .join(', ')}
          {flipped.length > 5 && ' …'}
        </p>
      )}
      {caught.length > 0 && <Caught pages={caught} />}
    </form>
  );
}

export function Caught({
  pages,
}: {
  readonly pages: readonly { readonly id: string; readonly name: string; readonly address: string; readonly kind: Kind }[];
}) {
  return (
    <ul className="mt-2 max-h-56 overflow-auto text-note" tabIndex={0} aria-label="Pages that the rule catches">
      {pages.slice(0, 400).map((page) => (
        <li key={page.id} className="flex gap-2 py-0.5">
          <span className="truncate">
            <bdi>{page.name}</bdi>
          </span>{' '}
          <span className="mono soft truncate">{readableAddress(page.address)}</span>
          <span className="soft ml-auto flex-none">{KIND_TABLE[page.kind].name.toLowerCase()}</span>
        </li>
      ))}
      {pages.length === 0 && <li className="soft">None.</li>}
    </ul>
  );
}
