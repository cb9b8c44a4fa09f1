import { IGNORABLE, findingPlace, stopOf, type Finding } from '../../../core/checks/index.ts';
import type { PageFacts } from '../../../core/page/index.ts';
import type { SitePage } from '../../../core/site/index.ts';
import type { PageRow } from '../../../core/rows/index.ts';
import { Findings, lineOf, Rail, PageLink } from '../../components/index.ts';
import { Segments, useRemembered } from '../../ui/index.ts';
import { fixFor, unignore, useReport, useWorkspace, useWorkspaceApi, type FixPlaces } from '../../workspace/index.ts';
import { FindingActions } from './FindingActions.tsx';
import { BrowserTab, ResultCard, ShareCard } from './previews.tsx';
import { TagsAsCode } from './TagsAsCode.tsx';
import { wording } from '../wording.ts';

const LOOKS = ['wide', 'phone', 'card', 'code'] as const;
type Look = (typeof LOOKS)[number];

/** The rail of one page: how it looks to others, and what is left on it. */
export function Looks({
  row,
  page,
  facts,
  source,
  title,
  description,
  findings,
  places,
}: {
  readonly row: PageRow;
  readonly page: SitePage;
  /** As the file was brought in. */
  readonly facts: PageFacts;
  readonly source: string;
  readonly title: string;
  readonly description: string;
  readonly findings: readonly Finding[];
  readonly places: FixPlaces;
}) {
  const [look, setLook] = useRemembered<Look>('look', LOOKS, 'wide');
  const workspace = useWorkspaceApi();
  const ignored = useWorkspace((state) => state.document.tables.ignored);
  const markup = useWorkspace((state) => state.document.tables.meaning['']?.on === true);
  const extras = useReport((one) => (markup ? one.tools.analysis.resultExtras(row.id) : Promise.resolve(undefined)), `${row.id} ${markup}`);
  const letBe = row.ignored.filter((code) => ignored[`${row.id}\n${code}`]);
  const fixes = findings.map((finding) => fixFor(workspace, row, finding, places));
  // What one key does: the first that needs no decision.
  const byKey = fixes.findIndex((fix) => fix?.whole);
  return (
    <Rail>
      <div className="flex flex-wrap items-center justify-between gap-2">
        <h2>{wording.searcher}</h2>
        <Segments<Look>
          label="How it looks"
          value={look}
          onChange={setLook}
          options={[
            { value: 'wide', label: 'Wide' },
            { value: 'phone', label: 'Phone' },
            { value: 'card', label: 'Card' },
            { value: 'code', label: 'Code' },
          ]}
        />
      </div>
      <div className="panel mt-2.5 overflow-hidden" data-testid="look">
        {look === 'code' && <TagsAsCode page={row.id} />}
        {look === 'card' && <ShareCard page={page} title={title} description={description} />}
        {(look === 'wide' || look === 'phone') && <ResultCard row={row} title={title} description={description} phone={look === 'phone'} extras={extras} />}
      </div>
      {(look === 'wide' || look === 'phone') && <BrowserTab title={title} />}
      <div className="mt-5 flex items-baseline justify-between">
        <h2>{wording.toMend}</h2>
        {findings.length > 0 && <span className="soft text-note">{findings.length} open</span>}
      </div>
      <div className="mt-1.5">
        <Findings
          findings={findings}
          place={(finding) => lineOf(source, findingPlace(finding, facts))}
          action={(finding) => {
            const at = findings.indexOf(finding);
            const fix = fixes[at];
            return fix ? (
              <button type="button" className="link-act" onClick={fix.run} {...(at === byKey ? { 'aria-keyshortcuts': 'Alt+Enter' } : {})}>
                {fix.label}
              </button>
            ) : null;
          }}
          more={(finding) =>
            stopOf(finding) === 'words' ? (
              IGNORABLE.includes(finding.code) && <FindingActions workspace={workspace} row={row} finding={finding} />
            ) : (
              <PageLink to="doors" page={row.id} className="link-act soft text-note">
                See at Doors
              </PageLink>
            )
          }
        />
      </div>
      {letBe.length > 0 && (
        <div className="mt-3 text-note">
          <p className="soft">Let be on this page:</p>
          <ul>
            {letBe.map((code) => (
              <li key={code} className="flex flex-wrap items-baseline gap-x-2">
                <span>{ignored[`${row.id}\n${code}`]?.reason || code}</span>
                <button type="button" className="link-act" onClick={() => unignore(workspace, row.id, code)}>
                  Count it again
                </button>
              </li>
            ))}
          </ul>
        </div>
      )}
    </Rail>
  );
}
