import type { PageFacts } from '../page/index.ts';

/** A JSON-LD block that a page brings with it. */
export interface ExistingBlock {
  /** Types found in it, in order; empty where it is not JSON. */
  readonly types: readonly string[];
  readonly broken: boolean;
}

/** The JSON-LD that stands in a page already: which types, and what is broken. */
export function existingBlocks(facts: PageFacts): ExistingBlock[] {
  return facts.jsonLd.map(({ text }) => {
    const types: string[] = [];
    const visit = (value: unknown, depth: number): void => {
      if (depth > 8 || typeof value !== 'object' || value === null) return;
      if (!Array.isArray(value)) {
        const type = (value as { '@type'?: unknown })['@type'];
        for (const one of Array.isArray(type) ? type : [type]) if (typeof one === 'string') types.push(one);
      }
      for (const part of Object.values(value)) visit(part, depth + 1);
    };
    try {
      visit(JSON.parse(text), 0);
      return { types, broken: false };
    } catch {
      return { types: [], broken: true };
    }
  });
}
