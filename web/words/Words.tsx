import { costOf, stopOf } from '../../core/checks/index.ts';
import type { PageRow } from '../../core/survey/index.ts';
import { effectiveDescription, effectiveTitle } from '../../core/site/index.ts';
import { DESCRIPTION_ROOMS, suggestDescriptions, suggestTitles, TITLE_ROOMS } from '../../core/titles/index.ts';
import { Empty } from '../ui/index.ts';
import { PageHead, usePlace, useNextToMend } from '../pieces/index.ts';
import { useWorkspace } from '../workspace/index.ts';
import { IntentChoice } from './IntentChoice.tsx';
import { Looks } from './Looks.tsx';
import { TextField } from './TextField.tsx';
import { W } from './wording.ts';

/** Titles and descriptions, one page at a time. */
export function Words() {
  const { page, go, walking } = usePlace();
  const row = useWorkspace((state) => (page === undefined ? undefined : state.byId.get(page)));
  const detail = useWorkspace((state) => state.detail);
  const document = useWorkspace((state) => state.document);
  const nextToMend = useNextToMend();
  if (!row) return <Empty title={W.noPages}>{W.noPagesWhy}</Empty>;
  if (detail?.id !== row.id) return <p className="soft">Reading the page …</p>;
  const { facts } = detail;
  const title = effectiveTitle(document, row.id, facts);
  const description = effectiveDescription(document, row.id, facts);
  const next = nextToMend(1);
  const first = walking ? fieldToMend(row) : undefined;
  return (
    <div className="mx-auto max-w-[760px]" key={row.id}>
      <PageHead row={row}>
        {next !== undefined && (
          <button type="button" className="btn btn-sm btn-outline-ink" onClick={() => go('words', next, true)}>
            Next to mend
          </button>
        )}
      </PageHead>
      {detail.readOnly && <p className="notice notice-amber mb-4">{W.readOnly}</p>}
      <TextField
        field="title"
        label="Title"
        focused={first === 'title'}
        page={row.id}
        name={row.name}
        value={title}
        rooms={TITLE_ROOMS}
        suggestions={suggestTitles(facts, title.value)}
      />
      <TextField
        field="description"
        label="Description"
        focused={first === 'description'}
        page={row.id}
        name={row.name}
        value={description}
        rooms={DESCRIPTION_ROOMS}
        suggestions={suggestDescriptions(facts, description.value)}
      />
      <IntentChoice row={row} />
      <Looks row={row} facts={facts} source={detail.source} title={title.value} description={description.value} />
    </div>
  );
}

/** The field that the page's first finding about words is mended in. */
function fieldToMend(row: PageRow): 'title' | 'description' | undefined {
  const finding = row.findings.find((one) => stopOf(one) === 'words' && costOf(one) !== 'polish');
  if (!finding) return undefined;
  return finding.code.startsWith('description') ? 'description' : 'title';
}
