import { jsonLdScript } from '../../core/page/index.ts';
import type { GraphNode } from '../../core/structured-data/index.ts';

/** A graph as it stands in a page, with the element around it. */
export function asScript(nodes: readonly GraphNode[]): string {
  return jsonLdScript({ '@context': 'https://schema.org', '@graph': nodes });
}
