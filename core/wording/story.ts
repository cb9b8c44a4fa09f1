import type { EngineDay, EngineEvent, OutcomeChange } from '../engine/index.ts';
import { counted, numberText } from './numbers.ts';

/** A thing that happened, told. */
export interface StoryEntry {
  /** ISO time. */
  readonly at: string;
  readonly tone: 'good' | 'bad' | 'first' | 'plain';
  readonly title: string;
  readonly text: string;
  /** Addresses that it is about, where it is about a few. */
  readonly addresses: readonly string[];
}

/** Whom and what a story is about. */
export interface StoryTeller {
  readonly engine: { readonly name: string; readonly crawler: string };
  /** What a page at an address is called. */
  readonly nameOf: (address: string) => string;
  /** What the owner means with an address: undefined where it is no page of the site. */
  readonly intentOf: (address: string) => 'list' | 'out' | undefined;
  readonly releases: readonly { readonly number: string; readonly at: string; readonly pages: number; readonly note?: string | undefined }[];
}

const NAMED = 3;

/** What happened with a site, oldest first: what its owner did, what the engine did, and days on which nothing became another thing folded into one line. */
export function storyOf(days: readonly EngineDay[], log: readonly EngineEvent[], teller: StoryTeller): StoryEntry[] {
  const visits = [...days].reverse();
  const entries: StoryEntry[] = [
    ...teller.releases.map(({ number, at, pages, note }) =>
      entry(at, 'good', `Release ${number} went out`, [`${counted(pages, 'page')} changed`, note].filter(Boolean).join(': ')),
    ),
    ...[...log].reverse().map((event) => eventEntry(event, teller)),
    ...visits.flatMap((day, at) => dayEntries(day, at === 0, teller)),
  ];
  return [...entries, ...quietDays(visits)].sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0));
}

const entry = (at: string, tone: StoryEntry['tone'], title: string, text: string, addresses: readonly string[] = []): StoryEntry => ({
  at,
  tone,
  title,
  text,
  addresses,
});

function dayEntries({ at, visited, changes = [], answers = {} }: EngineDay, first: boolean, teller: StoryTeller): StoryEntry[] {
  const { engine, intentOf } = teller;
  const told: StoryEntry[] = [];
  const listed = changes.filter(({ to, from }) => to === 'listed' && from !== 'listed');
  const asMeant = listed.filter(({ address }) => intentOf(address) !== 'out');
  const leaking = listed.filter(({ address }) => intentOf(address) === 'out');
  const bare = changes.filter(({ to }) => to === 'bare');
  const dropped = changes.filter(({ from, to }) => from === 'listed' && to === 'not-listed');
  const found = changes.filter(({ from, to }) => from === undefined && to === 'waiting').length;
  if (first)
    told.push(
      entry(
        at,
        'first',
        `${engine.crawler} came for the first time`,
        `It asked for ${counted(visited, 'address', 'addresses')} and listed ${numberText(listed.length)}.${answered(answers)}`,
      ),
    );
  else if (asMeant.length > 0) told.push(named(at, 'good', asMeant, 'is listed', 'are listed', 'As you want it.', teller));
  if (!first && found > 0)
    told.push(entry(at, 'plain', `${counted(found, 'new address', 'new addresses')} found`, 'Seen in links or maps; each waits for its visit.'));
  if (leaking.length > 0)
    told.push(
      named(
        at,
        'bad',
        leaking,
        'is listed, though it should be out',
        'are listed, though they should be out',
        'What keeps it out was not there, or not read.',
        teller,
      ),
    );
  const unread = bare.filter(({ address }) => intentOf(address) === 'list');
  if (unread.length > 0)
    told.push(
      named(
        at,
        'bad',
        unread,
        'is listed without a word',
        'are listed without a word',
        'robots.txt forbids reading, so only the bare address is known.',
        teller,
      ),
    );
  if (bare.length > unread.length)
    told.push(
      named(
        at,
        'bad',
        bare.filter((one) => !unread.includes(one)),
        'is known by its bare address',
        'are known by their bare addresses',
        'robots.txt forbids reading, so nobody reads that it is to be out.',
        teller,
      ),
    );
  const wanted = dropped.filter(({ address }) => intentOf(address) === 'list');
  const out = dropped.filter(({ address }) => intentOf(address) !== 'list');
  if (out.length > 0) told.push(named(at, 'good', out, 'is out again', 'are out again', `Visited, and dropped the same night.`, teller));
  if (wanted.length > 0)
    told.push(
      named(at, 'bad', wanted, 'was dropped, though you want it found', 'were dropped, though you want them found', 'The table of all pages says why.', teller),
    );
  return told;
}

