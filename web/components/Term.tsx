import { CircleHelp } from 'lucide-react';
import { Suspense, useId, useRef, useState } from 'react';
import { TERM_NAMES, type TermId } from '../../core/wording/index.ts';
import { Boundary, part } from '../ui/index.ts';

const Explanation = part(() => import('./Explanation.tsx'), 'Explanation');

/** Moves an explanation to the left as far as it would stand out of what it stands in. */
function keepInView(element: HTMLElement | null): void {
  const edge = element?.closest('main, aside')?.getBoundingClientRect().right;
  if (!element || edge === undefined) return;
  const over = element.getBoundingClientRect().right - edge + 14;
  if (over > 0) element.style.left = `${-12 - over}px`;
}

function Unexplained({ again }: { readonly again: () => void }) {
  return (
    <>
      The explanation could not be loaded: the program’s server does not answer.{' '}
      <button type="button" className="link-act" onClick={again}>
        Try again
      </button>
    </>
  );
}

/** A mark beside a term: one click, and it is explained; Escape or a click elsewhere, and it is gone. */
export function Term({ id }: { readonly id: TermId }) {
  const [open, setOpen] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  const panel = useId();
  return (
    <span
      className="relative inline-flex align-[-3px]"
      onKeyDown={(event) => {
        if (event.key !== 'Escape' || !open) return;
        event.stopPropagation();
        setOpen(false);
        button.current?.focus();
      }}
      onBlur={(event) => !event.currentTarget.contains(event.relatedTarget) && setOpen(false)}
    >
      <button
        ref={button}
        type="button"
        className="-mx-1 -my-1.5 inline-grid size-7 cursor-pointer place-items-center rounded-full text-faint max-md:-mx-2 max-md:-my-3.5 max-md:size-11"
        aria-expanded={open}
        aria-controls={panel}
        aria-label={`What is this? ${TERM_NAMES[id]}`}
        title={`What is this? ${TERM_NAMES[id]}`}
        onClick={() => setOpen(!open)}
      >
        <CircleHelp size={15} aria-hidden />
      </button>
      {open && (
        <span
          id={panel}
          ref={keepInView}
          className="absolute top-[calc(100%+6px)] -left-3 z-20 w-[min(320px,76vw)] rounded-box border border-line bg-base-100 px-3.25 py-2.5 text-left font-sans text-small font-normal whitespace-normal text-base-content shadow-xl"
          role="note"
          tabIndex={-1}
        >
          <Boundary instead={(_error, again) => <Unexplained again={again} />}>
            <Suspense fallback="…">
              <Explanation id={id} />
            </Suspense>
          </Boundary>
        </span>
      )}
    </span>
  );
}
