import { useState } from 'react';
import { Link } from 'react-router';
import type { RemainingStep } from '../../core/rows/index.ts';
import { stepWords } from '../../core/wording/index.ts';
import { useRoute, useQuietNavigate } from '../components/index.ts';
import { useHotkey } from '../ui/index.ts';
import { useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { stepAction, stepPlace } from './step-action.ts';

/** One step with its one action. */
export function StepRow({ open: { step, cost }, number, first }: { readonly open: RemainingStep; readonly number: number; readonly first: boolean }) {
  const workspace = useWorkspaceApi();
  const byId = useWorkspace((state) => state.byId);
  const route = useRoute();
  const navigate = useQuietNavigate();
  const [home, setHome] = useState<string>();
  const shown = step.code === 'no-home' && home !== undefined ? { ...step, pages: [home, ...step.pages] } : step;
  const words = stepWords(shown, (id) => byId.get(id)?.name ?? id);
  const act = stepAction(workspace, step, home);
  const place = stepPlace(step, route);
  const walking = step.code === 'write-words' ? { walking: true } : undefined;
  // The same key as on the walk: it does the first thing there is to do.
  useHotkey('alt+Enter', () => {
    if (!first || words.action === '') return;
    if (act) act();
    else void navigate(place, { state: walking });
  });
  const shared = { className: `btn flex-none ${first ? 'btn-primary' : 'btn-outline-ink'}`, ...(first ? { 'aria-keyshortcuts': 'Alt+Enter' } : {}) };
  const label = (
    <>
      {words.action}
      {first && <kbd className="wide-only ml-1 !border-transparent !bg-transparent opacity-75">Alt ↵</kbd>}
    </>
  );
  return (
    <li className={`step ${first && cost === 'blocks' ? 'step-first' : ''}`} data-step={step.code}>
      <span className={`step-number${cost === 'blocks' ? ' blocks' : ''}`}>{number}</span>
      <div className="min-w-0 flex-1">
        <p className="font-semibold">{words.headline}</p>
        <p className="soft text-small">{words.why}</p>
        {step.code === 'no-home' && step.pages.length > 1 && (
          <label className="mt-2 flex max-w-md flex-wrap items-center gap-2 text-small">
            Or another one
            <select className="select select-sm min-w-0 flex-1" value={home ?? step.pages[0]} onChange={(event) => setHome(event.target.value)}>
              {step.pages.map((id) => (
                <option key={id} value={id}>
                  {byId.get(id)?.name ?? id} ({byId.get(id)?.address ?? id})
                </option>
              ))}
            </select>
          </label>
        )}
      </div>
      {words.action !== '' &&
        (act ? (
          <button type="button" onClick={act} {...shared}>
            {label}
          </button>
        ) : (
          <Link to={place} state={walking} {...shared}>
            {label}
          </Link>
        ))}
    </li>
  );
}