/** Days between others on which the engine came and nothing changed. */
function quietDays(visits: readonly EngineDay[]): StoryEntry[] {
  const told: StoryEntry[] = [];
  let run: EngineDay[] = [];
  const close = (): void => {
    const last = run.at(-1);
    if (last)
      told.push(
        entry(
          last.at,
          'plain',
          run.length === 1 ? 'A quiet day' : `${counted(run.length, 'quiet day')}`,
          `${counted(
            run.reduce((sum, { visited }) => sum + visited, 0),
            'visit',
          )}, and nothing became another thing.`,
        ),
      );
    run = [];
  };
  for (const [at, day] of visits.entries()) {
    if (at > 0 && (day.changes ?? []).length === 0) run.push(day);
    else close();
  }
  close();
  return told;
}

function eventEntry(event: EngineEvent, { engine, nameOf }: StoryTeller): StoryEntry {
  const { at } = event;
  switch (event.code) {
    case 'proved':
      return entry(at, 'good', `Proved to ${engine.name}`, 'It knows now that the site is yours.');
    case 'proof-lost':
      return entry(at, 'bad', `${engine.name} lost your proof`, 'It is no more where it was found. The site stays listed; maps are taken only from its owner.');
    case 'map-handed-in':
      return event.problem === undefined
        ? entry(at, 'good', 'A map was handed in', `${counted(event.count, 'address', 'addresses')} in it, each to be visited in its turn.`)
        : entry(at, 'bad', 'A map was handed in, and is not right', `${event.problem[0]?.toUpperCase() ?? ''}${event.problem.slice(1)}.`);
    case 'map-taken-back':
      return entry(at, 'plain', 'A map was taken back', 'What became known by it stays known.');
    case 'robots':
      return entry(
        at,
        event.status === 200 || event.status === 404 ? 'plain' : 'bad',
        `robots.txt answers ${event.status ?? 'nothing'} now`,
        `It answered ${event.was ?? 'nothing'} before.`,
      );
    case 'told':
      return entry(at, 'plain', `${engine.name} was told of changes`, `${counted(event.count, 'address', 'addresses')}, to be visited first on its next day.`);
    case 'asked':
      return entry(at, 'plain', 'Fresh visits were asked for', `${counted(event.count, 'address', 'addresses')} in line.`);
    case 'first-seen':
      return entry(
        at,
        'first',
        'Seen for the first time',
        `Somebody looked for “${event.query}” and “${nameOf(event.address)}” stood in place ${event.position}.`,
        [event.address],
      );
    case 'first-click':
      return entry(at, 'first', 'First click', `Somebody looked for “${event.query}”, saw “${nameOf(event.address)}” in place ${event.position}, and came.`, [
        event.address,
      ]);
  }
}

/** One page by its name, more by the first few. */
function named(
  at: string,
  tone: StoryEntry['tone'],
  changes: readonly OutcomeChange[],
  one: string,
  many: string,
  why: string,
  { nameOf }: StoryTeller,
): StoryEntry {
  const names = changes.slice(0, NAMED).map(({ address }) => `“${nameOf(address)}”`);
  const addresses = changes.slice(0, NAMED).map(({ address }) => address);
  if (changes.length === 1) return entry(at, tone, `${names[0] ?? ''} ${one}`, why, addresses);
  const rest = changes.length - names.length;
  return entry(
    at,
    tone,
    `${counted(changes.length, 'page')} ${many}`,
    `${names.join(', ')}${rest > 0 ? ` and ${numberText(rest)} more` : ''}. ${why}`,
    addresses,
  );
}

function answered(answers: Readonly<Record<string, number>>): string {
  const bad = Object.entries(answers).filter(([status]) => !/^2\d\d$/.test(status));
  const words = bad.map(([status, count]) =>
    status === 'not-asked'
      ? `${numberText(count)} it was forbidden to fetch`
      : status === 'no-answer'
        ? `${numberText(count)} gave no answer`
        : `${numberText(count)} answered ${status}`,
  );
  return words.length === 0 ? '' : ` Of these, ${words.join(', ')}.`;
}
