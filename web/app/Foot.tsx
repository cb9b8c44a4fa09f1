import { Check, CircleAlert, LoaderCircle, MoonStar } from 'lucide-react';
import { Link } from 'react-router';
import { counted } from '../../core/wording/index.ts';
import { usePlace } from '../pieces/index.ts';
import { useWorkspace } from '../workspace/index.ts';
import { applyTheme, shownTheme } from './theme.ts';

/** Saved state, the keys that matter, the site in numbers, and what waits for release. */
export function Foot({ onUndo, onNext }: { readonly onUndo: () => void; readonly onNext: () => void }) {
  const save = useWorkspace((state) => state.save);
  const numbers = useWorkspace((state) => state.numbers);
  const canUndo = useWorkspace((state) => state.undo.undo.length > 0);
  const { linkTo } = usePlace();
  const found = (numbers.states.findable ?? 0) + (numbers.states['to-mend'] ?? 0);
  const troubles = [
    [numbers.states['kept-out'], 'kept out'],
    [numbers.states['half-hidden'], 'half hidden'],
    [numbers.states['shut-out'], 'shut out'],
    [numbers.states.leaking, 'leaking'],
    [numbers.states['not-live'], 'not live'],
  ] as const;
  return (
    <footer className="foot">
      <span className="flex items-center gap-1.5" role="status">
        {save === 'saved' ? (
          <Check size={14} className="text-success" aria-hidden />
        ) : save === 'saving' ? (
          <LoaderCircle size={14} aria-hidden />
        ) : (
          <CircleAlert size={14} className="text-error" aria-hidden />
        )}
        {save === 'saved' ? 'Saved in this browser' : save === 'saving' ? 'Saving …' : 'Not saved: the browser refused'}
      </span>
      <button type="button" className="wide-only flex min-h-7 cursor-pointer items-center gap-1.5" onClick={onNext}>
        <kbd>Alt ↓</kbd> next page to mend
      </button>
      <button type="button" className="wide-only flex min-h-7 cursor-pointer items-center gap-1.5 disabled:opacity-60" onClick={onUndo} disabled={!canUndo}>
        <kbd>Ctrl Z</kbd> undo
      </button>
      <span className="wide-only min-w-0 truncate">
        {counted(numbers.pages, 'page')} · {found} findable
        {troubles.map(([count, name]) => (count ? ` · ${count} ${name}` : ''))}
      </span>
      <button
        type="button"
        className="wide-only ml-auto grid h-7 w-7 flex-none cursor-pointer place-items-center rounded-lg"
        aria-label="Change between light and dusk"
        title="Change between light and dusk"
        onClick={() => applyTheme(shownTheme() === 'paper' ? 'dusk' : 'paper')}
      >
        <MoonStar size={15} aria-hidden />
      </button>
      <span className="narrow-only ml-auto" />
      {numbers.waiting > 0 ? (
        <Link to={linkTo('release')} className="my-1 rounded-lg bg-accent px-2.5 py-1 font-semibold text-[#1d2939]">
          {counted(numbers.waiting, 'change waits', 'changes wait')} for release
        </Link>
      ) : (
        <span className="soft">All released</span>
      )}
    </footer>
  );
}
