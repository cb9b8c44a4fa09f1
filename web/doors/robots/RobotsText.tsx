import { retyped } from '../../../core/robots/index.ts';
import { useEffect, useRef, type KeyboardEvent } from 'react';

/** Line numbers below each other, as one text: a file may have thousands. */
const numbers = (from: number, to: number): string => Array.from({ length: Math.max(0, to - from + 1) }, (_, at) => from + at).join('\n');

/** robots.txt as text, with numbered lines; the cursor's line is the one that is spoken of. */
export function RobotsText({
  text,
  current,
  onText,
  onLine,
}: {
  readonly text: string;
  readonly current: number | undefined;
  readonly onText: (text: string) => void;
  readonly onLine: (line: number) => void;
}) {
  const area = useRef<HTMLTextAreaElement>(null);
  const gutter = useRef<HTMLDivElement>(null);
  // A text field knows one sort of line end; each line's own is put back, so that not a byte changes that nobody touched.
  const shown = text.replace(/\r\n?/g, '\n');
  const lines = shown.split('\n').length;
  const lineAt = (): number => shown.slice(0, area.current?.selectionStart ?? 0).split('\n').length;
  useEffect(() => {
    const element = area.current;
    if (!element || current === undefined || document.activeElement === element) return;
    const height = element.scrollHeight / Math.max(1, lines);
    const top = (current - 1) * height;
    if (top < element.scrollTop || top > element.scrollTop + element.clientHeight - height) element.scrollTop = top - element.clientHeight / 2;
    // Only a line that is spoken of elsewhere brings the text to it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [current]);
  const follow = (event: KeyboardEvent): void => {
    if (event.key.startsWith('Arrow') || event.key.startsWith('Page')) onLine(lineAt());
  };
  return (
    <div className="panel flex h-[60vh] min-h-80 overflow-hidden focus-within:outline-2 focus-within:outline-accent">
      <div
        ref={gutter}
        className="mono w-11.5 flex-none overflow-hidden bg-base-200 py-2.5 pr-2 text-right leading-[21px] whitespace-pre text-faint"
        aria-hidden
      >
        {numbers(1, current === undefined ? lines : current - 1)}
        {current !== undefined && <div className="font-bold text-base-content">{current}</div>}
        {current !== undefined && numbers(current + 1, lines)}
      </div>
      <textarea
        ref={area}
        className="mono min-w-0 flex-1 resize-none border-0 bg-transparent px-3 py-2.5 leading-[21px] whitespace-pre outline-0"
        aria-label="robots.txt as text"
        spellCheck={false}
        wrap="off"
        maxLength={600_000}
        value={shown}
        onScroll={(event) => {
          if (gutter.current) gutter.current.scrollTop = event.currentTarget.scrollTop;
        }}
        onChange={(event) => onText(retyped(text, event.target.value))}
        onClick={() => onLine(lineAt())}
        onKeyUp={follow}
      />
    </div>
  );
}
