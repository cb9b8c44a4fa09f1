import { MATCHES } from '../../components/index.ts';
import { useMemo, type ReactNode } from 'react';
import { addressOf, all, pathRules, orderBehind, ruleCatches, directivesKey, directivesOf, set, type Change, type PathRule } from '../../../core/site/index.ts';
import { SortableList } from '../../ui/index.ts';
import { moveRule, useTables, useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';
import { PathForm } from './PathForm.tsx';
import { RuleHead, unsaid } from './RuleHead.tsx';
import { DirectivesEditor } from './DirectivesEditor.tsx';
import { wording } from '../wording.ts';

/** Rules for addresses: list or keep out, in the map or not, what may be shown; between a page's own word and its kind's. */
export function IntentRules({ crawlers }: { readonly crawlers: readonly string[] }) {
  const workspace = useWorkspaceApi();
  const document = useTables('rules', 'directives');
  // Rules that give pages a kind stand with the kinds, unless they say something about doors too.
  const rules = pathRules(document).filter(
    (rule) => rule.kind === undefined || speaks(document.tables.directives, rule.id) || typeof document.tables.rules[rule.id]?.inMap === 'boolean',
  );
  const add = (path: string, match: PathRule['match']): void => {
    const id = `d${workspace.tools.now().getTime().toString(36)}`;
    workspace.change(
      all([
        set('rules', id, 'path', path),
        set('rules', id, 'match', match),
        set('rules', id, 'order', orderBehind(document.tables.rules)),
        set('directives', directivesKey(`rule:${id}`), 'intent', 'out'),
      ]),
      { label: `A rule for ${path}` },
    );
  };
  return (
    <section className="mt-7" aria-labelledby="rules">
      <h2 id="rules">{wording.rules}</h2>
      <p className="soft mb-2 text-small">{wording.rulesWhy}</p>
      <SortableList
        items={rules}
        name={(rule) => `the rule for ${rule.path}`}
        onMove={(from, to) => moveRule(workspace, rules, from, to)}
        line={(rule, index, mover) => <RuleLine rule={rule} earlier={rules.slice(0, index)} crawlers={crawlers} mover={mover} />}
        last={<PathForm which="Which addresses" what="Address or part of it" example="/members" start="below" onAdd={add} />}
      />
    </section>
  );
}

const speaks = (says: Readonly<Record<string, unknown>>, id: string): boolean => Object.keys(says).some((key) => key.startsWith(`rule:${id}\n`));

function RuleLine({
  rule,
  earlier,
  crawlers,
  mover,
}: {
  readonly rule: PathRule;
  readonly earlier: readonly PathRule[];
  readonly crawlers: readonly string[];
  readonly mover: ReactNode;
}) {
  const workspace = useWorkspaceApi();
  const document = useTables('rules', 'directives');
  const rows = useWorkspace((state) => state.rows);
  const caught = useMemo(() => rows.filter((row) => ruleCatches(rule, addressOf(row.id))), [rows, rule]);
  const before = earlier.filter((one) => directivesOf(document, `rule:${one.id}`)?.intent);
  const taken = caught.filter((row) => before.some((one) => ruleCatches(one, addressOf(row.id)))).length;
  const intent = directivesOf(document, `rule:${rule.id}`)?.intent;
  const inMap = document.tables.rules[rule.id]?.inMap;
  const name = `${MATCHES[rule.match]} ${rule.path}`;
  const remove = (): void => {
    const changes: Change[] = unsaid(document, `rule:${rule.id}`);
    changes.push(set('rules', rule.id, 'inMap', null));
    // A rule that also gives a kind stays for that.
    if (rule.kind === undefined) changes.push(...(['path', 'match', 'order'] as const).map((field) => set('rules', rule.id, field, null)));
    workspace.change(all(changes), { label: `The rule for ${rule.path} is gone` });
  };
  return (
    <div className="px-3.5 py-2.5" data-rule={rule.path}>
      <RuleHead rule={rule} caught={caught.length} taken={taken} of="page" onRemove={remove} mover={mover}>
        <select
          className="select select-sm w-auto"
          aria-label={`Engines should, ${name}`}
          value={intent ?? ''}
          onChange={(event) =>
            workspace.change(
              set('directives', directivesKey(`rule:${rule.id}`), 'intent', event.target.value === '' ? null : (event.target.value as 'list' | 'out')),
              {
                label: `The rule for ${rule.path} changed`,
              },
            )
          }
        >
          <option value="">as the kind says</option>
          <option value="list">list</option>
          <option value="out">keep out</option>
        </select>
        <select
          className="select select-sm w-auto"
          aria-label={`In the sitemap, ${name}`}
          value={typeof inMap === 'boolean' ? String(inMap) : ''}
          onChange={(event) =>
            workspace.change(set('rules', rule.id, 'inMap', event.target.value === '' ? null : event.target.value === 'true'), {
              label: `The rule for ${rule.path} changed`,
            })
          }
        >
          <option value="">map: as the kind says</option>
          <option value="true">in the sitemap</option>
          <option value="false">not in the sitemap</option>
        </select>
      </RuleHead>
      <DirectivesEditor scope={`rule:${rule.id}`} name={name} crawlers={crawlers} inLine />
    </div>
  );
}
