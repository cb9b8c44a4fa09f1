/** Lines around a place that are shown. */
const AROUND = 2;
const LONGEST = 400;

/** A few lines of the page's source with a place in them marked. */
export function SourceExcerpt({ source, start, end }: { readonly source: string; readonly start: number; readonly end: number }) {
  const first = source.slice(0, start).split('\n').length;
  const lines = source.split('\n');
  const from = Math.max(0, first - 1 - AROUND);
  const last = Math.min(lines.length, first + AROUND + Math.min(6, source.slice(start, end).split('\n').length - 1));
  let at = lines.slice(0, from).reduce((sum, line) => sum + line.length + 1, 0);
  return (
    <pre className="code-block mt-3 overflow-auto rounded-box bg-base-200 p-3 text-tiny" tabIndex={0} aria-label="Where it stands in the page">
      {lines.slice(from, last).map((line, index) => {
        const begin = at;
        at += line.length + 1;
        const [a, b] = [Math.max(0, start - begin), Math.min(line.length, end - begin)];
        return (
          <div key={index}>
            <span className="soft mr-3 inline-block w-8 text-right select-none">{from + index + 1}</span>
            {a < b ? (
              <>
                {line.slice(0, a)}
                <mark className="bg-accent/38 text-inherit">{line.slice(a, Math.min(b, a + LONGEST))}</mark>
                {line.slice(b, b + LONGEST)}
              </>
            ) : (
              line.slice(0, LONGEST)
            )}
          </div>
        );
      })}
    </pre>
  );
}
