import { ENGINES } from '../../../core/engines/index.ts';
import { canOpen, type WayIn } from '../../../core/indexing/index.ts';
import type { PageRow } from '../../../core/rows/index.ts';
import { counted, openAll, plural, SHUT_GATES } from '../../../core/wording/index.ts';

export type BannerAction = 'open' | 'hide' | 'keep-out' | 'list' | 'release' | 'words';
interface Banner {
  readonly headline: string;
  readonly why: string;
  readonly action: BannerAction | undefined;
  readonly label: string;
}

/** What the state means for this page, with what is to be done. All that shuts it is named, and mended at once where it can be. */
export function stateBanner(row: PageRow, way: WayIn): Banner {
  const banner = withoutMap(row, way);
  const named = way.gates.some(({ reason }) => reason.code === 'reached' && reason.inSitemap);
  const against = named && way.gates.some(({ name, behind }) => name === 'listed' && behind === 'shut');
  const word = row.state === 'shut-out' && !against ? undefined : named ? IN_A_MAP[row.state] : undefined;
  const elsewhere =
    row.state === 'shut-out'
      ? ENGINES.slice(1)
          .filter(({ id }) => row.realities[id] === 'listed')
          .map(({ name }) => name)
      : [];
  const other = elsewhere.length > 0 ? `${elsewhere.join(', ')} may list it all the same.` : undefined;
  const more = [word, other].filter((one) => one !== undefined);
  return more.length === 0 ? banner : { ...banner, why: [banner.why, ...more].join(' ') };
}

/** What is to be said where a map that engines read names a page that is not to be listed, or says so. */
const IN_A_MAP: Readonly<Partial<Record<PageRow['state'], string>>> = {
  'shut-out': 'A sitemap names it all the same: sitemap and page contradict each other.',
  leaking: 'A map even names it.',
  'half-hidden': 'A map names it, so engines know the address.',
  'kept-out': 'A sitemap names it all the same, so engines come for nothing: let the sitemap be written anew.',
};

function withoutMap(row: PageRow, { gates }: WayIn): Banner {
  const shut = gates.filter((gate) => gate.behind === 'shut' && gate.name !== 'live');
  const first = shut.find((gate) => gate.outcome === 'shut') ?? shut[0];
  switch (row.state) {
    case 'shut-out': {
      if (first?.reason.code === 'draft' || first?.reason.code === 'restricted')
        return { headline: 'Closed: the host keeps the whole site back', why: 'See “The whole site” for who can visit.', action: undefined, label: '' };
      if (shut.some((gate) => gate.reason.code === 'noindex' && gate.reason.from === 'switch'))
        return { headline: 'Closed: the whole site is closed to engines', why: 'Open it with the switch.', action: undefined, label: '' };
      // What shows is what engines meet first; a shut robots.txt hides what stands before it in the row.
      const headline = `Blocked: you want it found, but ${first ? SHUT_GATES[first.name] : 'something blocks it'}`;
      const [openable, byHand] = [shut.filter((gate) => canOpen(gate.reason)), shut.filter((gate) => !canOpen(gate.reason))];
      if (openable.length === 0) return { headline, ...handMend(shut.map((gate) => gate.reason)) };
      const bare = first?.name === 'fetchable' ? 'It may still be listed as a bare address with no description. ' : '';
      const many = shut.length > 1 ? `${shut.length} things block it; fixing only one is not enough.` : 'One thing blocks it.';
      const how = openable.flatMap((gate) => HOW_OPENED[gate.reason.code] ?? []);
      const hand = byHand.length > 0 ? handMend(byHand.map((gate) => gate.reason)) : undefined;
      const why = [bare + many, ...how, ...(hand ? [hand.why] : [])].join(' ');
      // A page that says that it is none is not mended by opening the rest.
      if (hand?.action !== undefined) return { headline, why, action: hand.action, label: hand.label };
      return { headline, why, action: 'open', label: hand ? 'Open what can be opened' : openAll(openable.length) };
    }
    case 'leaking':
      return {
        headline: 'Leaking: you want it out, and engines may list it',
        why: 'Nothing on its way in tells them not to.',
        action: 'keep-out',
        label: 'Keep it out',
      };
    case 'half-hidden':
      return {
        headline: 'Half hidden: engines may not fetch it, but may list its address',
        why: 'They never read that it should stay out, because they are forbidden to look.',
        action: 'hide',
        label: 'Hide it properly',
      };
    case 'kept-out':
      return { headline: 'Kept out, as you want it', why: 'Engines can read that it is not to be listed.', action: 'list', label: 'List it after all' };
    case 'not-live':
      return { headline: 'Not live yet', why: 'Engines see only what is released. Below is how it will be.', action: 'release', label: 'To the release' };
    case 'unseen':
      return {
        headline: 'Not looked at yet',
        why: 'It’s known from your list alone. Look at it as it is now, below, or at all pages at once under Release.',
        action: undefined,
        label: '',
      };
    case 'to-mend':
      return {
        headline: 'Open: engines may list it',
        why: 'Every gate is open. Its words could be better; that is for Words.',
        action: 'words',
        label: 'To its words',
      };
    case 'findable':
      return { headline: 'Open: engines may list it', why: 'Every gate is open.', action: undefined, label: '' };
  }
}

/** What opening does where that is not plain from the gate. */
const HOW_OPENED: Readonly<Partial<Record<WayIn['gates'][number]['reason']['code'], string>>> = {
  refresh: 'It sends visitors on at once: that is taken out of it. If it is meant to, keep the page out instead.',
  unreached: 'No page links to it and it is in no sitemap: the sitemap will name it. A link from a page is better still.',
  'second-spelling': 'All links spell its address otherwise: they will use its own.',
  'links-unread': 'Engines follow none of the links to it: the sitemap will name it.',
};

/** What is to be done by hand where no press mends it. */
function handMend(reasons: readonly WayIn['gates'][number]['reason'][]): Omit<Banner, 'headline'> {
  const codes = new Set(reasons.map((reason) => reason.code));
  if (codes.has('soft-not-found') || codes.has('empty-page'))
    return { why: 'Give it something to say, or keep it out.', action: 'keep-out', label: 'Keep it out' };
  if (reasons.some((reason) => reason.code === 'noindex' && reason.from === 'header'))
    return { why: 'A rule for files sends it a noindex. Change the rule under “Other files”.', action: undefined, label: '' };
  return { why: `${counted(reasons.length, 'thing')} ${plural(reasons.length, 'blocks', 'block')} it.`, action: undefined, label: '' };
}
