import type { FilePath, PageId } from '../source/index.ts';
import type { PageEdit } from '../page/index.ts';
import { isNoticeKey, noticeKeyFile, proofFileFault } from '../ownership/index.ts';
import {
  all,
  claimsOf,
  DIRECTIVE_FIELDS,
  directivesKey,
  EVERY_CRAWLER,
  goneForGood,
  passageKey,
  proofFiles,
  saidByDirective,
  set,
  withoutClaim,
  writeLinks,
  type Change,
  type SiteDocument,
} from '../site/index.ts';
import { ATOM_FILE, PLAIN_STYLE_FILE, RSS_FILE, STYLE_FILE } from '../sitemap/index.ts';
import { ROBOTS_FILE } from './generated-files.ts';
import { hostingFrom, type ReleaseItem, type WorkingCopy } from './manifest.ts';
import type { FieldChange } from './partial.ts';
import { redirectPageTarget } from './redirects.ts';
import { SERVER_FILE } from './server-file.ts';
import { SITEMAP_PAGE } from './sitemap-page.ts';

type Kind = PageEdit['kind'];
type Back = (document: SiteDocument, page: PageId, field: FieldChange) => Change | undefined;

/** Takes back a text of the page's record: the owner's word of then, or none. */
const text =
  (field: 'title' | 'description' | 'keywords' | 'shareTitle' | 'shareText' | 'sharePicture' | 'lang'): Back =>
  (document, page, { before }) => {
    if (before) return set('pages', page, field, wordsOf(before));
    return typeof document.tables.pages[page]?.[field] === 'string' ? set('pages', page, field, null) : undefined;
  };
/** Takes back something that is on or off; `on` is how it was said. */
const flag =
  (field: 'canonical' | 'refresh' | 'oneTitle' | 'oneHeading' | 'foreignMarkup', on: string | boolean): Back =>
  (document, page, { before }) => {
    const own = document.tables.pages[page]?.[field] ?? null;
    if (before) return own === null ? set('pages', page, field, on as never) : undefined;
    return own === null ? undefined : set('pages', page, field, null);
  };

const SHARED: Readonly<Record<string, Back>> = { 'og:title': text('shareTitle'), 'og:description': text('shareText'), 'og:image': text('sharePicture') };

/** How each sort of edit is taken back by the page's own words; where nothing of the page made it other, it cannot be. */
const BACK: Readonly<Record<Kind, Back>> = {
  title: text('title'),
  description: text('description'),
  lang: text('lang'),
  canonical: flag('canonical', 'self'),
  'no-refresh': flag('refresh', 'none'),
  'one-title': flag('oneTitle', true),
  'one-heading': flag('oneHeading', true),
  'no-markup': flag('foreignMarkup', 'remove'),
  property: (document, page, field) => {
    const edit = field.now ?? field.before;
    return edit?.kind === 'property' ? SHARED[edit.property]?.(document, page, field) : undefined;
  },
  meta: (document, page, field) => (field.key === 'meta keywords' ? text('keywords')(document, page, field) : proofBack(document, field)),
  noindex: (document, page, { before }) => {
    const own = document.tables.pages[page]?.intent ?? null;
    const was = before?.kind === 'noindex' ? (before.on ? 'out' : 'list') : null;
    return own === was ? undefined : set('pages', page, 'intent', was);
  },
  directives: directivesBack,
  alt: placeBack,
  passage: placeBack,
  snippet: (document, _, { now, before }) => {
    const id = now?.kind === 'snippet' ? now.id : before?.kind === 'snippet' ? before.id : '';
    const snippet = document.tables.snippets[id];
    if (!now) return snippet?.off === true ? set('snippets', id, 'off', null) : undefined;
    if (before?.kind === 'snippet') return all([set('snippets', id, 'code', before.code), set('snippets', id, 'place', before.place)]);
    return snippet ? set('snippets', id, 'off', true) : undefined;
  },
  addresses: (document, page) => (document.tables.pages[page]?.ending ? set('pages', page, 'ending', null) : undefined),
  charset: () => undefined,
  'json-ld': () => undefined,
};

/**
 * The change that makes one thing of a page as it is out: the owner's word of then, or none. Undefined where it is not the page's own word that made it
 * other, such as a pattern, a kind or the site as a whole; and where what was out cannot be said again from here. See `MADE_AT` for where that is then.
 */
export function takeFieldBack(document: SiteDocument, page: PageId, field: FieldChange): Change | undefined {
  const edit = field.now ?? field.before;
  return edit && BACK[edit.kind](document, page, field);
}

