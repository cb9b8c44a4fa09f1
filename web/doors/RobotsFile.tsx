import { useState } from 'react';
import type { RobotsLine } from '../../core/robots/index.ts';
import { set } from '../../core/site/index.ts';
import { counted } from '../../core/wording/index.ts';
import type { RobotsReport } from '../analysis/index.ts';
import { useReport, useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { W } from './wording.ts';

/** robots.txt line by line, with what each line touches; and as text, to be edited. */
export function RobotsFile({ current }: { readonly current: number | undefined }) {
  const workspace = useWorkspaceApi();
  const report = useReport((one) => one.tools.analysis.robots());
  const own = useWorkspace((state) => state.document.tables.robots['']?.text);
  const [editing, setEditing] = useState(false);
  const write = (text: string | null): void =>
    workspace.change(set('robots', '', 'text', text), {
      label: text === null ? 'robots.txt is the site’s own again' : 'robots.txt was rewritten',
      ...(text === null ? {} : { thread: 'robots' }),
    });
  return (
    <section className="mt-5">
      <div className="mb-2 flex items-baseline justify-between gap-2">
        <h2>{W.robots}</h2>
        <span className="flex gap-3 text-[13px]">
          {own !== null && own !== undefined && (
            <button type="button" className="link-act" onClick={() => write(null)}>
              As it was
            </button>
          )}
          <button type="button" className="link-act" onClick={() => setEditing(!editing)}>
            {editing ? W.robotsWhy : 'Edit'}
          </button>
        </span>
      </div>
      {editing ? (
        <textarea
          className="textarea mono w-full"
          aria-label="robots.txt"
          rows={12}
          spellCheck={false}
          value={own ?? report?.text ?? ''}
          onChange={(event) => write(event.target.value)}
        />
      ) : !report ? null : report.text === undefined ? (
        <p className="soft">{W.noRobots}</p>
      ) : (
        <ol className="panel overflow-hidden" aria-label={W.robotsWhy}>
          {report.lines.map((line) => (
            <Line key={line.line} line={line} report={report} current={line.line === current} />
          ))}
        </ol>
      )}
      <p className="soft mt-2 text-[12.5px]">{W.lessonRobots}</p>
    </section>
  );
}

function Line({ line, report, current }: { readonly line: RobotsLine; readonly report: RobotsReport; readonly current: boolean }) {
  const touch = report.touches.find((one) => one.line === line.line);
  const wrong = touch && touch.wronglyShut.length > 0;
  return (
    <li className={`robots-line${wrong ? ' wrong' : ''}`} data-line={line.line}>
      <span className="mono soft w-5 flex-none text-right">{line.line}</span>
      <code className={`min-w-0 flex-1 [overflow-wrap:anywhere] ${line.kind === 'comment' ? 'soft' : ''} ${current ? 'font-bold' : ''}`}>
        {line.text || ' '}
      </code>
      <span className={`flex-none text-[12px] ${wrong ? 'font-semibold text-error' : 'soft'}`}>{note(line, touch)}</span>
    </li>
  );
}

function note(line: RobotsLine, touch: RobotsReport['touches'][number] | undefined): string {
  if (line.kind === 'other') return 'not part of the standard';
  if (line.kind === 'unreadable') return 'means nothing';
  if (line.kind === 'rule' && line.group === undefined) return 'belongs to no crawler';
  if (!touch) return '';
  if (touch.wronglyShut.length > 0) return `${counted(touch.wronglyShut.length, 'page')} you want found`;
  const parts = [touch.pages.length > 0 ? counted(touch.pages.length, 'page') : '', touch.files > 0 ? counted(touch.files, 'file') : ''].filter(Boolean);
  return parts.join(', ') || 'touches nothing';
}
