import type { RobotsLine } from '../../../core/robots/index.ts';
import type { RobotsReport } from '../../../core/crawl/index.ts';
import { counted } from '../../../core/wording/index.ts';
import { useReport } from '../../workspace/index.ts';
import { wording } from '../wording.ts';

/** Lines shown beside a page; the whole file has a view of its own. */
const SHOWN = 60;

/** robots.txt line by line, with what each line touches. */
export function RobotsLines({ current }: { readonly current: number | undefined }) {
  const report = useReport((one) => one.tools.analysis.robots());
  if (!report) return null;
  if (report.text === undefined) return <p className="soft">{wording.noRobots}</p>;
  return (
    <>
      <ol className="panel overflow-hidden" aria-label={wording.robotsWhy}>
        {report.lines.slice(0, SHOWN).map((line) => (
          <Line key={line.line} line={line} report={report} current={line.line === current} />
        ))}
      </ol>
      {report.lines.length > SHOWN && <p className="soft mt-1 text-fine">and {report.lines.length - SHOWN} more lines</p>}
    </>
  );
}

function Line({ line, report, current }: { readonly line: RobotsLine; readonly report: RobotsReport; readonly current: boolean }) {
  const touch = report.touches.find((one) => one.line === line.line);
  const wrong = touch && touch.wronglyShut.count > 0;
  return (
    <li
      className={`flex min-h-6.5 items-baseline gap-2.5 border-line py-0.75 pr-3 pl-2.5 not-first:border-t ${wrong ? 'bg-brick-soft' : ''}`}
      data-line={line.line}
    >
      <span className="mono soft w-5 flex-none text-right">{line.line}</span>
      <code className={`min-w-0 flex-1 [overflow-wrap:anywhere] ${line.kind === 'comment' ? 'soft' : ''} ${current ? 'font-bold' : ''}`}>
        {line.text || ' '}
      </code>
      <span className={`flex-none text-tiny ${wrong ? 'font-semibold text-error' : 'soft'}`}>{lineNote(line, touch)}</span>
    </li>
  );
}

/** What a line touches, in a word or two. */
export function lineNote(line: RobotsLine, touch: RobotsReport['touches'][number] | undefined): string {
  if (line.kind === 'other') return 'not part of the standard';
  if (line.kind === 'unreadable') return 'means nothing';
  if (line.kind === 'rule' && line.group === undefined) return 'belongs to no crawler';
  if (!touch) return '';
  if (touch.wronglyShut.count > 0) return `${counted(touch.wronglyShut.count, 'page')} you want found`;
  const parts = [touch.pages.count > 0 ? counted(touch.pages.count, 'page') : '', touch.files > 0 ? counted(touch.files, 'file') : ''].filter(Boolean);
  return parts.join(', ') || (line.kind === 'rule' && line.pattern.includes('?') ? 'no file has such an address' : 'touches nothing');
}
