import type { AddressPath, FilePath, PageId } from '../source/index.ts';
import { addressOf, isOwnAddress, isPageFile, linkResolver, resolvePath } from '../site/index.ts';

/** A link to a page under another spelling than its own address. */
export interface AsideLink {
  readonly file: FilePath;
  /** Path and query as they are linked, or as a redirect from there has them where it leads to a second spelling too. */
  readonly path: AddressPath;
  /** Whether a host redirects from there to the page's own address; where it does not, engines take this for a page of its own. */
  readonly redirects: boolean;
  /** Whether an engine may go on to it: no link to it says nofollow. */
  readonly followed: boolean;
}

/** Where one page's links lead. */
export interface Links {
  /** Files of the site. */
  readonly files: readonly string[];
  /** Of these, the ones that are linked by their own address, or by one that redirects there. */
  readonly direct: readonly string[];
  /** Of the direct ones, those that an engine may go on to. */
  readonly followed: readonly string[];
  /** Pages linked otherwise than by their own address, this page among them. */
  readonly aside: readonly AsideLink[];
  /** Whether it links to itself by its own address, so that an engine may follow it. */
  readonly toSelf: boolean;
  /** Address paths of this site at which no file answers. */
  readonly broken: readonly string[];
  /** How many lead to other sites. */
  readonly outside: number;
}

const NONE: Links = { files: [], direct: [], followed: [], aside: [], toSelf: false, broken: [], outside: 0 };

/** Where a path leads: to a file, and under which spelling, where that is not its own address. */
interface Led {
  readonly file: FilePath;
  readonly spelled: string | undefined;
  readonly redirects: boolean;
}

/** What the owner had led elsewhere: by the path, without or with its query, as it is linked. */
type Repaired = (path: AddressPath) => string | undefined;

/** Which pages link to which, by file, and what leads nowhere. Paths are those of the site as it was brought in. */
export class LinkIndex {
  private readonly links = new Map<string, Links>();
  private readonly inCounts = new Map<string, number>();
  private readonly directCounts = new Map<string, number>();
  private spellings: ReadonlyMap<string, readonly string[]> | undefined;
  private readonly known = new Map<string, Led | 'nowhere'>();
  private lost = 0;
  private counted: { readonly from: string; readonly clicks: ReadonlyMap<string, number> } | undefined;

  constructor(
    private readonly host: string,
    private readonly hasFile: (path: FilePath) => boolean,
    /** The host under which the site was brought in, where it has another now. */
    private readonly cameAs?: string,
  ) {}

