import type { PageId } from '../../../core/source/index.ts';
import { ArrowDown, ArrowUp, X } from 'lucide-react';
import { memo, useLayoutEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { insertLine, moveLine, parseRobots, removeLine, setRule, type RobotsLine } from '../../../core/robots/index.ts';
import type { LineTouch, RobotsReport } from '../../../core/crawl/index.ts';
import { counted, patternWords, tokenWords } from '../../../core/wording/index.ts';
import { useComing } from '../../ui/index.ts';
import { lineNote } from './RobotsLines.tsx';

/** More lines than these are drawn as text only. */
const MOST = 600;
/** So many rows are drawn in one go: they have fields in them. */
const AT_ONCE = 10;
/** So many rules in a row that touch nothing are folded into one line. */
const FOLDED = 3;

type RuleLine = Extract<RobotsLine, { kind: 'rule' }>;
type Edit = (change: (text: string) => string) => void;

/** The rules in plain words, in the order of the file; comments stand where they stand. Headings are the groups that the parser makes of it. */
export function RobotsRules({
  report,
  text,
  onText,
  nameOf,
  current,
  onLine,
}: {
  readonly report: RobotsReport;
  readonly text: string;
  readonly onText: (text: string) => void;
  readonly nameOf: (page: PageId) => string;
  readonly current: number | undefined;
  readonly onLine: (line: number) => void;
}) {
  // Drawn from the text as it is typed; what lines touch follows a moment later.
  const { lines, groups } = useMemo(() => parseRobots(text), [text]);
  const touches = useMemo(() => new Map(report.touches.map((touch) => [touch.line, touch])), [report]);
  const { drawn, end } = useComing(Math.min(lines.length, MOST), AT_ONCE, current === undefined ? 0 : current + AT_ONCE);
  // The rows stay as they are while another one is typed in: what they call is always the same.
  const latest = useRef({ text, onText });
  useLayoutEffect(() => {
    latest.current = { text, onText };
  });
  const [edit] = useState((): Edit => (change) => latest.current.onText(change(latest.current.text)));
  const touchOf = (line: RobotsLine): LineTouch | undefined => (sameRule(report, line) ? touches.get(line.line) : undefined);
  const idle = (line: RobotsLine | undefined): line is RuleLine =>
    line?.kind === 'rule' && line.line !== current && !line.pattern.includes('?') && isIdle(touchOf(line));
  const rule = (line: RuleLine): ReactNode => {
    const touch = touchOf(line);
    return <Rule line={line.line} allow={line.allow} pattern={line.pattern} note={lineNote(line, touch)} touch={touch} edit={edit} nameOf={nameOf} />;
  };
  const rows: ReactNode[] = [];
  const headed = new Set<number>();
  for (let at = 0; at < drawn; at++) {
    const line = lines[at] as RobotsLine;
    if (line.kind === 'blank' || (line.kind === 'user-agent' && headed.has(line.group))) continue;
    if (line.kind === 'user-agent') headed.add(line.group);
    let end = at;
    while (idle(lines[end])) end++;
    if (end - at >= FOLDED) {
      const idles = lines.slice(at, end).filter((one) => one.kind === 'rule');
      rows.push(<Folded key={line.line} first={line.line} count={idles.length} rules={() => idles.map((one) => <div key={one.line}>{rule(one)}</div>)} />);
      at = end - 1;
      continue;
    }
    rows.push(
      <li
        key={line.line}
        className={`py-1.75 pr-3 ${line.kind === 'rule' ? 'pl-5' : 'pl-3'} ${line.kind === 'user-agent' ? 'bg-base-200' : ''} ${current === line.line ? 'shadow-[inset_3px_0_0_var(--color-accent)]' : ''}`}
        data-word-line={line.line}
        onFocus={() => onLine(line.line)}
      >
        {line.kind === 'user-agent' ? (
          <p className="display font-semibold">{capital(tokenWords(groups[line.group]?.tokens ?? []))}</p>
        ) : line.kind === 'comment' ? (
          <p className="soft text-note">{line.text.replace(/^\s*#\s?/, '')}</p>
        ) : line.kind === 'rule' ? (
          rule(line)
        ) : (
          <p className="flex flex-wrap items-baseline gap-x-2 text-small">
            <span className="mono [overflow-wrap:anywhere]">{line.text.trim()}</span>
            <span className="soft">{line.kind === 'sitemap' ? 'names a sitemap' : lineNote(line, undefined)}</span>
          </p>
        )}
      </li>,
    );
  }
  return (
    <ol className="panel max-h-[68vh] divide-y divide-line overflow-auto" aria-label="Rules in plain words">
      {rows}
      {drawn < Math.min(lines.length, MOST) && <li ref={end} className="h-6" key={`end ${drawn}`} aria-hidden />}
      {lines.length > MOST && <li className="soft px-3 py-2 text-note">and {counted(lines.length - MOST, 'more line')}: edit them in the text.</li>}
    </ol>
  );
}

/** Whether a rule is known to touch nothing. */
const isIdle = (touch: LineTouch | undefined): boolean => touch !== undefined && touch.pages.count === 0 && touch.files === 0;

/** Rules in a row that touch nothing, out of the way until they are asked for. */
function Folded({ first, count, rules }: { readonly first: number; readonly count: number; readonly rules: () => ReactNode }) {
  const [open, setOpen] = useState(false);
  return (
    <li className="py-1.75 pr-3 pl-5" data-word-line={first}>
      <details open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
        <summary className="soft w-fit cursor-pointer text-note">{counted(count, 'rule')} that touch nothing on this site</summary>
        {open && <div className="mt-2 grid gap-3">{rules()}</div>}
      </details>
    </li>
  );
}

/** Whether what was found out of a line was found out of the rule that stands there now. */
function sameRule(report: RobotsReport, line: RobotsLine): boolean {
  const told = report.lines[line.line - 1];
  return told?.kind === 'rule' && line.kind === 'rule' && told.pattern === line.pattern && told.allow === line.allow;
}

const capital = (text: string): string => text.replace(/^./, (letter) => letter.toUpperCase());

const Rule = memo(function Rule({
  line,
  allow,
  pattern,
  note,
  touch,
  edit,
  nameOf,
}: {
  readonly line: number;
  readonly allow: boolean;
  readonly pattern: string;
  readonly note: string;
  readonly touch: LineTouch | undefined;
  readonly edit: Edit;
  readonly nameOf: (page: PageId) => string;
}) {
  const [asked, setAsked] = useState(false);
  const wrong = new Set(touch?.wronglyShut.first);
  return (
    <div>
      <div className="flex flex-wrap items-center gap-1.5">
        <select
          className={`select select-sm w-auto ${allow ? '' : 'font-semibold'}`}
          aria-label={`Line ${line}: may or may not`}
          value={allow ? 'allow' : 'disallow'}
          onChange={(event) => edit((text) => setRule(text, line, { allow: event.target.value === 'allow', pattern }))}
        >
          <option value="disallow">may not fetch</option>
          <option value="allow">may fetch</option>
        </select>
        <input
          className="input input-sm mono min-w-16 flex-1 max-sm:min-w-40"
          aria-label={`Line ${line}: which addresses`}
          value={pattern}
          spellCheck={false}
          onChange={(event) => edit((text) => setRule(text, line, { allow, pattern: event.target.value.replace(/[#\r\n]/g, '').trim() }))}
        />
        <span className="ml-auto flex flex-none">
          <button type="button" className="icon-btn" aria-label={`Line ${line}: up`} onClick={() => edit((text) => moveLine(text, line, -1))}>
            <ArrowUp size={15} aria-hidden />
          </button>
          <button type="button" className="icon-btn" aria-label={`Line ${line}: down`} onClick={() => edit((text) => moveLine(text, line, 1))}>
            <ArrowDown size={15} aria-hidden />
          </button>
          <button type="button" className="icon-btn" aria-label={`Line ${line}: take it out`} onClick={() => edit((text) => removeLine(text, line))}>
            <X size={15} aria-hidden />
          </button>
        </span>
      </div>
      <p className="mt-0.5 text-fine">
        <span className="soft">{pattern === '' ? (allow ? 'says nothing' : 'forbids nothing') : patternWords(pattern)}</span>
        {note !== '' && <span className={wrong.size > 0 ? 'font-semibold text-error' : 'soft'}> · {note}</span>}
      </p>
      {touch && touch.pages.count > 0 && (
        <details className="mt-0.5 text-fine" onToggle={(event) => setAsked(event.currentTarget.open)}>
          <summary className="soft w-fit cursor-pointer">which they are</summary>
          {asked && (
            <ul className="soft">
              {touch.pages.first.map((page) => (
                <li key={page} className={wrong.has(page) ? 'text-error' : ''}>
                  {nameOf(page)}
                </li>
              ))}
              {touch.pages.count > touch.pages.first.length && <li>and {touch.pages.count - touch.pages.first.length} more</li>}
            </ul>
          )}
        </details>
      )}
      <button type="button" className="sr-only focus:not-sr-only link-act text-fine" onClick={() => edit((text) => insertLine(text, line + 1, 'Disallow: '))}>
        Add a rule below line {line}
      </button>
    </div>
  );
});
