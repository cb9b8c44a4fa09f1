// `npm run bench`: each figure beside a peer or a limit, measured in the same run. `-- --core` leaves the browser out, `-- --browser` the core.
import { keptRows, ledgerRows, openingRows, shellRows, typingRows } from './browser-rows.ts';
import { markupRows } from './meaning-rows.ts';
import { mergeRows } from './merge-rows.ts';
import { bulkRow, lintRow, nearRow, phrasesRow, readingRow, robotsRow, sitemapRows, zipRow } from './core-rows.ts';
import { generateSite } from './generate-site.ts';
import { watchRows } from './watch-rows.ts';
import { viewRows, wordsViewRows } from './view-rows.ts';
import { print, type Row } from './measure.ts';
import { filesBelow, realSiteFolder } from './real-site.ts';

const encoded = (site: ReadonlyMap<string, string>): Map<string, Uint8Array> =>
  new Map([...site].map(([path, text]) => [path, new TextEncoder().encode(text)]));

const rows: Row[] = [];
const pagesOf = (site: ReadonlyMap<string, Uint8Array>): Uint8Array[] => [...site].filter(([path]) => path.endsWith('.html')).map(([, bytes]) => bytes);
const made = encoded(generateSite(1200));
const folder = realSiteFolder();
const real = folder === undefined ? undefined : await filesBelow(folder);
const many = encoded(generateSite(5000));
const core = !process.argv.includes('--browser');
if (core) rows.push(readingRow('generated', pagesOf(made)));
if (core && real) rows.push(readingRow('real', pagesOf(real)));
if (core) rows.push(...(await markupRows()), ...mergeRows(), ...(await watchRows(many)));
if (core) rows.push(robotsRow(), lintRow(), bulkRow(), ...sitemapRows(), await zipRow(made), nearRow(pagesOf(many)), phrasesRow(pagesOf(many)));
if (core && real) rows.push(nearRow(pagesOf(real)));
if (!process.argv.includes('--core')) {
  rows.push(...(await shellRows()));
  rows.push(...(await openingRows(real ? 'real' : 'generated', real ?? made)));
  rows.push(...(await keptRows('generated', many)));
  rows.push(...(await typingRows('generated', many)));
  if (real) rows.push(...(await typingRows('real', real)));
  const huge = encoded(generateSite(20_000));
  rows.push(...(await typingRows('generated', huge)), ...(await openingRows('generated', huge)));
  rows.push(...(await viewRows(encoded(generateSite(2000)), 150)), ...(await wordsViewRows(encoded(generateSite(2000)))));
  rows.push(...(await ledgerRows(encoded(generateSite(10_000)))));
}
print(rows);
