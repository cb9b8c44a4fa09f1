import { keysOf } from '../../../core/keyed/index.ts';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { CHECKS, type Check, type Cost, type Finding, type FindingCode } from '../../../core/checks/index.ts';
import { set } from '../../../core/site/index.ts';
import { TEXT_LIMITS } from '../../../core/titles/index.ts';
import { aboutCheck, counted } from '../../../core/wording/index.ts';
import { PageLink, Term } from '../../components/index.ts';
import { More, useMore, usePrinting } from '../../ui/index.ts';
import { unignore, useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';
import { TemplateMend } from './TemplateMend.tsx';
import { ROOM_LINES } from '../wording.ts';

const COSTS: Readonly<Record<Cost, string>> = { blocks: 'Blocks a page from being found', weakens: 'Weakens it', polish: 'Polish' };

/** Everything that is looked at, what it costs, where it was found; what is let be; and where texts are cut. */
export function Checks() {
  const rows = useWorkspace((state) => state.rows);
  return (
    <div className="mx-auto max-w-wide">
      <h1 className="mb-1">
        Checks <Term id="enough" />
      </h1>
      <p className="soft mb-4">All that is looked at on every page. A page past the first two groups is good enough.</p>
      {keysOf(COSTS).map((cost) => (
        <section key={cost} className="mb-5">
          <h2 className="mb-1.5">{COSTS[cost]}</h2>
          <ul className="panel divide-y divide-line">
            {CHECKS.filter((check) => check.cost === cost).map((check) => (
              <CheckLine
                key={check.code}
                check={check}
                pages={rows.filter((row) => row.findings.some((finding) => finding.code === check.code)).map((row) => row.id)}
              />
            ))}
          </ul>
        </section>
      ))}
      <LetBe />
      <Limits />
    </div>
  );
}

function CheckLine({ check, pages }: { readonly check: Pick<Check<Finding>, 'code' | 'stop' | 'onAllPages'>; readonly pages: readonly string[] }) {
  const byId = useWorkspace((state) => state.byId);
  const { drawn, more } = useMore(check.code);
  const printing = usePrinting();
  const asked = useSearchParams()[0].get('check') === check.code;
  const [opened, setOpened] = useState(asked);
  const mends = check.onAllPages !== undefined && (opened || printing);
  return (
    <li className="px-4 py-2" data-check={check.code}>
      <details
        ref={(element) => void (asked && element?.scrollIntoView({ block: 'center' }))}
        {...(printing || asked ? { open: true } : {})}
        onToggle={(event) => setOpened(event.currentTarget.open)}
      >
        <summary className="flex min-h-8 cursor-pointer flex-wrap items-baseline gap-x-3">
          <span className="font-medium">{aboutCheck(check.code).name}</span>
          <span className="soft text-note">{aboutCheck(check.code).reason}</span>
          <span className={`ml-auto text-note tabular-nums ${pages.length === 0 ? 'soft' : 'font-semibold'}`}>
            {pages.length === 0 ? 'none' : counted(pages.length, 'page')}
          </span>
        </summary>
        {mends && check.onAllPages && <TemplateMend code={check.code} field={check.onAllPages} />}
        {pages.length > 0 && (
          <ul className="columns-1 gap-6 py-1 text-small sm:columns-2 lg:columns-3">
            {pages.slice(0, drawn).map((id) => (
              <li key={id}>
                <PageLink to={check.stop === 'doors' ? 'doors' : 'words'} page={id} className="link-act text-left !font-normal">
                  <bdi lang={byId.get(id)?.lang}>{byId.get(id)?.name ?? id}</bdi>
                </PageLink>
              </li>
            ))}
          </ul>
        )}
        <More drawn={drawn} total={pages.length} onMore={more} />
      </details>
    </li>
  );
}

/** What the owner lets be, with the reasons, and the way back. */
function LetBe() {
  const workspace = useWorkspaceApi();
  const ignored = useWorkspace((state) => state.document.tables.ignored);
  const byId = useWorkspace((state) => state.byId);
  const entries = Object.entries(ignored);
  if (entries.length === 0) return null;
  return (
    <section className="mb-5">
      <h2 className="mb-1.5">Let be</h2>
      <ul className="panel divide-y divide-line text-small">
        {entries.map(([key, { reason, at }]) => {
          const [page = '', code = ''] = key.split('\n');
          return (
            <li key={key} className="flex flex-wrap items-baseline gap-x-3 px-4 py-1.5">
              <span className="font-medium">{byId.get(page)?.name ?? page}</span>
              <span>{CHECKS.some((check) => check.code === code) ? aboutCheck(code as FindingCode).name : code}</span>
              <span className="soft">
                {reason}
                {at ? `, ${at.slice(0, 10)}` : ''}
              </span>
              <button type="button" className="link-act ml-auto" onClick={() => unignore(workspace, page, code)}>
                Count it again
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** Where texts are cut: conventions, which the owner may know better. */
function Limits() {
  const workspace = useWorkspaceApi();
  const limits = useWorkspace((state) => state.document.tables.limits);
  return (
    <section className="mb-5">
      <h2 className="mb-1">
        Where texts are cut <Term id="fit" />
      </h2>
      <p className="soft mb-2 text-note">
        Widths are measured by the advance widths of Liberation Sans, which has those of the commonest sans face. Nothing is refused for being longer.
      </p>
      <div className="panel overflow-x-auto" tabIndex={0} role="region" aria-label="Where texts are cut">
        <table className="data-table">
          <thead>
            <tr>
              <th>Place</th>
              <th>Room</th>
              <th>Type</th>
              <td />
            </tr>
          </thead>
          <tbody>
            {TEXT_LIMITS.map((limit) => {
              const own = limits[limit.id]?.width ?? undefined;
              return (
                <tr key={limit.id}>
                  <td>{ROOM_LINES[limit.id]}</td>
                  <td>
                    <label className="flex items-center gap-2">
                      <input
                        className="input input-sm w-24 tabular-nums"
                        type="number"
                        min={10}
                        max={5000}
                        aria-label={`Room for ${ROOM_LINES[limit.id]}`}
                        value={own ?? limit.width}
                        onChange={(event) => {
                          const width = Math.round(Number(event.target.value));
                          if (width >= 10 && width <= 5000)
                            workspace.change(set('limits', limit.id, 'width', width === limit.width ? null : width), {
                              label: `${ROOM_LINES[limit.id]}: ${width}`,
                              coalesceKey: `limit:${limit.id}`,
                            });
                        }}
                      />
                      <span className="soft">{limit.unit === 'px' ? 'px' : 'characters'}</span>
                    </label>
                  </td>
                  <td className="soft">{limit.unit === 'px' ? `${limit.fontSize} px` : ''}</td>
                  <td>
                    {own !== undefined && (
                      <button
                        type="button"
                        className="link-act text-note"
                        onClick={() => workspace.change(set('limits', limit.id, 'width', null), { label: `${ROOM_LINES[limit.id]}: as usual` })}
                      >
                        Back to {limit.width}
                      </button>
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </section>
  );
}
