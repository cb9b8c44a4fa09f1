import type { PageId } from '../../../core/source/index.ts';
import { useCallback, useEffect, useState } from 'react';
import { addRule, setRule, TROUBLE_COSTS, type RobotsTrouble } from '../../../core/robots/index.ts';
import { set } from '../../../core/site/index.ts';
import { counted, troubleWords } from '../../../core/wording/index.ts';
import { Term } from '../../components/index.ts';
import { More, useMore, useDebounced } from '../../ui/index.ts';
import { useReport, useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';
import { NewRule } from '../rules/NewRule.tsx';
import { RobotsEffects } from './RobotsEffects.tsx';
import { RobotsRules } from './RobotsRules.tsx';
import { RobotsText } from './RobotsText.tsx';
import { useDraft } from './draft.ts';
import { wording } from '../wording.ts';

const RANK = { blocks: 0, weakens: 1, polish: 2 } as const;

/** robots.txt in plain words and as text, in step. What is written is a draft, shown as pages that open or shut, until it is taken. */
export function RobotsEditor() {
  const workspace = useWorkspaceApi();
  const siteId = useWorkspace((state) => state.site?.id ?? '');
  const own = useWorkspace((state) => state.document.tables.robots['']?.text);
  const [draft, setDraft] = useDraft(siteId);
  const settled = useDebounced(draft, 120);
  // What holds is always looked at; a draft, and what it would change, only where there is one.
  const holding = useReport((one) => one.tools.analysis.robots());
  const drafted = useReport(async (one) => (settled === undefined ? undefined : one.tools.analysis.robots(settled)), `draft ${settled ?? ''}`);
  const effects = useReport(async (one) => (settled === undefined ? [] : one.tools.analysis.robotsEffect(settled)), `draft ${settled ?? ''}`);
  const settledText = holding?.text;
  const text = draft ?? settledText ?? '';
  const report = draft === undefined ? holding : (drafted ?? holding);
  const byId = useWorkspace((state) => state.byId);
  const [line, setLine] = useState<number>();
  // A draft that is what holds anyway is none.
  useEffect(() => {
    if (draft !== undefined && draft === (settledText ?? '')) setDraft(undefined);
  }, [draft, settledText, setDraft]);
  const waits = draft !== undefined && draft !== (settledText ?? '');
  const nameOf = useCallback((id: string): string => byId.get(id)?.name ?? id, [byId]);
  const take = (): void => {
    if (draft === undefined) return;
    workspace.change(set('robots', '', 'text', draft), { label: 'robots.txt was rewritten' });
    setDraft(undefined);
  };
  const { drawn, more } = useMore('troubles');
  const troubles = [...(report?.troubles ?? [])].sort((a, b) => RANK[TROUBLE_COSTS[a.code]] - RANK[TROUBLE_COSTS[b.code]]);
  return (
    <div className="mx-auto max-w-280">
      <header className="mb-4 flex flex-wrap items-start gap-3">
        <div className="min-w-0 flex-1 basis-72">
          <h1>
            robots.txt <Term id="robots" />
          </h1>
          <p className="soft mt-1">{wording.robotsLead}</p>
        </div>
        {own !== null && own !== undefined && (
          <button
            type="button"
            className="btn btn-outline-ink"
            onClick={() => workspace.change(set('robots', '', 'text', null), { label: 'robots.txt is the site’s own again' })}
          >
            As it was brought in
          </button>
        )}
      </header>
      {waits && (
        <div
          className="robots-draft notice notice-amber sticky top-5.5 z-4 mb-4 max-h-[34vh] overflow-auto [@media(max-height:560px)]:static [@media(max-height:560px)]:max-h-none"
          data-testid="draft"
        >
          <div className="flex flex-wrap items-center gap-x-3 gap-y-2">
            <p className="display min-w-0 flex-1 basis-60 font-semibold">{wording.draft}</p>
            <button type="button" className="btn btn-outline-ink" onClick={() => setDraft(undefined)}>
              Discard
            </button>
            <button type="button" className="btn btn-primary" onClick={take}>
              Apply
            </button>
          </div>
          <RobotsEffects effects={effects} nameOf={nameOf} />
        </div>
      )}
      <div className="grid items-start gap-5 lg:grid-cols-2">
        <section aria-labelledby="rules-in-words">
          <h2 id="rules-in-words" className="mb-2">
            {wording.inWords}
          </h2>
          {report && report.lines.length > 0 ? (
            <RobotsRules report={report} text={text} onText={setDraft} nameOf={nameOf} current={line} onLine={setLine} />
          ) : (
            <p className="soft">{wording.noRobots}</p>
          )}
          <NewRule onAdd={(token, rule) => setDraft(addRule(text, token, rule))} />
        </section>
        <section aria-labelledby="rules-as-text">
          <h2 id="rules-as-text" className="mb-2">
            {wording.asText}
          </h2>
          <RobotsText text={text} current={line} onText={setDraft} onLine={setLine} />
          <p className="soft mt-1.5 text-fine">{wording.lessonRobots}</p>
        </section>
      </div>
      <section className="mt-6" aria-labelledby="troubles">
        <h2 id="troubles" className="mb-2">
          {troubles.length === 0 ? wording.noTroubles : counted(troubles.length, 'thing to look at', 'things to look at')}
        </h2>
        {troubles.length > 0 && (
          <ul className="panel divide-y divide-line">
            {troubles.slice(0, drawn).map((trouble) => (
              <Trouble
                key={JSON.stringify(trouble)}
                trouble={trouble}
                nameOf={nameOf}
                onLine={setLine}
                mend={mendFor(trouble, text, (paths) => workspace.tools.analysis.robotsOpenedFor(paths, text))}
                onText={setDraft}
              />
            ))}
          </ul>
        )}
        <More drawn={drawn} total={troubles.length} onMore={more} />
      </section>
    </div>
  );
}

function Trouble({
  trouble,
  nameOf,
  onLine,
  mend,
  onText,
}: {
  readonly trouble: RobotsTrouble;
  readonly nameOf: (page: PageId) => string;
  readonly onLine: (line: number) => void;
  readonly mend: ReturnType<typeof mendFor>;
  readonly onText: (text: string) => void;
}) {
  const { headline, why } = troubleWords(trouble, nameOf);
  const line = 'line' in trouble ? trouble.line : undefined;
  return (
    <li className="flex flex-wrap items-start gap-x-3 gap-y-1 px-3.5 py-2.5" data-trouble={trouble.code}>
      <span className={`rounded-full min-w-16 flex-none px-2.25 py-px text-center text-tiny font-semibold cost-${TROUBLE_COSTS[trouble.code]} mt-0.5`}>
        {TROUBLE_COSTS[trouble.code]}
      </span>
      <div className="min-w-0 flex-1 basis-64">
        <p className="font-semibold [overflow-wrap:anywhere]">{headline}</p>
        <p className="soft text-small">{why}</p>
      </div>
      {line !== undefined && (
        <button type="button" className="link-act text-note" onClick={() => onLine(line)}>
          line {line}
        </button>
      )}
      {mend && (
        <button type="button" className="btn btn-sm btn-outline-ink" onClick={() => void mend.make().then(onText)}>
          {mend.label}
        </button>
      )}
    </li>
  );
}

/** What can be done about a trouble by itself; it goes into the draft like anything that is typed. */
function mendFor(
  trouble: RobotsTrouble,
  text: string,
  opened: (paths: readonly string[]) => Promise<string | undefined>,
): { readonly label: string; readonly make: () => Promise<string> } | undefined {
  switch (trouble.code) {
    case 'wrong-case': {
      const [path] = trouble.would;
      return path === undefined
        ? undefined
        : { label: `Write ${path}`, make: async () => setRule(text, trouble.line, { allow: trouble.allow, pattern: path }) };
    }
    case 'no-slash':
      return { label: 'Put a slash in front', make: async () => setRule(text, trouble.line, { allow: trouble.allow, pattern: `/${trouble.pattern}` }) };
    case 'assets-shut':
      return { label: 'Allow these files', make: async () => (await opened(trouble.files)) ?? text };
    default:
      return undefined;
  }
}
