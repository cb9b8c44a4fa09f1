import { editsFor, type ReleasedFile } from '../../release/index.ts';
import { pageStage } from '../stage.ts';
import { addressChanges, addresses } from './addresses.ts';
import { effectivePages } from './effective.ts';
import { markup } from './meaning.ts';

export const NO_EDITS: ReleasedFile['edits'] = [];

/** Each page's file as it would go out now. */
export const outgoing = pageStage({
  name: 'files as they go out',
  reads: ['facts', 'kinds', 'rules', 'directives', 'siteSwitch', 'claims', 'snippets', 'pages.ending'],
  readsOwn: ['pages', 'passages', 'alts', 'source'],
  needs: { effectivePages, addresses, markup },
  across: { addressChanges },
  make:
    ({ document, files }, { effectivePages, addresses, markup, addressChanges }) =>
    (page): ReleasedFile => {
      const { site } = effectivePages.of(page.id);
      const to = addresses.get(page.id)?.file ?? page.id;
      const edits = editsFor(document, site, page.source, addressChanges.addressesFor(page), markup.of(page.id));
      const like = document.tables.source[page.id]?.like;
      return {
        hash: files.get(page.id)?.hash ?? '',
        edits: edits.length === 0 ? NO_EDITS : edits,
        ...(to === page.id ? {} : { to }),
        ...(like ? { content: like } : {}),
      };
    },
});
