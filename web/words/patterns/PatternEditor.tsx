import { closestCenter, DndContext, type DragEndEvent } from '@dnd-kit/core';
import { arrayMove, rectSortingStrategy, SortableContext, useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { GripVertical, X } from 'lucide-react';
import { useId, useRef, useState } from 'react';
import { PARTS, type Part, type Pattern, type Piece } from '../../../core/titles/index.ts';
import { dragWords, useDragSensors } from '../../ui/index.ts';
import { PART_NAMES } from '../wording.ts';

const REMOVE = 'grid min-h-7.5 w-6 cursor-pointer place-items-center text-faint';

/**
 * A pattern as chips: dragged, or moved with the keyboard, into order; what is typed goes in as text, or as a part when it is picked. A chip with more
 * than one part gives the first that says something.
 */
export function PatternEditor({
  pattern,
  separator,
  sample,
  onChange,
}: {
  readonly pattern: Pattern;
  readonly separator: string;
  readonly sample: Readonly<Record<Part, string>> | undefined;
  readonly onChange: (pattern: Pattern) => void;
}) {
  const sensors = useDragSensors();
  const [open, setOpen] = useState<number>();
  // Pieces may be equal: what is dragged is known by its place when the drag began.
  const ids = pattern.map((_, index) => `piece-${index}`);
  const words = dragWords(ids, (index) => (pattern[index] ? label(pattern[index], separator) : ''));
  const dropped = ({ active, over }: DragEndEvent): void => {
    if (over && active.id !== over.id) onChange(arrayMove([...pattern], ids.indexOf(String(active.id)), ids.indexOf(String(over.id))));
    setOpen(undefined);
  };
  const replace = (at: number, piece: Piece | undefined): void => onChange(pattern.flatMap((one, index) => (index === at ? (piece ? [piece] : []) : [one])));
  return (
    <div className="panel" data-testid="pattern">
      <div className="flex flex-wrap items-center gap-1.5 p-3">
        <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={dropped} accessibility={words}>
          <SortableContext items={ids} strategy={rectSortingStrategy}>
            <ul className="contents">
              {pattern.map((piece, index) => (
                <Chip
                  key={ids[index]}
                  id={ids[index] as string}
                  piece={piece}
                  separator={separator}
                  open={open === index}
                  onOpen={() => setOpen(open === index ? undefined : index)}
                  onRemove={() => {
                    replace(index, undefined);
                    setOpen(undefined);
                  }}
                />
              ))}
            </ul>
          </SortableContext>
        </DndContext>
        <Adder onAdd={(piece) => onChange([...pattern, piece])} onBack={() => onChange(pattern.slice(0, -1))} sample={sample} />
      </div>
      {open !== undefined && pattern[open] && <PieceSettings piece={pattern[open]} sample={sample} onChange={(piece) => replace(open, piece)} />}
    </div>
  );
}

const label = (piece: Piece, separator: string): string => {
  if ('text' in piece) return piece.text;
  return piece.first
    .map((one) => (typeof one === 'string' ? (one === 'separator' ? `Separator: ${separator}` : PART_NAMES[one]) : `“${one.text}”`))
    .join(' or ');
};

function Chip({
  id,
  piece,
  separator,
  open,
  onOpen,
  onRemove,
}: {
  readonly id: string;
  readonly piece: Piece;
  readonly separator: string;
  readonly open: boolean;
  readonly onOpen: () => void;
  readonly onRemove: () => void;
}) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id });
  const text = label(piece, separator);
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`piece${'text' in piece ? ' is-text' : ''}${isDragging ? ' is-dragged' : ''}`}
    >
      <button
        type="button"
        className="grid min-h-7.5 w-6 cursor-grab touch-none place-items-center text-faint"
        aria-label={`Move ${text}`}
        {...attributes}
        {...listeners}
      >
        <GripVertical size={14} aria-hidden />
      </button>
      <button type="button" className="min-h-7.5 cursor-pointer px-0.5" aria-expanded={open} onClick={onOpen}>
        {text}
      </button>
      <button type="button" className={REMOVE} aria-label={`Take ${text} out`} onClick={onRemove}>
        <X size={14} aria-hidden />
      </button>
    </li>
  );
}

