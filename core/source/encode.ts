import { decodeBytes } from './encoding.ts';

/** The octet of each character of an encoding of one octet a character; undefined for those of several. */
const tables = new Map<string, ReadonlyMap<string, number> | undefined>();

/**
 * Text in an encoding of one octet a character. Undefined where it has a character that the encoding lacks, or the encoding has several octets a
 * character: a browser only decodes those (Encoding Standard), and a table made backwards from its decoder would not be sure.
 */
export function encodeIn(encoding: string, text: string): Uint8Array | undefined {
  if (!tables.has(encoding)) tables.set(encoding, tableOf(encoding));
  const table = tables.get(encoding);
  if (!table) return undefined;
  const bytes = new Uint8Array(text.length);
  for (let at = 0; at < text.length; at++) {
    const octet = table.get(text.charAt(at));
    if (octet === undefined) return undefined;
    bytes[at] = octet;
  }
  return bytes;
}

function tableOf(encoding: string): ReadonlyMap<string, number> | undefined {
  const table = new Map<string, number>();
  for (let octet = 0; octet < 256; octet++) {
    const character = decodeBytes(Uint8Array.of(octet, 0x61), encoding);
    // Of several octets a character: the second belongs to the first, or nothing stands alone.
    if (character.length !== 2 || character[1] !== 'a' || (octet < 0x80 && character.charCodeAt(0) !== octet)) return undefined;
    if (character[0] !== '\ufffd') table.set(character.charAt(0), octet);
  }
  return table.size > 128 ? table : undefined;
}
