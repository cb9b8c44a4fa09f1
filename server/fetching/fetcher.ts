/** Asks a name for its addresses. Rejects where there is no such name. */
export type Resolve = (host: string) => Promise<readonly string[]>;

/** Why a fetch gave no answer. */
export type FetchFailure =
  | 'bad-address'
  | 'no-such-host'
  | 'private-address'
  | 'no-answer'
  /** Nothing listens there. */
  | 'refused'
  | 'timeout'
  | 'too-large'
  | 'too-many-redirects'
  | 'redirect-loop'
  /** It is packed for the way in a form that is not known, or not as it says. */
  | 'broken-coding'
  /** It leads to where this fetch was not to go. */
  | 'not-followed';

/** One address that was asked, and the status that it answered. */
export interface Hop {
  readonly address: string;
  readonly status: number;
}

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
      /** The answers on the way, in order: each address that was asked and what it answered; the last is the end of the chain. */
      readonly hops: readonly Hop[];
      readonly milliseconds: number;
    }
  | { readonly ok: false; readonly reason: FetchFailure; readonly redirects: readonly string[]; readonly hops: readonly Hop[] };

/** The name by which the program itself asks for pages, and for which robots.txt can speak. */
export const OWN_NAME = 'JollyBeacon';

/** What an address answered before: the host is asked whether it still holds (RFC 9110, 13.1), and answers 304 where it does. */
export interface Held {
  readonly etag: string | undefined;
  readonly modified: string | undefined;
}

/** Fetches an address with GET. The crawler has this and does not know whether the world behind it is real. `follow` tells whether a redirect may be gone after. */
export type Fetch = (address: string, held?: Held, follow?: (to: URL) => boolean) => Promise<FetchOutcome>;

/** How an address took what was sent to it: redirects are not followed. */
export type SendOutcome = { readonly ok: true; readonly status: number } | { readonly ok: false; readonly reason: FetchFailure };
/** Sends something to an address with POST. */
export type Send = (address: string, body: SentBody) => Promise<SendOutcome>;
/** What is sent: a JSON text, or the fields of a form. */
export type SentBody = { readonly json: string } | { readonly form: Readonly<Record<string, string>> };

/** Bounds of one fetch. */
export const FETCH_LIMITS = { bytes: 16_000_000, milliseconds: 10_000, redirects: 5, atOnce: 12 } as const;
