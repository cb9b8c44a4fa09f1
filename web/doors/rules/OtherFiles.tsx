import { useMemo, useState } from 'react';
import { headerServerRules } from '../../../core/release/index.ts';
import { all, headerRules, orderBehind, ruleCatches, directivesKey, set, type HeaderRule, type PathRule } from '../../../core/site/index.ts';
import { counted } from '../../../core/wording/index.ts';
import { MATCHES, Term } from '../../components/index.ts';
import { Busy, Copyable, Segments, byText, DataTable } from '../../ui/index.ts';
import { useReport, useTables, useWorkspaceApi } from '../../workspace/index.ts';
import { useCrawlers } from '../page/crawlers.ts';
import { PathForm } from './PathForm.tsx';
import { RuleHead, unsaid } from './RuleHead.tsx';
import { DirectivesEditor } from './DirectivesEditor.tsx';
import { wording } from '../wording.ts';

/** Files that are no pages: what headers say for them, and who may fetch them. */
export function OtherFiles() {
  const files = useReport((one) => one.tools.analysis.otherFiles());
  const document = useTables('headers', 'directives', 'siteSwitch');
  const rules = headerRules(document);
  const [only, setOnly] = useState<string>();
  const sorts = useMemo(() => {
    const counts = new Map<string, number>();
    for (const file of files ?? []) counts.set(endingOf(file.path), (counts.get(endingOf(file.path)) ?? 0) + 1);
    return [...counts].sort((a, b) => b[1] - a[1]);
  }, [files]);
  if (!files) return <Busy what="Looking at the files" done={0} of={1} />;
  const shown = files.filter((file) => only === undefined || endingOf(file.path) === only);
  return (
    <div className="mx-auto max-w-page">
      <h1 className="mb-1">
        Other files <Term id="header" />
      </h1>
      <p className="soft mb-4">{wording.filesLead}</p>
      <HeaderRules rules={rules} paths={files.map((file) => file.address)} />
      {rules.some((rule) => rule.values.length > 0) && <ServerText rules={rules} />}
      <div className="mt-6 mb-2 flex flex-wrap items-center gap-1.5">
        <h2 className="mr-1">{counted(files.length, 'file')}</h2>
        {sorts.map(([sort, count]) => (
          <button key={sort} type="button" className="chip" aria-pressed={only === sort} onClick={() => setOnly(only === sort ? undefined : sort)}>
            {sort} <span className="tabular-nums">{count}</span>
          </button>
        ))}
      </div>
      <DataTable
        rows={shown}
        list={only ?? ''}
        keyOf={({ path }) => path}
        data={({ path }) => ({ 'data-file': path })}
        columns={[
          { id: 'file', name: 'File', className: 'mono break-all', compare: byText(({ address }) => address), cell: ({ address }) => address },
          {
            id: 'header',
            name: 'X-Robots-Tag',
            className: 'mono text-tiny',
            cell: ({ headers }) => (headers.length === 0 ? <span className="soft">none</span> : headers.join(' · ')),
          },
          {
            id: 'robots',
            name: 'robots.txt',
            className: 'text-note',
            cell: ({ shutTo }) => (shutTo.length === 0 ? <span className="soft">may be fetched</span> : `blocked for ${shutTo.join(', ')}`),
          },
          { id: 'links', name: 'Links in', className: 'num', compare: (a, b) => b.linksIn - a.linksIn, cell: ({ linksIn }) => linksIn },
        ]}
      />
    </div>
  );
}

function endingOf(path: string): string {
  return /\.(\w+)$/.exec(path)?.[1]?.toLowerCase() ?? 'no ending';
}

