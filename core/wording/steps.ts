import type { PageId } from '../source/index.ts';
import { SHUT_GATES } from './shut-gates.ts';
import { KIND_TABLE } from '../site/index.ts';
import type { Step } from '../rows/index.ts';
import { list } from './lists.ts';
import { counted, plural } from './numbers.ts';
import { fullDate } from './dates.ts';

/** Past this many pages a number of minutes only discourages. */
const LONG_WALK = 60;

/** A step in words, with what its one action says. */
export function stepWords(step: Step, nameOf: (page: PageId) => string): { readonly headline: string; readonly why: string; readonly action: string } {
  switch (step.code) {
    case 'no-home':
      return {
        headline: `Make ${quoted(nameOf(step.pages[0] ?? ''))} the home page`,
        why: 'Nothing answers at the main address itself: no index.html lies at the top of what you brought in. Visitors and engines begin there.',
        action: 'Make it the home page',
      };
    case 'open-site':
      return {
        headline: 'Open the site to engines',
        why: `It has been closed${step.since === undefined ? '' : ` since ${fullDate(step.since)}`}${step.releases ? `, through ${counted(step.releases, 'release')}` : ''}; every page says noindex, so nobody can find any of it.`,
        action: 'Open the site',
      };
    case 'open-visitors':
      return {
        headline: step.audience === 'draft' ? 'Make the site public' : 'Let everybody visit',
        why:
          step.audience === 'draft'
            ? 'The host keeps it back as a draft: whoever asks for it, engines too, gets “not found”.'
            : 'The host asks for a password. Engines have none, so they list nothing.',
        action: 'Who can visit',
      };
    case 'open-page': {
      const reasons = step.gates.map((gate) => SHUT_GATES[gate.name]);
      const mendable = step.gates.every((gate) => gate.openable);
      return {
        headline: `Open “${nameOf(step.page)}” again`,
        why: `You want it found, but ${reasons.join(', and ')}${reasons.length > 1 ? '; fixing one is not enough' : ''}.`,
        action: mendable ? openAll(reasons.length) : 'See why',
      };
    }
    case 'open-pages':
      return {
        headline: `Open ${counted(step.pages.length, 'page')} again`,
        why: `You want them found, and engines cannot list them: ${list(step.pages.map(nameOf))}.`,
        action: 'See why',
      };
    case 'close-kind':
      return {
        headline:
          step.pages.length === 1
            ? `Keep ${quoted(nameOf(step.pages[0] ?? ''))} out`
            : `Keep ${step.pages.length} ${KIND_TABLE[step.kind].many.toLowerCase()} out`,
        why: `${KIND_TABLE[step.kind].many} are meant to stay out, yet engines may list ${plural(step.pages.length, 'it', 'them')}: they repeat what other pages say.`,
        action: `Keep ${KIND_TABLE[step.kind].many.toLowerCase()} out`,
      };
    case 'close-page':
      return { headline: `Keep “${nameOf(step.page)}” out`, why: 'You want it out, and engines may list it.', action: 'See why' };
    case 'half-hidden':
      return {
        headline: `${step.pages.length === 1 ? `“${nameOf(step.pages[0] ?? '')}” is` : `${step.pages.length} pages are`} only half hidden`,
        why: 'robots.txt forbids fetching, so engines cannot read that it should stay out; the bare address may be listed.',
        action: 'Hide it properly',
      };
    case 'write-words': {
      const parts = [
        step.missing > 0 ? `${counted(step.missing, 'page')} without a description` : '',
        step.same > 0 ? `${step.same} that share one` : '',
      ].filter(Boolean);
      return {
        headline: `Write the words of ${counted(step.pages.length, 'page')}`,
        why: `${parts.length > 0 ? `${parts.join(', ')}. ` : ''}${step.pages.length > LONG_WALK ? 'A long walk: begin with those that matter most to you.' : `About ${counted(Math.max(1, Math.round(step.pages.length * 1.5)), 'minute')}.`}`,
        action: 'Start the walk',
      };
    }
    case 'say-who':
      return {
        headline: 'Say who is behind the site',
        why: 'A name and what you are is enough; engines then know whose pages these are.',
        action: 'Fill it in',
      };
    case 'write-markup':
      return {
        headline: 'Let every page say what it is',
        why: 'An article with its date, a product with its price, the trail: taken from the pages, seen first, written by one press.',
        action: 'See what they say',
      };
    case 'make-map':
      return {
        headline: 'Turn the sitemap on',
        why: 'A list of the pages you want found, with true dates, named in robots.txt.',
        action: 'See the sitemap',
      };
    case 'release':
      return {
        headline: step.first ? 'Release the site' : `Release ${counted(step.files, 'change')}`,
        why: 'Nothing that was changed counts until it is released.',
        action: 'See what waits',
      };
    case 'place-proof':
      return {
        headline: 'Prove to Skerry that the site is yours',
        why: 'Skerry gives you a tag; paste it, and it is put where it belongs.',
        action: 'Place the tag',
      };
    case 'verify':
      return {
        headline: 'Let Skerry look for its tag',
        why: step.waits ? 'The tag is placed; it counts once it is released.' : 'The tag is placed and released.',
        action: step.waits ? 'Release first' : 'Verify',
      };
    case 'hand-in':
      return {
        headline: 'Hand in the sitemap',
        why: step.waits ? 'Waits for the proof.' : 'So that Skerry need not find every page by itself.',
        action: step.waits ? '' : 'Hand it in',
      };
    case 'wait':
      return { headline: 'Wait for Skerry’s visit', why: 'It visits within a day. Its clock can be moved on.', action: 'Watch' };
  }
}

/** What the one action says that opens so many gates. */
export function openAll(gates: number): string {
  return gates < 2 ? 'Open it' : gates === 2 ? 'Open both' : `Open all ${gates}`;
}

const quoted = (name: string): string => `“${name}”`;