  /** Sets a page's links; `base` is the `href` of its `base` element, `repaired` gives the path that one is led to by the owner. Gives the files whose links in changed. */
  put(page: PageId, hrefs: readonly string[], base: string | undefined, repaired?: Repaired, unfollowed: readonly string[] = []): Set<string> {
    const resolve = linkResolver(base, addressOf(page), this.host, this.cameAs);
    const [found, direct, followed, missing] = [new Set<string>(), new Set<string>(), new Set<string>(), new Set<string>()];
    const aside = new Map<string, AsideLink>();
    const silent = unfollowed.length === 0 ? undefined : new Set(unfollowed);
    let outside = 0;
    let toSelf = false;
    for (const href of new Set(hrefs)) {
      const path = resolve(href);
      if (path === undefined) {
        if (/^\s*(https?:)?\/\//i.test(href)) outside++;
        continue;
      }
      const led = this.led(path, repaired);
      if (led === undefined) {
        missing.add(path.replace(/\?.*$/s, ''));
        continue;
      }
      const { file, spelled, redirects } = led;
      const goesOn = !silent?.has(href);
      if (spelled !== undefined) aside.set(spelled, { file, path: spelled, redirects, followed: goesOn || aside.get(spelled)?.followed === true });
      if (file === page) toSelf ||= goesOn && spelled === undefined;
      else {
        found.add(file);
        if (spelled === undefined || redirects) direct.add(file);
        if (spelled === undefined && goesOn) followed.add(file);
      }
    }
    this.counted = undefined;
    if (aside.size > 0 || this.of(page).aside.length > 0) this.spellings = undefined;
    const before = this.of(page);
    this.lost += missing.size - before.broken.length;
    count(this.inCounts, before.files, found);
    count(this.directCounts, before.direct, direct);
    const files = [...found];
    const directly = direct.size === files.length ? files : [...direct];
    this.links.set(page, {
      files,
      direct: directly,
      followed: followed.size === directly.length ? directly : [...followed],
      aside: aside.size === 0 ? NONE.aside : [...aside.values()],
      toSelf,
      broken: [...missing],
      outside,
    });
    return before === NONE ? new Set([...directly, ...[...aside.values()].map(({ file }) => file)]) : differing(before, this.of(page));
  }

  /** The same, as long as the owner led nothing elsewhere: found out once, since most links of a site lead where others do. */
  private led(path: AddressPath, repaired: Repaired | undefined): Led | undefined {
    if (repaired) return this.lead(path, repaired);
    let led = this.known.get(path);
    if (led === undefined) this.known.set(path, (led = this.lead(path, () => undefined) ?? 'nowhere'));
    return led === 'nowhere' ? undefined : led;
  }

  /** The file that a path leads to, and the spelling under which, where that is not its own address. */
  private lead(path: AddressPath, repaired: Repaired): Led | undefined {
    const at = resolvePath(path, this.hasFile);
    if (at.kind === 'nothing') {
      const to = repaired(path.replace(/\?.*$/s, ''));
      const there = to === undefined ? undefined : resolvePath(to, this.hasFile);
      return there === undefined || there.kind === 'nothing' ? undefined : { file: there.file, spelled: undefined, redirects: false };
    }
    const { file } = at;
    if (!isPageFile(file) || repaired(path) !== undefined) return { file, spelled: undefined, redirects: false };
    if (at.kind === 'file') return { file, spelled: isOwnAddress(path, file) ? undefined : path, redirects: false };
    return isOwnAddress(at.to, file) ? { file, spelled: path, redirects: true } : { file, spelled: at.to, redirects: false };
  }

  /** How many other pages link to a file. */
  linksIn(file: FilePath): number {
    return this.inCounts.get(file) ?? 0;
  }

  /** How many of them by its own address. */
  directLinksIn(file: FilePath): number {
    return this.directCounts.get(file) ?? 0;
  }

  /** Where a page's links lead. */
  of(page: PageId): Links {
    return this.links.get(page) ?? NONE;
  }

  /** How many links lead nowhere. */
  brokenCount(): number {
    return this.lost;
  }

  /** All links that lead nowhere: page, and the path as it was linked. */
  broken(): { readonly page: PageId; readonly path: AddressPath }[] {
    return [...this.links].flatMap(([page, { broken }]) => broken.map((path) => ({ page, path })));
  }

  /** How many clicks each file is from one of them, by the shortest way; files that no links lead to are left out. */
  clicks(from: string): ReadonlyMap<string, number> {
    if (this.counted?.from === from) return this.counted.clicks;
    const clicks = new Map([[from, 0]]);
    for (const [file, count] of clicks) for (const next of this.of(file).files) if (!clicks.has(next)) clicks.set(next, count + 1);
    this.counted = { from, clicks };
    return clicks;
  }

  /** The pages that link to a file. */
  backlinks(file: FilePath): string[] {
    return [...this.links].filter(([, { files }]) => files.includes(file)).map(([page]) => page);
  }

  /** The second spellings under which a page is linked, by paths at which it answers without a redirect. */
  spelledAs(file: FilePath): readonly string[] {
    this.spellings ??= this.allSpellings();
    return this.spellings.get(file) ?? [];
  }

  private allSpellings(): ReadonlyMap<string, readonly string[]> {
    const found = new Map<string, Set<string>>();
    for (const { aside } of this.links.values())
      for (const { file, path, redirects } of aside) if (!redirects) found.set(file, (found.get(file) ?? new Set()).add(path));
    return new Map([...found].map(([file, paths]) => [file, [...paths].sort()]));
  }
}

function count(counts: Map<string, number>, before: readonly string[], now: ReadonlySet<string>): void {
  for (const file of before) counts.set(file, (counts.get(file) ?? 1) - 1);
  for (const file of now) counts.set(file, (counts.get(file) ?? 0) + 1);
}

/** Files that are linked now and were not, or the other way round, directly or under a second spelling. */
function differing(before: Links, now: Links): Set<string> {
  const told = (links: Links): Set<string> => new Set([...links.direct, ...links.aside.map(({ file, path }) => `${file}\n${path}`)]);
  const [was, is] = [told(before), told(now)];
  return new Set([...[...was].filter((one) => !is.has(one)), ...[...is].filter((one) => !was.has(one))].map((one) => one.split('\n', 1)[0] as string));
}
