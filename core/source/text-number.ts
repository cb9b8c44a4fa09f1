/** A number of 32 bits made of a text's UTF-16 units (FNV-1a): the same for the same text, in every run of the program. Not for secrets. */
export function textNumber(text: string): number {
  let hash = 0x811c9dc5;
  for (let at = 0; at < text.length; at++) hash = Math.imul(hash ^ text.charCodeAt(at), 0x01000193);
  return hash >>> 0;
}
