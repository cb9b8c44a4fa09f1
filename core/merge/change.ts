import type { PageId } from '../source/index.ts';
import { addressOf, all, directivesKey, movedFile, passageKey, set, TABLES, type Change, type SiteDocument, type Table } from '../site/index.ts';
import type { MergePlan, ThreeWays } from './plan.ts';

/** What the owner decides about a plan. */
export interface MergeChoices {
  /** Keys of what is to be as the new source says it; for everything else the owner's word stays. */
  readonly theirs: ReadonlySet<string>;
  /** Where the addresses of pages that are gone lead: address paths by file. */
  readonly redirects: Readonly<Record<string, string>>;
  /** Path and query of the addresses of the new files that their names do not tell, where those are known. */
  readonly addresses?: Readonly<Record<string, string>> | undefined;
}

/** Tables whose records are about a page, by how its file stands in their keys. */
const ABOUT_PAGES: readonly {
  readonly table: Table;
  readonly pageIn: (key: string) => string | undefined;
  readonly keyFor: (key: string, page: PageId) => string;
}[] = [
  { table: 'pages', pageIn: (key) => key, keyFor: (_, page) => page },
  ...(['ignored', 'pasted', 'markup'] as const).map((table) => ({
    table,
    pageIn: (key: string) => key.slice(0, Math.max(0, key.indexOf('\n'))),
    keyFor: (key: string, page: PageId) => page + key.slice(key.indexOf('\n')),
  })),
  {
    table: 'directives',
    pageIn: (key) => (key.startsWith('page:') ? key.slice(5, key.lastIndexOf('\n')) : undefined),
    keyFor: (key, page) => directivesKey(`page:${page}`, key.slice(key.lastIndexOf('\n') + 1)),
  },
];

/** The change by which a new version is taken in as it was planned: one step, and undone as one. */
export function mergeChange(document: SiteDocument, plan: MergePlan, { theirs, redirects, addresses }: MergeChoices): Change {
  const moved = new Map(plan.pages.moved.map(({ from, to }) => [from, to]));
  const chosen = (one: ThreeWays): boolean => theirs.has(one.key);
  const dropped = new Set([...plan.settled, ...plan.conflicts.filter(chosen)].map(({ key }) => key));
  return all([
    set('source', '', 'version', plan.version),
    ...rekeyed(document, moved),
    // What the new source says by itself is no word of the owner's any more.
    ...[...plan.settled, ...plan.conflicts].flatMap((one) => (dropped.has(one.key) ? withoutField(one) : [])),
    ...plan.pages.moved.flatMap(({ to, by }) => (by === 'new-address' ? [set('pages', to, 'ending', null)] : [])),
    ...places(document, plan, moved, dropped),
    ...plan.pages.gone.flatMap(({ id }) => forgotten(document, id)),
    ...homePage(document, moved),
    ...Object.keys(document.tables.source).flatMap((key) => (key === '' ? [] : [set('source', key, 'like', null)])),
    ...likes(document, plan, moved),
    ...leading(document, plan, redirects),
    ...(addresses ? addressed(document, plan, addresses) : []),
  ]);
}

/** A setting of a field whose table is only known as it runs: it is checked as it is made. */
const setting = (table: Table, key: string, field: string, value: unknown): Change => set(table as 'pages', key, field as 'title', value as string | null);

/** Records about pages that are other files now. */
function rekeyed(document: SiteDocument, moved: ReadonlyMap<string, string>): Change[] {
  if (moved.size === 0) return [];
  const changes: Change[] = [];
  for (const { table, pageIn, keyFor } of ABOUT_PAGES)
    for (const [key, record] of Object.entries(document.tables[table])) {
      const to = moved.get(pageIn(key) ?? '');
      if (to === undefined) continue;
      for (const field of Object.keys(TABLES[table].shape)) {
        const value = (record as Readonly<Record<string, unknown>>)[field];
        if (value === undefined || value === null) continue;
        changes.push(setting(table, key, field, null), setting(table, keyFor(key, to), field, value));
      }
    }
  return changes;
}

/** The addresses of pages that came in from where the site lives: as they are there now. */
function addressed(document: SiteDocument, { pages: { moved } }: MergePlan, addresses: Readonly<Record<string, string>>): Change[] {
  const known = Object.entries(document.tables.pages).flatMap(([id, { address }]) => (address ? [id] : []));
  const pages = new Set([...known, ...moved.map(({ to }) => to), ...Object.keys(addresses)]);
  for (const { from } of moved) pages.delete(from);
  return [...pages].map((id) => set('pages', id, 'address', addresses[id] ?? null));
}

