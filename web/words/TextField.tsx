import { Lightbulb } from 'lucide-react';
import { useId, useRef, useState } from 'react';
import { LONGEST_TEXT, set, type Effective } from '../../core/site/index.ts';
import { fit, type Room } from '../../core/titles/index.ts';
import { counted } from '../../core/wording/index.ts';
import { useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { FitRuler } from './FitRuler.tsx';
import { PLACEHOLDERS, sourceWords } from './wording.ts';

type Field = 'title' | 'description';
interface Props {
  readonly field: Field;
  readonly label: string;
  readonly page: string;
  readonly name: string;
  readonly value: Effective;
  readonly rooms: readonly Room[];
  readonly suggestions: readonly string[];
  /** Whether the cursor is put here when the page is shown. */
  readonly focused: boolean;
}

let visits = 0;
/** Milliseconds without a key after which typing counts as a new step. */
const PAUSE = 2000;

/** One text of a page with its ruler: what is typed is seen, measured and kept at each key. */
export function TextField({ field, label, page, name, value, rooms, suggestions, focused }: Props) {
  const workspace = useWorkspaceApi();
  const id = useId();
  const owner = useWorkspace((state) => state.document.tables.pages[page]?.[field]);
  const [visit, setVisit] = useState(() => ++visits);
  const text = owner ?? value.value;
  const write = (next: string | null, thread?: string): void =>
    workspace.change(set('pages', page, field, next), {
      label: next === null ? `“${name}” keeps its own ${field}` : `“${name}” has a new ${field}`,
      ...(thread === undefined ? {} : { thread }),
    });
  const lastKey = useRef(0);
  const typed = (next: string, at: number): void => {
    // A pause ends the step: undo takes back what was typed in one go, not an hour's work.
    const thread = at - lastKey.current > PAUSE ? ++visits : visit;
    lastKey.current = at;
    if (thread !== visit) setVisit(thread);
    write(next.replace(/[\r\n]+/g, ' '), `${field}:${page}:${thread}`);
  };
  const room = rooms[0] as Room;
  const fitted = fit(value.value, room);
  const [suggestion] = suggestions;
  const shared = {
    id,
    value: text,
    placeholder: PLACEHOLDERS[field],
    spellCheck: true,
    maxLength: LONGEST_TEXT,
    autoFocus: focused,
    'aria-describedby': `${id}-fit`,
    onFocus: () => setVisit(++visits),
  };
  return (
    <div className="mb-4">
      <div className="mb-1 flex flex-wrap items-baseline gap-x-2.5">
        <label htmlFor={id} className="display text-[15.5px] font-semibold">
          {label}
        </label>
        <span className="soft text-[13px]">{sourceWords(value)}</span>
        {owner !== null && owner !== undefined && (
          <button type="button" className="link-act text-[13px]" onClick={() => write(null)}>
            Back to the page’s own
          </button>
        )}
        <span id={`${id}-fit`} className="soft ml-auto text-[13px] tabular-nums">
          {fitted.cut ? `cut after “${fitted.shown.replace(/ …$/, '').split(' ').slice(-2).join(' ')}” · ` : ''}
          {Math.round(fitted.width)} of {room.width} px · {counted([...value.value].length, 'character')}
        </span>
      </div>
      <div className="field">
        {field === 'title' ? (
          <input {...shared} type="text" autoComplete="off" onChange={(event) => typed(event.target.value, event.timeStamp)} />
        ) : (
          <textarea {...shared} rows={3} onChange={(event) => typed(event.target.value, event.timeStamp)} />
        )}
        <FitRuler text={value.value} rooms={rooms} />
      </div>
      {suggestion !== undefined && (
        <p className="mt-1.5 flex items-start gap-2 text-[13.5px]">
          <Lightbulb size={16} className="mt-0.5 flex-none soft" aria-hidden />
          <span className="min-w-0">
            <span className="soft">From this page: </span>“{suggestion}”{' '}
            <button type="button" className="link-act" onClick={() => write(suggestion)}>
              Use this
            </button>
          </span>
        </p>
      )}
    </div>
  );
}
