import type { GraphNode } from '../../core/structured-data/index.ts';

/** A graph as it stands in a page, with the element around it. */
export function asScript(nodes: readonly GraphNode[]): string {
  const json = JSON.stringify({ '@context': 'https://schema.org', '@graph': nodes }, null, 2).replace(/</g, '\\u003c');
  return `<script type="application/ld+json">\n${json}\n</script>`;
}
