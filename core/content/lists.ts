import { CONTENT_LIMITS, type Crumb, type Question, type Said, type Step } from './content.ts';
import type { Block } from './outline.ts';

const clipped = (text: string): string => text.slice(0, CONTENT_LIMITS.text);
/** Signs that documentation sets behind its headings, to link to them. */
const MARKS = /\s*[¶§#🔗]\s*$/u;
const ASKS = /[?？;؟]\s*$/;
const asks = (text: string): boolean => ASKS.test(text.replace(MARKS, ''));
const isHeading = ({ tag }: Block): boolean => /^h[1-6]$/.test(tag);
const level = ({ tag }: Block): number => Number(tag.slice(1));

const saidOf = <V>(value: V, from: Block, to: Block, text: string, how: Said<V>['how'] = 'element'): Said<V> => ({
  value,
  text,
  start: from.start,
  end: Math.max(from.end, to.end),
  how,
});

/** Questions with their answers: `details` that open on one, terms of a list that ask, headings that ask. One question makes no list. */
export function questionsIn(blocks: readonly Block[]): Said<readonly Question[]> | undefined {
  const own = blocks.filter(({ part }) => part === 'main');
  for (const found of [inDetails(own), inTerms(own), underHeadings(own)]) {
    const [first] = found;
    const last = found[found.length - 1];
    if (!first || !last || found.length < 2) continue;
    const value = found.slice(0, CONTENT_LIMITS.questions).map(({ question, answer }) => ({ question: clipped(question), answer: clipped(answer) }));
    return saidOf(value, first.from, last.to, first.question);
  }
  return undefined;
}

interface Asked extends Question {
  readonly from: Block;
  readonly to: Block;
}

function inDetails(blocks: readonly Block[]): Asked[] {
  const found: Asked[] = [];
  for (let at = 0; at < blocks.length; at++) {
    const summary = blocks[at] as Block;
    if (summary.tag !== 'summary' || !asks(summary.text)) continue;
    const answer: Block[] = [];
    for (let next = at + 1; next < blocks.length && blocks[next]?.details === summary.details; next++) answer.push(blocks[next] as Block);
    const last = answer[answer.length - 1];
    if (last) found.push({ question: summary.text, answer: answer.map(({ text }) => text).join(' '), from: summary, to: last });
  }
  return found;
}

function inTerms(blocks: readonly Block[]): Asked[] {
  return blocks.flatMap((term, at): Asked[] => {
    const answer = blocks[at + 1];
    return term.tag === 'dt' && asks(term.text) && answer && (answer.tag === 'dd' || answer.list === term.list) && answer.tag !== 'dt'
      ? [{ question: term.text, answer: answer.text, from: term, to: answer }]
      : [];
  });
}

function underHeadings(blocks: readonly Block[]): Asked[] {
  const found: Asked[] = [];
  for (let at = 0; at < blocks.length; at++) {
    const heading = blocks[at] as Block;
    if (!isHeading(heading) || level(heading) === 1 || !asks(heading.text)) continue;
    const answer: Block[] = [];
    for (let next = at + 1; next < blocks.length && !isHeading(blocks[next] as Block); next++) answer.push(blocks[next] as Block);
    const last = answer[answer.length - 1];
    if (last) found.push({ question: heading.text.replace(MARKS, ''), answer: answer.map(({ text }) => text).join(' '), from: heading, to: last });
  }
  return found;
}

const STEPS =
  /\b(steps?|how to|instructions?|method|directions|preparation|schritte?|anleitung|zubereitung|so geht|étapes?|mode d.emploi|préparation|pasos?|instrucciones|preparación)\b|手順|作り方|方法/i;
const INGREDIENTS = /\b(ingredients?|you (?:will )?need|materials?|zutaten|material|du brauchst|ingrédients?|il (?:vous )?faut|ingredientes|necesitas)\b|材料/i;

/** The steps of an instruction: an ordered list, the longest of those under a heading that says so before others. */
export function stepsIn(blocks: readonly Block[]): Said<readonly Step[]> | undefined {
  const best =
    listUnder(blocks, STEPS, (list) => list[0]?.listTag === 'ol') ?? listUnder(blocks, undefined, (list) => list[0]?.listTag === 'ol' && list.length > 2);
  const [first] = best ?? [];
  if (!best || !first) return undefined;
  const steps = best.slice(0, CONTENT_LIMITS.steps).map(({ text }) => ({ name: text.split(/(?<=[.!?。])\s/)[0]?.slice(0, 110) ?? text, text: clipped(text) }));
  return saidOf(steps, first, best[best.length - 1] as Block, first.text);
}

/** What is needed: a list under a heading that says so. */
export function ingredientsIn(blocks: readonly Block[]): Said<readonly string[]> | undefined {
  const best = listUnder(blocks, INGREDIENTS, () => true);
  const [first] = best ?? [];
  return best && first
    ? saidOf(
        best.slice(0, CONTENT_LIMITS.ingredients).map(({ text }) => clipped(text)),
        first,
        best[best.length - 1] as Block,
        first.text,
      )
    : undefined;
}

function listUnder(blocks: readonly Block[], heading: RegExp | undefined, fits: (list: readonly Block[]) => boolean): readonly Block[] | undefined {
  const own = blocks.filter(({ part }) => part === 'main');
  let under = heading === undefined;
  const lists = new Map<number, Block[]>();
  for (const block of own) {
    if (heading && isHeading(block)) under = heading.test(block.text);
    else if (under && block.list >= 0 && (block.tag === 'li' || block.tag === 'p'))
      (lists.get(block.list) ?? lists.set(block.list, []).get(block.list))?.push(block);
  }
  const found = [...lists.values()].filter((list) => list.length > 1 && fits(list));
  return found.reduce<readonly Block[] | undefined>((best, list) => (best && best.length >= list.length ? best : list), undefined);
}

const TRAIL = /\b(breadcrumbs?|crumbs?|trail|you-are-here|brotkrumen?|ariane|migas)\b/;
const ARROWS = /\s*[›»>\/→|·]\s*/;

/** The trail that a page shows: what names itself one, in the order of its links, with where the visitor is at the end. */
export function trailIn(blocks: readonly Block[]): Said<readonly Crumb[]> | undefined {
  const marked = blocks.filter(({ hints }) => TRAIL.test(hints));
  const [first] = marked;
  if (!first) return undefined;
  const crumbs: Crumb[] = [];
  for (const block of marked) {
    if (block.links.length === 0) {
      const bare = block.text.replace(ARROWS, '').trim();
      if (bare !== '' && block.text.length < 120) crumbs.push({ name: bare, href: '' });
      continue;
    }
    for (const { text, href } of block.links) if (text !== '') crumbs.push({ name: text, href });
    const [, tail] = parted(block);
    if (tail !== '') crumbs.push({ name: tail, href: '' });
  }
  return crumbs.length < 2 ? undefined : saidOf(crumbs.slice(0, 12), first, marked[marked.length - 1] as Block, crumbs.map(({ name }) => name).join(' › '));
}

/** What stands behind the last link of a block, without the arrow between. */
function parted(block: Block): readonly [string, string] {
  const last = block.links[block.links.length - 1]?.text ?? '';
  const at = block.text.lastIndexOf(last);
  return [
    block.text.slice(0, at),
    block.text
      .slice(at + last.length)
      .replace(/^\s*[›»>\/→|·]+\s*/, '')
      .trim(),
  ];
}
