import { Check, CircleAlert, OctagonX, Sparkles } from 'lucide-react';
import type { ReactNode } from 'react';
import { costOf, type Cost, type Finding } from '../../core/checks/index.ts';
import { findingWords } from '../../core/wording/index.ts';
import { useWorkspace } from '../workspace/index.ts';

const ICONS = { blocks: OctagonX, weakens: CircleAlert, polish: Sparkles } as const;
const COSTS: Readonly<Record<Cost, string>> = { blocks: 'blocks', weakens: 'weakens', polish: 'polish' };

/** What is left to mend, worst first; each with its reason and one action. */
export function Findings({
  findings,
  place,
  action,
  more,
}: {
  readonly findings: readonly Finding[];
  readonly place: (finding: Finding) => string | undefined;
  readonly action: (finding: Finding) => ReactNode;
  /** What else can be done about it, below. */
  readonly more?: (finding: Finding) => ReactNode;
}) {
  const byId = useWorkspace((state) => state.byId);
  if (findings.length === 0) {
    return (
      <p className="flex items-center gap-3 py-3">
        <span className="cost cost-fine">
          <Check size={17} aria-hidden />
        </span>
        Nothing. This page is good enough.
      </p>
    );
  }
  return (
    <ul>
      {findings.map((finding) => {
        const cost = costOf(finding);
        const Icon = ICONS[cost];
        const words = findingWords(finding, (id) => byId.get(id)?.name ?? id);
        return (
          <li key={finding.code} className="flex gap-3 border-t border-line py-3" data-finding={finding.code} data-cost={cost}>
            <span className={`cost cost-${cost}`}>
              <Icon size={16} role="img" aria-label={COSTS[cost]} />
            </span>
            <div className="min-w-0 flex-1">
              <div className="flex items-start justify-between gap-3">
                <p className="font-semibold leading-snug">{words.headline}</p>
                <span className="flex-none">{action(finding)}</span>
              </div>
              <p className="soft mt-0.5 text-note">
                {words.why} {words.mend}
                {place(finding) !== undefined && <span className="mono ml-1.5 whitespace-nowrap !text-tiny">{place(finding)}</span>}
              </p>
              {more?.(finding)}
            </div>
          </li>
        );
      })}
    </ul>
  );
}
