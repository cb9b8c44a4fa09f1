import type { Finding } from '../checks/index.ts';
import { counted } from './states.ts';

/** A finding in words: what, why it matters, and what to do. */
export interface FindingWords {
  readonly headline: string;
  readonly why: string;
  readonly mend: string;
}

/** Sentences for a finding. `nameOf` gives what a page is called. */
export function findingWords(finding: Finding, nameOf: (page: string) => string = (page) => page): FindingWords {
  switch (finding.code) {
    case 'title-missing':
      return { headline: 'No title', why: 'Engines make one up from whatever they find on the page.', mend: 'Say in a few words what this page is.' };
    case 'title-leftover': {
      const what = { default: 'a default that a tool left', tagline: 'a template’s tagline', domain: 'only the domain' }[finding.why];
      return { headline: `“${finding.part}” is ${what}`, why: 'A searcher learns nothing from it.', mend: 'Write what is to be found here.' };
    }
    case 'title-cut':
      return {
        headline: `${counted(finding.words, 'word')} of the title ${finding.words === 1 ? 'falls' : 'fall'} past the cut`,
        why: `Results show it up to “${finding.lastShown}”.`,
        mend: 'Put what matters first; longer is allowed.',
      };
    case 'title-same':
      return {
        headline: `Same title as ${list(finding.pages.map(nameOf))}`,
        why: 'Searchers cannot tell them apart, and engines pick one.',
        mend: 'Say what this page has that the other has not.',
      };
    case 'title-several':
      return {
        headline: `${counted(finding.count, 'title')} in one page`,
        why: 'Only the first counts; the others are in the way.',
        mend: 'Take the others out of the page’s template.',
      };
    case 'title-outside-head':
      return {
        headline: 'The title stands outside the head',
        why: 'Something before it closed the head too early; some engines pass over it.',
        mend: 'Move it to the top of the page’s source.',
      };
    case 'name-number':
      return { headline: `“${finding.name}” ends in a leftover number`, why: 'It reads as a copy that somebody forgot.', mend: 'Take the number away.' };
    case 'description-missing':
      return {
        headline: 'No description',
        why: 'Engines show a piece of the page instead, seldom the best one.',
        mend: 'One or two sentences: what is here, for whom.',
      };
    case 'description-same':
      return {
        headline: `Same description as ${list(finding.pages.map(nameOf))}`,
        why: 'The same words under different titles tell a searcher nothing.',
        mend: 'Write one for this page.',
      };
    case 'description-cut':
      return {
        headline: `Last ${counted(finding.words, 'word')} ${finding.words === 1 ? 'falls' : 'fall'} past the cut`,
        why: `Results show it up to “${finding.lastShown}”.`,
        mend: 'Put what matters nearer the front.',
      };
    case 'heading-missing':
      return {
        headline: 'No main heading',
        why: 'Visitors and engines look there first for what the page is about.',
        mend: 'Give the page one heading of the first level.',
      };
    case 'shut-out':
      return {
        headline: 'Shut out, though you want it found',
        why: finding.gates.length > 1 ? `${counted(finding.gates.length, 'gate')} are shut; mending only one is not enough.` : 'A gate on its way in is shut.',
        mend: 'Open it at Doors.',
      };
    case 'leaking':
      return { headline: 'Leaking: engines may list it', why: 'You want it kept out, and nothing tells engines so.', mend: 'Keep it out at Doors.' };
    case 'half-hidden':
      return {
        headline: 'Half hidden',
        why: `${finding.line === undefined ? 'robots.txt' : `Line ${finding.line} of robots.txt`} forbids fetching, so engines never read that it should stay out; the bare address may be listed.`,
        mend: 'Let engines fetch it, and let the page say noindex.',
      };
    case 'image-alt-missing':
      return {
        headline: `${finding.count} of ${counted(finding.of, 'picture')} ${finding.count === 1 ? 'has' : 'have'} no alt text`,
        why: `${finding.first}${finding.count > 1 ? ` and ${finding.count - 1} more` : ''}. Who cannot see them, and engines, get nothing.`,
        mend: 'Say in the page’s source what each shows.',
      };
    case 'lang-missing':
      return {
        headline: 'The page does not say its language',
        why: 'Screen readers and translators have to guess.',
        mend: 'Add lang to the html tag of the template.',
      };
  }
}

/** `A`, `A and B`, `A and 3 more`. */
export function list(names: readonly string[]): string {
  const [first = '', second] = names;
  if (second === undefined) return `“${first}”`;
  return names.length === 2 ? `“${first}” and “${second}”` : `“${first}” and ${names.length - 1} more`;
}
