import { Check, Circle, X } from 'lucide-react';
import type { ReactNode } from 'react';

/** One step of several: whether it is done, why it matters, and the way to do it. */
export function StepLine({
  done,
  bad = false,
  name,
  why,
  children,
}: {
  readonly done: boolean;
  /** It was looked at and is not as it has to be. */
  readonly bad?: boolean;
  readonly name: string;
  readonly why: ReactNode;
  readonly children?: ReactNode;
}) {
  return (
    <li className="flex flex-wrap items-start gap-x-3 gap-y-1.5 border-t border-line px-3.5 py-2.5 first:border-t-0" data-done={done}>
      <span className={`cost ${done ? 'cost-fine' : bad ? 'cost-blocks' : 'cost-polish'}`}>
        {done ? (
          <Check size={16} strokeWidth={2.5} role="img" aria-label="done" />
        ) : bad ? (
          <X size={16} strokeWidth={2.5} role="img" aria-label="wrong" />
        ) : (
          <Circle size={14} role="img" aria-label="open" />
        )}
      </span>
      <div className="min-w-0 flex-1 basis-52">
        <p className="font-semibold">{name}</p>
        <div className="soft text-small [overflow-wrap:anywhere]">{why}</div>
      </div>
      {children}
    </li>
  );
}
