/** The ways to watch, in the order in which they are of use. */
export const VIEWS = [
  { id: 'rehearsal', name: 'Rehearsal' },
  { id: 'pages', name: 'All pages' },
  { id: 'address', name: 'One address' },
  { id: 'search', name: 'Search' },
  { id: 'seen', name: 'Seen and clicked' },
  { id: 'maps', name: 'Maps handed in' },
  { id: 'tell', name: 'Telling' },
  { id: 'visits', name: 'Visits' },
] as const;
export type View = (typeof VIEWS)[number]['id'];
