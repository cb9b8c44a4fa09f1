import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { all, KIND_TABLE, set } from '../../../core/site/index.ts';
import type { MarkupReport } from '../../../core/structured-data/index.ts';
import { counted } from '../../../core/wording/index.ts';
import { PageHead, Rail, useRoute } from '../../components/index.ts';
import { Empty, Segments, useRemembered } from '../../ui/index.ts';
import { useReport, useTables, useWorkspace, useWorkspaceApi, type Workspace } from '../../workspace/index.ts';
import { wording } from '../wording.ts';
import { CodeEditor, type Problem } from './CodeEditor.tsx';

/** Whose block it is: one page's, or that of all pages of its kind. */
interface Owner {
  readonly of: 'page' | 'kind';
  readonly table: 'pages' | 'kinds';
  readonly key: string;
  readonly label: string;
}

/** A block of the owner's own for one page or for a kind, as code: completed and checked as it is typed. */
export function Experts() {
  const { page } = useRoute();
  const row = useWorkspace((state) => (page === undefined ? undefined : state.byId.get(page)));
  const meaning = useReport((one) => (page === undefined ? Promise.resolve(undefined) : one.tools.analysis.meaning(page)), page ?? '');
  const rows = useWorkspace((state) => state.rows);
  const [of, setOf] = useRemembered<Owner['of']>('block-of', ['page', 'kind'], 'page');
  if (!row) return <Empty title={wording.noPages}>{wording.noPagesWhy}</Empty>;
  const kind = KIND_TABLE[row.kind];
  const owner: Owner =
    of === 'page'
      ? { of, table: 'pages', key: row.id, label: `“${row.name}” has a block of its own` }
      : { of, table: 'kinds', key: row.kind, label: `${kind.many} have a block of their own` };
  return (
    <div className="mx-auto max-w-narrow">
      <PageHead row={row} />
      <div className="mb-3">
        <Segments
          label="Whose block"
          value={of}
          onChange={setOf}
          options={[
            { value: 'page', label: 'This page' },
            { value: 'kind', label: `All ${kind.many.toLowerCase()}, ${counted(rows.filter((one) => one.kind === row.kind).length, 'page')}` },
          ]}
        />
      </div>
      {meaning ? <Block key={owner.key} owner={owner} report={meaning.report} /> : <p className="soft">{wording.reading}</p>}
    </div>
  );
}

