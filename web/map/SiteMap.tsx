import { set, siteOrigin } from '../../core/site/index.ts';
import { SITEMAP_FILE } from '../../core/release/index.ts';
import { counted } from '../../core/wording/index.ts';
import { Rail, StateSign, usePlace } from '../pieces/index.ts';
import { Busy, Empty } from '../ui/index.ts';
import { useReport, useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { leftOutWhy, W } from './wording.ts';

/** How many rows are drawn; a map of thousands is for engines to read. */
const DRAWN = 500;

/** The sitemap: what is in it and why, what is not, and how the one that the site brought compares. */
export function SiteMap() {
  const workspace = useWorkspaceApi();
  const report = useReport((one) => one.tools.analysis.sitemap());
  const rows = useWorkspace((state) => state.rows);
  const origin = useWorkspace((state) => siteOrigin(state.document));
  const { go } = usePlace();
  if (!report) return <Busy what="Looking at the map" done={0} of={1} />;
  if (rows.length === 0) return <Empty title={W.empty}>{W.emptyWhy}</Empty>;
  const byAddress = new Map(rows.map((row) => [origin + row.address, row]));
  const inMap = new Set(report.entries.map((entry) => entry.loc));
  const leftOut = rows.filter((row) => !inMap.has(origin + row.address));
  const turn = (on: boolean): void =>
    workspace.change(set('sitemap', '', 'on', on ? true : null), { label: on ? 'The sitemap is written' : 'The sitemap is no longer written' });
  return (
    <div className="mx-auto max-w-[820px]">
      <header className="mb-4 flex flex-wrap items-start gap-4">
        <div className="min-w-0 flex-1 basis-72">
          <h1>{W.title}</h1>
          <p className="mono soft mt-1 break-all">
            {origin}/{SITEMAP_FILE}
          </p>
        </div>
        {report.on ? (
          <button type="button" className="btn btn-outline-ink" onClick={() => turn(false)}>
            Do not write it
          </button>
        ) : (
          <button type="button" className="btn btn-primary" onClick={() => turn(true)}>
            Write this map
          </button>
        )}
      </header>
      <p className={`notice mb-4 ${report.on ? 'notice-good' : 'notice-amber'}`}>
        {report.on ? `${counted(report.entries.length, 'page')} in it, named in robots.txt. It is written anew at each release.` : W.off}
      </p>
      <div className="panel overflow-x-auto">
        <table className="data-table stacked">
          <thead>
            <tr>
              <th>Page</th>
              <th>Address</th>
              <th>Last changed</th>
            </tr>
          </thead>
          <tbody>
            {report.entries.slice(0, DRAWN).map((entry) => {
              const row = byAddress.get(entry.loc);
              return (
                <tr key={entry.loc}>
                  <td>
                    {row && (
                      <button type="button" className="inline-flex min-h-7 cursor-pointer items-center gap-2 text-left" onClick={() => go('doors', row.id)}>
                        <StateSign state={row.state} /> {row.name}
                      </button>
                    )}
                  </td>
                  <td className="mono soft">{entry.loc.slice(origin.length)}</td>
                  <td className="whitespace-nowrap tabular-nums">
                    {row?.pending ? (
                      <span className="text-[color:var(--amber-ink)]">at the next release</span>
                    ) : (
                      (entry.lastmod ?? <span className="soft">not told</span>)
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
        {report.entries.length > DRAWN && <p className="soft px-3 py-2 text-[13px]">and {(report.entries.length - DRAWN).toLocaleString('en')} more</p>}
      </div>
      <Rail>
        <h2>{W.leftOut}</h2>
        {leftOut.length === 0 && <p className="soft mt-1">{W.nothingLeftOut}</p>}
        <ul className="mt-1.5">
          {leftOut.slice(0, 40).map((row) => (
            <li key={row.id}>
              <button type="button" className="flex min-h-8 w-full cursor-pointer items-start gap-2.5 py-1 text-left" onClick={() => go('doors', row.id)}>
                <StateSign state={row.state} />
                <span className="min-w-0">
                  <span className="block truncate">{row.name}</span>
                  <span className="soft block text-[12.5px]">{leftOutWhy(row)}</span>
                </span>
              </button>
            </li>
          ))}
        </ul>
        {leftOut.length > 40 && <p className="soft text-[13px]">and {leftOut.length - 40} more</p>}
        {report.brought && (
          <section className="mt-5">
            <h2>{W.brought}</h2>
            <p className="soft mt-1 text-[13px]">
              {counted(report.brought.count, 'address', 'addresses')}
              {report.brought.wrong.length + report.brought.missing.length === 0
                ? ', and it is right.'
                : `: ${report.brought.wrong.length} should not be in it, ${report.brought.missing.length} are missing.`}
              {!report.on && report.brought.wrong.length + report.brought.missing.length > 0 && ' Writing the map here replaces it.'}
            </p>
            <ul className="mono mt-1.5 text-[12px]">
              {report.brought.wrong.slice(0, 12).map((loc) => (
                <li key={loc} className="break-all text-error">
                  − {loc.replace(origin, '')}
                </li>
              ))}
              {report.brought.missing.slice(0, 12).map((loc) => (
                <li key={loc} className="break-all text-success">
                  + {loc.replace(origin, '')}
                </li>
              ))}
            </ul>
          </section>
        )}
        <p className="soft mt-5 text-[12.5px]">{report.datesTrue ? W.datesTrue : W.datesFalse}</p>
        <p className="soft mt-2 text-[12.5px]">{W.scope}</p>
      </Rail>
    </div>
  );
}
