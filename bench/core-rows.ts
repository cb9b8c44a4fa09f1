import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { zipSync } from 'fflate';
import { parse, defaultTreeAdapter, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import { createRequire } from 'node:module';
import { readSource } from '../core/page/index.ts';
import { languageOf } from '../core/language/index.ts';
import { phraseMatrix, prepareTexts, textsOf } from '../core/phrases/index.ts';
import { lintRobots, parseRobots, robotsMatcher } from '../core/robots/index.ts';
import { all, applyChange, emptyDocument, invert, set } from '../core/site/index.ts';
import { validateMap, readSitemap, writeSitemap } from '../core/sitemap/index.ts';
import { decodeSource } from '../core/source/index.ts';
import { NearIndex, similarity } from '../core/titles/index.ts';
import { packZip, type OutFile } from '../web/analysis/export-site.ts';
import { faster, inTurns, slower, within, type Row, timed } from './measure.ts';

const robotsParser = createRequire(import.meta.url)('robots-parser') as (
  url: string,
  text: string,
) => { isAllowed(url: string, agent: string): boolean | undefined };

/** The peer of reading: a whole tree with locations, and a plain walk over it that takes the same sorts of facts out. */
function treeAndWalk(html: string): number {
  let facts = 0;
  const visit = (node: Tree.ChildNode, inHeading: boolean): string => {
    if (defaultTreeAdapter.isTextNode(node)) return inHeading ? node.value : '';
    if (!defaultTreeAdapter.isElementNode(node)) return '';
    const { tagName } = node;
    const captures = inHeading || /^(h[1-6]|a|p|title)$/.test(tagName);
    if (captures || /^(meta|link|img|base|script|html)$/.test(tagName)) facts += node.attrs.length + ((node.sourceCodeLocation?.startOffset ?? 0 > 0) ? 1 : 0);
    let text = '';
    for (const child of node.childNodes) text += visit(child, captures);
    if (captures) facts += text.replace(/\s+/g, ' ').trim().length > 0 ? 1 : 0;
    return text;
  };
  for (const child of parse(html, { sourceCodeLocationInfo: true }).childNodes) visit(child, false);
  return facts;
}

export function readingRow(name: string, pages: readonly Uint8Array[]): Row {
  const sources = pages.map((bytes) => decodeSource(bytes));
  const run = (): void => {
    for (const source of sources) readSource(source);
  };
  run();
  return faster(
    `reading ${pages.length.toLocaleString('en')} pages, ${name}`,
    inTurns(run, () => sources.forEach((source) => treeAndWalk(source.text)), 3),
    'tree and walk',
    2.5,
  );
}

export function robotsRow(): Row {
  const rules = Array.from(
    { length: 500 },
    (_, index) =>
      `${index % 7 === 0 ? 'Allow' : 'Disallow'}: /${['shop', 'blog', 'a/b', 'x'][index % 4] as string}/${index}${index % 5 === 0 ? '/*.html$' : index % 3 === 0 ? '*?sort=' : '/'}`,
  );
  const text = `User-agent: *\n${rules.join('\n')}\n`;
  const paths = Array.from({ length: 100_000 }, (_, index) => `/${['shop', 'blog', 'a/b', 'y'][index % 4] as string}/${index % 700}/page-${index}.html`);
  const matcher = robotsMatcher(parseRobots(text), 'SkerryBot');
  const peer = robotsParser('https://a.example/robots.txt', text);
  // The peer takes minutes for all of them: a share of the addresses, counted up.
  const share = 20;
  const times = inTurns(
    () => paths.forEach((path) => matcher.match(path)),
    () => paths.filter((_, index) => index % share === 0).forEach((path) => peer.isAllowed(`https://a.example${path}`, 'SkerryBot')),
    3,
  );
  return faster('robots.txt: 500 rules, 100,000 addresses', { ours: times.ours, peer: times.peer * share }, 'robots-parser', 10);
}

/** What one press that changes every page of a large site costs the page: the change made, and the one that takes it back. */
export function bulkRow(): Row {
  const change = all(Array.from({ length: 5000 }, (_, index) => set('pages', `shop/page-${index}/index.html`, 'intent', 'out')));
  const time = timed(() => {
    invert(emptyDocument(), change);
    applyChange(emptyDocument(), change);
  }, 7);
  return within('one change of 5,000 pages, made and inverted', time, 50, 'ms');
}

/** Holding a long robots.txt against a large site: what the editor does while one types. */
export function lintRow(): Row {
  const rules = Array.from(
    { length: 200 },
    (_, index) => `${index % 9 === 0 ? 'Allow' : 'Disallow'}: /${['shop', 'blog', 'gone'][index % 3] as string}/${index}${index % 4 === 0 ? '*.html$' : '/'}`,
  );
  const pages = Array.from({ length: 5000 }, (_, index) => ({
    id: String(index),
    path: `/${['shop', 'blog'][index % 2] as string}/${index % 400}/page-${index}.html`,
    intent: 'list' as const,
  }));
  const site = { origin: 'https://a.example', pages, files: [], needed: new Set<string>(), crawlers: ['SkerryBot', 'PloverBot'], hasMap: true };
  const text = `User-agent: *\n${rules.join('\n')}\n`;
  return within(
    'robots.txt: 200 rules against 5,000 pages',
    timed(() => void lintRobots(text, site), 4),
    1000,
    'ms',
  );
}

export function sitemapRows(): Row[] {
  // One address in ten needs escaping, which joined strings do not even do.
  const entries = Array.from({ length: 50_000 }, (_, index) => ({
    loc: `https://a.example/journal/${index}/a-page-with-a-name/${index % 10 === 0 ? `?a=1&b=${index}` : ''}`,
    lastmod: '2026-11-25',
    images: index % 2 === 0 ? [`https://a.example/pictures/${index}.jpg`] : undefined,
  }));
  const pictures = (images: readonly string[] = []): string => images.map((image) => `<image:image><image:loc>${image}</image:loc></image:image>`).join('');
  const joined = (): string =>
    `<urlset>${entries.map((entry) => `<url><loc>${entry.loc}</loc><lastmod>${entry.lastmod}</lastmod>${pictures(entry.images)}</url>`).join('\n')}</urlset>`;
  // A text is only there once somebody reads it: both are asked for a letter.
  const whole = (text: string): number => text.charCodeAt(text.length >> 1);
  const { xml } = writeSitemap(entries);
  const parser = new XMLParser({ isArray: (name) => name === 'url', parseTagValue: false });
  return [
    slower(
      'writing a sitemap of 50,000 addresses with pictures',
      inTurns(
        () => whole(writeSitemap(entries).xml),
        () => whole(joined()),
        15,
      ),
      'joined strings',
      2,
    ),
    faster(
      'reading it',
      inTurns(
        () => readSitemap(xml),
        () => parser.parse(xml) as unknown,
        3,
      ),
      'fast-xml-parser',
      3,
    ),
    faster(
      'looking at it closely: every rule of the protocol',
      inTurns(
        () => validateMap(xml, { address: 'https://a.example/sitemap.xml', now: Date.UTC(2026, 10, 26) }),
        () => {
          XMLValidator.validate(xml);
          parser.parse(xml);
        },
        3,
      ),
      'fast-xml-parser, well-formedness alone',
      2,
    ),
  ];
}

export async function zipRow(files: ReadonlyMap<string, Uint8Array>): Promise<Row> {
  async function* out(): AsyncGenerator<OutFile> {
    for (const [path, bytes] of files) yield { path, bytes, modified: undefined, left: [] };
  }
  const turns: { ours: number[]; peer: number[] } = { ours: [], peer: [] };
  for (let turn = 0; turn < 3; turn++) {
    let started = performance.now();
    await packZip(out(), new Date(2026, 10, 25));
    turns.ours.push(performance.now() - started);
    started = performance.now();
    zipSync(Object.fromEntries(files));
    turns.peer.push(performance.now() - started);
  }
  return slower(
    `releasing ${files.size.toLocaleString('en')} files to a ZIP`,
    { ours: turns.ours.sort((a, b) => a - b)[1] ?? NaN, peer: turns.peer.sort((a, b) => a - b)[1] ?? NaN },
    'fflate',
    1.2,
  );
}

/** Near copies among the descriptions of a site, against comparing all pairs; the peer does a share of them, counted up. */
export function nearRow(pages: readonly Uint8Array[]): Row {
  const texts = pages.flatMap((bytes) => {
    const reading = readSource(decodeSource(bytes));
    return reading.ok ? [reading.facts.metas.find((meta) => meta.name === 'description')?.content ?? reading.facts.paragraphs[0] ?? ''] : [];
  });
  const share = 50;
  const times = inTurns(
    () => {
      const index = new NearIndex(texts, 'words');
      texts.forEach((text, page) => index.put(String(page), text));
    },
    () => texts.forEach((text, page) => page % share === 0 && texts.forEach((other) => similarity(text, other, 'words'))),
    1,
  );
  // Each pair is compared once, not twice.
  return faster(`near copies among ${texts.length.toLocaleString('en')} descriptions`, { ours: times.ours, peer: (times.peer * share) / 2 }, 'all pairs', 20);
}

/** Phrases against pages: what the matrix takes once the pages are made ready. */
export function phrasesRow(pages: readonly Uint8Array[]): Row {
  const language = languageOf('en');
  const ready = pages.flatMap((bytes, id) => {
    const reading = readSource(decodeSource(bytes));
    if (!reading.ok) return [];
    const { facts } = reading;
    return [
      {
        id: String(id),
        language,
        target: '',
        texts: prepareTexts(textsOf(facts, { title: facts.titles[0]?.text ?? '', description: '', address: '/' }), language),
      },
    ];
  });
  const words = 'paper linen thread harbour box book leather press glue spine board cloth'.split(' ');
  const phrases = words.flatMap((one) => words.map((other) => `${one} ${other}`));
  return within(
    `${phrases.length} phrases against ${ready.length.toLocaleString('en')} pages`,
    timed(() => void phraseMatrix(phrases, ready, () => 1)),
    1000,
    'ms',
  );
}
