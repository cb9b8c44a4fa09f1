import { remainingSteps, type RemainingStep } from '../../core/rows/index.ts';
import type { WorkspaceState } from '../workspace/index.ts';

type From = Pick<WorkspaceState, 'document' | 'rows' | 'numbers' | 'engine'>;
let last: { readonly from: From; readonly steps: readonly RemainingStep[] } | undefined;

/** The steps left of a site as it stands. Asked by the path and by Start of the same moment: all pages are looked at once. */
export function stepsLeft({ document, rows, numbers, engine }: From): readonly RemainingStep[] {
  if (last?.from.document === document && last.from.rows === rows && last.from.numbers === numbers && last.from.engine === engine) return last.steps;
  last = { from: { document, rows, numbers, engine }, steps: remainingSteps(document, rows, numbers, engine) };
  return last.steps;
}
