import { Check } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { PageState } from '../../core/indexing/index.ts';
import { isOpen, switchStory } from '../../core/site/index.ts';
import { counted, fullDate, numberText, STATE_WORDS } from '../../core/wording/index.ts';
import { LookDue, Rail, StateSign, stepsLeft } from '../components/index.ts';
import { useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { Lately } from './Lately.tsx';
import { NameQuestion } from './NameQuestion.tsx';
import { Sky } from './Sky.tsx';
import { StepRow } from './StepRow.tsx';
import { Unread } from './Unread.tsx';
import { answer, subline, wording } from './wording.ts';
import './start.css';

const LEGEND: readonly PageState[] = ['findable', 'to-mend', 'shut-out', 'leaking', 'half-hidden', 'kept-out', 'not-live'];

/** The answer in one sentence, the sky, the steps left. */
export function Start() {
  const workspace = useWorkspaceApi();
  const document = useWorkspace((state) => state.document);
  const rows = useWorkspace((state) => state.rows);
  const numbers = useWorkspace((state) => state.numbers);
  const engine = useWorkspace((state) => state.engine);
  const steps = useMemo(() => stepsLeft({ document, rows, numbers, engine }), [document, rows, numbers, engine]);
  const [all, setAll] = useState(false);
  useEffect(() => void workspace.askEngine(), [workspace]);
  const doors = document.tables.siteSwitch[''];
  const shown = all ? steps : steps.slice(0, 7);
  const [before, number, after] = answer(numbers, isOpen(document));
  // A plan to open is no open door yet.
  const open = switchStory(document).here === 'open';
  return (
    <div className="mx-auto max-w-220">
      <h1 className="!text-[34px] max-md:!text-[27px]">
        {before}
        <span className="bg-[linear-gradient(transparent_62%,var(--under)_62%_92%,transparent_92%)]">{number}</span>
        {after}
      </h1>
      <p className="soft mt-2 text-lead">{subline(numbers, steps)}</p>
      <NameQuestion />
      <LookDue />
      <Sky />
      <section aria-label={wording.steps}>
        <ol className="mt-4">
          {open && (
            <li className="step">
              <span className="step-number done">
                <Check size={16} strokeWidth={3} aria-label="done" />
              </span>
              <div>
                <p className="soft font-semibold">{wording.open}</p>
                {doors?.since && <p className="soft text-small">since {fullDate(doors.since)}</p>}
              </div>
            </li>
          )}
          {shown.map((step, index) => (
            <StepRow key={JSON.stringify(step.step)} open={step} number={index + (open ? 2 : 1)} first={index === 0} />
          ))}
          {steps.length === 0 && (
            <li className="step">
              <span className="step-number done">
                <Check size={16} strokeWidth={3} aria-hidden />
              </span>
              <div>
                <p className="font-semibold">{wording.nothingLeft}</p>
                <p className="soft text-small">{wording.comeBack}</p>
              </div>
            </li>
          )}
        </ol>
        {steps.length > 7 && (
          <button type="button" className="link-act mt-2" onClick={() => setAll(!all)}>
            {all ? 'Fewer' : `${steps.length - 7} more`}
          </button>
        )}
      </section>
      <Rail>
        <div className="flex items-baseline justify-between">
          <h2>{wording.sky}</h2>
          <span className="soft text-note">{counted(rows.length, 'page')}</span>
        </div>
        <ul className="panel mt-2 px-3.5 py-2">
          {[...LEGEND, ...(numbers.states.unseen ? (['unseen'] as const) : [])].map((state) => (
            <li key={state} className="flex min-h-6.75 items-center gap-3" title={STATE_WORDS[state].means}>
              <StateSign state={state} silent />
              <span>{state === 'shut-out' && numbers.closed ? wording.closedState : STATE_WORDS[state].name}</span>
              <span className="ml-auto tabular-nums">{numberText(numbers.states[state] ?? 0)}</span>
            </li>
          ))}
        </ul>
        <Unread />
        <Lately />
        <h2 className="mt-5">{wording.another}</h2>
        <p className="mt-1.5">
          <Link className="link-act" to="/sites">
            {wording.importSite}
          </Link>
        </p>
      </Rail>
    </div>
  );
}
