import { maySayDays, saidHours, speaksOfOpening } from '../values/index.ts';
import type { Said } from './content.ts';
import { textOf, type Block } from './outline.ts';

/** Letters of a block that may say hours; of one that may be a day's or an hour's cell; blocks of one timetable. */
const LONGEST = 300;
const LONGEST_CELL = 60;
const MOST_BLOCKS = 24;
/** Blocks above hours among which a heading may say that they are hours. */
const HEADED_BY = 3;

interface Found extends Said<string> {
  /** What is understood of it, to tell two timetables from one that is said twice. */
  readonly understood: string;
}

/**
 * When it is open, by what a page says: a run of blocks, lines or cells that together say days and hours, under a word for it or where people look for it. Undefined where a page says
 * none, or where two places say different ones: nobody knows then which are meant.
 */
export function hoursOf(blocks: readonly Block[], lang: string): Said<string> | undefined {
  const found: Found[] = [];
  for (let at = 0; at < blocks.length; at++) {
    const size = runFrom(blocks, at, lang);
    if (size === 0) continue;
    const run = blocks.slice(at, at + size);
    const said = isMeant(blocks, at, run) ? wholeOf(run, lang) : undefined;
    if (said === 'unclear') return undefined;
    if (said) found.push(said);
    at += size - 1;
  }
  const [first, ...others] = found;
  if (!first || others.some(({ understood }) => understood !== first.understood)) return undefined;
  const { understood: _, ...said } = first;
  return said;
}

/** How many blocks from here say days and hours, each for itself or with the one behind it. */
function runFrom(blocks: readonly Block[], start: number, lang: string): number {
  let at = start;
  while (at - start < MOST_BLOCKS) {
    const block = blocks[at];
    if (!block || block.text.length > LONGEST || block.part !== blocks[start]?.part) break;
    if (says(textOf(block), lang)) {
      at += 1;
      continue;
    }
    const next = blocks[at + 1];
    const isPair = block.text.length <= LONGEST_CELL && next !== undefined && next.text.length <= LONGEST_CELL * 2 && next.part === block.part;
    if (!isPair || !maySayDays(`${block.text}:`) || says(textOf(next), lang) || !says(`${block.text}\n${textOf(next)}`, lang)) break;
    at += 2;
  }
  return at - start;
}

function says(text: string, lang: string): boolean {
  const { hours, doubt } = saidHours(text, lang);
  return hours.length > 0 || doubt !== undefined;
}

/** Whether days and hours are those of a door: a word says so, or they stand where that is said of everybody, or they are as many as only a timetable has. */
function isMeant(blocks: readonly Block[], at: number, run: readonly Block[]): boolean {
  const above = blocks.slice(Math.max(0, at - HEADED_BY), at).filter(({ text }) => text.length <= LONGEST_CELL);
  if (
    [...above, ...run].some(
      ({ text, hints }) => speaksOfOpening(text) || /\b(?:opening|hours|oeffnungszeiten|horaires|horario|orari|openingstijden)\b/.test(hints),
    )
  )
    return true;
  const first = run[0] as Block;
  return (
    first.part === 'footer' || first.part === 'header' || first.tag === 'address' || (run.length > 2 && (first.listTag === 'table' || first.listTag === 'dl'))
  );
}

function wholeOf(run: readonly Block[], lang: string): Found | 'unclear' | undefined {
  const text = run.map(textOf).join('\n');
  const { hours, doubt } = saidHours(text, lang);
  if (doubt !== undefined) return 'unclear';
  const [first, last] = [run[0] as Block, run.at(-1) as Block];
  if (hours.length === 0) return undefined;
  const understood = JSON.stringify(hours);
  const isListed = first.listTag !== '';
  const value = bare(isListed ? pairsOf(run, lang) : text, (shorter) => JSON.stringify(saidHours(shorter, lang).hours) === understood);
  return { value, text: value.replaceAll('\n', '; '), start: first.start, end: last.end, how: isListed ? 'element' : 'words', understood };
}

/** A text without what stands before and behind its days and hours, as far as the same is understood of it. */
function bare(text: string, isSame: (shorter: string) => boolean): string {
  const lines = text.split('\n');
  while (lines.length > 1 && isSame(lines.slice(1).join('\n'))) lines.shift();
  while (lines.length > 1 && isSame(lines.slice(0, -1).join('\n'))) lines.pop();
  let whole = lines.join('\n');
  for (let cut = CUT.exec(whole); cut && isSame(whole.slice(cut[0].length)); cut = CUT.exec(whole)) whole = whole.slice(cut[0].length);
  return whole;
}

/** What can be left off in front: a label, or something else on the same line. */
const CUT = /^[^\n]*?(?:[:,;.|·]\s+|\s(?=\S))/;

/** The cells of a timetable as lines: days and hours of one row beside each other. */
function pairsOf(run: readonly Block[], lang: string): string {
  const lines: string[] = [];
  for (let at = 0; at < run.length; at++) {
    const own = textOf(run[at] as Block);
    if (saidHours(own, lang).hours.length > 0 || run[at + 1] === undefined) lines.push(own);
    else {
      lines.push(`${own} ${textOf(run[at + 1] as Block)}`);
      at++;
    }
  }
  return lines.join('\n');
}
