/** The ways to work on releases, in the order in which they are of use. */
export const VIEWS = [
  { id: 'waiting', name: 'What goes live' },
  { id: 'earlier', name: 'Earlier releases' },
  { id: 'live', name: 'What is out there' },
  { id: 'address', name: 'Address' },
] as const;
export type View = (typeof VIEWS)[number]['id'];