/** Where something that a release would change is made, where it cannot be taken back for one page alone: a stop and a way to work there. */
export interface MadeAt {
  readonly stop: 'words' | 'meaning' | 'doors' | 'map' | 'release' | 'proof' | 'watch';
  readonly view: string;
  readonly way?: 'redirects';
}

/** Where each sort of edit comes from when it is no word of the page's own. */
export const MADE_AT: Readonly<Record<Kind, MadeAt>> = {
  title: { stop: 'words', view: 'patterns' },
  description: { stop: 'words', view: 'patterns' },
  property: { stop: 'words', view: 'facts' },
  meta: { stop: 'proof', view: 'owner' },
  lang: { stop: 'words', view: 'page' },
  charset: { stop: 'words', view: 'checks' },
  canonical: { stop: 'doors', view: 'page' },
  'no-refresh': { stop: 'doors', view: 'page' },
  'one-title': { stop: 'words', view: 'checks' },
  'one-heading': { stop: 'words', view: 'checks' },
  noindex: { stop: 'doors', view: 'kinds' },
  directives: { stop: 'doors', view: 'kinds' },
  alt: { stop: 'words', view: 'page' },
  passage: { stop: 'words', view: 'page' },
  addresses: { stop: 'words', view: 'exchange', way: 'redirects' },
  'json-ld': { stop: 'meaning', view: 'page' },
  'no-markup': { stop: 'meaning', view: 'page' },
  snippet: { stop: 'proof', view: 'snippets' },
};

const wordsOf = (edit: PageEdit): string => ('text' in edit ? edit.text : 'content' in edit ? edit.content : 'lang' in edit ? edit.lang : '');

/**
 * The page's own words for one crawler, or for all, about how it is shown, as they were: what was said goes, or says again what is out. Undefined where a
 * kind, a rule or the site says something that the page alone cannot unsay.
 */
function directivesBack(document: SiteDocument, page: PageId, { now, before }: FieldChange): Change | undefined {
  const edit = now?.kind === 'directives' ? now : before?.kind === 'directives' ? before : undefined;
  if (edit === undefined) return undefined;
  const was = before?.kind === 'directives' ? before.wanted : {};
  const crawler = edit.name === 'robots' ? EVERY_CRAWLER : edit.name;
  const wanted = directivesKey(`page:${page}`, crawler);
  const isOf = (key: string): boolean => key.slice(key.indexOf('\n')).toLowerCase() === wanted.slice(wanted.indexOf('\n')).toLowerCase();
  const { directives } = document.tables;
  const key = Object.keys(directives).find((one) => one.toLowerCase() === wanted.toLowerCase()) ?? wanted;
  const own = directives[key] ?? {};
  const beyond = Object.entries(directives).flatMap(([one, said]) =>
    one === key || one.startsWith('page:') || one.startsWith('files:') || !isOf(one) ? [] : [said],
  );
  const changes: Change[] = [];
  const is = now?.kind === 'directives' ? now.wanted : {};
  for (const field of DIRECTIVE_FIELDS) {
    const out = was[field];
    if (is[field] === out && (own[field] ?? null) === null) continue;
    const value = out === undefined ? null : saidByDirective(field, out);
    if (value === undefined || (value === null && beyond.some((said) => said[field] !== undefined && said[field] !== null))) return undefined;
    if (value !== (own[field] ?? null)) changes.push({ kind: 'set', table: 'directives', key, field, value } as Change);
  }
  if (was.index !== is.index) {
    if (was.index === undefined && (own.intent ?? null) === null) return undefined;
    changes.push(set('directives', key, 'intent', was.index === undefined ? null : 'out'));
  }
  return changes.length === 0 ? undefined : all(changes);
}

const withClaim = (kind: 'tag' | 'file', name: string, content: string): Change => {
  const id = `${kind} ${name} ${content}`.slice(0, 200);
  return all([set('claims', id, 'engine', name), set('claims', id, 'kind', kind), set('claims', id, 'name', name), set('claims', id, 'content', content)]);
};

/** A proof that was placed goes; one that was taken away is placed again, for an engine whose name is not known any more. */
function proofBack(document: SiteDocument, { now, before }: FieldChange): Change | undefined {
  if (now?.kind === 'meta') {
    const claim = claimsOf(document).find((one) => one.kind === 'tag' && one.name === now.name && one.content === now.content);
    return claim && withoutClaim(claim.id);
  }
  return before?.kind === 'meta' ? withClaim('tag', before.name, before.content) : undefined;
}

