import { parseFragment } from 'parse5';
import { indexDirectives } from './directives.ts';

/**
 * What a robots `meta` inside a `noscript` of the head says against listing: a reader without scripts heeds it, one with scripts never sees it (HTML standard,
 * 4.12.2). Undefined where there is none.
 */
export function noindexInNoscript(text: string): string | undefined {
  if (!/<noscript/i.test(text)) return undefined;
  const head = text.slice(0, endOfHead(text));
  for (const [, inner = ''] of head.matchAll(/<noscript\b[^>]*>([^]*?)(?:<\/noscript|$)/gi)) {
    for (const node of parseFragment(inner).childNodes) {
      if (!('attrs' in node) || node.tagName !== 'meta') continue;
      const value = (name: string): string | undefined => node.attrs.find((attribute) => attribute.name === name)?.value;
      const content = value('content') ?? '';
      if (value('name')?.trim().toLowerCase() === 'robots' && indexDirectives(content).noindex) return content;
    }
  }
  return undefined;
}

function endOfHead(text: string): number {
  const end = /<\/head|<body\b/i.exec(text);
  return end ? end.index : text.length;
}
