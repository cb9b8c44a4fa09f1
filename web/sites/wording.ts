export const W = {
  title: 'Your sites',
  lead: 'They are kept in this browser. Nothing leaves this machine, and nothing in them is ever run.',
  folder: 'Open a folder',
  archive: 'Open a ZIP or a project file',
  empty: 'New site',
  demo: 'The demo, fresh',
  dropHint: 'You can also drop a folder or a ZIP anywhere on this page.',
  drop: 'Drop it here: a folder, a ZIP or a project file',
  none: 'No site is here',
  noneWhy: 'Open the folder your site lies in, or a ZIP of it. Or look at the demo first.',
};

/** Why a site, or a file of it, could not be taken in. */
export const REASONS: Readonly<Record<string, string>> = {
  'not-a-zip': 'This is no ZIP.',
  'too-large': 'It is more than 200 MB, or one file in it is more than 64 MB.',
  'too-many': 'There are more than 60,000 files in it.',
  damaged: 'It is damaged and could not be read to the end.',
  'newer-version': 'It was made by a newer version of this program.',
  'nothing-in-it': 'There is no file in it.',
  cancelled: 'Stopped. Nothing was kept.',
  'no-room': 'The browser has no room left for it. Delete a site, or free some disk.',
  failed: 'It could not be read. Nothing was kept.',
  'climbs-out': 'its path leads out of the site',
  'absurd-ratio': 'it claims to unpack to far more than it can hold',
  encrypted: 'it is encrypted',
  'unsupported-method': 'it is packed in a way that is not read here',
  duplicate: 'there are two files of this name; the first was kept',
  unreadable: 'the browser could not read it',
  'too-deep': 'it is nested more than 512 elements deep',
  'too-many-elements': 'it would unfold to more elements than its text can mean',
};

export const FROM = { demo: 'the demo', folder: 'from a folder', archive: 'from a ZIP', empty: 'new', project: 'from a project file' } as const;
