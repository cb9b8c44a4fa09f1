import { variantHost } from '../source/index.ts';
import { recordsDomain } from '../site/index.ts';
import type { ProofPiece } from './piece.ts';

/** What else than the site a proof was given for, by what stands around it. */
export interface GivenFor {
  /** `variant`: the same name with or without `www`; `name`: another name of the domain; `domain`: another domain; `address`: one address or folder of the site. */
  readonly what: 'variant' | 'name' | 'domain' | 'address';
  readonly named: string;
}

const ADDRESS = /(https?:\/\/)?((?:[a-z0-9](?:[a-z0-9-]{0,61}[a-z0-9])?\.)+[a-z][a-z0-9-]{1,62})(?::\d+)?(\/[^\s"'<>)\]]*)?/gi;
/** Words after which it stands what something is for. */
const FOR =
  /(?:\b(?:for|property|properties|website|web\s?site|site|url|domain|prefix|address|für|seite|domäne|eigenschaft|pour|propriété|para|propiedad|per|voor|sitio|sito)\b)[^.\n]{0,24}$/i;
const READ = 20_000;

/**
 * Finds in the words around a proof what it was given for where that is not this site as a whole. A name of another domain counts only behind words that
 * say so: mails name the engine's own addresses too.
 */
export function givenFor(pasted: string, piece: ProofPiece, host: string): GivenFor | undefined {
  const text = pasted.slice(0, READ);
  const domain = recordsDomain(host);
  let folder: GivenFor | undefined;
  for (const match of text.matchAll(ADDRESS)) {
    const [whole, scheme, name = '', path = ''] = match;
    const named = name.toLowerCase();
    if (piece.content.includes(whole) || piece.name.includes(whole) || /\.(?:html?|txt|xml|json)$/i.test(named)) continue;
    const before = text.slice(Math.max(0, match.index - 60), match.index);
    // A name with `@` before it is where mail goes.
    if (before.endsWith('@')) continue;
    const isOurs = named === domain || named.endsWith(`.${domain}`);
    const isSaid = FOR.test(before);
    if (!isOurs && isSaid && recordsDomain(named) !== recordsDomain(piece.content.toLowerCase())) return { what: 'domain', named };
    // A record stands at the domain, whatever its names are.
    if (!isOurs || piece.kind === 'txt' || piece.kind === 'cname') continue;
    if (named !== host && (isSaid || scheme !== undefined)) return { what: variantHost(named) === host ? 'variant' : 'name', named };
    const bare = path.replace(/[.,;:!?]+$/, '');
    if (named === host && bare.length > 1 && bare !== `/${piece.name}` && (isSaid || piece.kind === 'tag')) folder ??= { what: 'address', named: named + bare };
  }
  return folder;
}
