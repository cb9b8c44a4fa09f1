export const W = {
  title: 'What goes live',
  nothing: 'Everything is released',
  nothingWhy: 'What you change from now on waits here until you release it. Nothing counts before.',
  asBroughtIn: 'Nothing has changed yet',
  asBroughtInWhy:
    'The site counts as live the way you brought it in. The host that ships with the program has nothing of it yet: release it there, and Skerry can visit it.',
  closed: 'Every page goes out with noindex, and no engine will list any of it.',
  planned: 'As planned, this release opens the site: the noindex that kept every page out is taken off.',
  opens: 'This release opens the site: the noindex that kept every page out is taken off.',
  draft: 'The host will show the site to nobody: it is set to be a draft.',
  restricted: 'The host will ask visitors for a password; engines will get nothing.',
  publish: 'Publish as release',
  sameAddress: 'has the same address',
  sameAddressWhy: 'What you publish here replaces what it put out there. Change the main address of one of the two if they are different sites.',
  toHost: 'Publish',
  hostWhy: 'to the host that ships with the program',
  files: 'As files',
  filesWhy: 'for a host of your own',
  earlier: 'Earlier',
  visitors: 'Who can visit',
  headers: 'Headers for files',
  audience: { draft: 'nobody: a draft', restricted: 'those with the password', public: 'everybody' },
  refusedTitle: 'Left as they were',
};

/** Why a page could not be changed. */
export const REFUSALS: Readonly<Record<string, string>> = {
  'utf-16': 'written in UTF-16; save it as UTF-8 first',
  'stateful-encoding': 'its encoding cannot be written into safely',
  'not-encodable': 'its encoding lacks a character that was to be written',
  'made-by-program': 'a program makes the very place that was to be written; change it there',
  unreadable: 'it could not be read again after the change',
  'head-cannot-take-it': 'something in its head, such as an unclosed title, swallows what is written there',
};
