import { answerText, readAnswer } from '../../core/indexing/index.ts';
import { baseAddress, inlineStyleReferences, shownFiles, styleReferences } from '../../core/page/index.ts';
import { pathAndQuery } from '../../core/source/index.ts';

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
}

/** Reads what came in for what it leads to: pages for links and for what they show, style sheets for pictures and fonts. */
export function sift({ address, status, headers, bytes }: Answered): Sifted {
  const type = headers['content-type']?.[0] ?? '';
  if (/^\s*text\/css\b/i.test(type))
    return { isPage: false, scripted: false, shown: whole(styleReferences(answerText({ bytes, headers })), address), links: [] };
  const facts = readAnswer({ status, headers, bytes, redirectedTo: undefined }, { keepText: false });
  if (!facts) return { isPage: false, scripted: false, shown: [], links: [] };
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
  };
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
