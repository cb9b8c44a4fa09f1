import { TERMS, type TermId } from '../../core/wording/index.ts';

/** What a term means. */
export function Explanation({ id }: { readonly id: TermId }) {
  const { name, text } = TERMS[id];
  return (
    <>
      <strong className="display mb-0.5 block">{name}</strong>
      {text}
    </>
  );
}
