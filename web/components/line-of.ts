import { positionOf } from '../../core/source/index.ts';

/** `line 7`, for an offset in a page's text; undefined where there is no place. */
export function lineOf(source: string, offset: number | undefined): string | undefined {
  return offset === undefined ? undefined : `line ${positionOf(source, offset).line}`;
}
