import type { PageId } from '../source/index.ts';
import type { ShutGate } from '../indexing/index.ts';
import { CHECKS, type Cost, type Finding, type Stop } from '../checks/index.ts';
import type { EngineSite } from '../exchange/index.ts';
import { switchStory, type Kind, type SiteDocument } from '../site/index.ts';
import { identityGaps, type IdentityGap } from '../structured-data/index.ts';
import type { PageRow, SiteNumbers } from './row.ts';

/** One thing between the site and being found. */
export type Step =
  /** No page answers at the main address itself; those that may be meant, the likeliest first. */
  | { readonly code: 'no-home'; readonly pages: readonly string[] }
  | { readonly code: 'open-site'; readonly since: string | undefined; readonly releases?: number }
  | { readonly code: 'open-visitors'; readonly audience: 'draft' | 'restricted' }
  | { readonly code: 'open-page'; readonly page: PageId; readonly gates: readonly ShutGate[] }
  | { readonly code: 'open-pages'; readonly pages: readonly string[] }
  | { readonly code: 'close-kind'; readonly kind: Kind; readonly pages: readonly string[] }
  | { readonly code: 'close-page'; readonly page: PageId }
  | { readonly code: 'half-hidden'; readonly pages: readonly string[] }
  | { readonly code: 'write-words'; readonly pages: readonly string[]; readonly missing: number; readonly same: number }
  | { readonly code: 'say-who'; readonly gaps: readonly IdentityGap[] }
  | { readonly code: 'write-markup' }
  | { readonly code: 'make-map' }
  | { readonly code: 'release'; readonly files: number; readonly first: boolean }
  | { readonly code: 'place-proof' }
  | { readonly code: 'verify'; readonly waits: boolean }
  | { readonly code: 'hand-in'; readonly waits: boolean }
  | { readonly code: 'wait' };

/** The stop of the path where each step is taken. */
export const STEP_STOPS: Readonly<Record<Step['code'], Stop>> = {
  'no-home': 'words',
  'open-site': 'doors',
  'open-visitors': 'doors',
  'open-page': 'doors',
  'open-pages': 'doors',
  'close-kind': 'doors',
  'close-page': 'doors',
  'half-hidden': 'doors',
  'write-words': 'words',
  'say-who': 'meaning',
  'write-markup': 'meaning',
  'make-map': 'map',
  release: 'release',
  'place-proof': 'proof',
  verify: 'proof',
  'hand-in': 'watch',
  wait: 'watch',
};

export interface RemainingStep {
  readonly step: Step;
  readonly cost: Cost;
}

/** Single shut pages are named up to this many; more are one step. */
const NAMED = 3;

/** The steps left, in the order of what they cost. What is done is not among them. */
export function remainingSteps(document: SiteDocument, rows: readonly PageRow[], numbers: SiteNumbers, engine: EngineSite | undefined): RemainingStep[] {
  const steps: RemainingStep[] = [];
  const add = (cost: Cost, step: Step): void => void steps.push({ cost, step });
  const sorted = sortedOut(rows);
  const homes = sorted.home ? [] : likelyHomes(rows);
  if (homes.length > 0) add('blocks', { code: 'no-home', pages: homes });
  const audience = document.tables.visitors['']?.audience ?? 'public';
  if (audience !== 'public') add('blocks', { code: 'open-visitors', audience });
  const doors = switchStory(document);
  if (doors.here === 'shut') add('blocks', { code: 'open-site', since: doors.since, releases: doors.shutBy?.releases ?? 0 });
  else if (audience === 'public') {
    // Without a home page nothing leads anywhere: that is one thing, said above.
    const shut = sorted.shut.filter((row) => homes.length === 0 || !isOnlyUnreached(row));
    if (shut.length > NAMED) add('blocks', { code: 'open-pages', pages: shut.map((row) => row.id) });
    else
      for (const row of shut)
        add('blocks', { code: 'open-page', page: row.id, gates: row.findings.flatMap((finding) => (finding.code === 'shut-out' ? finding.gates : [])) });
    for (const step of leaks(document, sorted.leaking)) add('blocks', step);
    if (sorted.half.length > 0) add('weakens', { code: 'half-hidden', pages: sorted.half });
  }
  const { words, missing, same } = sorted;
  if (words.length > 0) add('weakens', { code: 'write-words', pages: words, missing, same });
  const gaps = identityGaps(document);
  if (gaps.length > 0) add('weakens', { code: 'say-who', gaps });
  // Who turned it off has decided.
  else if (typeof document.tables.meaning['']?.on !== 'boolean') add('polish', { code: 'write-markup' });
  if (document.tables.sitemap['']?.on !== true) add('weakens', { code: 'make-map' });

  const placed = Object.keys(document.tables.claims).length > 0;
  const verified = engine?.verifiedAt !== undefined;
  if (!placed && !verified) add('weakens', { code: 'place-proof' });
  if (numbers.waiting > 0) add('weakens', { code: 'release', files: numbers.waiting, first: Object.keys(document.tables.releases).length === 0 });
  if (placed && !verified) add('weakens', { code: 'verify', waits: numbers.waiting > 0 });
  if (!engine?.maps.some((map) => map.named !== true)) add('weakens', { code: 'hand-in', waits: !verified });
  else if (engine?.records.every((record) => record.outcome === 'waiting')) add('polish', { code: 'wait' });
  return steps;
}

