import { asciiReferences, canonicalLinks, escapeAttribute, escapeText, ownPart, patchPage, readSource, type PageFacts } from '../page/index.ts';
import { decodeSource, needsAscii, type SourceText } from '../source/index.ts';

/** Where the map for people stands. */
export const SITEMAP_PAGE = 'sitemap.html';

/** A page of the site, from which the map for people takes its look. */
export interface Template {
  readonly source: SourceText;
  readonly facts: PageFacts;
  /** Text of another page of the site: what the two share is the frame. */
  readonly other?: string | undefined;
}

/** Links under one heading. */
export interface MapSection {
  readonly name: string;
  readonly pages: readonly { readonly name: string; readonly address: string }[];
}

/** What the page says about itself. */
export interface MapPageWords {
  /** Absolute address of the page. */
  readonly address: string;
  readonly title: string;
  readonly heading: string;
  readonly description: string;
  readonly language: string | undefined;
}

/**
 * The map for people, in the site's own look: the template page with its main part replaced by lists of links, and with its own title, description and
 * canonical. Without a template that can be parted it is a plain page.
 */
export function sitemapPage(template: Template | undefined, words: MapPageWords, sections: readonly MapSection[]): string {
  const body = listing(words, sections);
  return (template && inLook(template, words, body)) ?? plainPage(words, body);
}

function listing({ heading }: MapPageWords, sections: readonly MapSection[]): string {
  return [
    `<h1>${escapeText(heading)}</h1>`,
    ...sections.flatMap(({ name, pages }) => [
      `<h2>${escapeText(name)}</h2>`,
      '<ul>',
      ...pages.map((page) => `<li><a href="${escapeAttribute(page.address)}">${escapeText(page.name)}</a></li>`),
      '</ul>',
    ]),
  ].join('\n');
}

function inLook({ source, facts, other }: Template, words: MapPageWords, body: string): string | undefined {
  const main = ownPart(source.text, other);
  if (!main) return undefined;
  const ascii = needsAscii(source);
  const canonical = canonicalLinks(facts).find((link) => link.hrefRange);
  let text = `${source.text.slice(0, main.start)}\n${body}\n${source.text.slice(main.end)}`;
  // The head stands before the main part, so its places hold.
  if (canonical?.hrefRange && canonical.hrefRange.end <= main.start)
    text = text.slice(0, canonical.hrefRange.start) + escapeAttribute(words.address) + text.slice(canonical.hrefRange.end);
  // Structured data of the template speaks about the template.
  text = text.replace(/<script[^>]*type\s*=\s*["']?application\/ld\+json["']?[^>]*>[^]*?<\/script>\s*/gi, '');
  const whole = decodeSource(new TextEncoder().encode(ascii ? asciiReferences(text) : text), 'utf-8');
  const reading = readSource(whole);
  if (!reading.ok) return undefined;
  const shared = reading.facts.metas.flatMap(({ property, inHead }) =>
    inHead && property !== undefined && /^og:(title|description|url)$/.test(property) ? [property] : [],
  );
  const og: Readonly<Record<string, string>> = { 'og:title': words.title, 'og:description': words.description, 'og:url': words.address };
  const patched = patchPage(whole, reading.facts, [
    { kind: 'title', text: words.title },
    { kind: 'description', text: words.description },
    { kind: 'noindex', on: false },
    ...shared.map((property) => ({ kind: 'property' as const, property, content: og[property] as string })),
  ]);
  return patched.ok ? new TextDecoder('utf-8', { ignoreBOM: true }).decode(patched.bytes) : undefined;
}

function plainPage({ title, description, address, language }: MapPageWords, body: string): string {
  return [
    '<!doctype html>',
    `<html${language === undefined ? '' : ` lang="${escapeAttribute(language)}"`}>`,
    '<head>',
    '<meta charset="utf-8">',
    '<meta name="viewport" content="width=device-width, initial-scale=1">',
    `<title>${escapeText(title)}</title>`,
    `<meta name="description" content="${escapeAttribute(description)}">`,
    `<link rel="canonical" href="${escapeAttribute(address)}">`,
    '</head>',
    '<body>',
    body,
    '</body>',
    '</html>',
    '',
  ].join('\n');
}
