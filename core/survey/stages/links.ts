import { dequal } from 'dequal/lite';
import { LinkIndex } from '../../links/index.ts';
import { formerHost, passagesOf, siteHost } from '../../site/index.ts';
import { indexStage } from '../stage.ts';

/** Which pages link to which. Another main address changes which links are the site's own: the index then begins anew. */
export const links = indexStage({
  name: 'links',
  anew: ['facts.mainAddress', 'facts.cameAs'],
  reads: ['repairs'],
  readsOwn: ['passages'],
  start: ({ document, files }) => new LinkIndex(siteHost(document), (path) => files.has(path), formerHost(document)),
  put: (index, { document }) => {
    const { repairs } = document.tables;
    const repaired = Object.keys(repairs).length === 0 ? undefined : (path: string): string | undefined => repairs[path]?.to ?? undefined;
    return ({ id, hrefs, source, unfollowed }) => {
      const set = passagesOf(document, id).flatMap(({ links }) => links.map((link) => link.href));
      const before = index.of(id);
      const touched = index.put(id, set.length === 0 ? hrefs : [...hrefs, ...set], source.base, repaired, unfollowed);
      return dequal(before, index.of(id)) ? touched : touched.add(id);
    };
  },
});
