import type { PageId } from '../../../core/source/index.ts';
import type { ReleasedTags } from '../../../core/release/index.ts';
import { counted, PATCH_REFUSALS } from '../../../core/wording/index.ts';
import { Copyable } from '../../ui/index.ts';
import { useReport } from '../../workspace/index.ts';

/** The tags in the very bytes that will be released. */
export function TagsAsCode({ page }: { readonly page: PageId }) {
  const tags = useReport<ReleasedTags | undefined>(async (one) => one.tools.analysis.tags(page), page);
  if (tags === undefined) return <p className="soft p-3">Reading the page …</p>;
  if (!tags.ok) return <p className="notice notice-amber m-2">Nothing is written into this page: {PATCH_REFUSALS[tags.reason]}.</p>;
  const code = tags.tags.join('\n');
  return (
    <div>
      <pre className="code-block">{code}</pre>
      <div className="flex items-center justify-between border-t border-line px-2 py-1">
        <span className="soft px-1.5 text-fine">
          {tags.edits === 0 ? 'The page says so already.' : `${counted(tags.edits, 'thing')} will be written into the page.`}
        </span>
        <Copyable text={code} />
      </div>
    </div>
  );
}
