/** What is placed in the site for others: proofs for engines, and code of other services. */
export const VIEWS = [
  { id: 'owner', name: 'Ownership' },
  { id: 'snippets', name: 'Snippets' },
] as const;
export type View = (typeof VIEWS)[number]['id'];
