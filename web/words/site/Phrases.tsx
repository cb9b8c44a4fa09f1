import { keysOf } from '../../../core/keyed/index.ts';
import { useMemo, useState } from 'react';
import { listOf } from '../../../core/phrases/index.ts';
import type { PhraseRow } from '../../../core/phrases/index.ts';
import { set } from '../../../core/site/index.ts';
import { counted } from '../../../core/wording/index.ts';
import { Term, PageLink } from '../../components/index.ts';
import { Empty, Segments, useRemembered } from '../../ui/index.ts';
import { useReport, useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';
import { PhraseMatrix } from './PhraseMatrix.tsx';

const WISHES = {
  services: { label: 'What you offer', example: 'book repair\nbox making' },
  places: { label: 'Where', example: 'Saltmere' },
  audiences: { label: 'For whom', example: 'for libraries' },
} as const;
const VERDICTS = { answered: 'answered', weak: 'weak', fought: 'fought over', nobody: 'nobody’s' } as const;
const SHOWN = 80;

/** Why a phrase stands as it does, and what would make it stand better. */
const WHY: Readonly<Record<PhraseRow['verdict'], (row: PhraseRow) => string>> = {
  answered: () => 'One page says it in its title or heading, and once more.',
  weak: ({ answered }) =>
    answered.length > 0
      ? 'One page answers it, and another is meant for it.'
      : 'Its words stand on a page, but not together in a title or heading. Say it there.',
  fought: ({ answered, targets }) =>
    `${counted(Math.max(answered.length, targets.length), 'page')} answer it alike, and engines choose one. Give it to the best.`,
  nobody: ({ nearest }) =>
    nearest === undefined ? 'No page says it. It needs a page of its own.' : 'No page says it. Give it to the one that comes nearest, or write one.',
};

/** Which searches the site can answer: what is offered, where and for whom, against the pages. */
export function Phrases() {
  const rows = useReport((one) => one.tools.analysis.phrases());
  const wishes = useWorkspace((state) => state.document.tables.wishes['']);
  const [way, setWay] = useRemembered<'list' | 'matrix'>('phrases', ['list', 'matrix'], 'list');
  const [only, setOnly] = useState<PhraseRow['verdict']>();
  const [most, setMost] = useState(SHOWN);
  const counts = useMemo(() => {
    const found = { answered: 0, weak: 0, fought: 0, nobody: 0 };
    for (const row of rows ?? []) found[row.verdict]++;
    return found;
  }, [rows]);
  const shown = (rows ?? []).filter((row) => only === undefined || row.verdict === only);
  const none = listOf(wishes?.services).length === 0 && (rows ?? []).length === 0;
  return (
    <div className="mx-auto max-w-table">
      <h1 className="mb-1">Phrases</h1>
      <p className="soft mb-4">The searches people make, and which page answers each by its own words.</p>
      <div className="mb-5 grid gap-4 sm:grid-cols-3">
        {keysOf(WISHES).map((field) => (
          <WishList key={field} field={field} />
        ))}
      </div>
      {none ? (
        <Empty title="Say what you offer">
          One a line, in the words of those who look for it. Each is put together with the places and the people, as one would type it.
        </Empty>
      ) : (
        <>
          <div className="mb-2 flex flex-wrap items-center gap-1.5" role="group" aria-label="Show only">
            {keysOf(VERDICTS).map((verdict) => (
              <button
                key={verdict}
                type="button"
                className="chip"
                aria-pressed={only === verdict}
                onClick={() => setOnly(only === verdict ? undefined : verdict)}
              >
                {VERDICTS[verdict]} <span className="tabular-nums">{counts[verdict]}</span>
              </button>
            ))}
            <span className="soft ml-auto text-note">
              {counted((rows ?? []).length, 'phrase')}; the seeds say how much each matters <Term id="worth" />
            </span>
            <Segments
              label="How they are shown"
              value={way}
              onChange={setWay}
              options={[
                { value: 'list', label: 'List' },
                { value: 'matrix', label: 'Matrix' },
              ]}
            />
          </div>
          {way === 'matrix' ? (
            <PhraseMatrix rows={shown.slice(0, most)} />
          ) : (
            <ul className="panel divide-y divide-line" data-testid="phrases">
              {shown.slice(0, most).map((row) => (
                <Phrase key={row.phrase} row={row} />
              ))}
            </ul>
          )}
          {shown.length > most && (
            <button type="button" className="link-act mt-2" onClick={() => setMost(most + 200)}>
              {shown.length - most} more
            </button>
          )}
        </>
      )}
    </div>
  );
}

function WishList({ field }: { readonly field: keyof typeof WISHES }) {
  const workspace = useWorkspaceApi();
  const value = useWorkspace((state) => state.document.tables.wishes['']?.[field] ?? '');
  const { label, example } = WISHES[field];
  return (
    <label className="block">
      <span className="font-semibold">{label}</span> <span className="soft text-fine">one a line</span>
      <textarea
        className="textarea mt-1 w-full"
        rows={4}
        dir="auto"
        placeholder={example}
        value={value}
        onChange={(event) =>
          workspace.change(set('wishes', '', field, event.target.value === '' ? null : event.target.value), {
            label: `${label}: changed`,
            coalesceKey: `wish:${field}`,
          })
        }
      />
    </label>
  );
}

function Phrase({ row }: { readonly row: PhraseRow }) {
  const workspace = useWorkspaceApi();
  const byId = useWorkspace((state) => state.byId);
  const makeTarget = (id: string): void =>
    workspace.change(set('pages', id, 'phrase', row.phrase), { label: `“${byId.get(id)?.name ?? id}” is to answer “${row.phrase}”` });
  const others = [...new Set([...row.answered, ...row.weak])].filter((id) => !row.targets.includes(id)).slice(0, 4);
  return (
    <li className="grid grid-cols-[auto_minmax(0,1fr)_auto] items-center gap-x-3.5 gap-y-1 px-4 py-2 md:grid-cols-[auto_minmax(120px,1fr)_100px_minmax(0,48%)]">
      <Worth phrase={row.phrase} worth={row.worth} />
      <span className="min-w-0">
        <span className="font-medium" dir="auto">
          {row.phrase}
        </span>
        {row.verdict !== 'answered' && <span className="soft block text-fine">{WHY[row.verdict](row)}</span>}
      </span>
      <span className={`min-w-23 rounded-full px-2.5 py-0.5 text-center text-fine ${VERDICT_LOOKS[row.verdict]}`}>{VERDICTS[row.verdict]}</span>
      <span className="col-span-full flex flex-wrap items-center justify-end gap-1.5 text-note md:col-auto">
        {row.targets.map((id) => (
          <PageLink to="words" page={id} key={id} className="chip" title="This page is meant for it">
            {byId.get(id)?.name ?? id}
          </PageLink>
        ))}
        {others.map((id) => (
          <button key={id} type="button" className="chip" onClick={() => makeTarget(id)} title="Make it this page’s target">
            {byId.get(id)?.name ?? id}
          </button>
        ))}
        {row.nearest !== undefined && row.targets.length === 0 && (
          <button type="button" className="chip" onClick={() => makeTarget(row.nearest as string)}>
            Give it to “{byId.get(row.nearest)?.name ?? row.nearest}”
          </button>
        )}
        <OtherPage phrase={row.phrase} label={row.targets.length > 0 ? 'Another page …' : 'Give it a page …'} onChoose={makeTarget} />
      </span>
    </li>
  );
}

/** All pages to choose from, made only where somebody chooses: eighty lists of a large site's pages would be what takes longest. */
function OtherPage({ phrase, label, onChoose }: { readonly phrase: string; readonly label: string; readonly onChoose: (id: string) => void }) {
  const pages = useWorkspace((state) => state.rows);
  const [open, setOpen] = useState(false);
  if (!open)
    return (
      <button type="button" className="select select-sm w-auto max-w-40" aria-label={`${label} ${phrase}`} onClick={() => setOpen(true)}>
        {label}
      </button>
    );
  return (
    <select
      className="select select-sm w-auto max-w-40"
      autoFocus
      aria-label={`Page for ${phrase}`}
      value=""
      onBlur={() => setOpen(false)}
      onChange={(event) => {
        setOpen(false);
        if (event.target.value !== '') onChoose(event.target.value);
      }}
    >
      <option value="">{label}</option>
      {pages.flatMap((page) =>
        page.intent === 'list'
          ? [
              <option key={page.id} value={page.id}>
                {page.name}
              </option>,
            ]
          : [],
      )}
    </select>
  );
}

const VERDICT_LOOKS: Readonly<Record<PhraseRow['verdict'], string>> = {
  answered: 'bg-green-soft text-green',
  weak: 'bg-amber-soft text-amber-ink',
  fought: 'bg-plum-soft text-plum',
  nobody: 'bg-brick-soft text-brick',
};

/** What it is worth: three beans, set by a click or by the arrow keys. */
function Worth({ phrase, worth }: { readonly phrase: string; readonly worth: number }) {
  const workspace = useWorkspaceApi();
  const write = (next: number): void =>
    workspace.change(set('worth', phrase, 'worth', next === 1 ? null : Math.max(0, Math.min(3, next))), { label: `“${phrase}” is worth ${next} of 3` });
  return (
    <span
      className="inline-flex cursor-pointer gap-0.75 px-0.5 py-2"
      role="slider"
      tabIndex={0}
      aria-label={`What “${phrase}” is worth`}
      aria-valuemin={0}
      aria-valuemax={3}
      aria-valuenow={worth}
      onKeyDown={(event) => {
        const step = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key];
        if (step === undefined) return;
        event.preventDefault();
        write(worth + step);
      }}
    >
      {[1, 2, 3].map((level) => (
        <i
          key={level}
          className={`h-3.75 w-2.75 rounded-md border-[1.5px] border-sun ${level <= worth ? 'bg-accent' : ''}`}
          onClick={() => write(level === worth ? level - 1 : level)}
        />
      ))}
    </span>
  );
}
