export const W = {
  title: 'Your sites',
  lead: 'They are kept in this browser. Nothing leaves this machine, and nothing in them is ever run.',
  folder: 'Open a folder',
  archive: 'Open a ZIP or a project file',
  empty: 'New site',
  list: 'A list of addresses',
  listLabel: 'Addresses, one a line',
  listNote: 'for builders that give no files; a table with titles will do too',
  listFile: 'or from a file: a table or a sitemap',
  listNone: 'There is no address in it: they begin with https:// or with a slash.',
  listTake: 'Bring them in',
  demo: 'The demo, fresh',
  dropHint: 'You can also drop a folder or a ZIP anywhere on this page.',
  drop: 'Drop it here: a folder, a ZIP or a project file',
  none: 'No site is here',
  noneWhy: 'Open the folder your site lies in, or a ZIP of it. Or look at the demo first.',
};

export const FROM = {
  demo: 'the demo',
  folder: 'from a folder',
  archive: 'from a ZIP',
  empty: 'new',
  list: 'from a list of addresses',
  project: 'from a project file',
} as const;
