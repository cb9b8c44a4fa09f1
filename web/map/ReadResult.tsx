import { counted } from '../../core/wording/index.ts';
import type { MapReading } from '../analysis/index.ts';
import { PageLink } from '../components/index.ts';
import { useWorkspace } from '../workspace/index.ts';
import { ReadEntries } from './ReadEntries.tsx';
import { ReadParts } from './ReadParts.tsx';
import { comparisonWords, issueWords, wording } from './wording.ts';

const ISSUES = 60;
type Good = Extract<MapReading, { ok: true }>;

/** What was found in a map: against the protocol, against the site, and the addresses themselves. */
export function ReadResult({
  name,
  reading,
  onMend,
  onOpen,
}: {
  readonly name: string;
  readonly reading: Good;
  readonly onMend: (() => void) | undefined;
  readonly onOpen: (address: string) => void;
}) {
  const { kind, form, bytes, entries, wrong, issues, parts, ticket } = reading;
  const byId = useWorkspace((state) => state.byId);
  const inParts = parts.filter((part) => part.what === 'map');
  // Of an index whose maps nobody could look into, there is nothing to hold against the site.
  const compared = kind === 'urlset' || inParts.length > 0;
  const broken = parts.length - inParts.length;
  const missing = compared ? reading.missing : { first: [], count: 0 };
  const right = wrong + missing.count + broken === 0;
  return (
    <>
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <h2 className="min-w-0 flex-1 basis-60 [overflow-wrap:anywhere]">{name}</h2>
        <span className="soft text-small">
          {form === 'list' ? 'a plain list, ' : ''}
          {kind === 'index' ? `an index of ${counted(entries, 'map')}` : counted(entries, 'address', 'addresses')}, {(bytes / 1024).toFixed(0)} KiB
        </span>
      </div>
      {compared && (
        <div className={`notice mb-4 flex flex-wrap items-center gap-3 ${right ? 'notice-good' : 'notice-amber'}`} data-testid="comparison">
          <p className="min-w-0 flex-1 basis-60">
            {right ? (reading.beside ? wording.agreesBeside : wording.agrees) : comparisonWords(wrong, missing.count, broken, reading.beside)}
          </p>
          {!right && onMend && (
            <button type="button" className="btn btn-primary" onClick={onMend}>
              {wording.mend}
            </button>
          )}
        </div>
      )}
      <section aria-labelledby="issues">
        <h3 id="issues" className="mt-4 mb-2 font-semibold">
          {issues.length === 0 ? wording.valid : counted(issues.length, 'thing is amiss in the file', 'things are amiss in the file')}
        </h3>
        {issues.length > 0 && (
          <ul className="panel mb-5 divide-y divide-line">
            {issues.slice(0, ISSUES).map((issue) => (
              <li key={`${issue.code} ${issue.place}`} className="flex flex-wrap gap-x-3 px-3.5 py-1.5 text-small" data-issue={issue.code}>
                <span className="mono soft w-32 flex-none">
                  line {issue.line}, column {issue.column}
                </span>
                <span className="min-w-0 flex-1 [overflow-wrap:anywhere]">{issueWords(issue)}</span>
              </li>
            ))}
            {issues.length > ISSUES && <li className="soft px-3.5 py-1.5 text-note">and {issues.length - ISSUES} more</li>}
          </ul>
        )}
      </section>
      {missing.count > 0 && (
        <section className="mb-5" aria-labelledby="missing">
          <h3 id="missing" className="mt-4 mb-2 font-semibold">
            {counted(missing.count, 'page is', 'pages are')} missing{reading.beside ? ', from the maps beside it too' : ''}
          </h3>
          <ul className="flex flex-wrap gap-1.5">
            {missing.first.map((id) => (
              <li key={id}>
                <PageLink to="doors" page={id} className="chip" data-missing={id}>
                  {byId.get(id)?.name ?? id}
                </PageLink>
              </li>
            ))}
            {missing.count > missing.first.length && <li className="soft text-note">and {missing.count - missing.first.length} more</li>}
          </ul>
        </section>
      )}
      {kind === 'index' ? <ReadParts parts={parts} onOpen={onOpen} /> : <ReadEntries key={name} ticket={ticket} entries={entries} wrong={wrong} />}
    </>
  );
}
