/** The ways to work on maps, in the order in which they are of use. */
export const VIEWS = [
  { id: 'map', name: 'The sitemap' },
  { id: 'choices', name: 'What goes in' },
  { id: 'also', name: 'For people & feeds' },
  { id: 'read', name: 'Read a sitemap' },
] as const;
export type View = (typeof VIEWS)[number]['id'];
