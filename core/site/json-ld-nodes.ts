import type { PageFacts } from '../page/index.ts';

/** A thing in JSON-LD, as it is written. */
export type Node = Readonly<Record<string, unknown>>;

export const isNode = (value: unknown): value is Node => typeof value === 'object' && value !== null && !Array.isArray(value);

/** Things and lists looked at in one block at most. */
const MOST = 200;

/** The things at the top of a page's JSON-LD, in order: lists and graphs are looked through, broken blocks passed over. */
export function* jsonLdNodes(facts: Pick<PageFacts, 'jsonLd'>): Generator<Node> {
  for (const block of facts.jsonLd) {
    let value: unknown;
    try {
      value = JSON.parse(block.text);
    } catch {
      continue;
    }
    const waiting: unknown[] = [value];
    for (let turns = 0; waiting.length > 0 && turns < MOST; turns++) {
      const next = waiting.shift();
      if (Array.isArray(next)) waiting.push(...next);
      else if (isNode(next)) {
        yield next;
        waiting.push(next['@graph']);
      }
    }
  }
}
