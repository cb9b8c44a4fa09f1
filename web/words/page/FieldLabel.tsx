import type { TermId } from '../../../core/wording/index.ts';
import { Term } from '../../components/index.ts';

/** What a field is called, with its explanation beside it. */
export function FieldLabel({ id, label, term }: { readonly id: string; readonly label: string; readonly term: TermId | undefined }) {
  return (
    <span className="inline-flex items-baseline gap-1">
      <label htmlFor={id} className="display text-lead font-semibold">
        {label}
      </label>
      {term && <Term id={term} />}
    </span>
  );
}
