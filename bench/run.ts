// `npm run bench`: each figure beside a peer or a limit, measured in the same run. `-- --core` leaves the browser out, `-- --browser` the core.
import { loadavg } from 'node:os';
import { keptRows, ledgerRows, openingRows, shellRows, typingRows } from './browser-rows.ts';
import { editorRow, markupRows } from './meaning-rows.ts';
import { killedRow } from './killed-rows.ts';
import { mergeRows } from './merge-rows.ts';
import { bulkRow, lintRow, nearRow, phrasesRow, readingRow, robotsRow, sitemapRows, zipRow } from './core-rows.ts';
import { generateSite } from './generate-site.ts';
import { watchRows } from './watch-rows.ts';
import { viewRows, wordsViewRows } from './view-rows.ts';
import { print, type Row } from './measure.ts';
import { filesBelow, realSiteFolder } from './real-site.ts';

const encoded = (site: ReadonlyMap<string, string>): Map<string, Uint8Array> =>
  new Map([...site].map(([path, text]) => [path, new TextEncoder().encode(text)]));

const pagesOf = (site: ReadonlyMap<string, Uint8Array>): Uint8Array[] => [...site].filter(([path]) => path.endsWith('.html')).map(([, bytes]) => bytes);
const made = encoded(generateSite(1200));
const folder = realSiteFolder();
const real = folder === undefined ? undefined : await filesBelow(folder);
const many = encoded(generateSite(5000));

/** What is measured, in order. Each is a step of its own, so that a row is seen as soon as it is there. */
type Step = () => Row | readonly Row[] | Promise<Row | readonly Row[]>;
const core: Step[] = [
  () => readingRow('generated', pagesOf(made)),
  ...(real ? [() => readingRow('real', pagesOf(real))] : []),
  markupRows,
  editorRow,
  mergeRows,
  () => watchRows(many),
  robotsRow,
  lintRow,
  bulkRow,
  sitemapRows,
  () => zipRow(made),
  () => nearRow(pagesOf(many)),
  () => phrasesRow(pagesOf(many)),
  ...(real ? [() => nearRow(pagesOf(real))] : []),
];
const browser: Step[] = [
  shellRows,
  () => openingRows(real ? 'real' : 'generated', real ?? made),
  () => keptRows('generated', many),
  () => typingRows('generated', many),
  ...(real ? [() => typingRows('real', real)] : []),
  () => typingRows('generated', encoded(generateSite(20_000))),
  () => openingRows('generated', encoded(generateSite(20_000))),
  () => viewRows(encoded(generateSite(2000)), 150),
  () => wordsViewRows(encoded(generateSite(2000))),
  () => ledgerRows(encoded(generateSite(10_000))),
  killedRow,
];

print({ what: 'what', ours: 'ours', peer: 'against', ratio: 'ratio', reach: 'to reach' });
let missed = 0;
for (const step of [...(process.argv.includes('--browser') ? [] : core), ...(process.argv.includes('--core') ? [] : browser)])
  for (const row of [await step()].flat()) {
    print(row, row.reached ? '✓ ' : '✗ ');
    if (!row.reached) missed++;
  }
console.log(`\n${missed === 0 ? 'All is reached.' : `${missed} not reached.`} Load now: ${loadavg()[0]?.toFixed(1)}.`);
