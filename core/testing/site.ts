import { languageOf, measureText } from '../language/index.ts';
import { MANIFEST_FORMAT, type Manifest } from '../release/index.ts';
import { forSurvey } from '../rows/index.ts';
import { all, applyChange, emptyDocument, set, type Change, type SiteDocument } from '../site/index.ts';
import { Survey } from '../survey/index.ts';
import { readPage, type PageFacts } from '../page/index.ts';

/** A small site that is surveyed to its end: near copies compared, texts measured. Live as it stands, unless `live` is false. */
export interface TestSite {
  readonly survey: Survey;
  document: SiteDocument;
  /** Makes a change and has the site looked at again. */
  change(change: Change): void;
}

export function testSite(
  pages: Readonly<Record<string, string>>,
  {
    changes = [],
    robots,
    maps = {},
    feeds = [],
    others = [],
    live = true,
    now = Date.UTC(2026, 10, 25),
  }: {
    readonly changes?: readonly Change[];
    readonly robots?: string;
    readonly maps?: Readonly<Record<string, string>>;
    readonly feeds?: readonly string[];
    /** Files that are no pages. */
    readonly others?: readonly string[];
    readonly live?: boolean;
    readonly now?: number;
  } = {},
): TestSite {
  const document = applyChange(emptyDocument(), all([set('facts', '', 'mainAddress', 'https://a.example'), ...changes]));
  const files = [...Object.keys(pages), ...others].map((path) => ({ path, hash: path, size: 1, modified: undefined }));
  const manifest: Manifest = {
    version: MANIFEST_FORMAT.version,
    number: 0,
    files: Object.fromEntries(files.map(({ path, hash }) => [path, { hash, edits: [] }])),
    own: {},
    listed: [],
    changedAt: {},
  };
  const read = Object.entries(pages).map(([id, html]) => ({ id, read: forSurvey(asFile(html)) }));
  const survey = new Survey(document, files, read, { robots, maps, feeds }, live ? manifest : undefined, () => now);
  const finish = (): void => {
    while (survey.compareMore(() => true).left > 0);
  };
  finish();
  survey.putMeasures(new Map(Object.entries(pages).map(([id, html]) => [id, measureText(asFile(html, true).blocks ?? [], languageOf('en'))])));
  const site: TestSite = {
    survey,
    document,
    change: (change) => {
      site.document = applyChange(site.document, change);
      survey.update(site.document, change);
      finish();
    },
  };
  return site;
}

/** As a file is read that comes without a header. */
function asFile(html: string, keepText = false): PageFacts {
  const reading = readPage(new TextEncoder().encode(html), { keepText });
  if (!reading.ok) throw new Error(reading.reason);
  return reading.facts;
}