function Block({ owner, report }: { readonly owner: Owner; readonly report: MarkupReport }) {
  const workspace = useWorkspaceApi();
  const record = useTables(owner.table).tables[owner.table][owner.key];
  const saved = record?.markupDraft ?? record?.markupBlock ?? '';
  // The editor holds its own text; from outside (undo, another tab) it is taken when it is another one.
  const [typed, setTyped] = useState(saved);
  const [before, setBefore] = useState(saved);
  const [kept, setKept] = useState(saved);
  if (before !== saved) {
    setBefore(saved);
    // What was kept from here comes back, and may be older than what has been typed since.
    if (saved !== kept) setTyped(saved);
  }
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  // What one page says does not go into all of its kind.
  const chips = useMemo(() => (owner.of === 'page' ? chipsOf(report) : []), [report, owner.of]);
  // A block can be long: it is kept when there is a pause, and when the screen is left.
  // Of what was typed since, the last text that was JSON is the block, whatever was begun behind it.
  const pending = useRef<{ readonly text: string; readonly block: string | undefined }>(undefined);
  const keep = useCallback((): void => {
    if (pending.current === undefined) return;
    const { text, block } = pending.current;
    pending.current = undefined;
    setKept(text);
    keepBlock(workspace, owner, text, block);
    // The owner is another one only in another block.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [workspace]);
  useEffect(() => {
    window.addEventListener('pagehide', keep);
    return () => {
      window.removeEventListener('pagehide', keep);
      keep();
    };
  }, [keep]);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const write = (text: string): void => {
    setTyped(text);
    pending.current = { text, block: isBlock(text) ? text : pending.current?.block };
    clearTimeout(timer.current);
    timer.current = setTimeout(keep, PAUSE);
  };
  const broken = record?.markupDraft !== undefined && record.markupDraft !== null;
  return (
    <>
      <p className="soft mb-3 max-w-prose">
        {owner.of === 'page'
          ? 'What stands here is written into this page besides what is set for it; where both name the same thing they are one, and your words go first.'
          : 'What stands here is written into each page of this kind besides what is set for it. A thing without an id is joined with the page’s own of the same type; what a page’s own block says goes before.'}
      </p>
      <div className="mb-2 flex flex-wrap items-center gap-3">
        <h2 className="mr-auto">{owner.of === 'page' ? 'The page’s own block' : 'The kind’s own block'}</h2>
        {typed !== '' && (
          <>
            <button type="button" className="link-act" onClick={() => write(formatted(typed) ?? typed)} disabled={broken}>
              Put in order
            </button>
            <button type="button" className="link-act" onClick={() => write('')}>
              Clear
            </button>
          </>
        )}
        {typed === '' && (
          <button type="button" className="btn btn-sm btn-outline-ink" onClick={() => write(template(report, owner.of))}>
            {owner.of === 'page' ? 'Begin with the page’s own thing' : 'Begin with what the pages are'}
          </button>
        )}
      </div>
      <CodeEditor
        value={typed}
        chips={chips}
        label={owner.of === 'page' ? 'JSON-LD of this page' : 'JSON-LD of this kind of page'}
        onChange={write}
        onProblems={setProblems}
      />
      {broken && (
        <p className="notice notice-amber mt-3" role="status">
          This is no JSON yet. It is kept as a draft, and nothing of it is released.
        </p>
      )}
      <Rail>
        <div className="flex items-baseline justify-between">
          <h2>As one types</h2>
          <span className="soft text-note">{problems.length === 0 ? 'nothing to say' : counted(problems.length, 'thing')}</span>
        </div>
        <ul className="mt-2 text-note">
          {problems.map((problem, at) => (
            <li key={at} className="border-t border-line py-2">
              <span className={problem.grave ? 'text-error' : ''}>{problem.words}</span> <span className="soft mono !text-tiny">line {problem.line}</span>
            </li>
          ))}
        </ul>
        <h2 className="mt-5">Keys</h2>
        <ul className="soft mt-1 text-note">
          <li>
            <kbd className="kbd">Ctrl Space</kbd> types, properties and their values
          </li>
          <li className="mt-1">
            <kbd className="kbd">Esc</kbd> then <kbd className="kbd">Tab</kbd> leaves the editor
          </li>
        </ul>
      </Rail>
    </>
  );
}

/** Milliseconds after the last key when a block is kept. */
const PAUSE = 300;

/** Keeps what stands in the editor: `block` is the last text of it that was JSON, and what is no JSON yet is a draft beside it. */
function keepBlock(workspace: Workspace, { table, key, label }: Owner, text: string, block: string | undefined): void {
  workspace.change(
    all([
      ...(block === undefined ? [] : [set(table, key, 'markupBlock', block.trim() === '' ? null : block)]),
      set(table, key, 'markupDraft', isBlock(text) ? null : text),
    ]),
    {
      label,
      coalesceKey: `markup-block:${table}:${key}`,
    },
  );
}

function isBlock(text: string): boolean {
  return text.trim() === '' || formatted(text) !== undefined;
}

function formatted(text: string): string | undefined {
  try {
    return JSON.stringify(JSON.parse(text), null, 2);
  } catch {
    return undefined;
  }
}

/** What the page says, to be put in with one press. */
function chipsOf(report: MarkupReport): readonly { readonly label: string; readonly insert: string }[] {
  const seen = new Set<string>();
  return report.things.flatMap(({ values }) =>
    values.flatMap(({ path, text }) => {
      if (text === undefined || seen.has(path) || text.length > 400) return [];
      seen.add(path);
      const property = path.split('.').pop() ?? path;
      return [{ label: `${property}: ${text.length > 28 ? `${text.slice(0, 27)}…` : text}`, insert: `${JSON.stringify(property)}: ${JSON.stringify(text)}` }];
    }),
  );
}

/** A block that names the page's own thing, to be filled; for a kind only what all of its pages are. */
function template(report: MarkupReport, of: Owner['of']): string {
  const [thing] = report.things;
  const own = report.nodes.find((node) => node['@type'] === thing?.type);
  return JSON.stringify(
    {
      '@context': 'https://schema.org',
      '@type': thing?.type ?? 'WebPage',
      ...(own && of === 'page' ? { '@id': own['@id'] } : {}),
      ...(of === 'page' ? { name: thing?.values.find(({ path }) => path === 'name' || path === 'headline')?.text ?? '' } : {}),
    },
    null,
    2,
  );
}
