import { useRef, type KeyboardEvent, type ReactNode } from 'react';

export interface Segment<T extends string> {
  readonly value: T;
  readonly label: ReactNode;
}

/** One choice of a few, side by side. Arrow keys move the choice, as in any group of radio buttons. */
export function Segments<T extends string>({
  label,
  value,
  options,
  onChange,
}: {
  readonly label: string;
  readonly value: T;
  readonly options: readonly Segment<T>[];
  readonly onChange: (value: T) => void;
}) {
  const group = useRef<HTMLDivElement>(null);
  const move = (event: KeyboardEvent): void => {
    const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
    if (step === undefined || event.altKey) return;
    event.preventDefault();
    const at = (options.findIndex((option) => option.value === value) + step + options.length) % options.length;
    onChange((options[at] as Segment<T>).value);
    (group.current?.children[at] as HTMLElement | undefined)?.focus();
  };
  return (
    <div ref={group} className="segments" role="radiogroup" aria-label={label} onKeyDown={move}>
      {options.map((option) => (
        <button
          key={option.value}
          type="button"
          role="radio"
          aria-checked={option.value === value}
          tabIndex={option.value === value ? 0 : -1}
          onClick={() => onChange(option.value)}
        >
          {option.label}
        </button>
      ))}
    </div>
  );
}
