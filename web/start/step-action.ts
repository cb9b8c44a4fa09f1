import type { RemainingStep } from '../../core/rows/index.ts';
import type { useRoute } from '../components/index.ts';
import { hideProperly, makeHome, openPage, setKindIntent, switchSite, type Workspace } from '../workspace/index.ts';

type Step = RemainingStep['step'];

/** What a step does here and now; undefined for one that leads to where it is done. `home` is the page chosen as the home page. */
export function stepAction(workspace: Workspace, step: Step, home?: string): (() => void) | undefined {
  switch (step.code) {
    case 'no-home':
      return () => makeHome(workspace, home ?? step.pages[0] ?? '');
    case 'open-site':
      return () => switchSite(workspace);
    case 'open-page':
      return step.gates.every((gate) => gate.openable) ? () => void openPage(workspace, step.page) : undefined;
    case 'close-kind':
      return () => setKindIntent(workspace, step.kind, 'out');
    case 'half-hidden':
      return () => void hideProperly(workspace, step.pages);
    default:
      return undefined;
  }
}

/** Where a step is done. */
export function stepPlace(step: Step, { linkTo, linkToView }: Pick<ReturnType<typeof useRoute>, 'linkTo' | 'linkToView'>): string {
  switch (step.code) {
    case 'no-home':
      return linkTo('words', step.pages[0]);
    case 'open-visitors':
    case 'open-site':
      return linkToView('doors', 'site');
    case 'open-page':
    case 'close-page':
      return linkTo('doors', step.page);
    case 'open-pages':
    case 'half-hidden':
    case 'close-kind':
      return linkToView('doors', 'pages');
    case 'write-words':
      return linkTo('words', step.pages[0]);
    case 'say-who':
      return linkToView('meaning', 'who');
    case 'write-markup':
      return linkToView('meaning', 'kinds');
    case 'make-map':
      return linkTo('map');
    case 'release':
      return linkTo('release');
    case 'place-proof':
      return linkTo('proof');
    case 'verify':
      return linkTo(step.waits ? 'release' : 'proof');
    case 'hand-in':
    case 'wait':
      return linkTo('watch');
  }
}