/** Typed text, or a part picked as one types. */
function Adder({
  onAdd,
  onBack,
  sample,
}: {
  readonly onAdd: (piece: Piece) => void;
  readonly onBack: () => void;
  readonly sample: Readonly<Record<Part, string>> | undefined;
}) {
  const [typed, setTyped] = useState('');
  const [active, setActive] = useState(0);
  const [focused, setFocused] = useState(false);
  const list = useId();
  const input = useRef<HTMLInputElement>(null);
  const text = typed.trim().toLowerCase();
  const parts = PARTS.filter((part) => PART_NAMES[part].toLowerCase().includes(text));
  const options: (Part | undefined)[] = text === '' ? [...parts] : [...parts, undefined];
  const add = (part: Part | undefined): void => {
    onAdd(part === undefined ? { text: typed.trim() } : { first: [part] });
    setTyped('');
    setActive(0);
    input.current?.focus();
  };
  return (
    <div className="relative min-w-36 flex-1" onBlur={(event) => !event.currentTarget.contains(event.relatedTarget) && setFocused(false)}>
      <input
        ref={input}
        className="w-full bg-transparent px-2 py-1.5 outline-none"
        role="combobox"
        aria-expanded={focused}
        aria-controls={list}
        aria-activedescendant={focused && options.length > 0 ? `${list}-${active}` : undefined}
        aria-label="Add a part or a text"
        placeholder="Type, or pick a part"
        value={typed}
        onFocus={() => setFocused(true)}
        onChange={(event) => {
          setTyped(event.target.value);
          setActive(0);
        }}
        onKeyDown={(event) => {
          if (event.key === 'ArrowDown') setActive((active + 1) % Math.max(1, options.length));
          else if (event.key === 'ArrowUp') setActive((active - 1 + options.length) % Math.max(1, options.length));
          else if (event.key === 'Enter' && options.length > 0) add(options[active]);
          else if (event.key === 'Backspace' && typed === '') onBack();
          else if (event.key === 'Escape') setFocused(false);
          else return;
          event.preventDefault();
        }}
      />
      {focused && options.length > 0 && (
        <ul id={list} role="listbox" aria-label="Parts" className="panel absolute top-full left-0 z-10 mt-1 max-h-72 w-72 overflow-auto p-1 shadow-lg">
          {options.map((part, index) => (
            <li
              key={part ?? 'text'}
              id={`${list}-${index}`}
              role="option"
              aria-selected={index === active}
              className={`flex min-h-8 cursor-pointer items-baseline gap-2 rounded-lg px-2 py-1 ${index === active ? 'bg-secondary' : ''}`}
              onPointerDown={(event) => {
                event.preventDefault();
                add(part);
              }}
            >
              {part === undefined ? <>The text “{typed.trim()}”</> : PART_NAMES[part]}
              {part !== undefined && <span className="soft ml-auto max-w-36 truncate text-fine">{sample?.[part] || 'empty here'}</span>}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

/** What a chip gives: its text, or parts in the order in which they are asked. */
function PieceSettings({
  piece,
  sample,
  onChange,
}: {
  readonly piece: Piece;
  readonly sample: Readonly<Record<Part, string>> | undefined;
  readonly onChange: (piece: Piece) => void;
}) {
  if ('text' in piece)
    return (
      <label className="flex items-center gap-2 border-t border-line p-3 text-small">
        Text
        <input className="input input-sm flex-1" autoFocus value={piece.text} maxLength={300} onChange={(event) => onChange({ text: event.target.value })} />
      </label>
    );
  return (
    <div className="border-t border-line p-3 text-small">
      <p className="soft mb-1.5">The first that says something on a page is taken:</p>
      <ol className="flex flex-wrap items-center gap-1.5">
        {piece.first.map((one, index) => (
          <li key={index} className="piece is-text">
            <span className="inline-flex min-h-7.5 items-center px-2">
              {index + 1}. {typeof one === 'string' ? PART_NAMES[one] : `“${one.text}”`}
              <span className="soft ml-1.5 text-fine">{typeof one === 'string' ? sample?.[one] || 'empty here' : ''}</span>
            </span>
            {piece.first.length > 1 && (
              <button
                type="button"
                className={REMOVE}
                aria-label="Take it out"
                onClick={() => onChange({ first: piece.first.filter((_, at) => at !== index) })}
              >
                <X size={14} aria-hidden />
              </button>
            )}
          </li>
        ))}
        {piece.first.length < 6 && (
          <li>
            <select
              className="select select-sm"
              aria-label="Else"
              value=""
              onChange={(event) => onChange({ first: [...piece.first, event.target.value as Part] })}
            >
              <option value="">else …</option>
              {PARTS.filter((part) => !piece.first.includes(part)).map((part) => (
                <option key={part} value={part}>
                  {PART_NAMES[part]}
                </option>
              ))}
            </select>
          </li>
        )}
        {piece.first.length < 6 && <ElseText onAdd={(text) => onChange({ first: [...piece.first, { text }] })} />}
      </ol>
    </div>
  );
}

function ElseText({ onAdd }: { readonly onAdd: (text: string) => void }) {
  const [text, setText] = useState('');
  return (
    <li>
      <input
        className="input input-sm w-40"
        placeholder="else a text"
        aria-label="Else a text"
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => {
          if (event.key !== 'Enter' || text.trim() === '') return;
          event.preventDefault();
          onAdd(text.trim());
          setText('');
        }}
      />
    </li>
  );
}
