import { useId, useState, type KeyboardEvent } from 'react';

export interface ComboOption {
  readonly value: string;
  readonly label: string;
}

/** Most options listed at once; typing narrows them. */
const LISTED = 60;

const OPTION = 'flex min-h-8 cursor-pointer items-center gap-2 rounded-lg px-2.25 py-0.75 aria-selected:bg-secondary';

/** A field that is chosen from a long list by typing some letters of what is meant. What is typed and not chosen changes nothing. */
export function Combo({
  label,
  value,
  options,
  empty,
  describedBy,
  onChange,
}: {
  readonly label: string;
  readonly value: string;
  readonly options: readonly ComboOption[];
  /** What the list says where nothing fits. */
  readonly empty: string;
  readonly describedBy?: string;
  readonly onChange: (value: string) => void;
}) {
  const id = useId();
  const [typed, setTyped] = useState<string>();
  const [at, setAt] = useState(0);
  const open = typed !== undefined;
  const letters = (typed ?? '').trim().toLowerCase();
  const fitting = options.filter((option) => `${option.label} ${option.value}`.toLowerCase().includes(letters));
  const shown = fitting.slice(0, LISTED);
  const current = options.find((option) => option.value === value);
  const take = (option: ComboOption | undefined): void => {
    setTyped(undefined);
    if (option && option.value !== value) onChange(option.value);
  };
  const keys = (event: KeyboardEvent): void => {
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (step !== undefined && !event.altKey) {
      event.preventDefault();
      if (!open) setTyped('');
      setAt(open ? Math.min(shown.length - 1, Math.max(0, at + step)) : 0);
    } else if (event.key === 'Enter' && open) {
      event.preventDefault();
      take(shown[at]);
    } else if (event.key === 'Escape' && open) {
      event.stopPropagation();
      setTyped(undefined);
    }
  };
  return (
    <div className="relative" onBlur={(event) => !event.currentTarget.contains(event.relatedTarget) && setTyped(undefined)}>
      <input
        className="input w-full"
        role="combobox"
        aria-label={label}
        aria-expanded={open}
        aria-controls={`${id}-list`}
        aria-autocomplete="list"
        aria-activedescendant={open && shown[at] ? `${id}-${at}` : undefined}
        aria-describedby={describedBy}
        autoComplete="off"
        value={typed ?? current?.label ?? value}
        onFocus={(event) => event.target.select()}
        onChange={(event) => {
          setTyped(event.target.value);
          setAt(0);
        }}
        onKeyDown={keys}
      />
      <ul
        id={`${id}-list`}
        role="listbox"
        aria-label={label}
        className="combo-list absolute inset-x-0 top-[calc(100%+4px)] z-20 max-h-65 overflow-auto rounded-box border border-line bg-base-100 p-1.25 shadow-xl"
        hidden={!open}
      >
        {open &&
          shown.map((option, index) => (
            <li
              key={option.value}
              id={`${id}-${index}`}
              role="option"
              aria-selected={index === at}
              className={OPTION}
              ref={index === at ? (element) => element?.scrollIntoView({ block: 'nearest' }) : undefined}
              onPointerDown={(event) => {
                event.preventDefault();
                take(option);
              }}
            >
              {option.label} <span className="mono soft ml-auto">{option.value}</span>
            </li>
          ))}
        {open && shown.length === 0 && (
          <li role="option" aria-selected="false" aria-disabled className={`${OPTION} soft`}>
            {empty}
          </li>
        )}
      </ul>
    </div>
  );
}
