import type { Finding } from '../checks/index.ts';
import type { Unwritable } from '../page/index.ts';
import type { PhrasePlace } from '../phrases/index.ts';
import { counted, plural } from './numbers.ts';

/** A finding in words: what, why it matters, and what to do. */
export interface FindingWords {
  readonly headline: string;
  readonly why: string;
  readonly mend: string;
}

/** Why nothing can be written into a page, and what to do. */
export const UNWRITABLE: Readonly<Record<Unwritable, { readonly why: string; readonly mend: string }>> = {
  'utf-16': { why: 'It is in UTF-16, which can be read here, but not changed.', mend: 'Save it as UTF-8 in your editor, and bring it in again.' },
  'stateful-encoding': { why: 'Its encoding cannot be written into safely.', mend: 'Save it as UTF-8 in your editor, and bring it in again.' },
  'head-open': {
    why: 'Something in its head never ends, such as its title or a style, so all that follows is taken for its text.',
    mend: 'Put the end tag, such as </title>, where it belongs in the source.',
  },
  'title-made': {
    why: 'A program on the server makes its title; to write over it would break the template.',
    mend: 'Change the title in the template by hand.',
  },
};

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
        headline: `${counted(finding.words, 'word')} of the title ${plural(finding.words, 'falls', 'fall')} past the cut`,
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
        why: 'Something before it closed the head too early; some engines ignore it.',
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
        headline: `Last ${counted(finding.words, 'word')} ${plural(finding.words, 'falls', 'fall')} past the cut`,
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
        headline: 'Blocked, though you want it found',
        why:
          finding.gates.length > 1 ? `${counted(finding.gates.length, 'gate')} block it; fixing only one is not enough.` : 'One gate on its way in blocks it.',
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
        headline: `${finding.count} of ${counted(finding.of, 'picture')} ${plural(finding.count, 'has', 'have')} no alt text`,
        why: `${finding.first}${finding.count > 1 ? ` and ${finding.count - 1} more` : ''}. People who cannot see them, and engines, learn nothing from them.`,
        mend: 'Say what each shows, or that it is decoration.',
      };
    case 'lang-missing':
      return {
        headline: 'The page does not say its language',
        why: 'Screen readers and translators have to guess.',
        mend: 'Add lang to the html tag of the template.',
      };
    case 'title-near':
      return {
        headline: `Nearly the title of ${list(finding.pages.map(nameOf))}`,
        why: 'At a glance they read the same, and a glance is all a searcher gives.',
        mend: 'Put what is different first.',
      };
    case 'description-near':
      return {
        headline: `Nearly the description of ${list(finding.pages.map(nameOf))}`,
        why: 'Engines treat near copies as copies.',
        mend: 'Say what only this page has.',
      };
    case 'phrase-fought':
      return {
        headline: `“${finding.phrase}” is also the target of ${list(finding.pages.map(nameOf))}`,
        why: 'Two pages for one search take each other’s place.',
        mend: 'Keep it for the page that answers best, and give this one its own.',
      };
    case 'phrase-places':
      return {
        headline: `“${finding.phrase}” is not in ${listed(finding.missing.map((place) => PLACE_WORDS[place]))}`,
        why: 'Searchers look for their own words there, and engines weigh them there.',
        mend: 'Use it, in any form that reads well.',
      };
    case 'keywords-many':
      return {
        headline: `${finding.count} keywords`,
        why: 'Hardly any engine reads them, and so many look like stuffing to those that do.',
        mend: 'Keep the few that you would say aloud, or none.',
      };
    case 'links-broken':
      return {
        headline: `${counted(finding.paths.length, 'link')} ${plural(finding.paths.length, 'leads', 'lead')} nowhere`,
        why: `Nothing answers at ${finding.paths[0] ?? ''}${finding.paths.length > 1 ? ` and ${finding.paths.length - 1} more` : ''}.`,
        mend: 'Lead it to a page that is there.',
      };
    case 'links-none':
      return {
        headline: 'No other page links here',
        why: 'Visitors have no way to it, and engines take it for unimportant.',
        mend: 'Set a link on words of a page that speaks of it.',
      };
    case 'noscript-noindex':
      return {
        headline: `“${finding.content}” stands in a noscript of the head`,
        why: 'An engine that runs no scripts reads it and leaves the page out; one that runs them never sees it.',
        mend: 'Take it out of the template, or say it outside of noscript if you mean it.',
      };
    case 'charset-missing':
      return {
        headline: 'It does not say in which encoding it is written',
        why: 'Its letters are UTF-8; where nobody says so, browsers show “ü” as “Ã¼”, and engines may read it so.',
        mend: 'Say it in the head: <meta charset="utf-8">.',
      };
    case 'template-left':
      return {
        headline: `It is a template: “${finding.instruction}” stands in it`,
        why: 'A program on the server makes the real page of it. What is written here may be made anew or lost.',
        mend: 'Bring in the pages as visitors get them, or change the template by hand.',
      };
    case 'one-engine':
      return {
        headline: {
          'shut-out': `Blocked for ${finding.engine} alone`,
          leaking: `${finding.engine} may list it`,
          'half-hidden': `Half hidden from ${finding.engine}`,
        }[finding.how],
        why: {
          'shut-out': 'The other engine may list it; something speaks to this one alone, or only this one heeds it.',
          leaking: 'You want it out; what keeps the other engine away, this one does not heed.',
          'half-hidden': 'It may not fetch the page, so it never reads that it is to stay out.',
        }[finding.how],
        mend: {
          'shut-out': 'Open it for this engine too.',
          leaking: 'Say noindex to all of them.',
          'half-hidden': 'Let it fetch the page, and say noindex there.',
        }[finding.how],
      };
    case 'canonical-several':
      return {
        headline: `${finding.addresses.length} canonicals contradict each other`,
        why: `It names ${list(finding.addresses)} as its main address; engines then heed none of them.`,
        mend: 'Have it name its own address, once.',
      };
    case 'not-writable':
      return { headline: 'Nothing can be written into this page', why: UNWRITABLE[finding.why].why, mend: UNWRITABLE[finding.why].mend };
    case 'second-spelling':
      return {
        headline: `Also linked as ${list(finding.paths)}`,
        why: 'The page answers there too, so engines list it more than once and spread its weight.',
        mend: 'Have all links use its own address.',
      };
    case 'heading-several':
      return {
        headline: `${finding.count} main headings`,
        why: 'A page has one subject; who listens to it expects one headline.',
        mend: 'Make the others second-level headings in the page’s source.',
      };
    case 'heading-order':
      return {
        headline: `“${finding.heading}” skips a level`,
        why: `A heading of level ${finding.level} follows one of level ${finding.after}; who moves by headings loses the thread.`,
        mend: 'Use the next level in the page’s source.',
      };
    case 'heading-wall':
      return {
        headline: `${finding.words} words without a heading`,
        why: 'Readers look for a landmark and leave when there is none.',
        mend: 'Put a heading above each thought.',
      };
    case 'text-thin':
      return {
        headline: `Only ${counted(finding.words, 'word')} on the whole page`,
        why: 'Engines cannot tell what it is about, and seldom list such a page for long.',
        mend: 'Say what a visitor would ask.',
      };
    case 'sentence-long':
      return {
        headline: `${counted(finding.count, 'long sentence')}`,
        why: `The longest has ${finding.words} words: “${finding.begins}…”.`,
        mend: 'Make two of it.',
      };
    case 'paragraph-long':
      return {
        headline: `${counted(finding.count, 'paragraph')} like a wall`,
        why: 'On a phone it fills the screen without a break.',
        mend: 'Break it where the thought turns.',
      };
    case 'reading-hard':
      return {
        headline: finding.very ? 'Very hard to read' : 'Hard to read',
        why: `${finding.score} by the formula of ${finding.formula}: long words in long sentences.`,
        mend: 'Shorter sentences help most.',
      };
    case 'wording-care': {
      const [first] = finding.words;
      return {
        headline: `“${first?.word ?? ''}” may leave people out`,
        why: finding.words.length > 1 ? `So may ${listed(finding.words.slice(1).map(({ word }) => `“${word}”`))}.` : 'Those whom it leaves out notice it.',
        mend: `You could say: ${first?.instead ?? ''}.`,
      };
    }
  }
}

/** What the places are called in which a phrase is looked for. */
export const PLACE_WORDS: Readonly<Record<PhrasePlace, string>> = {
  title: 'the title',
  description: 'the description',
  address: 'the address',
  heading: 'the main heading',
  'first-paragraph': 'the first paragraph',
  'sub-headings': 'a sub-heading',
  alts: 'an alt text',
};

/** `a`, `a and b`, `a, b and c`. */
function listed(parts: readonly string[]): string {
  return parts.length < 2 ? (parts[0] ?? '') : `${parts.slice(0, -1).join(', ')} and ${parts[parts.length - 1] as string}`;
}

/** `A`, `A and B`, `A and 3 more`. */
export function list(names: readonly string[]): string {
  const [first = '', second] = names;
  if (second === undefined) return `“${first}”`;
  return names.length === 2 ? `“${first}” and “${second}”` : `“${first}” and ${names.length - 1} more`;
}
