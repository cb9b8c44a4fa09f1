import {
  effectiveSharePicture,
  effectiveShareText,
  effectiveShareTitle,
  shareTextLimit,
  shareTitleLimit,
  withoutOwn,
  type SitePage,
} from '../../../core/site/index.ts';
import type { PageRow } from '../../../core/rows/index.ts';
import { useTables } from '../../workspace/index.ts';
import { PicturePicker } from './PicturePicker.tsx';
import { TextField } from './TextField.tsx';

/** What the card of a shared link says: title, text and picture. */
export function ShareFields({
  row,
  page,
  title,
  description,
}: {
  readonly row: PageRow;
  readonly page: SitePage;
  readonly title: string;
  readonly description: string;
}) {
  const document = useTables('pages', 'facts', 'kinds', 'limits');
  const shared = { page: row.id, name: row.name };
  return (
    <>
      <TextField
        {...shared}
        field="shareTitle"
        label="Share title"
        term="card"
        value={effectiveShareTitle(document, page)}
        otherwise={effectiveShareTitle(withoutOwn(document, page, 'shareTitle'), page)}
        limits={[shareTitleLimit(document)]}
        placeholder={title}
      />
      <TextField
        {...shared}
        field="shareText"
        label="Share text"
        value={effectiveShareText(document, page)}
        otherwise={effectiveShareText(withoutOwn(document, page, 'shareText'), page)}
        limits={[shareTextLimit(document)]}
        placeholder={description}
      />
      <PicturePicker row={row} page={page} picture={effectiveSharePicture(document, page)} />
    </>
  );
}
