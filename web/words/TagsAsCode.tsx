import { escapeAttribute, escapeText, type PageFacts } from '../../core/page/index.ts';
import { editsFor } from '../../core/release/index.ts';
import {
  effectiveDescription,
  effectiveKeywords,
  effectiveNoindex,
  effectiveSharePicture,
  effectiveShareText,
  effectiveShareTitle,
  effectiveTitle,
  type SitePage,
} from '../../core/site/index.ts';
import { Copyable } from '../ui/index.ts';
import { useWorkspace } from '../workspace/index.ts';

/** The tags as the released page will have them. */
export function TagsAsCode({ page, facts }: { readonly page: SitePage; readonly facts: PageFacts }) {
  const document = useWorkspace((state) => state.document);
  const named = (name: string, content: string): string[] => (content === '' ? [] : [`<meta name="${name}" content="${escapeAttribute(content)}">`]);
  const card = (property: string, content: string): string[] => (content === '' ? [] : [`<meta property="${property}" content="${escapeAttribute(content)}">`]);
  const code = [
    `<title>${escapeText(effectiveTitle(document, page).value)}</title>`,
    ...named('description', effectiveDescription(document, page).value),
    ...named('keywords', effectiveKeywords(document, page).value),
    ...named('robots', effectiveNoindex(document, page).noindex ? 'noindex' : ''),
    ...card('og:title', effectiveShareTitle(document, page).value),
    ...card('og:description', effectiveShareText(document, page).value),
    ...card('og:image', effectiveSharePicture(document, page).value),
  ].join('\n');
  const edits = editsFor(document, page, facts);
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
