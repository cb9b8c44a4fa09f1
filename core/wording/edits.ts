import type { PageEdit } from '../page/index.ts';

/** An edit of a page in a few words, for the list of what waits. */
export function editWords(edit: PageEdit): { readonly field: string; readonly value: string } {
  switch (edit.kind) {
    case 'title':
      return { field: 'Title', value: edit.text === '' ? 'taken away' : edit.text };
    case 'description':
      return { field: 'Description', value: edit.text === '' ? 'taken away' : edit.text };
    case 'noindex':
      return { field: 'Listing', value: edit.on ? 'says noindex' : 'noindex is taken away' };
    case 'directives': {
      const words = Object.values(edit.wanted).filter((word) => word !== '');
      const whom = edit.name === 'robots' ? '' : ` to ${edit.name}`;
      return { field: 'May be shown', value: words.length > 0 ? `says ${words.join(', ')}${whom}` : `no limits${whom}` };
    }
    case 'meta':
      return edit.name === 'keywords' ? { field: 'Keywords', value: edit.content } : { field: 'Proof', value: edit.name };
    case 'canonical':
      return { field: 'Main address', value: edit.href };
    case 'no-refresh':
      return { field: 'Sending on', value: 'no longer sends visitors on' };
    case 'charset':
      return { field: 'Encoding', value: 'says in which it is written' };
    case 'lang':
      return { field: 'Language', value: edit.lang };
    case 'one-title':
      return { field: 'Title', value: `one, in the head: ${edit.text}` };
    case 'one-heading':
      return { field: 'Main heading', value: 'one; others become second-level' };
    case 'property': {
      const field = { 'og:title': 'Share title', 'og:description': 'Share text', 'og:image': 'Share picture' }[edit.property] ?? edit.property;
      return { field, value: edit.content === '' ? 'taken away' : edit.content };
    }
    case 'alt':
      return { field: 'Alt text', value: edit.now === '' ? 'marked as decoration' : edit.now };
    case 'passage':
      return edit.now === null
        ? { field: 'Link', value: edit.links.map((link) => `“${link.words}” leads to ${link.href}`).join(', ') }
        : { field: 'Text', value: edit.now };
    case 'addresses':
      return edit.page.from === edit.page.to
        ? { field: 'Links', value: edit.moved.length === 0 ? `name ${edit.origin}` : [...new Set(edit.moved.map(({ to }) => `lead to ${to}`))].join(', ') }
        : { field: 'Address', value: edit.page.to };
    case 'snippet':
      return { field: 'Snippet', value: edit.code.replace(/\s+/g, ' ').slice(0, 80) };
    case 'no-markup':
      return { field: 'Structured data', value: 'what the page came with is taken out' };
    case 'json-ld': {
      const types = [...new Set(edit.graph['@graph'].flatMap((node) => [node['@type']].flat()).filter((type) => typeof type === 'string'))];
      return { field: 'Structured data', value: types.join(', ') };
    }
  }
}
