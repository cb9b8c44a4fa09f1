/** The ways to work on doors, in the order in which they are of use. */
export const VIEWS = [
  { id: 'page', name: 'One page' },
  { id: 'pages', name: 'All pages' },
  { id: 'kinds', name: 'Kinds & rules' },
  { id: 'files', name: 'Other files' },
  { id: 'robots', name: 'robots.txt' },
  { id: 'try', name: 'Any address' },
  { id: 'site', name: 'The whole site' },
] as const;
export type View = (typeof VIEWS)[number]['id'];
