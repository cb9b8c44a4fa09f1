export const W = {
  title: 'What goes live',
  nothing: 'Everything is released',
  nothingWhy: 'What you change from now on waits here until you release it. Nothing counts before.',
  asBroughtIn: 'Nothing has changed yet',
  asBroughtInWhy:
    'The site counts as live the way you brought it in. The host that ships with the program has nothing of it yet: release it there, and Skerry can visit it.',
  closed: 'The site is closed: every page goes out with noindex, and no engine will list any of it.',
  toHost: 'Release',
  hostWhy: 'to the host that ships with the program',
  files: 'As files',
  filesWhy: 'for a host of your own',
  earlier: 'Earlier',
  refusedTitle: 'Left as they were',
};

/** Why a page could not be changed. */
export const REFUSALS: Readonly<Record<string, string>> = {
  'utf-16': 'written in UTF-16; save it as UTF-8 first',
  'stateful-encoding': 'its encoding cannot be written into safely',
  'not-encodable': 'its encoding lacks a character that was to be written',
  unreadable: 'it could not be read again after the change',
  'head-cannot-take-it': 'something in its head, such as an unclosed title, swallows what is written there',
};
