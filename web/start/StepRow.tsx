import { useNavigate } from 'react-router';
import type { OpenStep } from '../../core/survey/index.ts';
import { stepWords } from '../../core/wording/index.ts';
import { usePlace } from '../pieces/index.ts';
import { useHotkey } from '../ui/index.ts';
import { hideProperly, openPage, setKindIntent, switchSite, useWorkspace, useWorkspaceApi } from '../workspace/index.ts';

/** One step with its one action. */
export function StepRow({ open: { step, cost }, number, first }: { readonly open: OpenStep; readonly number: number; readonly first: boolean }) {
  const workspace = useWorkspaceApi();
  const byId = useWorkspace((state) => state.byId);
  const { go, linkTo, linkToView } = usePlace();
  const navigate = useNavigate();
  const words = stepWords(step, (id) => byId.get(id)?.name ?? id);
  const act = (): void => {
    switch (step.code) {
      case 'open-site':
        return switchSite(workspace);
      case 'open-visitors':
        return void navigate(linkToView('doors', 'site'));
      case 'open-page':
        if (step.gates.every((gate) => gate.openable)) return void openPage(workspace, step.page);
        return go('doors', step.page);
      case 'open-pages':
        return void navigate(linkToView('doors', 'pages'));
      case 'write-words':
        return go('words', step.pages[0], { walking: true });
      case 'close-kind':
        return setKindIntent(workspace, step.kind, 'out');
      case 'close-page':
        return go('doors', step.page);
      case 'half-hidden':
        return void hideProperly(workspace, step.pages);
      case 'say-who':
        return go('meaning');
      case 'make-map':
        return go('map');
      case 'release':
        return go('release');
      case 'place-proof':
        return go('proof');
      case 'verify':
        return void navigate(linkTo(step.waits ? 'release' : 'proof'));
      case 'hand-in':
      case 'wait':
        return go('watch');
    }
  };
  // The same key as on the walk: it does the first thing there is to do.
  useHotkey('alt+Enter', () => first && words.action !== '' && act());
  return (
    <li className={`step${first && cost === 'blocks' ? ' step-first' : ''}`} data-step={step.code}>
      <span className={`step-number${cost === 'blocks' ? ' blocks' : ''}`}>{number}</span>
      <div className="min-w-0 flex-1">
        <p className="font-semibold">{words.headline}</p>
        <p className="soft text-[13.5px]">{words.why}</p>
      </div>
      {words.action !== '' && (
        <button
          type="button"
          className={`btn flex-none ${first ? 'btn-primary' : 'btn-outline-ink'}`}
          onClick={act}
          {...(first ? { 'aria-keyshortcuts': 'Alt+Enter' } : {})}
        >
          {words.action}
          {first && <kbd className="wide-only ml-1 !border-transparent !bg-transparent opacity-75">Alt ↵</kbd>}
        </button>
      )}
    </li>
  );
}
