import type { Missed } from '../../core/exchange/index.ts';
import { counted } from '../../core/wording/index.ts';

/** Bringing a site in from its address. */
export const crawling = {
  label: 'Address of the site',
  note: 'Its pages are asked for one after the other, as any crawler does: what robots.txt forbids stays out, two at a time, with a pause.',
  token: 'robots.txt can speak to it by the name',
  begin: 'Bring it in',
  limits: 'Limits',
  pages: 'Pages',
  megabytes: 'Megabytes',
  depth: 'Links from the first page',
  minutes: 'Minutes',
  stop: 'Stop',
  goOn: 'Go on',
  take: 'Take what is here',
  drop: 'Leave it',
  noAddress: 'That is no address of a site: it looks like https://your-name.example.',
  state: { running: 'Asking for pages', done: 'All that links and maps lead to is here.', stopped: 'Stopped. It can go on where it was.', failed: '' },
  mostly: 'Nothing more can be had. Some of the site is missing:',
  reasons: {
    'no-answer': 'The site does not answer under this address.',
    'no-such-host': 'There is no site of this name. Is it spelled right?',
    'not-allowed':
      'This address is on this machine or in a private network. Only sites that everybody can reach are brought in this way: bring its files in as a folder.',
    elsewhere: 'This address leads to another site. Give that one’s address, if it is yours.',
    robots: 'robots.txt could not be had. Until it can, a polite crawler asks for nothing.',
    pages: 'The page limit you set has been reached. Go on to fetch as many again.',
    bytes: 'The size limit you set has been reached. Go on to fetch as much again.',
    seconds: 'The time you set is over. Go on to continue where it left off.',
  },
  forbidden: (count: number): string => `${counted(count, 'address', 'addresses')} left out by robots.txt`,
  scripted: (count: number): string => `${counted(count, 'page')} made by scripts: nothing can be read in them without running those`,
  missing: {
    depth: (count: number): string => `${counted(count, 'address', 'addresses')} further from the first page than the links you set`,
    number: (count: number): string => `${counted(count, 'address', 'addresses')} dropped because too many were waiting`,
    queries: (count: number): string => `${counted(count, 'address', 'addresses')} that differ from 40 others only behind the question mark`,
    size: (count: number): string => `${counted(count, 'file')} larger than 16 MB`,
    failed: (count: number): string => `${counted(count, 'address', 'addresses')} where the host failed`,
  } satisfies Readonly<Record<Missed, (count: number) => string>>,
  respelled: (count: number): string => `${counted(count, 'page')} told their encoding only in a header: it now stands in them`,
  troubles: (count: number): string => `${counted(count, 'address', 'addresses')} could not be had`,
  unchanged: (count: number): string => `${counted(count, 'file')} as the last time: the host was only asked whether they changed`,
  partial: 'Only part of the site is here. Pages that did not come in would look as if they were gone.',
  lost: 'The program’s server was started anew in between. What came in is remembered: bring it in again, and it goes on from there.',
};
