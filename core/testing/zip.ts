import { zipSync } from 'fflate';

/** A ZIP whose names are plain octets without any word about their encoding; `{xx…}` in a name stands for octets. */
export function oldZip(files: Readonly<Record<string, string>>): Uint8Array {
  const names = Object.keys(files).map((written) =>
    Uint8Array.from(
      written.replace(/\{([0-9a-f]+)\}/g, (_, hex: string) => String.fromCharCode(...(hex.match(/../g) ?? []).map((pair) => parseInt(pair, 16)))),
      (sign) => sign.charCodeAt(0),
    ),
  );
  // Packed under plain names as long, each of its own letter, which are then written over.
  const standIns = names.map((octets, at) => String.fromCharCode(0x41 + at).repeat(octets.length));
  const texts = Object.values(files);
  const zip = zipSync(Object.fromEntries(standIns.map((standIn, at) => [standIn, [new TextEncoder().encode(texts[at]), { level: 0 }] as const])));
  standIns.forEach((standIn, at) => {
    for (let place = 0; place + standIn.length <= zip.length; place++)
      if ([...standIn].every((sign, index) => zip[place + index] === sign.charCodeAt(0))) zip.set(names[at] as Uint8Array, place);
  });
  return zip;
}
