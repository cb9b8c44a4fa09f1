import { checkWords, findingPlace, stopOf, type Finding } from '../../core/checks/index.ts';
import type { PageFacts } from '../../core/page/index.ts';
import { effectiveDescription, effectiveIntent, effectiveNoindex, effectiveTitle, siteHost } from '../../core/site/index.ts';
import type { PageRow } from '../../core/survey/index.ts';
import { Findings, lineOf, Rail, usePlace } from '../pieces/index.ts';
import { Segments, useRemembered } from '../ui/index.ts';
import { useWorkspace } from '../workspace/index.ts';
import { BrowserTab, ResultCard } from './previews.tsx';
import { TagsAsCode } from './TagsAsCode.tsx';
import { W } from './wording.ts';

const LOOKS = ['wide', 'phone', 'code'] as const;
type Look = (typeof LOOKS)[number];

/** The rail of Words: how the page looks to others, and what is left on it. */
export function Looks({
  row,
  facts,
  source,
  title,
  description,
}: {
  readonly row: PageRow;
  readonly facts: PageFacts;
  readonly source: string;
  readonly title: string;
  readonly description: string;
}) {
  const [look, setLook] = useRemembered<Look>('look', LOOKS, 'wide');
  const findings = useLiveFindings(row, facts);
  const { go } = usePlace();
  return (
    <Rail>
      <div className="flex flex-wrap items-center justify-between gap-2">
        <h2>{W.searcher}</h2>
        <Segments<Look>
          label="How it looks"
          value={look}
          onChange={setLook}
          options={[
            { value: 'wide', label: 'Wide' },
            { value: 'phone', label: 'Phone' },
            { value: 'code', label: 'Code' },
          ]}
        />
      </div>
      <div className="panel mt-2.5" data-testid="look">
        {look === 'code' ? <TagsAsCode row={row} facts={facts} /> : <ResultCard row={row} title={title} description={description} phone={look === 'phone'} />}
      </div>
      {look !== 'code' && <BrowserTab title={title} />}
      <div className="mt-5 flex items-baseline justify-between">
        <h2>{W.toMend}</h2>
        {findings.length > 0 && <span className="soft text-[13px]">{findings.length} open</span>}
      </div>
      <div className="mt-1.5">
        <Findings
          findings={findings}
          place={(finding) => lineOf(source, findingPlace(finding, facts))}
          action={(finding) => <Mend finding={finding} onDoors={() => go('doors', row.id)} onPage={(id) => go('words', id)} />}
        />
      </div>
    </Rail>
  );
}

/** Findings at each key: those of the page itself are made here and now, those across the site come from the survey a moment later. */
function useLiveFindings(row: PageRow, facts: PageFacts): Finding[] {
  const document = useWorkspace((state) => state.document);
  const { noindex } = effectiveNoindex(document, row.id, row.kind, facts);
  const others = (code: 'title-same' | 'description-same'): readonly string[] =>
    row.findings.flatMap((finding) => (finding.code === code ? finding.pages : []));
  const input = {
    id: row.id,
    facts,
    title: effectiveTitle(document, row.id, facts),
    description: effectiveDescription(document, row.id, facts),
    intent: effectiveIntent(document, row.id, row.kind),
    noindex,
    site: { host: siteHost(document), sameTitle: others('title-same'), sameDescription: others('description-same') },
  };
  // What concerns the doors comes from the survey, and blocks or weakens: it stands first.
  return [...row.findings.filter((finding) => stopOf(finding) === 'doors'), ...checkWords(input)];
}

/** The one action a finding offers here. */
function Mend({ finding, onDoors, onPage }: { readonly finding: Finding; readonly onDoors: () => void; readonly onPage: (id: string) => void }) {
  const focus = (label: string) => () => [...window.document.querySelectorAll('label')].find((one) => one.textContent === label)?.control?.focus();
  if (stopOf(finding) === 'doors') {
    return (
      <button type="button" className="link-act" onClick={onDoors}>
        Doors
      </button>
    );
  }
  if (finding.code === 'title-same' || finding.code === 'description-same') {
    return (
      <button type="button" className="link-act" onClick={() => onPage(finding.pages[0] as string)}>
        See it
      </button>
    );
  }
  const label =
    finding.code.startsWith('title') || finding.code === 'name-number' ? 'Title' : finding.code.startsWith('description') ? 'Description' : undefined;
  if (label === undefined || finding.code === 'title-several' || finding.code === 'title-outside-head') return null;
  return (
    <button type="button" className="link-act" onClick={focus(label)}>
      Write
    </button>
  );
}
