export { sourceDiff, type Hunk } from './difference.ts';
export { editsFor } from './edits.ts';
export { compareWithRelease, manifestSchema, sameEdits, type Manifest, type ReleaseItem, type WorkingCopy } from './manifest.ts';
export { effectiveRobots, ownFiles, ROBOTS_FILE, SITEMAP_FILE } from './own-files.ts';
