import { escapeAttribute, escapeText, type PageFacts } from '../../core/page/index.ts';
import { editsFor } from '../../core/release/index.ts';
import { effectiveDescription, effectiveNoindex, effectiveTitle } from '../../core/site/index.ts';
import type { PageRow } from '../../core/survey/index.ts';
import { Copyable } from '../ui/index.ts';
import { useWorkspace } from '../workspace/index.ts';

/** The tags as the released page will have them. */
export function TagsAsCode({ row, facts }: { readonly row: PageRow; readonly facts: PageFacts }) {
  const document = useWorkspace((state) => state.document);
  const title = effectiveTitle(document, row.id, facts).value;
  const description = effectiveDescription(document, row.id, facts).value;
  const { noindex } = effectiveNoindex(document, row.id, row.kind, facts);
  const lines = [`<title>${escapeText(title)}</title>`];
  if (description !== '') lines.push(`<meta name="description" content="${escapeAttribute(description)}">`);
  if (noindex) lines.push('<meta name="robots" content="noindex">');
  const code = lines.join('\n');
  const edits = editsFor(document, { id: row.id, kind: row.kind, isHome: row.address === '/', facts });
  return (
    <div>
      <pre className="code-block">{code}</pre>
      <div className="flex items-center justify-between border-t border-[color:var(--line)] px-2 py-1">
        <span className="soft px-1.5 text-[12.5px]">
          {edits.length === 0 ? 'The page says so already.' : `${edits.length} of these will be written into the page.`}
        </span>
        <Copyable text={code} />
      </div>
    </div>
  );
}
