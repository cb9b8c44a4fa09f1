import type { FindingCode } from '../checks/index.ts';
import { PLACE_WORDS, type WordsOf } from './finding-words.ts';
import { list, listed } from './lists.ts';
import { counted, plural } from './numbers.ts';

/** Of titles, descriptions and phrases. */
export const ABOUT_WORDS = {
  'title-missing': {
    name: 'No title',
    reason: 'Engines make one up.',
    button: () => 'Write',
    say: () => ({ headline: 'No title', why: 'Engines make one up from whatever they find on the page.', mend: 'Say in a few words what this page is.' }),
  },
  'title-leftover': {
    name: 'Leftover title',
    reason: 'A searcher learns nothing from it.',
    button: () => 'Write',
    say: (finding) => {
      const what = { default: 'a default that a tool left', tagline: 'a template’s tagline', domain: 'only the domain' }[finding.why];
      return { headline: `“${finding.part}” is ${what}`, why: 'A searcher learns nothing from it.', mend: 'Write what is to be found here.' };
    },
  },
  'name-number': {
    name: 'Leftover number',
    reason: 'It reads as a copy that somebody forgot.',
    button: () => 'Take it off',
    say: (finding) => ({
      headline: `“${finding.name}” ends in a leftover number`,
      why: 'It reads as a copy that somebody forgot.',
      mend: 'Take the number away.',
    }),
  },
  'title-same': {
    name: 'Same title',
    reason: 'Searchers cannot tell the pages apart.',
    button: () => 'Side by side',
    say: (finding, nameOf) => ({
      headline: `Same title as ${list(finding.pages.map(nameOf))}`,
      why: 'Searchers cannot tell them apart, and engines pick one.',
      mend: 'Say what this page has that the other has not.',
    }),
  },
  'title-near': {
    name: 'Nearly the same title',
    reason: 'At a glance they read the same.',
    button: () => 'Side by side',
    say: (finding, nameOf) => ({
      headline: `Nearly the title of ${list(finding.pages.map(nameOf))}`,
      why: 'At a glance they read the same, and a glance is all a searcher gives.',
      mend: 'Put what is different first.',
    }),
  },
  'title-cut': {
    name: 'Title is cut',
    reason: 'What comes last is not seen.',
    button: () => 'Show',
    say: (finding) => ({
      headline: `${counted(finding.words, 'word')} of the title ${plural(finding.words, 'falls', 'fall')} past the cut`,
      why: `Results show it up to “${finding.lastShown}”.`,
      mend: 'Put what matters first; longer is allowed.',
    }),
  },
  'title-several': {
    name: 'Several titles',
    reason: 'Only the first counts.',
    button: () => 'On all pages',
    everywhere: { label: 'Leave one title', done: 'One title is left', back: 'All titles stay' },
    say: (finding) => ({
      headline: `${counted(finding.count, 'title')} in one page`,
      why: 'Only the first counts; the others are in the way.',
      mend: 'Take the others out of the page’s template.',
    }),
  },
  'title-outside-head': {
    name: 'Title outside the head',
    reason: 'Some engines pass over it.',
    button: () => 'On all pages',
    everywhere: { label: 'Put it into the head', done: 'The title stands in the head', back: 'The title stays where it stood' },
    say: () => ({
      headline: 'The title stands outside the head',
      why: 'Something before it closed the head too early; some engines ignore it.',
      mend: 'Move it to the top of the page’s source.',
    }),
  },
  'description-missing': {
    name: 'No description',
    reason: 'Engines show a piece of the page, seldom the best one.',
    button: () => 'Write',
    say: () => ({
      headline: 'No description',
      why: 'Engines show a piece of the page instead, seldom the best one.',
      mend: 'One or two sentences: what is here, for whom.',
    }),
  },
  'description-same': {
    name: 'Same description',
    reason: 'The same words under different titles tell nothing.',
    button: () => 'Side by side',
    say: (finding, nameOf) => ({
      headline: `Same description as ${list(finding.pages.map(nameOf))}`,
      why: 'The same words under different titles tell a searcher nothing.',
      mend: 'Write one for this page.',
    }),
  },
  'description-near': {
    name: 'Nearly the same description',
    reason: 'Engines treat near copies as copies.',
    button: () => 'Side by side',
    say: (finding, nameOf) => ({
      headline: `Nearly the description of ${list(finding.pages.map(nameOf))}`,
      why: 'Engines treat near copies as copies.',
      mend: 'Say what only this page has.',
    }),
  },
  'description-cut': {
    name: 'Description is cut',
    reason: 'What comes last is not seen.',
    button: () => 'Show',
    say: (finding) => ({
      headline: `Last ${counted(finding.words, 'word')} ${plural(finding.words, 'falls', 'fall')} past the cut`,
      why: `Results show it up to “${finding.lastShown}”.`,
      mend: 'Put what matters nearer the front.',
    }),
  },
  'phrase-fought': {
    name: 'Phrase fought over',
    reason: 'Two pages for one search take each other’s place.',
    button: () => 'See it',
    say: (finding, nameOf) => ({
      headline: `“${finding.phrase}” is also the target of ${list(finding.pages.map(nameOf))}`,
      why: 'Two pages for one search take each other’s place.',
      mend: 'Keep it for the page that answers best, and give this one its own.',
    }),
  },
  'phrase-places': {
    name: 'Phrase not in its places',
    reason: 'Searchers look for their own words there.',
    button: () => 'Show',
    say: (finding) => ({
      headline: `“${finding.phrase}” is not in ${listed(finding.missing.map((place) => PLACE_WORDS[place]))}`,
      why: 'Searchers look for their own words there, and engines weigh them there.',
      mend: 'Use it, in any form that reads well.',
    }),
  },
  'keywords-many': {
    name: 'Too many keywords',
    reason: 'It looks like stuffing.',
    button: () => 'Take them away',
    say: (finding) => ({
      headline: `${finding.count} keywords`,
      why: 'Hardly any engine reads them, and so many look like stuffing to those that do.',
      mend: 'Keep the few that you would say aloud, or none.',
    }),
  },
} satisfies Partial<WordsOf<FindingCode>>;
