import type { PageState, WayIn } from '../../core/indexing/index.ts';

export const W = {
  openTitle: 'The whole site is open',
  closedTitle: 'The whole site is closed',
  openWhy: 'Turn off to keep every page out while you build. Each page then says noindex, which engines can read; robots.txt stays as it is.',
  closedWhy: 'Every page says noindex, so no engine lists any of it. Turn on when people may come.',
  kinds: 'What each kind of page is for',
  kindsWhy: 'a page follows its kind unless it says otherwise',
  robots: 'robots.txt',
  robotsWhy: 'what each line touches',
  noRobots: 'The site has no robots.txt. Nothing is forbidden, and that is fine.',
  tryTitle: 'Try an address',
  lessonRobots:
    'A shut robots.txt does not take a page out of the results: its bare address may still be listed. To keep a page out, let engines fetch it and let it say noindex.',
};

/** What the state means for this page, with what is to be done. */
export function stateBanner(
  state: PageState,
  { gates }: WayIn,
): { readonly headline: string; readonly why: string; readonly action: 'open' | 'hide' | 'keep-out' | undefined; readonly label: string } {
  const shut = gates.filter((gate) => gate.behind === 'shut' && gate.name !== 'live');
  const closed = shut.some((gate) => gate.reason.code === 'noindex' && gate.reason.from === 'doors');
  switch (state) {
    case 'shut-out': {
      if (closed) return { headline: 'Shut out: the whole site is closed', why: 'Open it with the switch at the right.', action: undefined, label: '' };
      const mendable = shut.every((gate) => gate.name === 'fetchable' || gate.name === 'listed');
      const first =
        shut[0]?.name === 'fetchable'
          ? 'engines can’t fetch it'
          : shut[0]?.name === 'listed'
            ? 'it tells engines not to list it'
            : shut[0]?.name === 'main-address'
              ? 'it hands its place to another address'
              : 'nothing leads there';
      const bare = shut[0]?.name === 'fetchable' ? 'It may still be listed as a bare address with no description. ' : '';
      const many = shut.length > 1 ? `${shut.length} things shut it; mending only one is not enough.` : 'One thing shuts it.';
      return {
        headline: `Shut out: you want it found, but ${first}`,
        why: bare + many,
        action: mendable ? 'open' : undefined,
        label: shut.length > 1 ? 'Open both' : 'Open it',
      };
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
      return { headline: 'Kept out, as you want it', why: 'Engines can read that it is not to be listed.', action: undefined, label: '' };
    case 'not-live':
      return { headline: 'Not live yet', why: 'Engines see only what is released.', action: undefined, label: '' };
    case 'to-mend':
      return { headline: 'Open: engines may list it', why: 'Every gate is open. Its words could be better; that is for Words.', action: undefined, label: '' };
    case 'findable':
      return { headline: 'Open: engines may list it', why: 'Every gate is open.', action: undefined, label: '' };
  }
}
