// eslint-disable-next-line @typescript-eslint/triple-slash-reference
/// <reference path="./css-tree.d.ts" />
import { tokenize, tokenTypes } from 'css-tree/tokenizer';
import { string, url } from 'css-tree/utils';

/** Functions whose strings are addresses (CSS Values 4, 4.5; CSS Images 4, 2.4). */
const OF_ADDRESSES = /^(?:url|src|image|(?:-webkit-)?image-set)\($/i;

/** The addresses that a style sheet names, as written and without repeats: `url()`, `@import`, pictures of a set. Not those in comments and other strings. */
export function styleReferences(css: string): string[] {
  const found = new Set<string>();
  // What the brackets that stand open belong to: a function of addresses, or something else.
  const open: boolean[] = [];
  let imported = false;
  tokenize(css, (type, start, end) => {
    const text = (): string => css.slice(start, end);
    switch (type) {
      case tokenTypes['Url']:
        found.add(url.decode(text()));
        break;
      case tokenTypes['String']:
        if (imported || open.at(-1) === true) found.add(string.decode(text()));
        break;
      case tokenTypes['Function']:
        open.push(OF_ADDRESSES.test(text()));
        break;
      case tokenTypes['LeftParenthesis']:
        open.push(false);
        break;
      case tokenTypes['RightParenthesis']:
        open.pop();
        break;
    }
    if (type === tokenTypes['AtKeyword']) imported = /^@import$/i.test(text());
    else if (type !== tokenTypes['WhiteSpace'] && type !== tokenTypes['Comment']) imported = false;
  });
  found.delete('');
  return [...found].filter((address) => !/^(?:data|about|blob):/i.test(address));
}

/** The addresses that a page's own styles name: `style` elements and attributes. */
export function inlineStyleReferences(html: string): string[] {
  if (!/\burl\(|@import|image-set\(/i.test(html)) return [];
  const sheets = [...html.matchAll(/<style\b[^>]*>([\s\S]*?)<\/style/gi)].map(([, sheet = '']) => sheet);
  const attributes = [...html.matchAll(/\sstyle\s*=\s*(?:"([^"]*)"|'([^']*)')/gi)].map(([, one, other]) =>
    (one ?? other ?? '').replace(/&quot;|&#3[49];/g, '"'),
  );
  return [...new Set([...sheets, ...attributes].flatMap(styleReferences))];
}