function HeaderRules({ rules, paths }: { readonly rules: readonly HeaderRule[]; readonly paths: readonly string[] }) {
  const workspace = useWorkspaceApi();
  const document = useTables('headers', 'directives', 'siteSwitch');
  const add = (of: string, how: PathRule['match']): void => {
    const id = `h${workspace.tools.now().getTime().toString(36)}`;
    workspace.change(
      all([
        set('headers', id, 'path', of),
        set('headers', id, 'match', how),
        set('headers', id, 'order', orderBehind(document.tables.headers)),
        set('directives', directivesKey(`files:${id}`), 'intent', 'out'),
      ]),
      {
        label: `A rule for files ${MATCHES[how]} ${of}`,
      },
    );
  };
  const offer = ['.pdf', '.docx', '.csv', '.txt'].filter(
    (ending) => paths.some((one) => one.toLowerCase().endsWith(ending)) && !rules.some((rule) => rule.path === ending),
  );
  return (
    <section aria-labelledby="header-rules">
      <h2 id="header-rules" className="mb-2">
        {wording.headerRules}
      </h2>
      <ul className="panel divide-y divide-line">
        {rules.map((rule) => (
          <HeaderLine key={rule.id} rule={rule} caught={paths.filter((one) => ruleCatches(rule, one)).length} />
        ))}
        <li className="p-3">
          <PathForm which="Which files" what="Ending, folder, or part of the address" example=".pdf" start="ends" onAdd={add} />
          {offer.length > 0 && (
            <p className="mt-2 flex flex-wrap items-center gap-2 text-note">
              Keep out:
              {offer.map((ending) => (
                <button key={ending} type="button" className="chip" onClick={() => add(ending, 'ends')}>
                  all {ending}
                </button>
              ))}
            </p>
          )}
        </li>
      </ul>
    </section>
  );
}

function HeaderLine({ rule, caught }: { readonly rule: HeaderRule; readonly caught: number }) {
  const workspace = useWorkspaceApi();
  const document = useTables('headers', 'directives', 'siteSwitch');
  const crawlers = useCrawlers();
  const scope = `files:${rule.id}`;
  const out = document.tables.directives[directivesKey(scope)]?.intent === 'out';
  const remove = (): void => {
    const changes = unsaid(document, scope);
    changes.push(...(['path', 'match', 'order'] as const).map((field) => set('headers', rule.id, field, null)));
    workspace.change(all(changes), { label: `The rule for ${rule.path} is gone` });
  };
  return (
    <li className="px-3.5 py-2.5" data-header-rule={rule.path}>
      <RuleHead rule={rule} caught={caught} of="file" onRemove={remove}>
        <label className="flex min-h-8 items-center gap-2 text-small">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={out}
            onChange={(event) =>
              workspace.change(set('directives', directivesKey(scope), 'intent', event.target.checked ? 'out' : null), {
                label: `The rule for ${rule.path} changed`,
              })
            }
          />
          keep out of results
        </label>
      </RuleHead>
      {rule.values.map((value) => (
        <p key={value} className="mono mt-1 text-tiny">
          X-Robots-Tag: {value}
        </p>
      ))}
      <DirectivesEditor scope={scope} name={`Files ${rule.path}`} crawlers={crawlers} inLine />
    </li>
  );
}

function ServerText({ rules }: { readonly rules: readonly HeaderRule[] }) {
  const [form, setForm] = useState<'htaccess' | 'server-block'>('htaccess');
  const text = headerServerRules(rules, form);
  return (
    <details className="mt-3">
      <summary className="link-act inline-block cursor-pointer text-small">{wording.serverRules}</summary>
      <div className="panel mt-2 p-3">
        <div className="mb-2 flex flex-wrap items-center justify-between gap-2">
          <Segments
            label="For which web server"
            value={form}
            onChange={setForm}
            options={[
              { value: 'htaccess', label: '.htaccess' },
              { value: 'server-block', label: 'server block' },
            ]}
          />
          <Copyable text={text} />
        </div>
        <pre className="overflow-x-auto text-tiny">{text}</pre>
        <p className="soft mt-2 text-fine">{wording.serverRulesWhy}</p>
      </div>
    </details>
  );
}
