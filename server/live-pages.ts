import type { LivePage } from '../core/release/index.ts';
import { liveFields } from '../core/release/index.ts';
import { mayFetch, readAnswer } from '../core/indexing/index.ts';
import { pathAndQuery, plainAddress } from '../core/source/index.ts';
import { OWN_NAME, type Fetch } from './fetching/index.ts';
import { accessFor, readRobots } from './stand-ins/rules.ts';

/** Pages asked for at once, and milliseconds between two requests of a host that is not on this machine. */
const AT_ONCE = 2;
export const PAUSE = 250;

/** Fetches pages of one site politely, as robots.txt lets the program, and tells what each says. The answers are in the order of the addresses. */
export async function livePages({
  fetch,
  addresses,
  wait,
}: {
  readonly fetch: Fetch;
  readonly addresses: readonly string[];
  /** Waits before each request. */
  readonly wait: () => Promise<void>;
}): Promise<readonly LivePage[]> {
  const origins = new Set(addresses.map((address) => new URL(address).origin));
  const rules = new Map(await Promise.all([...origins].map(async (origin) => [origin, await readRobots(fetch, origin, OWN_NAME)] as const)));
  const found: LivePage[] = [];
  let at = 0;
  const work = async (): Promise<void> => {
    for (let turn = at++; turn < addresses.length; turn = at++) {
      const url = new URL(addresses[turn] as string);
      const robots = rules.get(url.origin);
      // Without its rules a polite program asks for nothing; what kept them away is what happened, and no rule of theirs.
      if (robots?.kind === 'unreachable') found[turn] = { kind: 'no-answer', reason: robots.reason ?? 'no-robots' };
      else if (robots && !mayFetch(accessFor(robots, pathAndQuery(url)))) found[turn] = { kind: 'forbidden' };
      else {
        await wait();
        found[turn] = await livePage(fetch, url.href);
      }
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, work));
  return found;
}

async function livePage(fetch: Fetch, address: string): Promise<LivePage> {
  const outcome = await fetch(address);
  if (!outcome.ok) return { kind: 'no-answer', reason: outcome.reason };
  const to = outcome.redirects.at(-1);
  if (to !== undefined && plainAddress(to) !== plainAddress(address)) return { kind: 'moved', to };
  if (outcome.status !== 200) return { kind: 'status', status: outcome.status };
  const facts = readAnswer({ ...outcome, redirectedTo: undefined, hops: 0 });
  return facts ? { kind: 'page', fields: liveFields(facts, address, outcome.headers['x-robots-tag'] ?? []) } : { kind: 'no-page' };
}
