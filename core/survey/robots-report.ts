import type { PageFacts } from '../page/index.ts';
import { lintRobots, parseRobots, robotsMatcher, type LintSite, type RobotsLine, type RobotsTrouble } from '../robots/index.ts';
import { addressOf, linkResolver } from '../site/index.ts';
import { plainPercent } from '../source/index.ts';

/** What one line decides about. */
export interface LineTouch {
  readonly line: number;
  /** Pages by file. */
  readonly pages: readonly string[];
  /** How many files that are no pages. */
  readonly files: number;
  readonly wronglyShut: readonly string[];
}

/** robots.txt line by line, with what each line touches and what is wrong with it. */
export interface RobotsReport {
  /** Undefined where there is none. */
  readonly text: string | undefined;
  readonly lines: readonly RobotsLine[];
  readonly touches: readonly LineTouch[];
  readonly troubles: readonly RobotsTrouble[];
  readonly cut: boolean;
}

/** What a change of robots.txt does for one crawler. */
export interface RobotsEffect {
  readonly crawler: string;
  /** Pages by file. */
  readonly opened: readonly string[];
  readonly shut: readonly string[];
  /** Files that are no pages, by path. */
  readonly filesOpened: readonly string[];
  readonly filesShut: readonly string[];
}

/** Holds a robots.txt against a site. Each line is told what it decides about, for the crawler that it addresses and for those that are known. */
export function reportOnRobots(text: string | undefined, site: LintSite): RobotsReport {
  const file = parseRobots(text ?? '');
  const tokens = new Set([...site.crawlers, ...file.groups.flatMap((group) => group.tokens.filter((token) => token !== '*' && token !== ''))]);
  const pages = new Map<number, Set<string>>();
  const others = new Map<number, Set<string>>();
  for (const token of tokens) {
    const matcher = robotsMatcher(file, token);
    const look = (into: Map<number, Set<string>>, path: string, name: string): void => {
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
      { line: line.line, pages: touched, files: others.get(line.line)?.size ?? 0, wronglyShut: line.allow ? [] : touched.filter((id) => wanted.has(id)) },
    ];
  });
  return { text, lines: file.lines, touches, troubles: text === undefined ? [] : lintRobots(text, site), cut: file.cut };
}

/** Which pages and files a change opens and which it shuts; crawlers for whom nothing changes are left out. */
export function robotsEffect(before: string, after: string, site: LintSite): RobotsEffect[] {
  const [old, next] = [parseRobots(before), parseRobots(after)];
  return site.crawlers.flatMap((crawler) => {
    const [was, will] = [robotsMatcher(old, crawler), robotsMatcher(next, crawler)];
    const turned = (paths: readonly { readonly name: string; readonly path: string }[], open: boolean): string[] =>
      paths.flatMap(({ name, path }) => (was.match(path).allowed !== open && will.match(path).allowed === open ? [name] : []));
    const pages = site.pages.map(({ id, path }) => ({ name: id, path }));
    const files = site.files.map((path) => ({ name: path, path }));
    const effect = { crawler, opened: turned(pages, true), shut: turned(pages, false), filesOpened: turned(files, true), filesShut: turned(files, false) };
    return effect.opened.length + effect.shut.length + effect.filesOpened.length + effect.filesShut.length === 0 ? [] : [effect];
  });
}

/** Style sheets and scripts of the site that pages ask for, by path: an engine that may not fetch them does not see the page as people do. */
export function neededFiles(
  pages: Iterable<{ readonly id: string; readonly source: PageFacts }>,
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
