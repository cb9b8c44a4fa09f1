import { isOneOf, keysOf } from '../keyed/index.ts';
import { readDirectiveDate } from './directive-dates.ts';

/** How large a picture may be in a preview, from nothing to all. */
export const IMAGE_PREVIEWS = ['none', 'standard', 'large'] as const;
export type ImagePreview = (typeof IMAGE_PREVIEWS)[number];

/** What robots directives say about listing a page and about what may be shown of it. */
export interface IndexDirectives {
  readonly noindex: boolean;
  readonly nofollow: boolean;
  readonly noarchive: boolean;
  readonly nosnippet: boolean;
  readonly noimageindex: boolean;
  readonly notranslate: boolean;
  /** Most characters of a snippet; undefined where there is no limit. */
  readonly maxSnippet: number | undefined;
  readonly maxImagePreview: ImagePreview | undefined;
  /** Most seconds of a video preview; undefined where there is no limit. */
  readonly maxVideoPreview: number | undefined;
  /** Milliseconds since 1970 from which the page may no longer be listed. */
  readonly unavailableAfter: number | undefined;
}

type Draft = { -readonly [K in keyof IndexDirectives]: IndexDirectives[K] };

const NOTHING: IndexDirectives = {
  noindex: false,
  nofollow: false,
  noarchive: false,
  nosnippet: false,
  noimageindex: false,
  notranslate: false,
  maxSnippet: undefined,
  maxImagePreview: undefined,
  maxVideoPreview: undefined,
  unavailableAfter: undefined,
};

/** The single directives in a text, as they are written. The date of `unavailable_after` may hold commas ("Wed, 25 Nov 2026", "Dec 31, 2030"), which part nothing. */
export function directiveWords(content: string): string[] {
  const words: string[] = [];
  const parts = content.split(',');
  for (let at = 0; at < parts.length; at++) {
    let word = (parts[at] as string).trim();
    const date = AFTER.exec(word)?.[1];
    // The most of what follows that still makes a date belongs to it.
    for (let more = date === undefined ? 0 : COMMAS_IN_DATES; more > 0; more--) {
      const whole = parts.slice(at, at + more + 1).join(',');
      if (at + more >= parts.length || readDirectiveDate(AFTER.exec(whole.trim())?.[1] ?? '') === undefined) continue;
      word = whole.trim();
      at += more;
      break;
    }
    if (word !== '') words.push(word);
  }
  return words;
}

const AFTER = /^(?:[a-z][a-z_-]*\s*:\s*)?unavailable_after\s*:(.*)$/is;
/** "Wednesday, Dec 31, 2030, 10:00". */
const COMMAS_IN_DATES = 3;

/** Reads the content of a robots `meta` or the value of an `X-Robots-Tag` (without a leading crawler name). Unknown words are ignored. */
export function indexDirectives(content: string): IndexDirectives {
  if (content === '') return NOTHING;
  const found: Draft = { ...NOTHING };
  for (const word of directiveWords(content.toLowerCase())) {
    const colon = word.indexOf(':');
    if (colon >= 0) readValued(found, word.slice(0, colon).trim(), word.slice(colon + 1).trim());
    else if (word === 'none') found.noindex = found.nofollow = true;
    else if (isOneOf(FLAGS, word)) found[word] = true;
  }
  return found;
}

const FLAGS = ['noindex', 'nofollow', 'noarchive', 'nosnippet', 'noimageindex', 'notranslate'] as const;

function readValued(found: Draft, name: string, value: string): void {
  if (name === 'unavailable_after') {
    found.unavailableAfter = least(found.unavailableAfter, readDirectiveDate(value));
  } else if (name === 'max-image-preview') {
    const preview = IMAGE_PREVIEWS.find((one) => one === value);
    if (preview !== undefined) found.maxImagePreview = smaller(found.maxImagePreview, preview);
  } else if (/^(-1|\d+)$/.test(value)) {
    // -1 means no limit, which is what saying nothing means too.
    const limit = value === '-1' ? undefined : Number(value);
    if (name === 'max-snippet') {
      found.maxSnippet = least(found.maxSnippet, limit);
      if (limit === 0) found.nosnippet = true;
    }
    if (name === 'max-video-preview') found.maxVideoPreview = least(found.maxVideoPreview, limit);
  }
}

function least(a: number | undefined, b: number | undefined): number | undefined {
  return a === undefined ? b : b === undefined ? a : Math.min(a, b);
}