function placeBack(document: SiteDocument, page: PageId, { now, before }: FieldChange): Change | undefined {
  const placed = now ?? before;
  if (placed?.kind !== 'passage' && placed?.kind !== 'alt') return undefined;
  const key = passageKey(page, placed.start);
  if (placed.kind === 'alt') {
    if (before?.kind === 'alt') return all([set('alts', key, 'was', before.was), set('alts', key, 'now', before.now)]);
    return document.tables.alts[key] ? all([set('alts', key, 'was', null), set('alts', key, 'now', null)]) : undefined;
  }
  if (before?.kind === 'passage')
    return all([set('passages', key, 'was', before.was), set('passages', key, 'now', before.now), set('passages', key, 'links', writeLinks(before.links))]);
  return document.tables.passages[key]
    ? all([set('passages', key, 'was', null), set('passages', key, 'now', null), set('passages', key, 'links', null)])
    : undefined;
}

/**
 * The change by which a file of the program's own, or something that the host is told, is again as it is out in `last`. Undefined where it follows from
 * something else, which `ownMadeAt` names.
 */
export function takeOwnBack(
  document: SiteDocument,
  { path, hosting }: Pick<ReleaseItem, 'path' | 'hosting'>,
  last: WorkingCopy | undefined,
): Change | undefined {
  if (hosting) return hostingBack(document, path, last);
  const was = last?.own[path];
  const facts = document.tables.facts[''];
  if (path === ROBOTS_FILE) {
    const said = document.tables.robots['']?.text ?? null;
    return said === (was ?? null) ? undefined : set('robots', '', 'text', was ?? null);
  }
  if (path === SERVER_FILE) return was === undefined && facts?.serverFile === true ? set('facts', '', 'serverFile', null) : undefined;
  const files = proofFiles(document);
  if (path in files) {
    const claims = claimsOf(document).filter(({ kind, name }) => kind === 'file' && name === path);
    return all(claims.map(({ id }) => (was === undefined ? withoutClaim(id) : set('claims', id, 'content', was))));
  }
  if (isNoticeKey(facts?.noticeKey ?? '') && noticeKeyFile(facts?.noticeKey ?? '') === path) return set('facts', '', 'noticeKey', null);
  if (was === undefined) return undefined;
  if (was !== '' && isNoticeKey(was) && noticeKeyFile(was) === path) return set('facts', '', 'noticeKey', was);
  if (redirectPageTarget(was) !== undefined) return document.tables.redirects[path]?.ends === true ? set('redirects', path, 'ends', null) : undefined;
  return isMap(path) || proofFileFault({ name: path, content: was }, () => false) !== undefined ? undefined : withClaim('file', path, was);
}

const isMap = (path: FilePath): boolean => /\.(?:xml|xsl|gz|rss|atom)$/i.test(path);

function hostingBack(document: SiteDocument, sort: string, last: WorkingCopy | undefined): Change | undefined {
  const was = hostingFrom(last?.hosting ?? {});
  if (sort === 'visitors')
    return all([set('visitors', '', 'audience', was.audience === 'public' ? null : was.audience), set('visitors', '', 'password', was.password ?? null)]);
  if (sort !== 'gone') return undefined;
  const is = new Set(goneForGood(document));
  return all([
    ...[...is].flatMap((file) => (was.gone.includes(file) ? [] : [set('redirects', file, 'gone', null)])),
    ...was.gone.flatMap((file) => (is.has(file) ? [] : [set('redirects', file, 'gone', true)])),
  ]);
}

/** What goes out beside the maps. */
const BESIDE_MAPS: ReadonlySet<FilePath> = new Set([RSS_FILE, ATOM_FILE, SITEMAP_PAGE, STYLE_FILE, PLAIN_STYLE_FILE]);

/** Where a file of the program's own, or something that the host is told, is made. */
export function ownMadeAt({ path, hosting }: Pick<ReleaseItem, 'path' | 'hosting'>): MadeAt {
  if (hosting)
    return path === 'visitors'
      ? { stop: 'doors', view: 'site' }
      : path === 'gone'
        ? { stop: 'words', view: 'exchange', way: 'redirects' }
        : { stop: 'doors', view: 'files' };
  if (path === ROBOTS_FILE) return { stop: 'doors', view: 'robots' };
  if (path === SERVER_FILE) return { stop: 'words', view: 'exchange', way: 'redirects' };
  if (BESIDE_MAPS.has(path)) return { stop: 'map', view: 'also' };
  if (isMap(path)) return { stop: 'map', view: 'map' };
  return { stop: 'words', view: 'exchange', way: 'redirects' };
}