function withoutField({ page, what, value }: ThreeWays): Change[] {
  if (what === 'markup') return [setting('markup', `${page}\n${value ?? ''}`, 'value', null)];
  if (what === 'robots') return [set('robots', '', 'text', null)];
  return what === 'passage' || what === 'alt' ? [] : [set('pages', page, what, null)];
}

/** Words and pictures of pages by where they stand now; those that fell away or have no place any more go. */
function places(document: SiteDocument, plan: MergePlan, moved: ReadonlyMap<string, string>, dropped: ReadonlySet<string>): Change[] {
  const tables = { passage: 'passages', alt: 'alts' } as const;
  const away: Change[] = [];
  const there: Change[] = [];
  for (const one of [...plan.settled, ...plan.conflicts, ...plan.homeless, ...plan.shifted]) {
    if (one.what !== 'passage' && one.what !== 'alt') continue;
    const table = tables[one.what];
    const key = passageKey(one.before, one.from);
    const record = document.tables[table][key] ?? {};
    for (const field of Object.keys(record)) away.push(setting(table, key, field, null));
    if (one.to < 0 || dropped.has(one.key)) continue;
    const now = { ...record, was: plan.conflicts.includes(one) ? one.theirs : (record.was ?? null) };
    for (const [field, value] of Object.entries(now)) there.push(setting(table, passageKey(moved.get(one.before) ?? one.page, one.to), field, value));
  }
  return [...away, ...there];
}

/** What was said of places in a page that is gone, and where it was to move. Its other words stay, for when it comes back. */
function forgotten(document: SiteDocument, id: PageId): Change[] {
  const own = document.tables.pages[id];
  const table = (name: 'passages' | 'alts'): Change[] =>
    Object.entries(document.tables[name]).flatMap(([key, record]) =>
      key.slice(0, key.lastIndexOf('\n')) === id ? Object.keys(record).map((field) => setting(name, key, field, null)) : [],
    );
  return [
    ...(own?.ending ? [set('pages', id, 'ending', null)] : []),
    ...(own?.address ? [set('pages', id, 'address', null)] : []),
    ...table('passages'),
    ...table('alts'),
  ];
}

function homePage(document: SiteDocument, moved: ReadonlyMap<string, string>): Change[] {
  const to = moved.get(document.tables.facts['']?.homePage ?? '');
  return to === undefined ? [] : [set('facts', '', 'homePage', to)];
}

/** By whose words pages are known that say the same as before: those of this version, and of pages that are the same file still. */
function likes(document: SiteDocument, plan: MergePlan, moved: ReadonlyMap<string, string>): Change[] {
  const changed = new Set([...plan.pages.changed, ...plan.pages.gone.map(({ id }) => id), ...moved.keys()]);
  return [
    ...Object.entries(document.tables.source).flatMap(([page, { like }]) =>
      page !== '' && like && !changed.has(page) ? [set('source', page, 'like', like)] : [],
    ),
    ...plan.alike.map(({ page, hash }) => set('source', page, 'like', hash)),
  ];
}

/** Where former addresses lead: those of pages that moved to where they are now, those of pages that are gone to where the owner says. */
function leading(document: SiteDocument, plan: MergePlan, redirects: Readonly<Record<string, string>>): Change[] {
  const moves = plan.pages.moved.flatMap(({ from, to, by }) => {
    const ending = by === 'new-address' ? undefined : document.tables.pages[from]?.ending;
    const [old, now] = [addressOf(from), addressOf(ending ? movedFile(to, ending) : to)];
    return old === now ? [] : [{ from, old, now, by }];
  });
  const goes = new Map(moves.map(({ old, now }) => [old, now]));
  return [
    // What led to a page that moves now leads on to where it is, and not by way of where it was.
    ...Object.entries(document.tables.redirects).flatMap(([file, { to }]) => {
      const now = goes.get(to ?? '');
      return now === undefined ? [] : [set('redirects', file, 'to', now)];
    }),
    ...moves.flatMap(({ from, now, by }) =>
      // At an old address of the site's own there is a page that leads on already.
      by === 'new-address' || by === 'redirect' ? [] : [set('redirects', from, 'to', now)],
    ),
    ...Object.entries(redirects).map(([file, to]) => set('redirects', file, 'to', to)),
  ];
}
