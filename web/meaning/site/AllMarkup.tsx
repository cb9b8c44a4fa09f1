import { useState } from 'react';
import { isGrave, type ForeignMarkup } from '../../../core/structured-data/index.ts';
import type { BroughtFault, BroughtType } from '../../../core/survey/index.ts';
import { counted, faultSentence } from '../../../core/wording/index.ts';
import { PageLink } from '../../components/index.ts';
import { DataTable, Empty, type Column } from '../../ui/index.ts';
import { useReport, useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';
import { setForeign } from '../commands.ts';

/** All structured data that the pages came with: which types on how many pages, with which faults, and what becomes of it. */
export function AllMarkup() {
  const workspace = useWorkspaceApi();
  const report = useReport((one) => one.tools.analysis.broughtMarkup());
  const rows = useWorkspace((state) => state.rows);
  const byId = useWorkspace((state) => state.byId);
  const [open, setOpen] = useState<string>();
  if (!report)
    return (
      <p className="soft" role="status">
        Reading what pages came with …
      </p>
    );
  const withMarkup = rows.filter((row) => row.brought !== undefined);
  const all = (choice: ForeignMarkup): void => setForeign(workspace, withMarkup, choice);
  const types: readonly Column<BroughtType>[] = [
    { id: 'type', name: 'Type', cell: ({ type }) => <code>{type}</code>, compare: (a, b) => (a.type < b.type ? -1 : 1) },
    { id: 'pages', name: 'Pages', cell: ({ pages }) => pages.length, compare: (a, b) => a.pages.length - b.pages.length, className: 'num' },
    { id: 'times', name: 'Times', cell: ({ times }) => times, compare: (a, b) => a.times - b.times, className: 'num' },
    {
      id: 'faults',
      name: 'Faults',
      cell: ({ faults }) => (faults === 0 ? <span className="soft">none</span> : faults),
      compare: (a, b) => a.faults - b.faults,
      className: 'num',
    },
  ];
  return (
    <div className="mx-auto max-w-wide">
      <h1>All markup</h1>
      <p className="soft mt-1 mb-4 max-w-prose">
        What the pages came with, {report.pages === 0 ? 'of which there is none' : `on ${counted(report.pages, 'page')}`}
        {report.unread > 0 && `; ${counted(report.unread, 'page is', 'pages are')} still being read`}.
      </p>
      {report.pages === 0 ? (
        <Empty title="The pages came with no structured data">What is written for them here stands at One page, and by kind at Kinds.</Empty>
      ) : (
        <>
          <div className="panel mb-6 flex flex-wrap items-center gap-x-5 gap-y-2 p-4">
            <p className="mr-auto max-w-prose">It stays as it is unless you say otherwise, here for all pages or for one at One page.</p>
            <button type="button" className="btn btn-sm btn-outline-ink" onClick={() => all('leave')}>
              Leave all
            </button>
            <button type="button" className="btn btn-sm btn-outline-ink" onClick={() => all('take')}>
              Take all over
            </button>
            <button type="button" className="btn btn-sm btn-outline-ink" onClick={() => all('remove')}>
              Take all out
            </button>
          </div>
          <section className="mb-6">
            <h2 className="mb-2">Types</h2>
            <DataTable label="Types of structured data" rows={report.types} columns={types} keyOf={({ type }) => type} />
          </section>
          <section>
            <h2 className="mb-2">Faults</h2>
            {report.faults.length === 0 && <p className="soft">None: all of it can be read and used.</p>}
            <ul className="panel divide-y divide-line empty:hidden">
              {report.faults.map((fault) => {
                const key = keyOf(fault);
                return (
                  <li key={key} className="px-4 py-3">
                    <button
                      type="button"
                      className="flex w-full cursor-pointer flex-wrap items-baseline gap-3 text-left"
                      aria-expanded={open === key}
                      onClick={() => setOpen(open === key ? undefined : key)}
                    >
                      <span className={isGrave(fault.example) ? 'font-semibold text-error' : 'font-semibold'}>{faultSentence(fault.example)}</span>
                      <span className="soft ml-auto text-note">{counted(fault.pages.length, 'page')}</span>
                    </button>
                    {open === key && (
                      <p className="mt-2 flex flex-wrap gap-x-4 gap-y-1 text-small">
                        {fault.pages.slice(0, 60).map((id) => (
                          <PageLink key={id} to="meaning" page={id} className="link-act">
                            {byId.get(id)?.name ?? id}
                          </PageLink>
                        ))}
                        {fault.pages.length > 60 && <span className="soft">and {fault.pages.length - 60} more</span>}
                      </p>
                    )}
                  </li>
                );
              })}
            </ul>
          </section>
        </>
      )}
    </div>
  );
}

const keyOf = ({ code, example }: BroughtFault): string => `${code} ${example.type} ${example.property}`;
