import { answerText, charsetOf, readAnswer } from '../../core/indexing/index.ts';
import { baseAddress, canonicalLinks, inlineStyleReferences, patchPage, shownFiles, styleReferences, type PageFacts } from '../../core/page/index.ts';
import { decodeSource, pathAndQuery, plainAddress, sniffEncoding } from '../../core/source/index.ts';

/** Text below which a page with scripts is one that scripts make. */
const HARDLY_ANY_WORDS = 12;
/** Links of one page that are followed at most. */
const MOST_LINKS = 20_000;

/** What pages whose own styles name addresses hold, in whatever encoding. */
const STYLED = /url\(|@import|image-set\(/i;

/** An answer of a site, in values that another thread can be sent. */
export interface Answered {
  /** Where it came from, redirects followed. */
  readonly address: string;
  readonly status: number;
  readonly headers: Readonly<Record<string, readonly string[]>>;
  readonly bytes: Uint8Array;
}

/** What an answer leads to, as whole addresses in plain spelling. */
export interface Sifted {
  readonly isPage: boolean;
  /** Nothing is on the page but what scripts would put there. */
  readonly scripted: boolean;
  /** What it needs to be shown. */
  readonly shown: readonly string[];
  /** Where its links lead. */
  readonly links: readonly string[];
  /** What its headers say and it does not. */
  readonly unsaid: Unsaid;
}

/** What only the headers of an answer say. */
export interface Unsaid {
  /** The page with its encoding written into it. */
  readonly respelled?: Uint8Array;
  readonly language?: string;
  /** Its main address is its own. */
  readonly canonical?: true;
}

/** Reads what came in for what it leads to: pages for links and for what they show, style sheets for pictures and fonts. */
export function sift({ address, status, headers, bytes }: Answered): Sifted {
  const type = headers['content-type']?.[0] ?? '';
  if (/^\s*text\/css\b/i.test(type))
    return { isPage: false, scripted: false, shown: whole(styleReferences(answerText({ bytes, headers })), address), links: [], unsaid: {} };
  const facts = readAnswer({ status, headers, bytes, redirectedTo: undefined }, { keepText: false });
  if (!facts) return { isPage: false, scripted: false, shown: [], links: [], unsaid: {} };
  const base = baseAddress(facts, address);
  const named = facts.linkTags.flatMap(({ rel, href }) =>
    href !== undefined && rel.some((word) => /^(?:icon|apple-touch-icon|manifest|alternate)$/.test(word)) ? [href] : [],
  );
  return {
    isPage: true,
    scripted: facts.wordCount < HARDLY_ANY_WORDS && facts.scripts.length > 0,
    shown: whole(
      [
        ...shownFiles(facts, address).flatMap((file) => (file.kind === 'frame' ? [] : [file.address])),
        ...named,
        ...(STYLED.test(Buffer.from(bytes).toString('latin1')) ? inlineStyleReferences(answerText({ bytes, headers })) : []),
      ],
      base,
    ),
    links: whole(
      facts.anchors.slice(0, MOST_LINKS).map(({ href }) => href),
      base,
    ),
    unsaid: unsaidBy(headers, bytes, facts, address),
  };
}

function unsaidBy(headers: Answered['headers'], bytes: Uint8Array, facts: PageFacts, address: string): Unsaid {
  const respelled = sayingItsEncoding(headers, bytes, facts);
  const language = headers['content-language']?.join(',').trim();
  const links = (headers['link'] ?? []).flatMap((header) => [...header.matchAll(CANONICAL_LINK)].map(([, href = '']) => href));
  const target = links[0] !== undefined && URL.canParse(links[0], address) ? new URL(links[0], address).href : undefined;
  return {
    ...(respelled ? { respelled } : {}),
    ...(language && !facts.lang && /^[a-z]{2,3}(?:-[a-z\d]{1,8})*$/i.test(language) ? { language } : {}),
    ...(target !== undefined && plainAddress(target) === plainAddress(address) && canonicalLinks(facts).length === 0 ? { canonical: true } : {}),
  };
}

/** `rel=canonical` in a `Link` header (RFC 8288, 3; RFC 6596). */
const CANONICAL_LINK = /<([^>]*)>\s*;[^,<]*?\brel\s*=\s*"?(?:[^",;]*\s)?canonical\b/gi;

/**
 * A page whose header tells another encoding than its bytes do, with that encoding written into it: a header does not come along with a file, and without it
 * browsers would read other letters (HTML standard, 13.2.3.2: a header goes before what the page says).
 */
function sayingItsEncoding(headers: Answered['headers'], bytes: Uint8Array, facts: PageFacts): Uint8Array | undefined {
  if (sniffEncoding(bytes).name === facts.encoding.name) return undefined;
  const source = decodeSource(bytes, charsetOf({ headers }));
  if (source.text === decodeSource(bytes).text) return undefined;
  const patched = patchPage(source, facts, [{ kind: 'charset' }]);
  return patched.ok && decodeSource(patched.bytes).encoding.name === source.encoding.name ? patched.bytes : undefined;
}

/** Whole addresses in plain spelling, each once: of the web, without what stands behind `#`. */
function whole(addresses: readonly string[], base: string): string[] {
  return [
    ...new Set(
      [...new Set(addresses)].flatMap((href) => {
        if (!URL.canParse(href, base)) return [];
        const url = new URL(href, base);
        return /^https?:$/.test(url.protocol) ? [url.origin + pathAndQuery(url)] : [];
      }),
    ),
  ];
}
