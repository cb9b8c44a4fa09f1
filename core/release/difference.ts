import { structuredPatch } from 'diff';

/** A stretch of a source diff; line numbers count from 1. */
export interface Hunk {
  readonly oldStart: number;
  readonly newStart: number;
  /** First character is `+`, `-` or a space. */
  readonly lines: readonly string[];
}

/** The difference of two texts in lines, with two lines around each change. Undefined where they are too far apart to be told in reasonable time. */
export function sourceDiff(before: string, after: string): readonly Hunk[] | undefined {
  const patch = structuredPatch('', '', before, after, '', '', { context: 2, maxEditLength: 4000, timeout: 2000 });
  return patch?.hunks.map(({ oldStart, newStart, lines }) => ({ oldStart, newStart, lines: lines.filter((line) => !line.startsWith('\\')) }));
}
