import { indexDirectives, readHeader, type IndexDirectives } from '../page/index.ts';
import { addressOf, isPageFile } from './addresses.ts';
import { all, set, type Change } from './changes.ts';
import { directivesKey, EVERY_CRAWLER, headerRules, headersFor } from './directives.ts';
import type { SiteDocument } from './document.ts';
import type { PathMatch } from './path-match.ts';
import type { RecordOf } from './tables.ts';

/** Rules that are made of single files at most. */
const MOST_SINGLE = 200;

type Said = Partial<RecordOf<'directives'>>;
interface FileRule {
  readonly path: string;
  readonly match: PathMatch;
  readonly records: readonly { readonly crawler: string; readonly said: Said }[];
}

/**
 * The `X-Robots-Tag` headers that files of a site were answered with, as rules for files: one for the whole site where all had the same, one for an ending
 * where all files of it had, else one for each address alone. `before` is how many such rules there are already. `tags` are the headers by path, `paths` all files of the site.
 */
export function rulesFromHeaders(tags: Readonly<Record<string, readonly string[]>>, paths: readonly string[], before = 0): Change {
  const alike = new Map<string, string[]>();
  for (const path of paths) {
    const key = Object.hasOwn(tags, path) ? JSON.stringify(tags[path]) : '';
    alike.set(key, [...(alike.get(key) ?? []), path]);
  }
  alike.delete('');
  const groups = [...alike].flatMap(([key, of]): FileRule[] => {
    const records = recordsOf(JSON.parse(key) as string[]);
    if (records.length === 0) return [];
    if (of.length === paths.length) return [{ path: '/', match: 'contains' as const, records }];
    const caught = new Set(of);
    const endings = [...new Set(of.map(endingOf))].filter((ending) => ending !== '' && paths.every((path) => endingOf(path) !== ending || caught.has(path)));
    return [
      ...endings.map((path) => ({ path, match: 'ends' as const, records })),
      ...of.flatMap((path) => (endings.includes(endingOf(path)) ? [] : [{ path: addressOf(path), match: 'is' as const, records }])),
    ];
  });
  return all(
    groups.slice(0, MOST_SINGLE).flatMap(({ path, match, records }, order) => {
      const id = `answered-${before + order + 1}`;
      return [
        set('headers', id, 'path', path),
        set('headers', id, 'match', match),
        set('headers', id, 'order', before + order),
        ...records.flatMap(({ crawler, said }) =>
          Object.entries(said).map(([field, value]) => set('directives', directivesKey(`files:${id}`, crawler), field as keyof Said & string, value ?? null)),
        ),
      ];
    }),
  );
}

/** The same for files that come anew: only what the site's rules do not send already is added, and nothing that stands is touched. */
export function rulesFromNewHeaders(document: SiteDocument, tags: Readonly<Record<string, readonly string[]>>, paths: readonly string[]): Change {
  const rules = headerRules(document);
  const fresh = Object.entries(tags).filter(([path, values]) => meaning(headersFor(rules, addressOf(path))) !== meaning(values));
  const first = Object.keys(document.tables.headers).reduce((most, id) => Math.max(most, Number(/^answered-(\d+)$/.exec(id)?.[1] ?? 0)), 0);
  return rulesFromHeaders(Object.fromEntries(fresh), paths, first);
}

const meaning = (headers: readonly string[]): string =>
  JSON.stringify(
    recordsOf(headers)
      .map(({ crawler, said }) => [crawler, Object.entries(said).sort()])
      .sort(),
  );

/** All that headers said and files do not: rules that no rule of the site sends already, and words of pages that say nothing of it. */
export function allFromHeaders(
  document: SiteDocument,
  told: {
    readonly tags: Readonly<Record<string, readonly string[]>>;
    readonly languages: Readonly<Record<string, string>>;
    readonly canonicals: readonly string[];
  },
  paths: readonly string[],
): Change {
  return all([rulesFromNewHeaders(document, told.tags, paths), wordsFromHeaders(document, told, new Set(paths))]);
}

/** What only headers said of pages, as words of theirs: their language, and that their address is the main one. What the owner said of a page stays. */
export function wordsFromHeaders(
  document: SiteDocument,
  { languages, canonicals }: { readonly languages: Readonly<Record<string, string>>; readonly canonicals: readonly string[] },
  paths: ReadonlySet<string>,
): Change {
  const { pages } = document.tables;
  const silent = (path: string, field: 'lang' | 'canonical'): boolean => paths.has(path) && !pages[path]?.[field];
  return all([
    ...Object.entries(languages).flatMap(([path, language]) => (silent(path, 'lang') ? [set('pages', path, 'lang', language)] : [])),
    ...canonicals.flatMap((path) => (silent(path, 'canonical') ? [set('pages', path, 'canonical', 'self')] : [])),
  ]);
}

/** The ending of a file that is no page; pages have none: their addresses mostly do not show it. */
const endingOf = (path: string): string => (isPageFile(path) ? '' : (/\.[a-z\d]{1,8}$/i.exec(path)?.[0].toLowerCase() ?? ''));

function recordsOf(headers: readonly string[]): FileRule['records'] {
  const said = new Map<string, string[]>();
  for (const { crawler = EVERY_CRAWLER, content } of headers.flatMap(readHeader)) said.set(crawler, [...(said.get(crawler) ?? []), content]);
  return [...said].flatMap(([crawler, contents]) => {
    const record = recordOf(indexDirectives(contents.join(', ')));
    return Object.keys(record).length === 0 ? [] : [{ crawler, said: record }];
  });
}

function recordOf(directives: IndexDirectives): Said {
  const { maxSnippet, maxImagePreview, maxVideoPreview, unavailableAfter } = directives;
  return {
    ...(directives.noindex ? { intent: 'out' as const } : {}),
    ...(directives.nofollow ? { follow: 'no' as const } : {}),
    ...(directives.nosnippet ? { snippet: 0 } : maxSnippet === undefined ? {} : { snippet: Math.min(maxSnippet, 100_000) }),
    ...(maxImagePreview === undefined ? {} : { image: maxImagePreview }),
    ...(maxVideoPreview === undefined ? {} : { video: Math.min(maxVideoPreview, 100_000) }),
    ...(directives.noarchive ? { archive: 'no' as const } : {}),
    ...(directives.notranslate ? { translate: 'no' as const } : {}),
    ...(directives.noimageindex ? { pictures: 'no' as const } : {}),
    ...(unavailableAfter === undefined ? {} : { until: new Date(unavailableAfter).toISOString().slice(0, 10) }),
  };
}
