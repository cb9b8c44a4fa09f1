import {
  baseAddress,
  canonicalHrefs,
  documentTitle,
  mainHeading,
  metaDescription,
  readPage,
  robotsMetas,
  shownFiles,
  type PageEdit,
  type PageFacts,
} from '../page/index.ts';
import { written } from './shipped.ts';

/** What is compared of a page, in the order in which it is told. */
export const LIVE_FIELDS = ['title', 'description', 'robots', 'header', 'canonical', 'heading', 'lang', 'share', 'markup', 'scripts', 'words'] as const;
export type LiveField = (typeof LIVE_FIELDS)[number];
/** A page told by what engines and visitors see of it; what it does not have is empty. */
export type LiveFields = Readonly<Record<LiveField, string>>;

/** What a page says, field by field. `address` is where it stands, `header` the `X-Robots-Tag` values it comes with. Of the visible words at most so many characters are told. */
export function liveFields(facts: PageFacts, address: string, header: readonly string[]): LiveFields {
  const base = baseAddress(facts, address);
  const absolute = (href: string | undefined): string => (href !== undefined && URL.canParse(href, base) ? new URL(href, base).href : (href ?? ''));
  const share = ['og:title', 'og:description', 'og:image'].flatMap((name) => {
    const content = facts.metas.find(({ property, name: named }) => (property ?? named)?.toLowerCase() === name)?.content;
    return content === undefined || content === '' ? [] : [`${name}: ${name === 'og:image' ? absolute(content) : content}`];
  });
  return {
    title: documentTitle(facts)?.text ?? '',
    description: (metaDescription(facts)?.content ?? '').trim(),
    robots: robotsMetas(facts)
      .map(({ name, content }) => `${(name ?? '').toLowerCase()}: ${directives(content ?? '')}`)
      .sort()
      .join('\n'),
    header: header.map(directives).sort().join('\n'),
    canonical: absolute(canonicalHrefs(facts)[0]),
    heading: mainHeading(facts) ?? '',
    lang: (facts.lang ?? '').trim().toLowerCase(),
    share: share.join('\n'),
    markup: facts.jsonLd
      .map(({ text }) => sameJson(text))
      .sort()
      .join('\n'),
    scripts: shownFiles(facts, address)
      .flatMap((file) => (file.kind === 'script' ? [file.address] : []))
      .sort()
      .join('\n'),
    words: (facts.text ?? '').slice(0, WORDS),
  };
}

const WORDS = 20_000;

/** What a page is meant to say once `edits` are written into its bytes; undefined where it cannot be read. */
export function meantFields(bytes: Uint8Array, edits: readonly PageEdit[], address: string, header: readonly string[]): LiveFields | undefined {
  const reading = readPage(written(bytes, edits).bytes, { keepText: true });
  return reading.ok ? liveFields(reading.facts, address, header) : undefined;
}

/** Directives, however they are spelt: `NoIndex , follow` is `noindex, follow`. */
const directives = (content: string): string =>
  content
    .toLowerCase()
    .split(',')
    .map((one) => one.trim())
    .filter(Boolean)
    .join(', ');

/** JSON however it is spaced; what is none, as it stands. */
function sameJson(text: string): string {
  try {
    return JSON.stringify(JSON.parse(text));
  } catch {
    return text.trim();
  }
}

/** How a page answered: with its fields, or otherwise. */
export type LivePage =
  | { readonly kind: 'page'; readonly fields: LiveFields }
  | { readonly kind: 'moved'; readonly to: string }
  | { readonly kind: 'status'; readonly status: number }
  | { readonly kind: 'forbidden' | 'no-page' }
  | { readonly kind: 'no-answer'; readonly reason: string };

/** One thing that is out there otherwise than it is meant. */
export interface DriftField {
  readonly field: LiveField;
  readonly meant: string;
  readonly found: string;
}

/**
 * What of a page is out there otherwise than it is meant, field by field. Scripts that are out there beside those that are meant count; words count only
 * where some are meant, since a list of addresses knows none.
 */
export function driftOf(meant: LiveFields, found: LiveFields): DriftField[] {
  return LIVE_FIELDS.flatMap((field): DriftField[] => {
    if (meant[field] === found[field] || (field === 'words' && meant.words === '')) return [];
    if (field === 'words') return [{ field, ...aroundDifference(meant.words, found.words) }];
    return [{ field, meant: meant[field], found: found[field] }];
  });
}

const AROUND = 60;
/** Where two texts begin to differ, with some words before and behind. */
function aroundDifference(meant: string, found: string): { readonly meant: string; readonly found: string } {
  let at = 0;
  while (at < meant.length && at < found.length && meant[at] === found[at]) at++;
  const from = Math.max(0, meant.lastIndexOf(' ', at - AROUND));
  const part = (text: string): string => `${from > 0 ? '…' : ''}${text.slice(from, at + AROUND)}${text.length > at + AROUND ? '…' : ''}`;
  return { meant: part(meant), found: part(found) };
}
