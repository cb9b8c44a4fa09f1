import { useRef, useState } from 'react';
import { columnName, type LedgerColumn } from '../../../core/ledger/index.ts';
import { KIND_TABLE, KINDS, LONGEST_TEXT } from '../../../core/site/index.ts';
import type { PageRow } from '../../../core/rows/index.ts';
import { WIDTHS } from './layout.ts';

/** Writes in one cell: Enter goes on below, Tab to the side, Escape leaves it as it was. */
export function CellEditor({
  column,
  row,
  start,
  left,
  top,
  onDone,
}: {
  readonly column: LedgerColumn;
  readonly row: PageRow;
  readonly start: string;
  readonly left: number;
  readonly top: number;
  readonly onDone: (text: string | undefined, step?: 'ArrowDown' | 'ArrowUp' | 'ArrowRight' | 'ArrowLeft') => void;
}) {
  const [text, setText] = useState(start);
  const done = useRef(false);
  const finish = (value: string | undefined, step?: 'ArrowDown' | 'ArrowUp' | 'ArrowRight' | 'ArrowLeft'): void => {
    if (done.current) return;
    done.current = true;
    onDone(value, step);
  };
  const choices = choicesFor(column);
  return (
    <>
      <textarea
        className="ledger-editor"
        style={{ left, top: top - 1, width: Math.max(WIDTHS[column], 160), height: Math.min(132, 34 + 20 * Math.floor(text.length / (WIDTHS[column] / 7.2))) }}
        aria-label={`${columnName(column)}, ${row.name}`}
        lang={row.lang}
        autoFocus
        dir="auto"
        maxLength={LONGEST_TEXT}
        value={text}
        onFocus={(event) => event.currentTarget.setSelectionRange(text.length, text.length)}
        onChange={(event) => setText(event.target.value.replace(/[\r\n]+/g, ' '))}
        onBlur={() => finish(text)}
        onPointerDown={(event) => event.stopPropagation()}
        onKeyDown={(event) => {
          event.stopPropagation();
          if (event.key === 'Escape') finish(undefined);
          else if (event.key === 'Enter') finish(text, event.shiftKey ? 'ArrowUp' : 'ArrowDown');
          else if (event.key === 'Tab') finish(text, event.shiftKey ? 'ArrowLeft' : 'ArrowRight');
          else return;
          event.preventDefault();
        }}
      />
      {choices && (
        <ul className="panel absolute z-10 flex max-w-85 flex-wrap gap-1 p-2" style={{ left, top: top + 36 }}>
          {choices.map((choice) => (
            <li key={choice}>
              <button
                type="button"
                className="chip"
                aria-pressed={choice === text}
                onPointerDown={(event) => {
                  event.preventDefault();
                  event.stopPropagation();
                  finish(choice);
                }}
              >
                {choice}
              </button>
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

/** What can stand in a cell of few answers. */
function choicesFor(column: LedgerColumn): readonly string[] | undefined {
  switch (column) {
    case 'kind':
      return KINDS.map((kind) => KIND_TABLE[kind].name);
    case 'intent':
      return ['list', 'keep out'];
    case 'follow':
      return ['follow', 'nofollow'];
    case 'snippet':
      return ['any', 'none', '160'];
    case 'inMap':
      return ['yes', 'no'];
    default:
      return undefined;
  }
}
