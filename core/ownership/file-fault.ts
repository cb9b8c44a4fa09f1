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
  const words = content.replace(/<[^>]*>/g, ' ').match(/\S+/g)?.length ?? 0;
  if (content.length > LONGEST_PROOF || words > MOST_WORDS) return 'file-no-proof';
  return has(name) ? 'file-taken' : undefined;
}
