import { dnsResolve, guardedFetch, OWN_NAME, realWorld, standInWorld, type Fetch, type Send, type World } from '../fetching/index.ts';

/** Which side of the world is looked at. */
export type Side = 'stand-in' | 'real';

/** Where the stand-ins listen: all that others have to know of them. */
export interface Ports {
  readonly dns: number;
  readonly host: number;
}

/** The stand-ins' side of the world. `ports` may be known only once they listen. */
export function standInSide(ports: () => Ports): World {
  return standInWorld(
    (host) => dnsResolve([`127.0.0.1:${ports().dns}`])(host),
    () => ports().host,
  );
}

/** Fetches of either side under the program's own name, and what is sent there; `real` stands for the real one where it is given, and nothing is then sent. */
export function bothSides(
  ports: () => Ports,
  real?: Fetch,
): { readonly fetches: Readonly<Record<Side, Fetch>>; readonly sends: Readonly<Record<Side, Send>>; readonly close: () => Promise<void> } {
  const here = guardedFetch(standInSide(ports), OWN_NAME);
  const outside =
    real === undefined
      ? guardedFetch(realWorld(), OWN_NAME)
      : { fetch: real, send: async () => ({ ok: false, reason: 'no-answer' }) as const, close: async () => undefined };
  return {
    fetches: { 'stand-in': here.fetch, real: outside.fetch },
    sends: { 'stand-in': here.send, real: outside.send },
    close: async () => {
      await here.close();
      await outside.close();
    },
  };
}
