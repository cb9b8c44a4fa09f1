import type { FilePath } from '../source/index.ts';

/** Why a proof file cannot be placed where it wants to be. */
export type FileFault = 'file-path' | 'file-reserved' | 'file-taken' | 'file-no-proof';

/** Names at the root of a site that mean something to servers, crawlers or this program: a proof under one of them would stand over what belongs there. */
const RESERVED =
  /^(?:index|default|home)\.[a-z]+$|^(?:robots\.txt|favicon\.ico|404\.html?|security\.txt|ads\.txt|humans\.txt)$|^(?:sitemap|feed|rss|atom)[\w-]*\.|\.(?:php|cgi|htaccess)$/i;
const LONGEST_PROOF = 2_000;
/** Words that a proof in the form of a page has at most: its line, and what the engine says of itself. */
const MOST_WORDS = 60;

/** What speaks against a proof file; undefined where nothing does. `has` tells which files the site has. */
export function proofFileFault(
  { name, content }: { readonly name: string; readonly content: string },
  has: (path: FilePath) => boolean,
): FileFault | undefined {
  // One folder is there for what is asked of a host and is no page (RFC 8615).
  if (!/^(?:\.well-known\/)?[A-Za-z0-9_-][\w.-]{0,119}$/.test(name) || name.includes('..')) return 'file-path';
  if (RESERVED.test(name)) return 'file-reserved';
  if (NO_TEXT.test(name) || !hasFormOfProof(name, content)) return 'file-no-proof';
  return has(name) ? 'file-taken' : undefined;
}

/** Files that are no text that an engine would read. */
const NO_TEXT = /\.(?:jpe?g|png|gif|webp|avif|svgz?|ico|bmp|css|m?js|wasm|pdf|zip|gz|mp[34]|web[mp]|woff2?|ttf|docx?|xlsx?|odt)$/i;
const CONTROLS = /[\u0000-\u0008\u000e-\u001f\ufffd]/;
/** A line or two, which may hold a code of letters alone. */
const SHORT = 4;
/** What is no word of a language: with a figure in it, or longer than words are. */
const CODE = /[A-Za-z0-9+/=_.~-]{16,}|(?=[A-Za-z+/=_.~-]*\d)[A-Za-z0-9+/=_.~-]{6,}/;

/** Whether what a file holds can be a proof: a code, with little around it. A page of words is none, and nothing that is no text. */
function hasFormOfProof(name: string, content: string): boolean {
  if (content.length > LONGEST_PROOF || CONTROLS.test(content)) return false;
  const seen = content.replace(/<[^>]*>/g, ' ');
  const words = seen.match(/\S+/g)?.length ?? 0;
  if (words > MOST_WORDS) return false;
  const called = name.replace(/\.[a-z]+$/i, '');
  return words <= SHORT || CODE.test(seen) || /<meta\b[^>]*\bcontent\b/i.test(content) || (called.length >= 6 && content.includes(called));
}
