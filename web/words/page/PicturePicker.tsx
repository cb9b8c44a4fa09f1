import type { FilePath } from '../../../core/source/index.ts';
import { set, type Effective, type SitePage } from '../../../core/site/index.ts';
import type { PageRow } from '../../../core/rows/index.ts';
import { useReport, useWorkspaceApi } from '../../workspace/index.ts';
import { PictureChoice } from '../site/PictureChoice.tsx';

/** The picture of the card: one of the page's own, or of the site's. What a card shows of it is seen at the right. */
export function PicturePicker({
  row,
  page,
  picture,
}: {
  readonly row: PageRow;
  readonly page: SitePage;
  readonly picture: Effective & { readonly fallback: boolean };
}) {
  const workspace = useWorkspaceApi();
  const pictures = useReport((one) => one.tools.analysis.pictures());
  const own = [...new Set((pictures ?? []).filter((one) => one.page === row.id).flatMap((one) => one.path ?? []))];
  const choose = (path: FilePath | null): void =>
    workspace.change(set('pages', row.id, 'sharePicture', path === null ? null : `/${path}`), {
      label: `“${row.name}” has ${path === null ? 'no share picture of its own' : 'a share picture'}`,
    });
  const chosen = picture.value.replace(/^https?:\/\/[^/]+/, '').replace(/^\//, '');
  return (
    <fieldset>
      <legend className="display mb-1 text-lead font-semibold">Share picture</legend>
      <p className="soft mb-2 text-note">
        {picture.from === 'none'
          ? 'None: the card has no picture.'
          : picture.fallback
            ? 'The site’s own stands in.'
            : 'Cards show its middle, about twice as wide as high; 1200 × 630 pixels are enough.'}
      </p>
      {own.length === 0 ? (
        <p className="soft text-small">There is no picture on this page{page.isHome ? '' : '; the site’s own can be set under Site'}.</p>
      ) : (
        <div className="flex flex-wrap gap-2" role="group" aria-label="Pictures of this page">
          {own.slice(0, 24).map((path) => (
            <PictureChoice key={path} path={path} chosen={path === chosen && !picture.fallback} onChoose={() => choose(path)} />
          ))}
          {picture.from === 'owner' && !picture.fallback && (
            <button type="button" className="link-act text-note" onClick={() => choose(null)}>
              None of its own
            </button>
          )}
        </div>
      )}
    </fieldset>
  );
}
