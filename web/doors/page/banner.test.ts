import { describe, expect, it } from 'vitest';
import { set, type Change } from '../../../core/site/index.ts';
import { testSite } from '../../../core/testing/site.ts';
import { stateBanner } from './banner.ts';

const page = (head: string, title = 'Box making'): string =>
  `<html lang=en><head><title>${title}</title><meta name=description content="${title}, told in a line of its own.">${head}</head><body><h1>${title}</h1><p>Each box is cut to one book, and covered in cloth.</body></html>`;
const HOME = page('', 'Bindery').replace('</body>', '<a href=/p.html>p</a></body>');
const NOINDEX = '<meta name=robots content=noindex>';

interface Case {
  readonly head?: string;
  readonly home?: string;
  readonly robots?: string;
  readonly changes?: readonly Change[];
  readonly live?: boolean;
  /** What a reader is told, and what the button says. */
  readonly headline: string;
  readonly why: string;
  readonly label: string;
}

const CASES: Readonly<Record<string, Case>> = {
  'all is well': { headline: 'Open: engines may list it', why: 'Every gate is open.', label: '' },
  'not released': { live: false, headline: 'Not live yet', why: 'Engines see only what is released. Below is how it will be.', label: 'To the release' },
  noindex: {
    head: NOINDEX,
    headline: 'Blocked: you want it found, but the page tells engines not to list it',
    why: 'One thing blocks it.',
    label: 'Open it',
  },
  'a line of robots.txt': {
    robots: 'User-agent: *\nDisallow: /p\n',
    headline: 'Blocked: you want it found, but robots.txt forbids engines to fetch it',
    why: 'It may still be listed as a bare address with no description. One thing blocks it.',
    label: 'Open it',
  },
  'two things': {
    head: NOINDEX,
    robots: 'User-agent: *\nDisallow: /p\n',
    headline: 'Blocked: you want it found, but robots.txt forbids engines to fetch it',
    why: 'It may still be listed as a bare address with no description. 2 things block it; fixing only one is not enough.',
    label: 'Open both',
  },
  'nothing leads there': {
    home: page('', 'Bindery'),
    headline: 'Blocked: you want it found, but nothing leads there',
    why: 'One thing blocks it. No page links to it and it is in no sitemap: the sitemap will name it. A link from a page is better still.',
    label: 'Open it',
  },
  'a refresh that sends visitors on': {
    head: '<meta http-equiv=refresh content="0; url=/">',
    headline: 'Blocked: you want it found, but its address does not answer as a page should',
    why: 'One thing blocks it. It sends visitors on at once: that is taken out of it. If it is meant to, keep the page out instead. Plover may list it all the same.',
    label: 'Open it',
  },
  'the one switch': {
    changes: [set('siteSwitch', '', 'open', false)],
    headline: 'Closed: the whole site is closed to engines',
    why: 'Open it with the switch.',
    label: '',
  },
  'a draft at the host': {
    changes: [set('visitors', '', 'audience', 'draft')],
    headline: 'Closed: the host keeps the whole site back',
    why: 'See “The whole site” for who can visit.',
    label: '',
  },
  'a leak': {
    changes: [set('pages', 'p.html', 'kind', 'tag')],
    headline: 'Leaking: you want it out, and engines may list it',
    why: 'Nothing on its way in tells them not to.',
    label: 'Keep it out',
  },
  'half hidden': {
    robots: 'User-agent: *\nDisallow: /p\n',
    changes: [set('pages', 'p.html', 'intent', 'out')],
    headline: 'Half hidden: engines may not fetch it, but may list its address',
    why: 'They never read that it should stay out, because they are forbidden to look.',
    label: 'Hide it properly',
  },
  'kept out as meant': {
    changes: [set('pages', 'p.html', 'intent', 'out')],
    headline: 'Kept out, as you want it',
    why: 'Engines can read that it is not to be listed.',
    label: 'List it after all',
  },
  'words that could be better': {
    changes: [set('pages', 'p.html', 'description', '')],
    headline: 'Open: engines may list it',
    why: 'Every gate is open. Its words could be better; that is for Words.',
    label: 'To its words',
  },
};

describe('the banner at a page says', () => {
  it.each(Object.entries(CASES))('%s', (_what, { head = '', home = HOME, robots, changes = [], live = true, headline, why, label }) => {
    const { survey } = testSite({ 'index.html': home, 'p.html': page(head) }, { changes, live, ...(robots === undefined ? {} : { robots }) });
    const banner = stateBanner(survey.row('p.html'), survey.wayIn('p.html'));
    expect({ headline: banner.headline, why: banner.why, label: banner.label }).toEqual({ headline, why, label });
    // A button does something, and what does something has a button.
    expect(banner.action === undefined).toBe(label === '');
  });
});
