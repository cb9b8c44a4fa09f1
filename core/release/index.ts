export { sourceDiff, type Hunk } from './difference.ts';
export { editsFor } from './edits.ts';
export { compareWithRelease, manifestSchema, outPath, sameEdits, type Manifest, type ReleasedFile, type ReleaseItem, type WorkingCopy } from './manifest.ts';
export { effectiveRobots, formerAddresses, ownFiles, ROBOTS_FILE, SITEMAP_FILE } from './own-files.ts';
export { REDIRECT_FORMS, redirectPage, redirectRules, type Redirect, type RedirectForm } from './redirects.ts';
