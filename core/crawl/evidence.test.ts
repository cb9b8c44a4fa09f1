import { describe, expect, it } from 'vitest';
import { set, type Change } from '../site/index.ts';
import { testSite } from '../testing/site.ts';

const words = 'Each box is cut to the measure of one book, covered in cloth, and lined with felt.';
const page = (head: string, text = words): string => `<html lang=en><head><title>T</title>${head}</head><body><h1>T</h1><p>${text}</body></html>`;
const canonical = (href: string): string => `<link rel=canonical href="${href}">`;
const HOME = page('', `${words}</p><a href=p.html>p</a><a href=q.html>q</a>`);

interface Case {
  readonly p: string;
  readonly q?: string;
  readonly others?: Readonly<Record<string, string>>;
  readonly robots?: string;
  readonly changes?: readonly Change[];
  /** What the gate of the main address says to each engine, and what becomes of the page there. */
  readonly skerry: string;
  readonly plover?: string;
}

/** By gate `main-address`: the reason's code, with what the canonical's target suffers from, and the reality. */
const CANONICALS: Readonly<Record<string, Case>> = {
  none: { p: page(''), skerry: 'canonical-none, listed' },
  'its own': { p: page(canonical('https://a.example/p.html')), skerry: 'canonical-self, listed' },
  'its own, relative': { p: page(canonical('p.html')), skerry: 'canonical-self, listed' },
  'its own, in another spelling of percent signs': { p: page(canonical('/%70.html')), skerry: 'canonical-self, listed' },
  'a page that is alike': { p: page(canonical('/q.html')), skerry: 'canonical-elsewhere, out' },
  'a page that is not alike': {
    p: page(canonical('/q.html')),
    q: page('', 'Prices of everything, told by the hour, for the whole of next year and the one after it.'),
    skerry: 'canonical-elsewhere, out',
    plover: 'canonical-ignored unlike, listed',
  },
  'a page that is not there': { p: page(canonical('/gone.html')), skerry: 'canonical-ignored gone, listed' },
  'a page that is kept out': { p: page(canonical('/q.html')), q: page('<meta name=robots content=noindex>'), skerry: 'canonical-elsewhere noindex, out' },
  'a page that may not be fetched': {
    p: page(canonical('/q.html')),
    robots: 'User-agent: *\nDisallow: /q\n',
    skerry: 'canonical-elsewhere blocked, out',
    plover: 'canonical-ignored unlike, listed',
  },
  'a page that names another one itself': {
    p: page(canonical('/q.html')),
    q: page(canonical('/')),
    skerry: 'canonical-elsewhere elsewhere, out',
  },
  'a folder without its slash': {
    p: page(canonical('/f')),
    others: { 'f/index.html': page('') },
    skerry: 'canonical-elsewhere redirects, out',
  },
  'another site': { p: page(canonical('https://b.example/')), skerry: 'canonical-elsewhere, out' },
  'two that contradict each other': { p: page(canonical('/p.html') + canonical('/q.html')), skerry: 'canonical-conflict, listed' },
  'two that say the same': { p: page(canonical('/p.html') + canonical('https://a.example/p.html')), skerry: 'canonical-self, listed' },
  'one in the body, which counts for nothing': { p: page('').replace('<h1>', `${canonical('/q.html')}<h1>`), skerry: 'canonical-none, listed' },
  'another one, where the owner says that it is its own': {
    p: page(canonical('/q.html')),
    changes: [set('pages', 'p.html', 'canonical', 'self')],
    skerry: 'canonical-self, listed',
  },
  'the address from which it moved': {
    p: page(canonical('/p.html')),
    changes: [set('pages', 'p.html', 'ending', 'moved')],
    skerry: 'canonical-self, listed',
  },
  'a page that moved': {
    p: page(canonical('/q.html')),
    changes: [set('pages', 'q.html', 'ending', 'moved')],
    skerry: 'canonical-elsewhere, out',
  },
  'the host under which the site was before': {
    p: page(canonical('https://old.example/p.html')),
    changes: [set('facts', '', 'cameAs', 'https://old.example')],
    skerry: 'canonical-self, listed',
  },
};

describe('a page whose canonical names', () => {
  it.each(Object.entries(CANONICALS))('%s', (_what, { p, q = page(''), others = {}, robots, changes = [], skerry, plover = skerry }) => {
    const { survey } = testSite({ 'index.html': HOME, 'p.html': p, 'q.html': q, ...others }, { changes, ...(robots === undefined ? {} : { robots }) });
    const told = (crawler: string): string => {
      const { gates, reality } = survey.wayIn('p.html', crawler);
      const reason = gates.find((gate) => gate.name === 'main-address')?.reason;
      const more = reason && 'trouble' in reason ? reason.trouble : reason && 'why' in reason ? reason.why : undefined;
      return `${reason?.code ?? ''}${more === undefined ? '' : ` ${more}`}, ${reality}`;
    };
    expect({ skerry: told('SkerryBot'), plover: told('PloverBot') }).toEqual({ skerry, plover });
  });
});

describe('what is said about listing', () => {
  const gate = (head: string, changes: readonly Change[] = [], crawler = 'SkerryBot'): unknown => {
    const { survey } = testSite({ 'index.html': HOME, 'p.html': page(head) }, { changes });
    const { outcome, reason } = survey.wayIn('p.html', crawler).gates.find((one) => one.name === 'listed') ?? {};
    return [outcome, reason?.code, reason && 'from' in reason ? reason.from : undefined].filter((one) => one !== undefined).join(' ');
  };
  it.each([
    ['nothing', '', [], 'open no-directive'],
    ['a word that forbids nothing', '<meta name=robots content="index, follow">', [], 'open index-allowed'],
    ['none', '<meta name=robots content=none>', [], 'shut noindex page'],
    ['noindex in capitals', '<META NAME=ROBOTS CONTENT=NOINDEX>', [], 'shut noindex page'],
    ['a word to another crawler', '<meta name=ploverbot content=noindex>', [], 'open no-directive'],
    ['a day that is over', '<meta name=robots content="unavailable_after: 2026-01-01">', [], 'shut expired'],
    ['a day to come', '<meta name=robots content="unavailable_after: 2027-01-01">', [], 'open index-allowed'],
    ['the owner’s word for the page', '', [set('pages', 'p.html', 'intent', 'out')], 'shut noindex owner'],
    ['the owner’s word against the page’s', '<meta name=robots content=noindex>', [set('pages', 'p.html', 'intent', 'list')], 'open no-directive'],
    ['the switch', '', [set('siteSwitch', '', 'open', false)], 'shut noindex switch'],
    ['a header', '', [set('headers', 'h', 'path', '.html'), set('directives', 'files:h\n*', 'intent', 'out')], 'shut noindex header'],
  ] as const)('%s', (_what, head, changes, told) => expect(gate(head, changes)).toBe(told));
  it('to one crawler is heard by that one, its day by whoever knows such days', () => {
    expect(gate('<meta name=ploverbot content=noindex>', [], 'PloverBot')).toBe('shut noindex page');
    expect(gate('<meta name=robots content="unavailable_after: 2026-01-01">', [], 'PloverBot')).toBe('open index-allowed');
  });
});
