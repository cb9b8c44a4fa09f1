import { differingPages, excerptOf, mergeChange, planMerge, templateBlocks, type PageExcerpt } from '../core/merge/index.ts';
import { readSource } from '../core/page/index.ts';
import { all, applyChange, emptyDocument, isPageFile, set } from '../core/site/index.ts';
import { decodeSource, type SourceText } from '../core/source/index.ts';
import { within, type Row } from './measure.ts';

const PAGES = 5000;
/** Milliseconds that comparing two versions may take beyond reading their pages, and that taking one in may hold anything up. */
const PLANNING = 2_000;
const TAKING = 1_000;

const words = (at: number): string => Array.from({ length: 120 }, (_, word) => `w${(at * 131 + word * word * 17) % 9000}`).join(' ');
const page = (at: number, frame: string): string =>
  `<!doctype html><html lang=en><head><title>Page ${at}</title><meta name=description content="What page ${at} is about."></head><body><div>${frame}</div><main><h1>Page ${at}</h1><p>${words(at)}</p><p>${words(at + 1)}</p></main></body></html>`;

/** A whole site built anew by another generator: every page's bytes are others, a third of them at another address, with an owner's words on each tenth. */
export function mergeRows(): Row[] {
  const make = (frame: string, pathOf: (at: number) => string): Map<string, SourceText> =>
    new Map(Array.from({ length: PAGES }, (_, at) => [pathOf(at), decodeSource(new TextEncoder().encode(page(at, frame)))]));
  const before = make('Menu', (at) => `a/${at}.html`);
  const after = make('Another menu', (at) => (at % 3 === 0 ? `b/${at}/index.html` : `a/${at}.html`));
  const document = applyChange(
    emptyDocument(),
    all(Array.from({ length: PAGES / 10 }, (_, at) => set('pages', `a/${at * 10}.html`, 'title', `Title of the owner for page ${at}`))),
  );
  const hashes = (files: ReadonlyMap<string, SourceText>, mark: string): Map<string, string> =>
    new Map([...files.keys()].map((path) => [path, `${mark} ${path}`]));
  const versions = { before: hashes(before, 'old'), after: hashes(after, 'new'), isPage: isPageFile };
  const differing = differingPages(versions);
  const read = (source: SourceText) => {
    const reading = readSource(source, { keepText: true });
    if (!reading.ok) throw new Error(reading.reason);
    return { text: source.text, facts: reading.facts };
  };
  const template = templateBlocks([...after.values()].slice(0, 120).map((source) => read(source).facts.blocks ?? []));
  const begun = performance.now();
  const pages = {
    before: differing.before.map((id) => [id, read(before.get(id) as SourceText)] as const),
    after: differing.after.map((id) => [id, read(after.get(id) as SourceText)] as const),
  };
  const reading = performance.now() - begun;
  const excerpts = (list: typeof pages.before, mark: string): Map<string, PageExcerpt> =>
    new Map(list.map(([id, one]) => [id, excerptOf(id, `${mark} ${id}`, one, template, false)]));
  const planning = performance.now();
  const plan = planMerge({
    document,
    version: 1,
    ...versions,
    excerptsBefore: excerpts(pages.before, 'old'),
    excerptsAfter: excerpts(pages.after, 'new'),
    robots: { before: '', after: '' },
  });
  const planned = performance.now() - planning;
  if (plan.pages.moved.length !== Math.ceil(PAGES / 3) || plan.kept !== PAGES / 10) throw new Error('pages were not found again');
  const taking = performance.now();
  applyChange(document, mergeChange(document, plan, { theirs: new Set(), redirects: {} }));
  const taken = performance.now() - taking;
  return [
    within(`comparing a version of ${PAGES} pages, beyond reading both (${Math.round(reading)} ms)`, planned, PLANNING, 'ms'),
    within('taking it in, in the document', taken, TAKING, 'ms'),
  ];
}