function smaller(a: ImagePreview | undefined, b: ImagePreview | undefined): ImagePreview | undefined {
  return a === undefined ? b : b === undefined ? a : IMAGE_PREVIEWS[Math.min(IMAGE_PREVIEWS.indexOf(a), IMAGE_PREVIEWS.indexOf(b))];
}

/** The most restrictive of several. */
export function strictest(all: readonly IndexDirectives[]): IndexDirectives {
  if (all.length === 1) return all[0] as IndexDirectives;
  return all.reduce(
    (sum, one) => ({
      noindex: sum.noindex || one.noindex,
      nofollow: sum.nofollow || one.nofollow,
      noarchive: sum.noarchive || one.noarchive,
      nosnippet: sum.nosnippet || one.nosnippet,
      noimageindex: sum.noimageindex || one.noimageindex,
      notranslate: sum.notranslate || one.notranslate,
      maxSnippet: least(sum.maxSnippet, one.maxSnippet),
      maxImagePreview: smaller(sum.maxImagePreview, one.maxImagePreview),
      maxVideoPreview: least(sum.maxVideoPreview, one.maxVideoPreview),
      unavailableAfter: least(sum.unavailableAfter, one.unavailableAfter),
    }),
    NOTHING,
  );
}

/**
 * An `X-Robots-Tag` value parted by the crawlers it names, lower case, and what is said to each. Several headers folded into one (RFC 9110, 5.3) name one
 * after the other; what follows a name is said to it until the next. A directive with a colon of its own is no name.
 */
export function readHeader(header: string): { readonly crawler: string | undefined; readonly content: string }[] {
  const said: { crawler: string | undefined; words: string[] }[] = [];
  for (const word of directiveWords(header)) {
    const named = NAMED.exec(word);
    const before = said[said.length - 1];
    if (named) said.push({ crawler: (named[1] as string).toLowerCase(), words: [named[2] as string] });
    else if (before) before.words.push(word);
    else said.push({ crawler: undefined, words: [word] });
  }
  return said.map(({ crawler, words }) => ({ crawler, content: words.join(', ') }));
}

const NAMED = /^(?!(?:max-snippet|max-image-preview|max-video-preview|unavailable_after)\s*:)([a-z][a-z_-]*)\s*:\s*(.*)$/is;

/** Directives by what they are about. What one of them says replaces what was said about the same before. */
export const DIRECTIVE_FAMILIES = {
  index: /^(no)?index$/i,
  follow: /^(no)?follow$/i,
  snippet: /^(nosnippet|max-snippet\s*:.*)$/i,
  image: /^max-image-preview\s*:/i,
  video: /^max-video-preview\s*:/i,
  archive: /^(no)?archive$/i,
  translate: /^(no)?translate$/i,
  pictures: /^(no)?imageindex$/i,
  until: /^unavailable_after\s*:/i,
} as const;
export type DirectiveFamily = keyof typeof DIRECTIVE_FAMILIES;

/**
 * A directive text with some families said anew: each wanted text takes the place of all that was said about its family, an empty one takes it
 * away. All else, unknown words too, stays as it is written and where it is.
 */
export function mergeDirectives(content: string, wanted: Readonly<Partial<Record<DirectiveFamily, string>>>): string {
  const families = keysOf(wanted);
  const kept = directiveWords(content)
    .flatMap((word) =>
      /^none$/i.test(word) ? ['noindex', 'nofollow'] : /^all$/i.test(word) && (families.includes('index') || families.includes('follow')) ? [] : [word],
    )
    .filter((word) => !families.some((family) => DIRECTIVE_FAMILIES[family].test(word)));
  const said = families.flatMap((family) => (wanted[family] ? [wanted[family]] : []));
  return [...said, ...kept].join(', ');
}

/** Whether a text says what is wanted already. */
export function saysDirectives(content: string, wanted: Readonly<Partial<Record<DirectiveFamily, string>>>): boolean {
  const words = directiveWords(content)
    .flatMap((word) => (/^none$/i.test(word) ? ['noindex', 'nofollow'] : [word]))
    .map((word) => word.toLowerCase().replace(/\s+/g, ''));
  return keysOf(wanted).every((family) => {
    const here = words.filter((word) => DIRECTIVE_FAMILIES[family].test(word) && !/^(index|follow|archive|translate|imageindex)$/.test(word));
    const want = (wanted[family] ?? '').toLowerCase().replace(/\s+/g, '');
    return want === '' ? here.length === 0 : here.length > 0 && here.every((word) => word === want);
  });
}
