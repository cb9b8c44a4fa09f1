/** The ways to work on words, in the order in which they are of use. */
export const VIEWS = [
  { id: 'page', name: 'One page' },
  { id: 'ledger', name: 'Ledger' },
  { id: 'patterns', name: 'Patterns' },
  { id: 'kinds', name: 'Kinds' },
  { id: 'facts', name: 'Site' },
  { id: 'alike', name: 'Alike' },
  { id: 'pictures', name: 'Pictures' },
  { id: 'phrases', name: 'Phrases' },
  { id: 'exchange', name: 'In & out' },
  { id: 'checks', name: 'Checks' },
] as const;
export type View = (typeof VIEWS)[number]['id'];
