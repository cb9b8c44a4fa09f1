import type { FindingCode } from '../checks/index.ts';
import { UNWRITABLE, type WordsOf } from './finding-words.ts';
import { list, listed } from './lists.ts';
import { counted, plural } from './numbers.ts';

/** Of the way in, and of the page itself. */
export const ABOUT_PAGES = {
  'shut-out': {
    name: 'Blocked, though wanted',
    reason: 'Nobody can find it.',
    button: () => 'Open it',
    say: (finding) => ({
      headline: 'Blocked, though you want it found',
      why: finding.gates.length > 1 ? `${counted(finding.gates.length, 'gate')} block it; fixing only one is not enough.` : 'One gate on its way in blocks it.',
      mend: 'Open it at Doors.',
    }),
  },
  leaking: {
    name: 'Leaking',
    reason: 'Engines list what you want kept out.',
    button: () => 'Keep its kind out',
    say: () => ({ headline: 'Leaking: engines may list it', why: 'You want it kept out, and nothing tells engines so.', mend: 'Keep it out at Doors.' }),
  },
  'half-hidden': {
    name: 'Half hidden',
    reason: 'The bare address may still be listed.',
    button: () => 'Hide properly',
    say: (finding) => ({
      headline: 'Half hidden',
      why: `${finding.line === undefined ? 'robots.txt' : `Line ${finding.line} of robots.txt`} forbids fetching, so engines never read that it should stay out; the bare address may be listed.`,
      mend: 'Let engines fetch it, and let the page say noindex.',
    }),
  },
  'heading-missing': {
    name: 'No main heading',
    reason: 'Visitors look there first.',
    say: () => ({
      headline: 'No main heading',
      why: 'Visitors and engines look there first for what the page is about.',
      mend: 'Give the page one heading of the first level.',
    }),
  },
  'heading-several': {
    name: 'Several main headings',
    reason: 'A page has one subject.',
    button: () => 'On all pages',
    everywhere: { label: 'Leave one main heading', done: 'One main heading is left', back: 'All main headings stay' },
    say: (finding) => ({
      headline: `${finding.count} main headings`,
      why: 'A page has one subject; who listens to it expects one headline.',
      mend: 'Make the others second-level headings in the page’s source.',
    }),
  },
  'heading-order': {
    name: 'Heading skips a level',
    reason: 'Who moves by headings loses the thread.',
    button: () => 'Show',
    say: (finding) => ({
      headline: `“${finding.heading}” skips a level`,
      why: `A heading of level ${finding.level} follows one of level ${finding.after}; who moves by headings loses the thread.`,
      mend: 'Use the next level in the page’s source.',
    }),
  },
  'heading-wall': {
    name: 'Text without headings',
    reason: 'Readers look for a landmark.',
    button: () => 'Show',
    say: (finding) => ({
      headline: `${finding.words} words without a heading`,
      why: 'Readers look for a landmark and leave when there is none.',
      mend: 'Put a heading above each thought.',
    }),
  },
  'text-thin': {
    name: 'Too little text',
    reason: 'Engines cannot tell what it is about.',
    button: () => 'Show',
    say: (finding) => ({
      headline: `Only ${counted(finding.words, 'word')} on the whole page`,
      why: 'Engines cannot tell what it is about, and seldom list such a page for long.',
      mend: 'Say what a visitor would ask.',
    }),
  },
  'sentence-long': {
    name: 'Long sentences',
    reason: 'Readers lose the beginning before the end.',
    button: () => 'Show',
    say: (finding) => ({
      headline: `${counted(finding.count, 'long sentence')}`,
      why: `The longest has ${finding.words} words: “${finding.begins}…”.`,
      mend: 'Make two of it.',
    }),
  },
  'paragraph-long': {
    name: 'Long paragraphs',
    reason: 'On a phone it fills the screen.',
    button: () => 'Show',
    say: (finding) => ({
      headline: `${counted(finding.count, 'paragraph')} like a wall`,
      why: 'On a phone it fills the screen without a break.',
      mend: 'Break it where the thought turns.',
    }),
  },
  'reading-hard': {
    name: 'Hard to read',
    reason: 'Fewer people read to the end.',
    button: () => 'Show',
    say: (finding) => ({
      headline: finding.very ? 'Very hard to read' : 'Hard to read',
      why: `${finding.score} by the formula of ${finding.formula}: long words in long sentences.`,
      mend: 'Shorter sentences help most.',
    }),
  },
  'wording-care': {
    name: 'Words that leave people out',
    reason: 'Those whom a word leaves out notice it. Off until you turn it on, at a page’s own words.',
    button: () => 'Show',
    say: (finding) => {
      const [first] = finding.words;
      return {
        headline: `“${first?.word ?? ''}” may leave people out`,
        why: finding.words.length > 1 ? `So may ${listed(finding.words.slice(1).map(({ word }) => `“${word}”`))}.` : 'Those whom it leaves out notice it.',
        mend: `You could say: ${first?.instead ?? ''}.`,
      };
    },
  },
  'image-alt-missing': {
    name: 'Pictures without alt text',
    reason: 'People who cannot see them learn nothing from them.',
    button: () => 'Write',
    say: (finding) => ({
      headline: `${finding.count} of ${counted(finding.of, 'picture')} ${plural(finding.count, 'has', 'have')} no alt text`,
      why: `${finding.first}${finding.count > 1 ? ` and ${finding.count - 1} more` : ''}. People who cannot see ${plural(finding.count, 'it', 'them')}, and engines, learn nothing from ${plural(finding.count, 'it', 'them')}.`,
      mend: plural(finding.count, 'Say what it shows, or that it is decoration.', 'Say what each shows, or that it is decoration.'),
    }),
  },
  'lang-missing': {
    name: 'No language',
    reason: 'Screen readers have to guess.',
    button: () => 'On all pages',
    everywhere: { label: 'Say the language', done: 'The language is said', back: 'The language is no longer said' },
    say: () => ({
      headline: 'The page does not say its language',
      why: 'Screen readers and translators have to guess.',
      mend: 'Add lang to the html tag of the template.',
    }),
  },
  'links-broken': {
    name: 'Links that lead nowhere',
    reason: 'Visitors run into a wall.',
    button: () => 'Show',
    say: (finding) => ({
      headline: `${counted(finding.paths.length, 'link')} ${plural(finding.paths.length, 'leads', 'lead')} nowhere`,
      why: `Nothing answers at ${finding.paths[0] ?? ''}${finding.paths.length > 1 ? ` and ${finding.paths.length - 1} more` : ''}.`,
      mend: plural(finding.paths.length, 'Lead it to a page that is there.', 'Lead them to pages that are there.'),
    }),
  },
  'links-none': {
    name: 'Nothing links here',
    reason: 'Visitors have no way to it.',
    button: () => 'Show',
    say: () => ({
      headline: 'No other page links here',
      why: 'Visitors have no way to it, and engines take it for unimportant.',
      mend: 'Set a link on words of a page that speaks of it.',
    }),
  },
  'address-taken': {
    name: 'Two pages at one address',
    reason: 'Only one of them can be there.',
    button: () => 'Take the new address back',
    say: (finding, nameOf) => ({
      headline: `At the same address as ${list(finding.pages.map(nameOf))}`,
      why: 'Only one page can answer there: the other would be gone with the next release.',
      mend: 'Give one of them another ending.',
    }),
  },
  'second-spelling': {
    name: 'Several addresses for one page',
    reason: 'Engines list each of them.',
    button: () => 'Use one address',
    say: (finding) => ({
      headline: `Also linked as ${list(finding.paths)}`,
      why: 'The page answers there too, so engines list it more than once and spread its weight.',
      mend: 'Have all links use its own address.',
    }),
  },
  'charset-missing': {
    name: 'No word about the encoding',
    reason: 'Letters beyond ASCII come out wrong.',
    button: () => 'Say it everywhere',
    say: () => ({
      headline: 'It does not say in which encoding it is written',
      why: 'Its letters are UTF-8; where nobody says so, browsers show “ü” as “Ã¼”, and engines may read it so.',
      mend: 'Say it in the head: <meta charset="utf-8">.',
    }),
  },
  'noscript-noindex': {
    name: 'A noindex for readers without scripts',
    reason: 'Engines that run no scripts leave the page out.',
    say: (finding) => ({
      headline: `“${finding.content}” stands in a noscript of the head`,
      why: 'An engine that runs no scripts reads it and leaves the page out; one that runs them never sees it.',
      mend: 'Take it out of the template, or say it outside of noscript if you mean it.',
    }),
  },
  'one-engine': {
    name: 'Otherwise for one engine',
    reason: 'One engine takes it as you mean it, another one does not.',
    button: ({ how, engine }) => ({ 'shut-out': `Open it for ${engine}`, leaking: 'Keep it out', 'half-hidden': 'Hide properly' })[how],
    say: (finding) => ({
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
    }),
  },
  'canonical-several': {
    name: 'Canonicals that contradict each other',
    reason: 'Engines then heed none of them.',
    button: () => 'Name its own',
    say: (finding) => ({
      headline: `${finding.addresses.length} canonicals contradict each other`,
      why: `It names ${list(finding.addresses)} as its main address; engines then heed none of them.`,
      mend: 'Have it name its own address, once.',
    }),
  },
  'template-left': {
    name: 'A template, not a page',
    reason: 'What visitors get is made of it elsewhere.',
    say: (finding) => ({
      headline: `It is a template: “${finding.instruction}” stands in it`,
      why: 'A program on the server makes the real page of it. What is written here may be made anew or lost.',
      mend: 'Bring in the pages as visitors get them, or change the template by hand.',
    }),
  },
  'not-writable': {
    name: 'Nothing can be written into it',
    reason: 'What you write stays here, and is not released.',
    say: (finding) => ({ headline: 'Nothing can be written into this page', why: UNWRITABLE[finding.why].why, mend: UNWRITABLE[finding.why].mend }),
  },
} satisfies Partial<WordsOf<FindingCode>>;
