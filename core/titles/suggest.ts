import type { PageFacts } from '../page/index.ts';
import { DESCRIPTION_ROOMS, fit, type Room } from './fit.ts';

/** Sentences of the page itself that would serve as its description, best first. Nothing is invented; nothing is cut inside a sentence. */
export function suggestDescriptions(facts: PageFacts, current: string): string[] {
  const room = DESCRIPTION_ROOMS[0] as Room;
  const found: string[] = [];
  for (const paragraph of facts.paragraphs) {
    const sentences = paragraph.match(/[^.!?…]+[.!?…]+["'”’)]*(?=\s|$)/g)?.map((sentence) => sentence.trim()) ?? [];
    let text = '';
    for (const sentence of sentences) {
      const longer = text === '' ? sentence : `${text} ${sentence}`;
      if (fit(longer, room).cut) break;
      text = longer;
    }
    // Less than this says too little to be worth a result's two lines.
    if (text.length >= 50 && text !== current) found.push(text);
  }
  return found;
}

/** The main heading as a title, where the title does not hold it already. */
export function suggestTitles(facts: PageFacts, current: string): string[] {
  return facts.headings.filter((heading) => heading.level === 1 && heading.text !== '' && !current.includes(heading.text)).map((heading) => heading.text);
}
