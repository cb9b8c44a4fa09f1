import { ArrowDown, Check, CircleAlert, LoaderCircle, MoonStar, Undo2 } from 'lucide-react';
import { Link } from 'react-router';
import { counted, numberText } from '../../core/wording/index.ts';
import { useRoute } from '../components/index.ts';
import { useWorkspace } from '../workspace/index.ts';
import { applyTheme, shownTheme } from './theme.ts';
import { ServerAway } from './TroubleStrip.tsx';

const BUTTON = 'foot-button flex min-h-7 flex-none cursor-pointer items-center gap-1.5 max-md:min-w-11 max-md:justify-center';
/** On a phone it takes the room that is left: whatever it says, nothing moves from under a finger. */
const SAVED = 'flex min-h-7 flex-none items-center gap-1.5 max-md:min-w-0 max-md:flex-[1_1_4.5em] max-md:overflow-hidden';

/** Saved state, the keys that matter, the site in numbers, and what waits for release. */
export function Foot({ onUndo, onNext, behind }: { readonly onUndo: () => void; readonly onNext: () => void; readonly behind: { readonly inert?: boolean } }) {
  const numbers = useWorkspace((state) => state.numbers);
  const canUndo = useWorkspace((state) => state.undo.undo.length > 0);
  const { linkTo } = useRoute();
  const troubles = [
    [numbers.states['kept-out'], 'kept out'],
    [numbers.states['half-hidden'], 'half hidden'],
    [numbers.states['shut-out'], numbers.closed ? 'closed' : 'blocked'],
    [numbers.states.leaking, 'leaking'],
    [numbers.states['not-live'], 'not live'],
    [numbers.states.unseen, 'not looked at'],
  ] as const;
  return (
    <footer className="foot" {...behind}>
      <Saved />
      <ServerAway />
      <button type="button" className={BUTTON} onClick={onNext} aria-keyshortcuts="Alt+ArrowDown">
        <ArrowDown size={15} className="narrow-only" aria-hidden />
        <kbd className="wide-only">Alt ↓</kbd> <span className="wide-only">next page to fix</span>
        <span className="narrow-only sr-only">Next page to fix</span>
      </button>
      <button type="button" className={`${BUTTON} disabled:opacity-60`} onClick={onUndo} disabled={!canUndo} aria-keyshortcuts="Control+Z">
        <Undo2 size={15} className="narrow-only" aria-hidden />
        <kbd className="wide-only">Ctrl Z</kbd> <span className="wide-only">undo</span>
        <span className="narrow-only sr-only">Undo</span>
      </button>
      <span className="wide-only min-w-0 truncate" data-testid="foot-numbers">
        {counted(numbers.pages, 'page')} · {numberText(numbers.found)} of {numberText(numbers.wanted)} wanted found
        {numbers.foundAfterRelease !== numbers.found && `, ${numberText(numbers.foundAfterRelease)} once released`}
        {troubles.map(([count, name]) => (count ? ` · ${numberText(count)} ${name}` : ''))}
      </span>
      <button
        type="button"
        className={`${BUTTON} ml-auto min-w-7 justify-center`}
        aria-label="Switch between light and dark"
        title="Switch between light and dark"
        onClick={() => applyTheme(shownTheme() === 'paper' ? 'dusk' : 'paper')}
      >
        <MoonStar size={15} aria-hidden />
      </button>
      {numbers.waiting > 0 ? (
        <Link
          to={linkTo('release')}
          className="foot-release my-0.5 flex min-h-7 flex-none items-center gap-[0.3em] rounded-lg bg-accent px-2.5 font-semibold text-accent-content"
        >
          <span className="wide-only">{counted(numbers.waiting, 'change waits', 'changes wait')} for release</span>
          <span className="narrow-only">{numberText(numbers.waiting)} to release</span>
        </Link>
      ) : (
        <span className="soft flex-none">All released</span>
      )}
    </footer>
  );
}

/** Whether what was typed is kept. Not announced at each key: what fails, and what is well again, is told where it is told to all. */
function Saved() {
  const save = useWorkspace((state) => state.save);
  const agreeing = useWorkspace((state) => state.agreeing);
  const { done, of } = useWorkspace((state) => state.loadProgress);
  if (save === 'failed')
    return (
      <span className={`${SAVED} font-semibold text-error`}>
        <CircleAlert size={14} aria-hidden /> Not saved
      </span>
    );
  if (agreeing)
    return (
      <span className={SAVED} data-testid="agreeing">
        <LoaderCircle size={14} className="flex-none" aria-hidden /> Looking at the files
        <span className="wide-only">{of > 1 ? ` … ${done.toLocaleString('en')} of ${of.toLocaleString('en')}` : ' …'}</span>
      </span>
    );
  return (
    <span className={SAVED} data-testid="saved">
      {save === 'saved' ? <Check size={14} className="text-success" aria-hidden /> : <LoaderCircle size={14} aria-hidden />}
      {save === 'saved' ? (
        <>
          Saved <span className="wide-only">in this browser</span>
        </>
      ) : (
        'Saving …'
      )}
    </span>
  );
}
