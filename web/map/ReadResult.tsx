import type { ReadMap } from '../../core/survey/index.ts';
import { counted } from '../../core/wording/index.ts';
import { usePlace } from '../pieces/index.ts';
import { useWorkspace } from '../workspace/index.ts';
import { ReadEntries } from './ReadEntries.tsx';
import { ReadParts } from './ReadParts.tsx';
import { comparisonWords, issueWords, W } from './wording.ts';

const ISSUES = 60;
type Good = Extract<ReadMap, { ok: true }>;

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
  const { map, lines, comparison, parts } = reading;
  const byId = useWorkspace((state) => state.byId);
  const { go } = usePlace();
  const inParts = parts.filter((part) => part.what === 'map');
  const wrong =
    map.kind === 'index' ? inParts.reduce((sum, part) => sum + part.wrong, 0) : comparison.entries.filter((entry) => entry.fault !== undefined).length;
  // Of an index whose maps nobody could look into, there is nothing to hold against the site.
  const compared = map.kind === 'urlset' || inParts.length > 0;
  const broken = parts.length - inParts.length;
  const missing = compared ? comparison.missing : [];
  return (
    <>
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <h2 className="min-w-0 flex-1 basis-60 [overflow-wrap:anywhere]">{name}</h2>
        <span className="soft text-[13.5px]">
          {map.form === 'list' ? 'a plain list, ' : ''}
          {map.kind === 'index' ? `an index of ${counted(map.entries.length, 'map')}` : counted(map.entries.length, 'address', 'addresses')},{' '}
          {(map.bytes / 1024).toFixed(0)} KiB
        </span>
      </div>
      {compared && (
        <div
          className={`notice mb-4 flex flex-wrap items-center gap-3 ${wrong + missing.length + broken === 0 ? 'notice-good' : 'notice-amber'}`}
          data-testid="comparison"
        >
          <p className="min-w-0 flex-1 basis-60">
            {wrong + missing.length + broken === 0
              ? reading.beside
                ? W.agreesBeside
                : W.agrees
              : comparisonWords(wrong, missing.length, broken, reading.beside)}
          </p>
          {wrong + missing.length + broken > 0 && onMend && (
            <button type="button" className="btn btn-primary" onClick={onMend}>
              {W.mend}
            </button>
          )}
        </div>
      )}
      <section aria-labelledby="issues">
        <h3 id="issues" className="mb-1.5 font-semibold">
          {map.issues.length === 0 ? W.valid : counted(map.issues.length, 'thing is amiss in the file', 'things are amiss in the file')}
        </h3>
        {map.issues.length > 0 && (
          <ul className="panel mb-5 divide-y divide-[color:var(--line)]">
            {map.issues.slice(0, ISSUES).map((issue, index) => (
              <li key={`${issue.code} ${issue.place}`} className="flex flex-wrap gap-x-3 px-3.5 py-1.5 text-[13.5px]" data-issue={issue.code}>
                <span className="mono soft w-32 flex-none">
                  line {lines[index]?.line}, column {lines[index]?.column}
                </span>
                <span className="min-w-0 flex-1 [overflow-wrap:anywhere]">{issueWords(issue)}</span>
              </li>
            ))}
            {map.issues.length > ISSUES && <li className="soft px-3.5 py-1.5 text-[13px]">and {map.issues.length - ISSUES} more</li>}
          </ul>
        )}
      </section>
      {missing.length > 0 && (
        <section className="mb-5" aria-labelledby="missing">
          <h3 id="missing" className="mb-1.5 font-semibold">
            {counted(missing.length, 'page is', 'pages are')} missing{reading.beside ? ', from the maps beside it too' : ''}
          </h3>
          <ul className="flex flex-wrap gap-1.5">
            {missing.slice(0, 60).map((id) => (
              <li key={id}>
                <button type="button" className="chip" data-missing={id} onClick={() => go('doors', id)}>
                  {byId.get(id)?.name ?? id}
                </button>
              </li>
            ))}
            {missing.length > 60 && <li className="soft text-[13px]">and {missing.length - 60} more</li>}
          </ul>
        </section>
      )}
      {map.kind === 'index' ? <ReadParts reading={reading} onOpen={onOpen} /> : <ReadEntries key={name} map={map} compared={comparison.entries} />}
    </>
  );
}
