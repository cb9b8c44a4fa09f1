import { readableAddress } from '../../../core/source/index.ts';
import { X } from 'lucide-react';
import { useMemo, useState, type ReactNode } from 'react';
import {
  addressOf,
  all,
  kindRules,
  KINDS,
  orderBehind,
  ruleCatches,
  set,
  spares,
  type Change,
  type Kind,
  type KindRule,
  KIND_TABLE,
} from '../../../core/site/index.ts';
import { counted } from '../../../core/wording/index.ts';
import { byKind, MATCHES, Term, PageLink } from '../../components/index.ts';
import { SortableList } from '../../ui/index.ts';
import { moveRule, useTables, useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';
import { article } from '../wording.ts';
import { Caught, NewKindRule } from './NewKindRule.tsx';

const SHOWN = 40;

/** What each page is for: guessed, ruled, or said for one page. */
export function Kinds() {
  const workspace = useWorkspaceApi();
  const rows = useWorkspace((state) => state.rows);
  const document = useTables('rules');
  const rules = kindRules(document);
  const groups = byKind(rows);
  const [open, setOpen] = useState<Kind>();
  const [picked, setPicked] = useState<ReadonlySet<string>>(new Set());
  const setKind = (ids: readonly string[], kind: Kind | null): void => {
    const changes: Change[] = ids.map((id) => set('pages', id, 'kind', kind));
    if (changes.length > 0)
      workspace.change(all(changes), {
        label:
          kind === null
            ? `${counted(ids.length, 'page')} of a guessed kind again`
            : `${counted(ids.length, 'page')} became ${KIND_TABLE[kind].many.toLowerCase()}`,
      });
    setPicked(new Set());
  };
  return (
    <div className="mx-auto max-w-wide">
      <h1 className="mb-1">
        Kinds <Term id="kind" />
      </h1>
      <p className="soft mb-4">Patterns and intents are set for a kind. Where a guess is wrong, one rule puts many pages right.</p>
      <section className="mb-6">
        <h2 className="mb-2">Your rules</h2>
        <SortableList
          items={rules}
          name={(rule) => `the rule for ${rule.path}`}
          onMove={(from, to) => moveRule(workspace, rules, from, to)}
          line={(rule, index, mover) => <RuleLine rule={rule} earlier={rules.slice(0, index)} mover={mover} />}
          last={<NewKindRule order={orderBehind(document.tables.rules)} />}
        />
      </section>
      <h2 className="mb-2">Pages by kind</h2>
      <ul className="panel divide-y divide-line">
        {groups.map(({ kind, rows: pages }) => (
          <li key={kind}>
            <button
              type="button"
              className="flex min-h-11 w-full cursor-pointer items-center gap-3 px-4 py-2 text-left"
              aria-expanded={open === kind}
              onClick={() => setOpen(open === kind ? undefined : kind)}
            >
              <span className="display w-32 font-semibold">{KIND_TABLE[kind].many}</span>
              <span className="soft tabular-nums">{counted(pages.length, 'page')}</span>
              <span className="soft ml-auto hidden text-note sm:inline">{reasons(pages)}</span>
            </button>
            {open === kind && (
              <div className="border-t border-line px-4 py-2">
                <div className="mb-2 flex flex-wrap items-center gap-2 text-small">
                  <label className="flex min-h-8 items-center gap-2">
                    <input
                      type="checkbox"
                      className="checkbox checkbox-sm"
                      checked={pages.every((page) => picked.has(page.id))}
                      onChange={(event) => setPicked(event.target.checked ? new Set(pages.map((page) => page.id)) : new Set())}
                    />
                    All {pages.length}
                  </label>
                  <select
                    className="select select-sm w-auto"
                    aria-label="Make the picked pages"
                    disabled={picked.size === 0}
                    value=""
                    onChange={(event) => setKind([...picked], event.target.value === 'guess' ? null : (event.target.value as Kind))}
                  >
                    <option value="">{picked.size === 0 ? 'Pick pages to change' : `Make ${counted(picked.size, 'page')} …`}</option>
                    {KINDS.map((one) => (
                      <option key={one} value={one}>
                        {KIND_TABLE[one].name}
                      </option>
                    ))}
                    <option value="guess">As guessed or ruled</option>
                  </select>
                </div>
                <ul>
                  {pages.slice(0, SHOWN * 10).map((page) => (
                    <li key={page.id} className="flex min-h-8 items-center gap-2 text-small">
                      <input
                        type="checkbox"
                        className="checkbox checkbox-sm"
                        aria-label={page.name}
                        checked={picked.has(page.id)}
                        onChange={(event) => {
                          const next = new Set(picked);
                          if (event.target.checked) next.add(page.id);
                          else next.delete(page.id);
                          setPicked(next);
                        }}
                      />
                      <PageLink to="words" page={page.id} className="link-act truncate !font-normal">
                        {page.name}
                      </PageLink>
                      <span className="mono soft truncate">{readableAddress(page.address)}</span>
                      <span className="soft ml-auto flex-none text-fine">{{ owner: 'said for this page', rule: 'by a rule', guess: '' }[page.kindFrom]}</span>
                    </li>
                  ))}
                </ul>
                {pages.length > SHOWN * 10 && <p className="soft py-1 text-note">and {pages.length - SHOWN * 10} more: a rule reaches them all.</p>}
              </div>
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}

function reasons(pages: readonly { readonly kindFrom: 'owner' | 'rule' | 'guess' }[]): string {
  const count = (from: string): number => pages.filter((page) => page.kindFrom === from).length;
  return [
    [count('rule'), 'by rules'],
    [count('owner'), 'said one by one'],
    [count('guess'), 'guessed'],
  ]
    .flatMap(([number, words]) => ((number as number) > 0 ? [`${number} ${words}`] : []))
    .join(', ');
}

function RuleLine({ rule, earlier, mover }: { readonly rule: KindRule; readonly earlier: readonly KindRule[]; readonly mover: ReactNode }) {
  const workspace = useWorkspaceApi();
  const rows = useWorkspace((state) => state.rows);
  const [open, setOpen] = useState(false);
  const caught = useMemo(
    () => rows.filter((row) => ruleCatches(rule, addressOf(row.id)) && !(row.kindFrom === 'guess' && spares(rule, row.kind))),
    [rows, rule],
  );
  const decided = caught.filter((row) => row.kindFrom === 'rule' && !earlier.some((one) => ruleCatches(one, addressOf(row.id))));
  const fields = ['path', 'match', 'kind', 'archives', 'order'] as const;
  return (
    <div className="p-3">
      <div className="flex flex-wrap items-center gap-2 text-plain">
        <span>
          {MATCHES[rule.match].replace(/^./, (letter) => letter.toUpperCase())} <code className="font-semibold">{rule.path}</code> is{' '}
          {article(KIND_TABLE[rule.kind].name)} <strong>{KIND_TABLE[rule.kind].name.toLowerCase()}</strong>
        </span>
        <button type="button" className="link-act text-note" aria-expanded={open} onClick={() => setOpen(!open)}>
          catches {counted(caught.length, 'page')}
          {decided.length < caught.length && `, decides ${decided.length}`}
        </button>
        <span className="ml-auto flex">
          {mover}
          <button
            type="button"
            className="icon-btn"
            aria-label="Take the rule away"
            onClick={() =>
              workspace.change(all(fields.map((field) => set('rules', rule.id, field, null))), { label: `The rule for ${rule.path} was taken away` })
            }
          >
            <X size={15} aria-hidden />
          </button>
        </span>
      </div>
      {open && <Caught pages={caught} />}
    </div>
  );
}
