import type { CrawlLimits } from '../../core/exchange/index.ts';
import type { Fetch, FetchOutcome } from '../fetching/index.ts';
import { sift, type Answered as Sent } from '../bringing/index.ts';

export const ORIGIN = 'https://a.example';
export const LIMITS: CrawlLimits = { pages: 500, bytes: 10_000_000, depth: 10, seconds: 600 };

/** What an address of a made-up host answers. */
export interface Answered {
  readonly status?: number;
  readonly body?: string | Uint8Array;
  readonly type?: string;
  /** Where it leads, of this host by its path. */
  readonly to?: string;
  readonly headers?: Readonly<Record<string, readonly string[]>>;
}
type Failing = Exclude<FetchOutcome, { ok: true }>['reason'];

/** A world of addresses; `made` answers for those that nobody listed. Time passes only while somebody waits. */
export function world(
  answers: Readonly<Record<string, Answered | 'dead' | { readonly fails: Failing }>>,
  made: (path: string, time: number) => Answered | undefined = () => undefined,
) {
  const asked: string[] = [];
  let time = 0;
  let [atOnce, most] = [0, 0];
  const fetch: Fetch = async (address, _, follow = () => true): Promise<FetchOutcome> => {
    const path = address.replace(ORIGIN, '');
    asked.push(path);
    most = Math.max(most, ++atOnce);
    await Promise.resolve();
    atOnce--;
    const answer = answers[path] ?? made(path, time) ?? { status: 404 };
    if (answer === 'dead') return { ok: false, reason: 'no-answer', redirects: [], hops: [] };
    if ('fails' in answer) return { ok: false, reason: answer.fails, redirects: [], hops: [] };
    const { to } = answer;
    const goes = to === undefined ? undefined : to.startsWith('/') ? ORIGIN + to : to;
    if (goes !== undefined && !follow(new URL(goes))) return { ok: false, reason: 'not-followed', redirects: [], hops: [] };
    if (goes !== undefined) asked.push(goes.replace(ORIGIN, ''));
    const led = to === undefined ? answer : ((answers[to] as Answered | undefined) ?? answer);
    const { status = 200, body = '', type = 'text/html', headers = {} } = led;
    return {
      ok: true,
      status,
      headers: { 'content-type': [type], ...headers },
      bytes: typeof body === 'string' ? new TextEncoder().encode(body) : body,
      redirects: goes === undefined ? [] : [goes],
      hops: [],
      milliseconds: 1,
    };
  };
  const effects = {
    fetch,
    sift: async (answer: Sent) => sift(answer),
    now: () => time,
    wait: async (milliseconds: number) => {
      time += milliseconds / 2;
      await Promise.resolve();
    },
  };
  return { asked, effects, mostAtOnce: () => most, time: () => time };
}

const words = 'Words of a page that says enough to be read by those who look for it and by nobody else.';
/** A page that says enough to be one. */
export const page = (body: string): Answered => ({ body: `<html lang=en><title>x</title><p>${words}</p>${body}` });
