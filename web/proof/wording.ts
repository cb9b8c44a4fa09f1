import type { BeforePlacing } from './placing.ts';

export const wording = {
  title: 'Prove that the site is yours',
  lead: 'Paste whatever the engine gave you: a tag, a code, a file, a record for your domain, or the whole message. It is put where it belongs; then let the engine look.',
  given: 'What Skerry gives you',
  givenWhy: (host: string): string =>
    `Skerry ships with the program and behaves like a search engine out there. This is what it would show you for ${host}; one of the three will do.`,
  ways: { tag: 'Tag', file: 'File', txt: 'Record' },
  engine: 'Engine',
  engineHint: 'any, by whatever name',
  paste: 'Paste what it gave you',
  placeholder: '<meta name="skerry-proof" content="…">',
  dropHint: 'or drop the file here',
  around: 'The words around it are left out.',
  calledBefore: (name: string, before: string): string => `It goes out as ${name}: “${before}” is what your browser made of the name.`,
  placeThis: 'Place this one',
  placeAll: 'Place all of them',
  fileAlone: 'Paste it alone to place it: a file is looked at first.',
  replaces: 'It takes the place of the one that is there by this name.',
  place: 'Place it',
  verify: 'Let Skerry look',
  before: 'Before Skerry looks',
  placed: 'Placed',
  takeAway: 'Take it away',
  kinds: { tag: 'tag in the head of the home page', file: 'file at the root', txt: 'TXT record', cname: 'CNAME record' },
  waits: 'waits for release',
  released: 'released',
  inZone: 'set in the stand-in zone',
  notInZone: 'not set yet',
  setInZone: 'Set it in the stand-in zone',
  stillInZone: 'The record itself is still at the domain, and proves as before.',
  outOfZone: 'Take it out of the zone',
  isOutOfZone: 'It is out of the stand-in zone.',
  elsewhere: 'For a domain that is run elsewhere',
  nameForms: 'Name',
  nameFormsWhy: 'panels call it host, name or label, and want one of these forms',
  type: 'Type',
  value: 'Value',
  ttl: 'TTL',
  ttlWhy: 'how long others may remember it, in seconds; an old value can be seen that long',
  looking: 'What is out there now',
  lookAgain: 'Check again',
  check: 'Check it',
  asking: 'asking …',
};

/** What is worth knowing before a proof is placed, in words. */
export function noteWords(note: BeforePlacing, host: string): string {
  switch (note.what) {
    case 'there':
      return 'This very tag is on your home page already. Nothing needs to be placed.';
    case 'beside':
      return `Your home page already has a tag by this name, with “${note.content.slice(0, 80)}”. Both will stand there; engines allow it.`;
    case 'other-engine':
      return `By its name this tag comes from ${note.name}. Check the engine beside it.`;
    case 'given-for':
      return {
        variant: `It seems to be for ${note.given.named}. Your site’s main address is ${host}; with and without www are two sites to most engines.`,
        name: `It seems to be for ${note.given.named}, another name of your domain. Your site is at ${host}.`,
        domain: `It seems to be for ${note.given.named}, and your site is at ${host}. A proof counts for one site only.`,
        address: `It seems to be for ${note.given.named} alone. Placed here, it is on the home page; the rest of the site may need a proof of its own.`,
      }[note.given.what];
  }
}
