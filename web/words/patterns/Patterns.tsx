import type { PageId } from '../../../core/source/index.ts';
import { keysOf } from '../../../core/keyed/index.ts';
import { useState } from 'react';
import { set, type Kind, type PatternField, KIND_TABLE } from '../../../core/site/index.ts';
import { readPattern, writePattern, type Pattern } from '../../../core/titles/index.ts';
import { counted, plural } from '../../../core/wording/index.ts';
import { byKind, PageLink, siteText, Term, useRoute } from '../../components/index.ts';
import { Empty, More, Segments, useMore } from '../../ui/index.ts';
import { useReport, useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';
import { ChangeList } from '../exchange/ChangeList.tsx';
import { PatternEditor } from './PatternEditor.tsx';
import { wording } from '../wording.ts';

const FIELDS = { title: 'Title', description: 'Description', shareTitle: 'Share title' } as const;
/** What a new pattern starts from: what most sites want. */
const STARTS: Readonly<Record<PatternField, Pattern>> = {
  title: [{ first: ['page-name'] }, { first: ['separator'] }, { first: ['site-name'] }],
  description: [{ first: ['first-words'] }],
  shareTitle: [{ first: ['page-name'] }],
};

/** Texts that a whole kind of page has, made of parts; what they change is seen before it is taken. */
export function Patterns() {
  const rows = useWorkspace((state) => state.rows);
  const kinds = byKind(rows.filter((row) => row.address !== '/'));
  const { page } = useRoute();
  const [kind, setKind] = useState<Kind>();
  const [field, setField] = useState<PatternField>('title');
  const shown = kind ?? rows.find((row) => row.id === page && row.address !== '/')?.kind ?? kinds[0]?.kind;
  if (shown === undefined) return <Empty title={wording.noPages}>{wording.noPagesWhy}</Empty>;
  return (
    <div className="mx-auto max-w-wide">
      <header className="mb-4 flex flex-wrap items-center gap-x-4 gap-y-2">
        <h1>
          Patterns <Term id="pattern" />
        </h1>
        <Segments<PatternField>
          label="Which text"
          value={field}
          onChange={setField}
          options={keysOf(FIELDS).map((value) => ({ value, label: FIELDS[value] }))}
        />
      </header>
      <div className="mb-4 flex flex-wrap gap-1.5" role="group" aria-label="Kind of page">
        {kinds.map((group) => (
          <button key={group.kind} type="button" className="chip" aria-pressed={group.kind === shown} onClick={() => setKind(group.kind)}>
            {KIND_TABLE[group.kind].many} <span className="tabular-nums">{group.rows.length}</span>
          </button>
        ))}
      </div>
      <OnePattern key={`${shown} ${field}`} kind={shown} field={field} />
    </div>
  );
}

function OnePattern({ kind, field }: { readonly kind: Kind; readonly field: PatternField }) {
  const workspace = useWorkspaceApi();
  const kept = useWorkspace((state) => state.document.tables.kinds[kind]?.[field] ?? null);
  const separator = useWorkspace((state) => state.document.tables.facts['']?.separator ?? '|');
  const now = readPattern(kept);
  const [draft, setDraft] = useState<Pattern | undefined>(now);
  const [base, setBase] = useState(kept);
  // Undo, or another tab, may change it: what is kept is shown again.
  if (base !== kept) {
    setBase(kept);
    setDraft(now);
  }
  const written = draft === undefined || draft.length === 0 ? null : writePattern(draft);
  const preview = useReport((one) => one.tools.analysis.patternPreview(kind, field, draft), written ?? '');
  const changed = written !== kept;
  const many = KIND_TABLE[kind].many.toLowerCase();
  const name = FIELDS[field].toLowerCase();
  const apply = (): void =>
    workspace.change(set('kinds', kind, field, written), {
      label: written === null ? `${KIND_TABLE[kind].many} have their own ${name}s again` : `${KIND_TABLE[kind].many} have a new ${name} pattern`,
    });
  return (
    <>
      {draft === undefined ? (
        <div className="panel p-4">
          <p>
            {KIND_TABLE[kind].many} have no {name} pattern: each page says what stands in it.
          </p>
          <button type="button" className="btn btn-sm btn-primary mt-3" onClick={() => setDraft(STARTS[field])}>
            Make one
          </button>
        </div>
      ) : (
        <PatternEditor pattern={draft} separator={separator} sample={preview?.samples[0]?.parts} onChange={setDraft} />
      )}
      <div className="mt-3 flex flex-wrap items-center gap-2">
        <button type="button" className="btn btn-sm btn-primary" disabled={!changed} onClick={apply}>
          {preview && changed
            ? preview.changes.length > 0
              ? `Apply: this changes ${counted(preview.changes.length, 'page')}`
              : 'Apply: no page changes'
            : 'Apply'}
        </button>
        {changed && (
          <button type="button" className="btn btn-sm btn-ghost" onClick={() => setDraft(now)}>
            Leave it as it was
          </button>
        )}
        {draft !== undefined && (
          <button type="button" className="link-act text-small" onClick={() => setDraft(undefined)}>
            No pattern
          </button>
        )}
        {preview && (
          <span className="soft ml-auto text-note">
            {counted(preview.follow, 'page follows', 'pages follow')}
            {preview.own.length > 0 && `, ${preview.own.length} with words of ${plural(preview.own.length, 'its', 'their')} own`}
          </span>
        )}
      </div>
      {preview && changed && preview.same.length > 0 && <SameTexts same={preview.same} now={preview.sameNow} name={name} />}
      {preview && preview.samples.length > 0 && draft !== undefined && (
        <section className="mt-5">
          <h2 className="mb-1.5">On three {many}</h2>
          <ul className="panel divide-y divide-line">
            {preview.samples.map((sample) => (
              <Sample key={sample.page} page={sample.page} text={sample.text} />
            ))}
          </ul>
        </section>
      )}
      {preview && changed && preview.changes.length > 0 && (
        <section className="mt-5">
          <h2 className="mb-1.5">What changes</h2>
          <ChangeList changes={preview.changes} />
        </section>
      )}
    </>
  );
}

/** Pages that a pattern would leave with the same text: told, and listed, before it is taken. */
function SameTexts({
  same,
  now,
  name,
}: {
  readonly same: readonly { readonly page: PageId; readonly text: string; readonly others: number }[];
  readonly now: number;
  readonly name: string;
}) {
  const byId = useWorkspace((state) => state.byId);
  const { drawn, more } = useMore(`${same.length}`);
  return (
    <details className="notice notice-amber mt-4" data-testid="pattern-same">
      <summary className="cursor-pointer font-semibold">
        Leaves {counted(same.length, 'page')} with the same {name} as another page
        {now > 0 && <span className="font-normal">; {now === same.length ? 'as many as now' : `${counted(now, 'page has', 'pages have')} that now`}</span>}
      </summary>
      <ul className="mt-2">
        {same.slice(0, drawn).map(({ page, text, others }) => (
          <li key={page} className="flex flex-wrap items-baseline gap-x-2 py-0.5">
            <PageLink to="words" page={page} className="link-act !font-normal">
              {byId.get(page)?.address ?? page}
            </PageLink>
            <span {...siteText(byId.get(page)?.lang)}>“{text}”</span>
            <span className="soft text-note">and {counted(others, 'other', 'others')}</span>
          </li>
        ))}
      </ul>
      <More drawn={drawn} total={same.length} onMore={more} />
    </details>
  );
}

function Sample({ page, text }: { readonly page: PageId; readonly text: string }) {
  const row = useWorkspace((state) => state.byId.get(page));
  return (
    <li className="px-4 py-2.5">
      <p className="font-medium" dir="auto">
        {text || <span className="soft italic">nothing: the page keeps its own</span>}
      </p>
      <p className="mono soft">{row?.address}</p>
    </li>
  );
}
