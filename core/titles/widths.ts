import { ADVANCE_WIDTHS, UNITS_PER_EM } from './advance-widths.ts';
import { KERNING } from './kerning.ts';

/**
 * Measures a stretch of letters that the table of widths does not know, in em, as the program that shows them would set it; undefined where it cannot.
 */
export type MeasureLetters = (letters: string) => number | undefined;

/** By what a text's width was told: the face's own table, the program that shows it, or (where that cannot be asked) by typical letters of the script. */
export type MeasuredBy = 'table' | 'program' | 'typical';

let measureLetters: MeasureLetters | undefined;
const asked = new Map<string, number>();
/** So many stretches are remembered; the next begins anew. */
const REMEMBERED = 20_000;
/** Words are met again and again; a stretch of more UTF-16 units than this is another one at each key. */
const LONGEST_REMEMBERED = 64;

/** Says who measures what the table does not know. It is a property of the machine the program runs on, like its clock: said once, at the start. */
export function measureUnknownLettersBy(measure: MeasureLetters | undefined): void {
  measureLetters = measure;
  asked.clear();
}

const AVERAGE = 1139;
/** Code points below this are looked up; what stands above is told by its script. */
const LOOKED_UP = 0x2200;
const NOTHING = /[\p{Mn}\p{Me}\p{Cf}]/u;

/** The face's numbers, ready to be looked up. */
interface Face {
  readonly known: Uint8Array;
  readonly widths: Uint16Array;
  /** Widths of code points that are not looked up by their number. */
  readonly beyond: ReadonlyMap<number, number>;
  /** By the letter in front and the one behind, 16 bits each. */
  readonly kerning: ReadonlyMap<number, number>;
  readonly kernsBehind: Uint8Array;
}
let made: Face | undefined;
/** Made for the first text that is measured: who only opens a list of sites measures none. */
const face = (): Face => (made ??= makeFace());

function makeFace(): Face {
  const known = new Uint8Array(LOOKED_UP);
  const widths = Uint16Array.from({ length: LOOKED_UP }, (_, code) => typical(code));
  const beyond = new Map<number, number>();
  for (const [first, some] of ADVANCE_WIDTHS)
    some.forEach((width, index) => {
      const code = first + index;
      // A soft hyphen is in the face, but is not seen.
      if (NOTHING.test(String.fromCodePoint(code))) return;
      if (code >= LOOKED_UP) return void beyond.set(code, width);
      widths[code] = width;
      known[code] = 1;
    });
  const kerning = new Map<number, number>();
  const kernsBehind = new Uint8Array(LOOKED_UP);
  for (const [fronts, rows] of KERNING)
    for (const front of fronts)
      for (const [units, behinds] of rows)
        for (const behind of behinds) {
          kernsBehind[front.charCodeAt(0)] = 1;
          kerning.set(front.charCodeAt(0) * 0x10000 + behind.charCodeAt(0), units);
        }
  return { known, widths, beyond, kerning, kernsBehind };
}

/** Scripts whose letters stand in a square of one em in every face. */
function isSquare(code: number): boolean {
  return (
    (code >= 0x1100 && code <= 0x115f) ||
    (code >= 0x2e80 && code <= 0xa4cf) ||
    (code >= 0xac00 && code <= 0xd7a3) ||
    (code >= 0xf900 && code <= 0xfaff) ||
    (code >= 0xff01 && code <= 0xff60) ||
    (code >= 0x20000 && code <= 0x3ffff)
  );
}

/** Where the face has no such letter and nobody can be asked: squares take an em and pictures too, marks and joiners nothing, all else a typical letter. */
function typical(code: number): number {
  if (NOTHING.test(String.fromCodePoint(code)) || (code >= 0x1f3fb && code <= 0x1f3ff)) return 0;
  // Two letters of a flag are one picture.
  if (code >= 0x1f1e6 && code <= 0x1f1ff) return UNITS_PER_EM / 2;
  return isSquare(code) || code >= 0x1f300 ? UNITS_PER_EM : AVERAGE;
}

function isKnown(code: number): boolean {
  const { known, beyond } = face();
  return code < LOOKED_UP ? known[code] === 1 : isSquare(code) || beyond.has(code);
}

