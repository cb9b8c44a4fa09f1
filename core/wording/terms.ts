import { TERM_NAMES } from './term-names.ts';

/**
 * What the words of the trade mean, in the owner's words. This file can be edited by anyone who writes: each term has a name and two or three short
 * sentences. Nothing else depends on what they say.
 */
export const TERMS = {
  title: {
    name: TERM_NAMES.title,
    text: 'The line that searchers see and click, and that the browser shows on its tab. It stands in the page’s head, not in its text. Say what is to be found on this page; put what tells it from others first.',
  },
  description: {
    name: TERM_NAMES.description,
    text: 'One or two sentences for searchers, below the title in a result. It does not move a page up; it makes people choose it. Engines take a piece of the page instead when it is missing or does not fit the search.',
  },
  ending: {
    name: TERM_NAMES.ending,
    text: 'The last part of the page’s address; builders call it slug. Short words with hyphens read best. Changing it costs: every link to the old address must follow, so they are changed for you and a redirect is left behind.',
  },
  phrase: {
    name: TERM_NAMES.phrase,
    text: 'The search this page is to answer, as people would type it. One page, one phrase. It is only a note for you: it is not written into the page, and word forms count.',
  },
  keywords: {
    name: TERM_NAMES.keywords,
    text: 'A list of words in the page’s head that visitors never see. Hardly any engine has read it for many years, and a long one looks like stuffing. Leaving it empty costs nothing.',
  },
  card: {
    name: TERM_NAMES.card,
    text: 'What people see when somebody sends a link to the page: a picture, a title, a line or two. Pages say it by the Open Graph protocol. Where a page says nothing, its title and description are taken.',
  },
  pattern: {
    name: TERM_NAMES.pattern,
    text: 'How the titles of a whole kind of page are made, from parts such as the page’s name and the site’s name. A page follows its kind’s pattern until you write its own words.',
  },
  kind: {
    name: TERM_NAMES.kind,
    text: 'What a page is for: a post, a product, an event. Patterns and intents are set once for a kind. It is guessed from the page’s address and markup; you can say otherwise by a rule, or for one page.',
  },
  intent: {
    name: TERM_NAMES.intent,
    text: 'Whether you want people to find the page by a search. Thank-you pages, baskets and lists that repeat others are better kept out.',
  },
  alt: {
    name: TERM_NAMES.alt,
    text: 'Says what a picture shows, for those who cannot see it and for engines. Write what you would say on the telephone. A picture that is mere decoration has an empty one.',
  },
  fit: {
    name: TERM_NAMES.fit,
    text: 'Results have so much room and no more, in real widths: an “m” takes three times an “i”. Longer texts are allowed; what falls past the cut is not shown. The limits are conventions and can be changed.',
  },
  enough: {
    name: TERM_NAMES.enough,
    text: 'Nothing stops the page from being found and nothing weakens it. What is left is polish: nice, but nobody is lost without it. Stop here and do the next page.',
  },
  canonical: {
    name: TERM_NAMES.canonical,
    text: 'When the same page can be had at several addresses, one of them is the main one (the trade says canonical). Engines list that one.',
  },
  redirect: {
    name: TERM_NAMES.redirect,
    text: 'Sends whoever asks for the old address on to the new one. A web server does it by a rule; where you cannot set rules, a small page at the old address does it.',
  },
  'reading-ease': {
    name: TERM_NAMES['reading-ease'],
    text: 'A formula counts how long sentences and words are. It cannot tell a good text from a bad one, only an easy one from a hard one. Each language has its own formula.',
  },
  orphan: {
    name: TERM_NAMES.orphan,
    text: 'No other page of the site leads here (the trade says orphan). Visitors have no way to it, and engines take it for unimportant.',
  },
  worth: {
    name: TERM_NAMES.worth,
    text: 'How much a visitor by this search would mean to you. Nobody else can know it; it only orders the list.',
  },
  noindex: {
    name: TERM_NAMES.noindex,
    text: 'A word in the page’s head that says: do not list me. Engines have to fetch the page to read it, so robots.txt must let them in. It is the one thing that truly keeps a page out.',
  },
  robots: {
    name: TERM_NAMES.robots,
    text: 'A file at the root of the site that asks crawlers not to fetch some addresses. It does not hide anything: an address that others link to may still be listed, without title and text.',
  },
  crawler: {
    name: TERM_NAMES.crawler,
    text: 'The program with which an engine fetches pages. Each has a name by which robots.txt and pages can speak to it alone.',
  },
  snippet: {
    name: TERM_NAMES.snippet,
    text: 'The lines and the picture below a title in a result. You can limit or forbid them; the page is then less often chosen. Most sites leave all of this alone.',
  },
  follow: {
    name: TERM_NAMES.follow,
    text: 'Whether engines may go on from this page to those it links to. Keep it, unless strangers can write links there.',
  },
  header: {
    name: TERM_NAMES.header,
    text: 'A line that the host sends along with a file. It says for PDFs and pictures what the robots meta says for pages, since they have no head to write into.',
  },
  sitemap: {
    name: TERM_NAMES.sitemap,
    text: 'A list of the addresses you want found, for engines to read. It does not make them list anything; it helps them to find pages and to see what changed.',
  },
  lastmod: {
    name: TERM_NAMES.lastmod,
    text: 'Tells engines which pages are worth another visit. They believe it only where it is true: a date that changes with every build is soon ignored.',
  },
  hints: {
    name: TERM_NAMES.hints,
    text: 'Two fields of the protocol that hardly any engine heeds, because everybody wrote the highest. Leave them out, unless somebody asks for them.',
  },
  twins: {
    name: TERM_NAMES.twins,
    text: 'The same page with and without www, with and without the s. Engines take them for four sites; three should lead to the fourth.',
  },
  'main-address': {
    name: TERM_NAMES['main-address'],
    text: 'With or without www, with or without s: engines take these for different sites. Decide for one, and use it everywhere. With the s is right for nearly everybody.',
  },
} as const;

export type TermId = keyof typeof TERMS;
