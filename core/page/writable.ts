import { readOnlyReason } from '../source/index.ts';
import type { PageFacts, Unwritable } from './facts.ts';
import { hasInstruction } from './leftovers.ts';

/** Elements of a head whose content is no markup of the page: one that never ends takes in all that follows. */
const SWALLOWING = ['title', 'style', 'script', 'noframes', 'noscript', 'template'] as const;

/**
 * Why a page cannot be written into: its encoding; an element of its head that never ends, so that all that follows is taken for its text; or a title that is
 * made by a program, whose instruction would be lost.
 */
export function whyNotWritable(facts: Pick<PageFacts, 'encoding' | 'titles'>, text: string): Unwritable | undefined {
  const encoding = readOnlyReason(facts.encoding);
  if (encoding !== undefined) return encoding;
  const title = facts.titles[0]?.content;
  if (title && title.start > 0 && title.end >= text.length) return 'head-open';
  const end = /<body[\s>]|<\/head[\s>]/i.exec(text)?.index ?? text.length;
  const head = text.slice(0, end).toLowerCase();
  if (SWALLOWING.some((name) => neverEnds(head, text, name))) return 'head-open';
  return title && hasInstruction(text.slice(title.start, title.end)) ? 'title-made' : undefined;
}

/** Whether an element that began in the head is still open at the end of the page. */
function neverEnds(head: string, text: string, name: string): boolean {
  const opened = head.lastIndexOf(`<${name}`);
  if (opened < 0 || opened < head.lastIndexOf(`</${name}`) || !/[\s/>]/.test(head[opened + name.length + 1] ?? '')) return false;
  return !new RegExp(`</${name}[\\s/>]`, 'i').test(text.slice(opened));
}