/** Pages by what is wrong with them, looked at once: there may be tens of thousands. */
function sortedOut(rows: readonly PageRow[]): {
  readonly home: boolean;
  readonly shut: readonly PageRow[];
  readonly leaking: readonly PageRow[];
  readonly half: readonly string[];
  readonly words: readonly string[];
  readonly missing: number;
  readonly same: number;
} {
  const shut: PageRow[] = [];
  const leaking: PageRow[] = [];
  const half: string[] = [];
  const words: string[] = [];
  let home = false;
  let missing = 0;
  let same = 0;
  for (const row of rows) {
    if (row.address === '/') home = true;
    if (row.state === 'shut-out') shut.push(row);
    else if (row.state === 'leaking') leaking.push(row);
    else if (row.state === 'half-hidden') half.push(row.id);
    let weak = false;
    for (const { code } of row.findings) {
      weak ||= WEAKENING.has(code);
      if (code === 'description-missing') missing++;
      else if (code === 'description-same') same++;
    }
    if (weak) words.push(row.id);
  }
  return { home, shut, leaking, half, words, missing, same };
}

const isOnlyUnreached = (row: PageRow): boolean =>
  row.findings.some((finding) => finding.code === 'shut-out' && finding.gates.every((gate) => gate.name === 'reachable'));

/** Most pages that are offered as the home page. */
const MOST_HOMES = 30;
const NAMED_HOME = /^(?:[^/]+\/)*(?:index|default|home|welcome|start|main)\b[^/]*$/i;

/** Pages that may be meant as the home page: near the top, those with the name of one first, and what many link to. */
function likelyHomes(rows: readonly PageRow[]): string[] {
  const depth = (id: PageId): number => id.split('/').length;
  return [...rows]
    .sort(
      (a, b) => depth(a.id) - depth(b.id) || Number(NAMED_HOME.test(b.id)) - Number(NAMED_HOME.test(a.id)) || b.linksIn - a.linksIn || (a.id < b.id ? -1 : 1),
    )
    .slice(0, MOST_HOMES)
    .map((row) => row.id);
}

const WEAKENING = new Set<Finding['code']>(CHECKS.filter((check) => check.stop === 'words' && check.cost === 'weakens').map((check) => check.code));

/** Leaking pages by kind where the kind as a whole is meant to stay out, one by one where the owner decided it for the page. */
function leaks(document: SiteDocument, rows: readonly PageRow[]): Step[] {
  const byKind = new Map<Kind, string[]>();
  const single: Step[] = [];
  for (const row of rows) {
    if (document.tables.pages[row.id]?.intent) single.push({ code: 'close-page', page: row.id });
    else {
      const some = byKind.get(row.kind);
      if (some) some.push(row.id);
      else byKind.set(row.kind, [row.id]);
    }
  }
  return [...[...byKind].map(([kind, pages]): Step => ({ code: 'close-kind', kind, pages })), ...single];
}

/** How much is open at each stop: pages where it is about pages, things to do elsewhere. */
export function stopCounts(steps: readonly RemainingStep[]): Readonly<Partial<Record<Stop, number>>> {
  const counts: Partial<Record<Stop, number>> = { words: 0, meaning: 0, doors: 0, map: 0, release: 0, proof: 0, watch: 0 };
  for (const { step } of steps) {
    const stop = STEP_STOPS[step.code];
    counts[stop] = (counts[stop] ?? 0) + ('pages' in step ? step.pages.length : step.code === 'release' ? step.files : 1);
  }
  return counts;
}