function advance(code: number): number {
  const { widths, beyond } = face();
  return code < LOOKED_UP ? (widths[code] as number) : (beyond.get(code) ?? typical(code));
}

/** A text's width, and where each of its characters ends. */
export interface Measured {
  /** px. */
  readonly width: number;
  /** Width up to the end of each code point, in px, by the UTF-16 offset behind it. Only what was asked for `ends`. */
  readonly ends: readonly (readonly [at: number, width: number])[];
  readonly by: MeasuredBy;
}

/**
 * Width of a text in px at a type size in px. Letters of the face by its own table and kerning; stretches of other scripts as the program that shows them
 * sets them (letters that join, marks that sit on others), taken as a whole and shared out among their letters.
 */
export function measure(text: string, fontSize: number, withEnds = false): Measured {
  const ends: [number, number][] = [];
  const px = fontSize / UNITS_PER_EM;
  const { kernsBehind, kerning } = face();
  let by: MeasuredBy = 'table';
  let units = 0;
  let before = -1;
  for (let at = 0; at < text.length;) {
    const code = letterAt(text, at);
    const next = at + (code > 0xffff ? 2 : 1);
    const mark = !isKnown(code) && NOTHING.test(String.fromCodePoint(code));
    if (!mark && !isKnown(code)) {
      const end = stretchEnd(text, next);
      const letters = text.slice(at, end);
      const told = widthOfLetters(letters);
      if (told === undefined) by = 'typical';
      else if (by === 'table') by = 'program';
      shareOut(letters, told, at, units, (place, width) => {
        units = width;
        if (withEnds) ends.push([place, units * px]);
      });
      before = -1;
      at = end;
      continue;
    }
    if (before >= 0 && kernsBehind[before] === 1 && code <= 0xffff) units += kerning.get(before * 0x10000 + code) ?? 0;
    units += mark ? 0 : advance(code);
    if (withEnds) ends.push([next, units * px]);
    // A mark sits on its letter; what follows stands beside that letter still.
    if (!mark) before = code < LOOKED_UP ? code : -1;
    at = next;
  }
  return { width: units * px, ends, by };
}

/** Width of a text in px at a type size in px. */
export function textWidth(text: string, fontSize: number): number {
  return measure(text, fontSize).width;
}

/** The letter at a place, with the mark behind it where the face has both in one: that is how it is set. */
function letterAt(text: string, at: number): number {
  const code = text.codePointAt(at) as number;
  const behind = text.charCodeAt(at + 1);
  if (!(behind >= 0x300 && behind <= 0x36f)) return code;
  const made = text.slice(at, at + 2).normalize('NFC');
  return made.length === 1 && isKnown(made.charCodeAt(0)) ? made.charCodeAt(0) : code;
}

/** Where a stretch of letters that the table does not know ends; marks and joiners among them belong to it. */
function stretchEnd(text: string, from: number): number {
  let at = from;
  while (at < text.length) {
    const code = text.codePointAt(at) as number;
    if (isKnown(code)) break;
    at += code > 0xffff ? 2 : 1;
  }
  return at;
}

/** Units of a stretch as the program sets it; undefined where it cannot be asked. */
function widthOfLetters(letters: string): number | undefined {
  const kept = asked.get(letters);
  if (kept !== undefined) return kept;
  const told = measureLetters?.(letters);
  if (told === undefined) return undefined;
  if (letters.length > LONGEST_REMEMBERED) return told * UNITS_PER_EM;
  if (asked.size >= REMEMBERED) asked.clear();
  asked.set(letters, told * UNITS_PER_EM);
  return told * UNITS_PER_EM;
}

/** Shares the width of a stretch out among its letters, by what is typical for each. */
function shareOut(letters: string, told: number | undefined, start: number, from: number, put: (place: number, width: number) => void): void {
  const characters = [...letters];
  // What a joiner binds to the picture before it has no room of its own.
  const typicals = characters.map((one, index) => (characters[index - 1] === '\u200d' ? 0 : typical(one.codePointAt(0) as number)));
  const sum = typicals.reduce((all, one) => all + one, 0);
  const scale = told === undefined || sum === 0 ? 1 : told / sum;
  let place = start;
  let width = from;
  characters.forEach((one, index) => {
    place += one.length;
    width += (typicals[index] as number) * scale;
    put(place, width);
  });
}
