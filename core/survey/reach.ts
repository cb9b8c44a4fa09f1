import type { SetField } from '../site/index.ts';

/** How far a change reaches: one page and those that share its words, all pages, all links, or nothing that is seen here. */
export function reachOf({ table, field }: SetField): 'page' | 'all' | 'links' | 'none' {
  switch (table) {
    case 'pages':
      return field === 'intent' || field === 'kind' || field === 'ending' || field === 'inMap' || field === 'canonical' || field === 'refresh' ? 'all' : 'page';
    case 'passages':
    case 'alts':
    case 'ignored':
      return 'page';
    case 'repairs':
      return 'links';
    case 'releases':
    case 'wishes':
    case 'worth':
    case 'pasted':
    case 'crawlers':
      return 'none';
    case 'facts':
    case 'doors':
    case 'robots':
    case 'sitemap':
    case 'kinds':
    case 'rules':
    case 'limits':
    case 'care':
    case 'claims':
    case 'visitors':
    case 'says':
    case 'headers':
    case 'extras':
      return 'all';
  }
}
