/** The ways to work on structured data, in the order in which they are of use. */
export const VIEWS = [
  { id: 'page', name: 'One page' },
  { id: 'kinds', name: 'Kinds' },
  { id: 'markup', name: 'All markup' },
  { id: 'who', name: 'Who is behind' },
  { id: 'experts', name: 'For experts' },
] as const;
export type View = (typeof VIEWS)[number]['id'];
