import type { FilePath } from '../../core/source/index.ts';
import type { Hunk } from '../../core/release/index.ts';

/** A file before and after, line by line; `undefined` while it is compared, `hunks` undefined where there is no text. */
export function Diff({ path, compared }: { readonly path: FilePath; readonly compared: { readonly hunks: readonly Hunk[] | undefined } | undefined }) {
  if (!compared) return <p className="soft px-4 pb-3">Comparing …</p>;
  if (!compared.hunks) return <p className="soft px-4 pb-3 text-note">There is no text to compare here.</p>;
  return (
    <div className="border-t border-line bg-base-200 py-2" role="region" aria-label={`Source of ${path}, before and after`} tabIndex={0}>
      {compared.hunks.map((hunk, index) => (
        <div key={index} className="mb-2">
          <p className="soft mono px-3 text-tiny">line {hunk.newStart}</p>
          {hunk.lines.map((line, at) => (
            <span
              key={at}
              data-line={line[0]}
              className={`mono block px-3 leading-[1.55] wrap-anywhere whitespace-pre-wrap ${line.startsWith('+') ? 'bg-green-soft' : line.startsWith('-') ? 'bg-brick-soft' : ''}`}
            >
              {line}
            </span>
          ))}
        </div>
      ))}
      {compared.hunks.length === 0 && <p className="soft px-4 text-note">No difference.</p>}
    </div>
  );
}
