import type { PageFacts } from '../page/index.ts';
import { lintRobots, NOBODY, parseRobots, robotsMatcher, type LintSite, type RobotsLine, type RobotsTrouble } from '../robots/index.ts';
import { addressOf, linkResolver } from '../site/index.ts';
import { plainPercent, type AddressPath, type PageId } from '../source/index.ts';

/** What one line decides about. */
export interface LineTouch {
  readonly line: number;
  /** Pages by file. */
  readonly pages: Some;
  /** How many files that are no pages. */
  readonly files: number;
  readonly wronglyShut: Some;
}

/** How many there are, and the first few by name: a line may touch thousands. */
export interface Some {
  readonly count: number;
  readonly first: readonly string[];
}

/** So many are named. */
const NAMED = 50;
const some = (names: readonly string[]): Some => ({ count: names.length, first: names.slice(0, NAMED) });

/** robots.txt line by line, with what each line touches and what is wrong with it. */
export interface RobotsReport {
  /** Undefined where there is none. */
  readonly text: string | undefined;
  readonly lines: readonly RobotsLine[];
  readonly touches: readonly LineTouch[];
  readonly troubles: readonly RobotsTrouble[];
  readonly cut: boolean;
}

/** What a change of robots.txt does, the same for some crawlers. */
export interface RobotsEffect {
  /** By token; null stands for every crawler that is not named, in the file or here. */
  readonly crawlers: readonly (string | null)[];
  /** Pages by file. */
  readonly opened: Some;
  readonly shut: Some;
  /** Files that are no pages, by path. */
  readonly filesOpened: Some;
  readonly filesShut: Some;
}

/** Holds a robots.txt against a site. Each line is told what it decides about, for the crawler that it addresses and for those that are known. */
export function reportOnRobots(text: string | undefined, site: LintSite): RobotsReport {
  const file = parseRobots(text ?? '');
  const tokens = new Set([...site.crawlers, ...file.groups.flatMap((group) => group.tokens.filter((token) => token !== '*' && token !== ''))]);
  const pages = new Map<number, Set<string>>();
  const others = new Map<number, Set<string>>();
  for (const token of tokens) {
    const matcher = robotsMatcher(file, token);
    const look = (into: Map<number, Set<string>>, path: AddressPath, name: string): void => {
      const { rule } = matcher.match(path);
      if (rule) into.set(rule.line, (into.get(rule.line) ?? new Set()).add(name));
    };
    for (const { id, path } of site.pages) look(pages, path, id);
    for (const path of site.files) look(others, path, path);
  }
  const wanted = new Set(site.pages.flatMap(({ id, intent }) => (intent === 'list' ? [id] : [])));
  const touches = file.lines.flatMap((line) => {
    if (line.kind !== 'rule') return [];
    const touched = [...(pages.get(line.line) ?? [])];
    return [
      {
        line: line.line,
        pages: some(touched),
        files: others.get(line.line)?.size ?? 0,
        wronglyShut: some(line.allow ? [] : touched.filter((id) => wanted.has(id))),
      },
    ];
  });
  return { text, lines: file.lines, touches, troubles: text === undefined ? [] : lintRobots(text, site), cut: file.cut };
}

/**
 * Which pages and files a change opens and which it shuts, for the crawlers that are known, those that either text names, and every other; those for whom
 * the same happens together, and those for whom nothing does left out.
 */
export function robotsEffect(before: string, after: string, site: LintSite): RobotsEffect[] {
  const [old, next] = [parseRobots(before), parseRobots(after)];
  const named = [...old.groups, ...next.groups].flatMap((group) => group.tokens.filter((token) => token !== '*' && token !== ''));
  const known = new Set(site.crawlers.map((token) => token.toLowerCase()));
  const others = [...new Map(named.filter((token) => !known.has(token.toLowerCase())).map((token) => [token.toLowerCase(), token])).values()];
  const groups = new Map<string, RobotsEffect & { crawlers: (string | null)[] }>();
  for (const crawler of [...site.crawlers, ...others, null]) {
    const [was, will] = [robotsMatcher(old, crawler ?? NOBODY), robotsMatcher(next, crawler ?? NOBODY)];
    const turned = (of: readonly { readonly name: string; readonly path: AddressPath }[]): { opened: string[]; shut: string[] } => {
      const both = { opened: [] as string[], shut: [] as string[] };
      for (const { name, path } of of) {
        const opens = will.match(path).allowed;
        if (was.match(path).allowed !== opens) both[opens ? 'opened' : 'shut'].push(name);
      }
      return both;
    };
    const pages = turned(site.pages.map(({ id, path }) => ({ name: id, path })));
    const files = turned(site.files.map((path) => ({ name: path, path })));
    if (pages.opened.length + pages.shut.length + files.opened.length + files.shut.length === 0) continue;
    const key = JSON.stringify([pages, files]);
    const group = groups.get(key);
    if (group) group.crawlers.push(crawler);
    else
      groups.set(key, {
        crawlers: [crawler],
        opened: some(pages.opened),
        shut: some(pages.shut),
        filesOpened: some(files.opened),
        filesShut: some(files.shut),
      });
  }
  return [...groups.values()];
}

/** Style sheets and scripts of the site that pages ask for, by path: an engine that may not fetch them does not see the page as people do. */
export function neededFiles(
  pages: Iterable<{ readonly id: PageId; readonly source: PageFacts }>,
  host: string,
  files: ReadonlySet<string>,
): ReadonlySet<string> {
  const needed = new Set<string>();
  const plain = new Map([...files].map((path) => [plainPercent(path), path]));
  for (const { id, source } of pages) {
    const resolve = linkResolver(source.base, addressOf(id), host);
    const hrefs = [...source.linkTags.flatMap((link) => (link.rel.includes('stylesheet') && link.href !== undefined ? [link.href] : [])), ...source.scripts];
    for (const href of hrefs) {
      const path = resolve(href)?.replace(/\?.*$/s, '');
      const file = path === undefined ? undefined : plain.get(plainPercent(path));
      if (file !== undefined) needed.add(file);
    }
  }
  return needed;
}
