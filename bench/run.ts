// `npm run bench`: each figure beside a peer or a limit, measured in the same run.
import { openingRows, shellRows, typingRows } from './browser-rows.ts';
import { readingRow, robotsRow, sitemapRows, zipRow } from './core-rows.ts';
import { generateSite } from './generate-site.ts';
import { print, type Row } from './measure.ts';
import { filesBelow, realSiteFolder } from './real-site.ts';

const encoded = (site: ReadonlyMap<string, string>): Map<string, Uint8Array> =>
  new Map([...site].map(([path, text]) => [path, new TextEncoder().encode(text)]));

const rows: Row[] = [];
const made = encoded(generateSite(1200));
const folder = realSiteFolder();
const real = folder === undefined ? undefined : await filesBelow(folder);
rows.push(
  readingRow(
    'generated',
    [...made].filter(([path]) => path.endsWith('.html')).map(([, bytes]) => bytes),
  ),
);
if (real)
  rows.push(
    readingRow(
      'real',
      [...real].filter(([path]) => path.endsWith('.html')).map(([, bytes]) => bytes),
    ),
  );
rows.push(robotsRow(), ...sitemapRows(), await zipRow(made));
if (!process.argv.includes('--core')) {
  rows.push(...(await shellRows()));
  rows.push(...(await openingRows(real ? 'real' : 'generated', real ?? made)));
  rows.push(...(await typingRows(encoded(generateSite(5000)))));
}
print(rows);
