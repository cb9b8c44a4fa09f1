import type { PageId } from '../../../core/source/index.ts';
import { Lightbulb } from 'lucide-react';
import { useId, useRef, useState, type ReactNode } from 'react';
import { LONGEST_TEXT, set, type Effective } from '../../../core/site/index.ts';
import { fit, MOST_SUGGESTIONS, type TextLimit } from '../../../core/titles/index.ts';
import { counted, type TermId } from '../../../core/wording/index.ts';
import { useHotkey } from '../../ui/index.ts';
import { useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';
import { FieldLabel } from './FieldLabel.tsx';
import { FitRuler } from './FitRuler.tsx';
import { PLACEHOLDERS, sourceWords } from '../wording.ts';

type Field = keyof typeof PLACEHOLDERS;
interface Props {
  readonly field: Field;
  readonly label: string;
  readonly term?: TermId;
  readonly page: PageId;
  readonly name: string;
  readonly value: Effective;
  /** What would stand here without the owner's own word. */
  readonly otherwise: Effective;
  readonly limits: readonly [TextLimit, ...TextLimit[]];
  readonly suggestions?: readonly string[];
  /** What stands in the field while nothing does. */
  readonly placeholder?: string;
  /** Whether the cursor is put here when the page is shown. */
  readonly focused?: boolean;
}

let visits = 0;
/** Milliseconds without a key after which typing counts as a new step. */
const PAUSE = 2000;

/** Writes one field of a page; keys in one go are one step for undo, and a pause ends the step. */
export function useFieldWriter(page: PageId, field: Field | 'phrase' | 'keywords' | 'sharePicture', name: string, what: string) {
  const workspace = useWorkspaceApi();
  const [visit, setVisit] = useState(() => ++visits);
  const lastKey = useRef(0);
  const write = (next: string | null, coalesceKey?: string): void =>
    workspace.change(set('pages', page, field, next), {
      label: next === null ? `“${name}” has its own ${what} again` : `“${name}” has a new ${what}`,
      ...(coalesceKey === undefined ? {} : { coalesceKey }),
    });
  const typed = (next: string | null, at: number): void => {
    const coalesceKey = at - lastKey.current > PAUSE ? ++visits : visit;
    lastKey.current = at;
    if (coalesceKey !== visit) setVisit(coalesceKey);
    write(next, `${field}:${page}:${coalesceKey}`);
  };
  return { write, typed, begin: () => setVisit(++visits) };
}

/** One text of a page with its ruler: what is typed is seen, measured and kept at each key. */
export function TextField({ field, label, term, page, name, value, otherwise, limits, suggestions = [], placeholder, focused = false }: Props) {
  const id = useId();
  const owner = useWorkspace((state) => state.document.tables.pages[page]?.[field]);
  const { write, typed, begin } = useFieldWriter(page, field, name, label.toLowerCase());
  const text = owner ?? value.value;
  const limit = limits[0];
  const fitted = fit(value.value, limit);
  const lang = useWorkspace((state) => state.byId.get(page)?.lang ?? '');
  const overridden = owner !== null && owner !== undefined;
  const shared = {
    id,
    value: text,
    placeholder: placeholder || PLACEHOLDERS[field],
    spellCheck: true,
    maxLength: LONGEST_TEXT,
    autoFocus: focused,
    dir: 'auto' as const,
    lang,
    'aria-describedby': `${id}-fit`,
    onFocus: begin,
  };
  const oneLine = field === 'title' || field === 'shareTitle';
  return (
    <div className="mb-4" data-field={field}>
      <div className="mb-1 flex flex-wrap items-baseline gap-x-2.5">
        <FieldLabel id={id} label={label} term={term} />
        <span className="soft text-note">{sourceWords(value)}</span>
        {overridden && (
          <button type="button" className="link-act text-note" onClick={() => write(null)}>
            {otherwise.from === 'pattern' ? 'Back to the pattern' : 'Back to the page’s own'}
          </button>
        )}
        <span id={`${id}-fit`} className="soft ml-auto min-w-0 text-note tabular-nums [overflow-wrap:anywhere]">
          {fitted.cut ? `cut after “${fitted.shown.replace(/ …$/, '').split(' ').slice(-2).join(' ')}” · ` : ''}
          {limit.unit === 'px'
            ? `${fitted.by === 'typical' ? 'about ' : ''}${Math.round(fitted.width)} of ${limit.width} px${fitted.by === 'program' ? ', as this browser sets it' : ''} · ${counted([...value.value].length, 'character')}`
            : `${fitted.width} of ${limit.width} characters`}
        </span>
      </div>
      <div className="field">
        {oneLine ? (
          <input {...shared} type="text" autoComplete="off" onChange={(event) => typed(singleLine(event.target.value), event.timeStamp)} />
        ) : (
          <textarea {...shared} rows={3} onChange={(event) => typed(singleLine(event.target.value), event.timeStamp)} />
        )}
        <FitRuler text={value.value} limits={limits} />
      </div>
      <Suggestions texts={suggestions} firstKey={field === 'title' ? 1 : 1 + MOST_SUGGESTIONS} lang={lang} onTake={write} />
    </div>
  );
}

const singleLine = (text: string): string => text.replace(/[\r\n]+/g, ' ');

/** What the page itself offers, best first. Each has a key of its own, wherever the cursor is: those of the title 1 to 4, of the description 5 to 8. */
function Suggestions({
  texts,
  firstKey,
  lang,
  onTake,
}: {
  readonly texts: readonly string[];
  readonly firstKey: number;
  readonly lang: string;
  readonly onTake: (text: string) => void;
}) {
  const [all, setAll] = useState(false);
  const [first, ...others] = texts;
  if (first === undefined) return null;
  return (
    <ul className="mt-1.5 text-small" aria-label="From this page">
      {[first, ...(all ? others : [])].map((text, index) => (
        <Suggested key={text} text={text} place={index} digit={firstKey + index} lang={lang} onTake={onTake}>
          {index === 0 && !all && others.length > 0 && (
            <button type="button" className="link-act soft ml-2" onClick={() => setAll(true)}>
              {others.length} more
            </button>
          )}
        </Suggested>
      ))}
    </ul>
  );
}

function Suggested({
  text,
  place,
  digit,
  lang,
  onTake,
  children,
}: {
  readonly text: string;
  readonly place: number;
  readonly digit: number;
  readonly lang: string;
  readonly onTake: (text: string) => void;
  readonly children: ReactNode;
}) {
  useHotkey(`alt+Digit${digit}`, () => onTake(text));
  return (
    <li className="flex items-start gap-2 py-0.5">
      <Lightbulb size={16} className={`mt-0.5 flex-none soft${place > 0 ? ' invisible' : ''}`} aria-hidden />
      <span className="min-w-0">
        {place === 0 && <span className="soft">From this page: </span>}“<bdi lang={lang}>{text}</bdi>”{' '}
        <button type="button" className="link-act" aria-keyshortcuts={`Alt+${digit}`} onClick={() => onTake(text)}>
          Use this
        </button>{' '}
        <kbd>Alt {digit}</kbd>
        {children}
      </span>
    </li>
  );
}
