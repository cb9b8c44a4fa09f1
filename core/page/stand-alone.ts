import type { SourceText, Splice } from '../source/index.ts';
import type { PageFacts } from './facts.ts';
import { patchPage, type PageEdit, type PatchRefusal } from './patch.ts';

/** An edit that cannot be made, and why. */
export interface LeftOut {
  readonly edit: PageEdit;
  readonly reason: PatchRefusal;
}

/** A page with all edits made that can be made; `bytes` are the very same object where none is. */
export interface Patched {
  readonly bytes: Uint8Array;
  readonly splices: readonly Splice[];
  readonly left: readonly LeftOut[];
}

/** Edits that go together or not at all. */
type Unit = readonly PageEdit[];

/**
 * Makes every edit that can be made: one that cannot takes no other with it. Of two that cannot both be made the first is. What takes the page's own
 * structured data out and what puts ours in its place are one, so that a page never loses the one without getting the other.
 */
export function patchAsFarAsPossible(source: SourceText, facts: PageFacts, edits: readonly PageEdit[]): Patched {
  const left: LeftOut[] = [];
  /** The page with what fits so far: each combination that fits is the one before and more. */
  let made: Pick<Patched, 'bytes' | 'splices'> = { bytes: source.bytes, splices: [] };
  fitting(unitsOf(edits), []);
  return { ...made, left: left.sort((a, b) => edits.indexOf(a.edit) - edits.indexOf(b.edit)) };

  /** As many units as fit beside those that do already: halves are tried while there is more than one, so that one bad edit of many is found in a few tries. */
  function fitting(units: readonly Unit[], base: readonly Unit[]): readonly Unit[] {
    if (units.length === 0) return base;
    const together = [...base, ...units];
    const tried = patchPage(source, facts, inOrder(together));
    if (tried.ok) {
      made = { bytes: tried.bytes, splices: tried.splices };
      return together;
    }
    if (units.length === 1) {
      // Its own reason, where it has one even alone; else that of standing beside the others.
      const alone = base.length === 0 ? tried : patchPage(source, facts, units[0] as Unit);
      const { reason } = alone.ok ? tried : alone;
      left.push(...(units[0] as Unit).map((edit) => ({ edit, reason })));
      return base;
    }
    const middle = units.length >> 1;
    return fitting(units.slice(middle), fitting(units.slice(0, middle), base));
  }
  function inOrder(units: readonly Unit[]): PageEdit[] {
    const chosen = new Set(units.flat());
    return edits.filter((edit) => chosen.has(edit));
  }
}

function unitsOf(edits: readonly PageEdit[]): Unit[] {
  const replaces = edits.some(({ kind }) => kind === 'no-markup');
  const markup = edits.filter(({ kind }) => replaces && (kind === 'no-markup' || kind === 'json-ld'));
  return [...(markup.length > 0 ? [markup] : []), ...edits.filter((edit) => !markup.includes(edit)).map((edit) => [edit])];
}
