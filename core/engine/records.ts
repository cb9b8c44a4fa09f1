import type { GateReason } from '../indexing/index.ts';
import type { ResultExtras } from '../results/index.ts';

/** What an engine knows of one address. */
export interface IndexRecord {
  /** Absolute. */
  readonly address: string;
  readonly foundBy: 'home' | 'sitemap' | 'link';
  /** ISO times of the engine's clock. */
  readonly foundAt: string;
  readonly visitedAt: string | undefined;
  readonly status: number | undefined;
  /** `bare`: listed by its address alone, unread. */
  readonly outcome: 'listed' | 'bare' | 'not-listed' | 'waiting';
  readonly reason: GateReason | { readonly code: 'waiting' } | { readonly code: 'duplicate'; readonly of: string };
  /** Maps that name it, by their addresses; told of at the last look at them. */
  readonly maps?: readonly string[] | undefined;
  /** Addresses that link to it, as far as they were read. */
  readonly linkedFrom: readonly string[];
  readonly title: string;
  readonly description: string;
  readonly headings: readonly string[];
  /** The first paragraphs: what a snippet falls back to. */
  readonly lead: string;
  readonly text: string;
  /** Most characters that a snippet may have; undefined where there is no limit. */
  readonly maxSnippet?: number | undefined;
  /** By which it is told whether two pages are alike. */
  readonly compared?: string | undefined;
  /** The other page that it names as the main one. */
  readonly canonical?: string | undefined;
  /** What its structured data adds to its result; missing where that is nothing. */
  readonly extras?: ResultExtras | undefined;
  /** What it answered at the last visit: the bytes by their SHA-256. */
  readonly got?:
    | {
        readonly hash: string;
        readonly bytes: number;
        readonly milliseconds: number;
        readonly headers: Readonly<Record<string, readonly string[]>>;
        readonly hops: readonly { readonly address: string; readonly status: number }[];
      }
    | undefined;
}

/** Why a page stands where it does. */
export interface RankReason {
  /** In which fields which of the words stand, the weightiest field first. */
  readonly where: readonly { readonly field: 'title' | 'headings' | 'description' | 'address' | 'text'; readonly words: readonly string[] }[];
  /** Words of the query that it does not have. */
  readonly missing: readonly string[];
  /** Links to it that the engine knows. */
  readonly links: number;
}

/** A card in the engine's answer to a query. */
export interface SearchResult {
  readonly address: string;
  readonly title: string;
  readonly snippet: string;
  /** Stretches of the snippet to be set apart, as offsets. */
  readonly marks: readonly (readonly [number, number])[];
  readonly bare: boolean;
  readonly extras?: ResultExtras | undefined;
  /** Its place, from 1, and why it has it; missing where everything of a site was asked for. */
  readonly position?: number | undefined;
  readonly why?: RankReason | undefined;
  /** How many more results of the same site are folded away below it. */
  readonly more?: number | undefined;
}
