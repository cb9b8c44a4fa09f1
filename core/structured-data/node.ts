import { onlyFields } from '../keyed/index.ts';
/** A value of JSON-LD as it is written. */
export type Json = string | number | boolean | readonly Json[] | JsonObject;
export interface JsonObject {
  readonly [property: string]: Json;
}

/** A node of a JSON-LD graph. */
export interface GraphNode {
  readonly '@type': string | readonly string[];
  readonly '@id': string;
  readonly [property: string]: unknown;
}
export interface Graph {
  readonly '@context': 'https://schema.org';
  readonly '@graph': readonly GraphNode[];
}

/** A record without what says nothing: undefined, null, blank texts and empty lists. */
export function compact<R extends Readonly<Record<string, unknown>>>(node: R): R {
  return onlyFields(node, (value) => !saysNothing(value));
}

const saysNothing = (value: unknown): boolean =>
  value === undefined || value === null || (typeof value === 'string' && value.trim() === '') || (Array.isArray(value) && value.length === 0);

/** A whole address; undefined where a reference makes none. */
export function absolute(reference: string | null | undefined, base: string): string | undefined {
  return reference && URL.canParse(reference, base) ? new URL(reference, base).href : undefined;
}
