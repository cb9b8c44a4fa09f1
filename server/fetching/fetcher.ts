/** Asks a name for its addresses. Rejects where there is no such name. */
export type Resolve = (host: string) => Promise<readonly string[]>;

/** Why a fetch gave no answer. */
export type FetchFailure = 'bad-address' | 'no-such-host' | 'private-address' | 'no-answer' | 'timeout' | 'too-large' | 'too-many-redirects';

/** The end of a chain of requests. */
export type FetchOutcome =
  | {
      readonly ok: true;
      readonly status: number;
      /** Lower-case names; several headers of a name keep their order. */
      readonly headers: Readonly<Record<string, readonly string[]>>;
      readonly bytes: Uint8Array;
      /** Addresses redirected to, in order; empty without a redirect. */
      readonly redirects: readonly string[];
      readonly milliseconds: number;
    }
  | { readonly ok: false; readonly reason: FetchFailure; readonly redirects: readonly string[] };

/** Fetches an address with GET. The crawler has this and does not know whether the world behind it is real. */
export type Fetch = (address: string) => Promise<FetchOutcome>;

/** Bounds of one fetch. */
export const FETCH_LIMITS = { bytes: 16_000_000, milliseconds: 10_000, redirects: 5 } as const;
