import type { PageRow } from '../../core/survey/index.ts';

export const W = {
  title: 'The map for engines',
  empty: 'There is nothing to map yet',
  emptyWhy: 'Bring a site in; the pages you want found then stand here.',
  off: 'Not written yet. These are the pages that would be in it: those you want found, that engines may fetch and list.',
  leftOut: 'Left out',
  nothingLeftOut: 'Every page is in it.',
  brought: 'The map the site came with',
  datesTrue: 'Dates are those of the last release that changed a page, before that those of its file.',
  datesFalse:
    'Nearly all files carry the same date, that of a copy or a build. It says nothing about the pages, so it is not told; from the first release on, the dates will be true.',
  scope: 'One map so far, up to the protocol’s 50,000 addresses. Maps by kind, pictures and feeds are not written yet.',
};

/** Why a page is not in the map. */
export function leftOutWhy(row: PageRow): string {
  if (row.intent === 'out') return 'you keep it out';
  if (row.state === 'shut-out') return 'engines may not fetch or list it';
  return 'it hands its place to another address';
}
