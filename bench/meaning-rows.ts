import { JsonLdParser } from 'jsonld-streaming-parser';
import { MicrodataRdfParser } from 'microdata-rdf-streaming-parser';
import { RdfaParser } from 'rdfa-streaming-parser';
import { pageTree, readMarkup } from '../core/markup/index.ts';
import { readSource } from '../core/page/index.ts';
import { decodeSource } from '../core/source/index.ts';
import { checkMarkup, readMeaning } from '../core/structured-data/index.ts';
import { loadVocabulary } from '../core/vocabulary/index.ts';
import { loadKnowledge, problemsIn } from '../web/meaning/page/knowledge.ts';
import { faster, median, timed, within, type Row } from './measure.ts';

const ADDRESS = 'https://a.example/p.html';
const product = (at: number): string =>
  `{"@context":"https://schema.org","@graph":[{"@type":"Product","@id":"#p","name":"Kit ${at}","image":"/a.jpg","offers":{"@type":"Offer","price":"${at}.50","priceCurrency":"GBP","availability":"https://schema.org/InStock"}},{"@type":"BreadcrumbList","itemListElement":[{"@type":"ListItem","position":1,"name":"Home","item":"https://a.example/"},{"@type":"ListItem","position":2,"name":"Kit ${at}"}]}]}`;
/** A page with JSON-LD, Microdata and RDFa, as much text as a small page has. */
const page = (at: number): string =>
  `<!doctype html><html lang=en><head><title>Kit ${at}</title><script type="application/ld+json">${product(at)}</script></head><body><main><h1>Kit ${at}</h1><p class=byline>By Maren Quill, <time datetime="2026-02-03">3 February 2026</time></p>${'<p>We mend what was sewn once, and box what should not be touched. Bring it in on any day of the week.</p>'.repeat(12)}<p class=price>£${at}.50, in stock</p><div itemscope itemtype="https://schema.org/Review"><b itemprop=name>Fine</b><span itemprop=author itemscope itemtype="https://schema.org/Person"><i itemprop=name>Ann</i></span></div><div vocab="https://schema.org/" typeof="Event"><b property=name>Day</b><time property=startDate datetime="2027-01-09">9 January</time></div></main></body></html>`;

const PAGES = 5000;

/** Reading all structured data of many pages and holding it against the vocabulary, against independent parsers that only read it. */
export async function markupRows(): Promise<Row[]> {
  const vocabulary = await loadVocabulary();
  const pages = Array.from({ length: PAGES }, (_, at) => {
    const source = decodeSource(new TextEncoder().encode(page(at)));
    const reading = readSource(source);
    if (!reading.ok) throw new Error(reading.reason);
    return { text: source.text, facts: reading.facts, json: product(at) };
  });
  const ours = (): void => {
    for (const { text, facts } of pages) {
      let tree: ReturnType<typeof pageTree> | undefined;
      checkMarkup(
        readMarkup(text, facts, ADDRESS, () => (tree ??= pageTree(text))),
        vocabulary,
        ADDRESS,
      );
    }
  };
  const times: [number[], number[]] = [[], []];
  for (let turn = 0; turn < 3; turn++) {
    const begun = performance.now();
    ours();
    const between = performance.now();
    for (const { text, json } of pages) await peers(text, json);
    times[0].push(between - begun);
    times[1].push(performance.now() - between);
  }
  const whole = timed(() => {
    for (const { text, facts } of pages) readMeaning(text, facts, { address: ADDRESS, lang: 'en', vocabulary, exists: () => true });
  });
  return [
    faster(
      `reading and checking the markup of ${PAGES.toLocaleString('en')} pages`,
      { ours: median(times[0]), peer: median(times[1]) },
      'three parsers, read only',
      0.7,
    ),
    within('all that a page says, found and checked, each', whole / PAGES, 5, 'ms'),
  ];
}

/** What the editor of a block of structured data does at each key: a large block is read and checked anew. */
export async function editorRow(): Promise<Row> {
  const knowledge = await loadKnowledge();
  const block = JSON.stringify(
    { '@context': 'https://schema.org', '@graph': Array.from({ length: 60 }, (_, at) => ({ '@type': 'Product', '@id': `#${at}`, name: `Kit ${at}` })) },
    null,
    2,
  );
  return within(
    'a key in a block of structured data with 60 products, checked',
    timed(() => void problemsIn(block, knowledge), 20),
    16,
    'ms',
  );
}

const documentLoader = { load: async () => ({ '@context': { '@vocab': 'https://schema.org/' } }) };

async function peers(html: string, json: string): Promise<number> {
  const made = [
    [new JsonLdParser({ baseIRI: ADDRESS, documentLoader } as never), json],
    [new MicrodataRdfParser({ baseIRI: ADDRESS } as never), html],
    [new RdfaParser({ baseIRI: ADDRESS, profile: 'html' } as never), html],
  ] as const;
  let quads = 0;
  for (const [parser, text] of made)
    await new Promise<void>((resolve, reject) => {
      parser.on('data', () => quads++);
      parser.on('end', () => resolve());
      parser.on('error', reject);
      parser.write(text);
      parser.end();
    });
  return quads;
}
