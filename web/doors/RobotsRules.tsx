import { ArrowDown, ArrowUp, X } from 'lucide-react';
import { insertLine, moveLine, parseRobots, removeLine, setRule, type RobotsLine } from '../../core/robots/index.ts';
import type { RobotsReport } from '../../core/survey/index.ts';
import { counted, patternWords, tokenWords } from '../../core/wording/index.ts';
import { lineNote } from './RobotsLines.tsx';

/** More lines than these are drawn as text only. */
const MOST = 600;

/** The rules in plain words, in the order of the file; comments stand where they stand. */
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
  readonly nameOf: (page: string) => string;
  readonly current: number | undefined;
  readonly onLine: (line: number) => void;
}) {
  // Drawn from the text as it is typed; what lines touch follows a moment later.
  const { lines, groups } = parseRobots(text);
  let group = -1;
  return (
    <ol className="panel robots-words" aria-label="Rules in plain words">
      {lines.slice(0, MOST).map((line, index) => {
        const first = line.kind === 'user-agent' && lines[index - 1]?.kind !== 'user-agent';
        if (first) group++;
        if (line.kind === 'blank' || (line.kind === 'user-agent' && !first)) return null;
        const touch = report.touches.find((one) => one.line === line.line && sameRule(report, line));
        return (
          <li
            key={line.line}
            className={`robots-word ${line.kind}${current === line.line ? ' current' : ''}`}
            data-word-line={line.line}
            onFocus={() => onLine(line.line)}
          >
            {line.kind === 'user-agent' ? (
              <p className="display font-semibold">{capital(tokenWords(groups[group]?.tokens ?? []))}</p>
            ) : line.kind === 'comment' ? (
              <p className="soft text-[13px]">{line.text.replace(/^\s*#\s?/, '')}</p>
            ) : line.kind === 'rule' ? (
              <Rule
                line={line}
                text={text}
                onText={onText}
                note={lineNote(line, touch)}
                wrong={touch?.wronglyShut.map(nameOf) ?? []}
                pages={touch?.pages.map(nameOf) ?? []}
              />
            ) : (
              <p className="flex flex-wrap items-baseline gap-x-2 text-[13.5px]">
                <span className="mono [overflow-wrap:anywhere]">{line.text.trim()}</span>
                <span className="soft">{line.kind === 'sitemap' ? 'names a sitemap' : lineNote(line, undefined)}</span>
              </p>
            )}
          </li>
        );
      })}
      {lines.length > MOST && <li className="soft px-3 py-2 text-[13px]">and {counted(lines.length - MOST, 'more line')}: edit them in the text.</li>}
    </ol>
  );
}

/** Whether what was found out of a line was found out of the rule that stands there now. */
function sameRule(report: RobotsReport, line: RobotsLine): boolean {
  const told = report.lines[line.line - 1];
  return told?.kind === 'rule' && line.kind === 'rule' && told.pattern === line.pattern && told.allow === line.allow;
}

const capital = (text: string): string => text.replace(/^./, (letter) => letter.toUpperCase());

function Rule({
  line,
  text,
  onText,
  note,
  wrong,
  pages,
}: {
  readonly line: Extract<RobotsLine, { kind: 'rule' }>;
  readonly text: string;
  readonly onText: (text: string) => void;
  readonly note: string;
  readonly wrong: readonly string[];
  readonly pages: readonly string[];
}) {
  const { allow, pattern } = line;
  const at = line.line;
  return (
    <div>
      <div className="flex flex-wrap items-center gap-1.5">
        <select
          className={`select select-sm w-auto ${allow ? '' : 'font-semibold'}`}
          aria-label={`Line ${at}: may or may not`}
          value={allow ? 'allow' : 'disallow'}
          onChange={(event) => onText(setRule(text, at, { allow: event.target.value === 'allow', pattern }))}
        >
          <option value="disallow">may not fetch</option>
          <option value="allow">may fetch</option>
        </select>
        <input
          className="input input-sm mono min-w-16 flex-1 max-sm:min-w-40"
          aria-label={`Line ${at}: which addresses`}
          value={pattern}
          spellCheck={false}
          onChange={(event) => onText(setRule(text, at, { allow, pattern: event.target.value.replace(/[#\r\n]/g, '').trim() }))}
        />
        <span className="ml-auto flex flex-none">
          <button type="button" className="icon-btn" aria-label={`Line ${at}: up`} onClick={() => onText(moveLine(text, at, -1))}>
            <ArrowUp size={15} aria-hidden />
          </button>
          <button type="button" className="icon-btn" aria-label={`Line ${at}: down`} onClick={() => onText(moveLine(text, at, 1))}>
            <ArrowDown size={15} aria-hidden />
          </button>
          <button type="button" className="icon-btn" aria-label={`Line ${at}: take it out`} onClick={() => onText(removeLine(text, at))}>
            <X size={15} aria-hidden />
          </button>
        </span>
      </div>
      <p className="mt-0.5 text-[12.5px]">
        <span className="soft">{pattern === '' ? (allow ? 'says nothing' : 'forbids nothing') : patternWords(pattern)}</span>
        {note !== '' && <span className={wrong.length > 0 ? 'font-semibold text-error' : 'soft'}> · {note}</span>}
      </p>
      {pages.length > 0 && (
        <details className="mt-0.5 text-[12.5px]">
          <summary className="soft w-fit cursor-pointer">which they are</summary>
          <ul className="soft">
            {pages.slice(0, 50).map((name) => (
              <li key={name} className={wrong.includes(name) ? 'text-error' : ''}>
                {name}
              </li>
            ))}
            {pages.length > 50 && <li>and {pages.length - 50} more</li>}
          </ul>
        </details>
      )}
      <button type="button" className="sr-only focus:not-sr-only link-act text-[12.5px]" onClick={() => onText(insertLine(text, at + 1, 'Disallow: '))}>
        Add a rule below line {at}
      </button>
    </div>
  );
}
