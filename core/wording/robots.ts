import type { PageId } from '../source/index.ts';
import type { RobotsTrouble } from '../robots/index.ts';
import { counted } from './numbers.ts';

/** A pattern of robots.txt in plain words: which addresses it means. */
export function patternWords(pattern: string): string {
  if (pattern === '') return 'no address';
  if (pattern === '/' || pattern === '*' || pattern === '/*') return 'every address';
  const anchored = pattern.endsWith('$');
  const body = anchored ? pattern.slice(0, -1) : pattern;
  const parts = body.split(/\*+/);
  const [first = ''] = parts;
  const rest = parts.slice(1).filter((part) => part !== '');
  if (parts.length === 1) return anchored ? `the address ${body} alone` : `addresses that begin with ${body}`;
  const end = anchored && !body.endsWith('*') ? rest.pop() : undefined;
  const words: string[] = [];
  if (first !== '' && first !== '/') words.push(`begin with ${first}`);
  for (const part of rest) words.push(words.length === 0 ? `contain ${part}` : `later have ${part}`);
  if (end !== undefined) words.push(`end in ${end}`);
  return words.length === 0 ? 'every address' : `addresses that ${words.join(' and ')}`;
}

/** Whom a group speaks to: `SkerryBot`, `everybody without rules of their own`. */
export function tokenWords(tokens: readonly string[]): string {
  return tokens
    .map((token) => (token === '*' ? 'everybody without rules of their own' : token === '' ? 'nobody (the name cannot be read)' : token))
    .join(' and ');
}

/** What is wrong with a robots.txt, in words. */
export interface TroubleWords {
  readonly headline: string;
  readonly why: string;
}

/** Sentences for a trouble. `nameOf` gives what a page is called. */
export function troubleWords(trouble: RobotsTrouble, nameOf: (page: PageId) => string): TroubleWords {
  switch (trouble.code) {
    case 'too-large':
      return {
        headline: `${counted(Math.ceil(trouble.bytes / 1024), 'KiB', 'KiB')} long`,
        why: 'Crawlers read at least 500 KiB; what comes after may be ignored.',
      };
    case 'shuts-all':
      return {
        headline: `Blocks the whole site for ${trouble.token === '*' ? 'everybody' : trouble.token}`,
        why: 'It does not take anything out of the results: bare addresses may stay listed. To close the site, use the switch, which says noindex.',
      };
    case 'wanted-shut':
      return {
        headline: `Blocks ${counted(trouble.pages.length, 'page')} you want found: ${some(trouble.pages.map(nameOf))}`,
        why: 'Engines may not fetch them, so they know neither title nor text.',
      };
    case 'assets-shut':
      return {
        headline: `Blocks ${counted(trouble.files.length, 'style sheet or script', 'style sheets or scripts')} that pages need: ${some(trouble.files)}`,
        why: 'Engines draw pages to judge them; without these files they see a broken one.',
      };
    case 'hides-not':
      return {
        headline: `Does not hide ${some(trouble.pages.map(nameOf))}`,
        why: 'A page that may not be fetched can still be listed by its address, and its noindex is never read. Let engines in, and let the page say noindex.',
      };
    case 'not-listened':
      return {
        headline: `${trouble.token} has a group of its own, so it ignores ${counted(trouble.rules, 'rule')} for everybody`,
        why: 'A crawler listens to its own group alone. Rules that should apply to it too have to be repeated there.',
      };
    case 'merged':
      return {
        headline: `${trouble.token === '*' ? 'Everybody' : trouble.token} is spoken to in ${trouble.lines.length} groups, lines ${trouble.lines.join(', ')}`,
        why: 'They are read as one: all their rules hold together.',
      };
    case 'no-group':
      return { headline: 'A rule before any “User-agent”', why: 'It belongs to no crawler and means nothing.' };
    case 'wrong-case':
      return {
        headline: `Touches nothing, but would in other letters: ${some(trouble.would)}`,
        why: 'Upper and lower case are different in addresses.',
      };
    case 'no-slash':
      return { headline: `“${trouble.pattern}” begins with neither / nor *`, why: 'Every path begins with a slash, so it can never match.' };
    case 'touches-nothing':
      return { headline: 'Touches nothing', why: 'No page and no file of the site has such an address. It may be meant for something that is gone.' };
    case 'same-rule':
      return { headline: `Says the same as line ${trouble.as}`, why: 'Once is enough.' };
    case 'bad-token':
      return {
        headline: trouble.token === '' ? `“${trouble.written}” is no crawler’s name` : `“${trouble.written}” is read as ${trouble.token}`,
        why: 'Names have letters, hyphens and underscores; a version or a space ends them.',
      };
    case 'noindex-field':
      return {
        headline: 'noindex does nothing in robots.txt',
        why: 'No standard knows it here. It belongs in the page, as a robots meta tag, or in a header.',
      };
    case 'crawl-delay':
      return { headline: 'Crawl-delay is no part of the standard', why: 'Some engines wait as it asks, Plover among them; others pass it by, such as Skerry.' };
    case 'unknown-field':
      return { headline: `“${trouble.field}” is no field that crawlers know`, why: 'It is passed by.' };
    case 'unreadable':
      return { headline: 'Not a field and a value', why: 'Without a colon the line means nothing.' };
    case 'sitemap-missing':
      return { headline: 'The sitemap is not named', why: 'A line “Sitemap: …” tells every crawler where it is.' };
    case 'sitemap-relative':
      return { headline: 'The sitemap’s address is not whole', why: 'It needs the scheme and the host, such as https://…' };
    case 'sitemap-elsewhere':
      return {
        headline: 'The sitemap is on another host',
        why: 'That is allowed, but check that it is meant: with and without www, or http and https, are different hosts.',
      };
  }
}

function some(names: readonly string[]): string {
  return names.length <= 3 ? names.join(', ') : `${names.slice(0, 3).join(', ')} and ${names.length - 3} more`;
}
