import { decodeHTML } from 'entities/decode';

/** Marks that mail programs put for plain ones, and what nobody sees. */
const MARKS: readonly (readonly [RegExp, string])[] = [
  [/\r\n?/g, '\n'],
  [/[\u200b-\u200d\u2060\ufeff\u00ad]/g, ''],
  [/[\u00a0\u202f\u2007\u3000]/g, ' '],
  [/[\u201c\u201d\u201e\u00ab\u00bb\u2033\u300c-\u300f\u301d-\u301f\uff02]/g, '"'],
  [/[\u2018\u2019\u201a\u2032\uff07]/g, "'"],
  [/\uff1d/g, '='],
  [/\uff1a/g, ':'],
  [/\uff1c/g, '<'],
  [/\uff1e/g, '>'],
  [/[\u2010\u2011]/g, '-'],
];

/**
 * What was pasted as plain text: straight quotation marks, no invisible characters, entities and the mail encoding undone where the text is in them, tags that
 * were broken over lines whole again, marks of quoting and of code blocks taken away.
 */
export function plainPaste(pasted: string): string {
  let text = pasted.normalize('NFC');
  for (const [mark, plain] of MARKS) text = text.replace(mark, plain);
  // Quoted-printable (RFC 2045, 6.7): soft line breaks, and an equals sign in its code.
  if (/=3D/.test(text)) text = unquoted(text);
  // As programs quote it: \u003cmeta name=\"…\".
  if (/\\u003cmeta/i.test(text)) text = text.replace(/\\u00(3c|3e|22|27|26)/gi, (_, code: string) => String.fromCharCode(parseInt(code, 16)));
  // A tag that stands there as one is read with its references later: undone twice, a code would be another one.
  if (!/<meta\b/i.test(text) && /&(?:lt|gt|quot|#\d+|#x[\da-f]+|amp|equals|period);/i.test(text)) text = decodeHTML(text);
  text = text.replace(/^[ \t]*(?:>[ \t]?)+(?!\s*$)/gm, (quote) => (/^\s*>/.test(quote) ? '' : quote)).replace(/^```.*$|`/gm, '');
  // A tag that was broken over lines. One that never ends is passed over at the next, so that many of them are not each read to the end.
  text = text.replace(/<meta\b[^<>]*>/gi, (tag) => (/=\s*\\["']/.test(tag) ? tag.replace(/\\(["'/])/g, '$1') : tag).replace(/\s*\n\s*/g, ' '));
  return text.trim();
}

function unquoted(text: string): string {
  return text.replace(/=\n/g, '').replace(/=([0-9A-F]{2})/g, (whole, hex: string) => {
    const code = parseInt(hex, 16);
    return code < 128 ? String.fromCharCode(code) : whole;
  });
}
