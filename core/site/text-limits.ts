import { DESCRIPTION_LIMITS, SHARE_TEXT_LIMIT, SHARE_TITLE_LIMIT, TAB_LIMIT, TITLE_LIMITS, type TextLimit, type TextLimits } from '../titles/index.ts';
import type { SiteDocument } from './document.ts';

function own(document: SiteDocument, limit: TextLimit): TextLimit {
  const width = document.tables.limits[limit.id]?.width;
  return width === null || width === undefined ? limit : { ...limit, width };
}

const ownOf = (document: SiteDocument, [wide, phone, ...others]: TextLimits): TextLimits => [
  own(document, wide),
  own(document, phone),
  ...others.map((limit) => own(document, limit)),
];

/** Where titles and descriptions are cut by the checks. */
export const titleLimit = (document: SiteDocument): TextLimit => own(document, TITLE_LIMITS[0]);
export const descriptionLimit = (document: SiteDocument): TextLimit => own(document, DESCRIPTION_LIMITS[0]);
/** Where titles are cut: the conventions, or what the owner set. The first is the one by which checks are made. */
export const titleLimits = (document: SiteDocument): TextLimits => ownOf(document, TITLE_LIMITS);
/** Where descriptions are cut. */
export const descriptionLimits = (document: SiteDocument): TextLimits => ownOf(document, DESCRIPTION_LIMITS);
export const tabLimit = (document: SiteDocument): TextLimit => own(document, TAB_LIMIT);
export const shareTitleLimit = (document: SiteDocument): TextLimit => own(document, SHARE_TITLE_LIMIT);
export const shareTextLimit = (document: SiteDocument): TextLimit => own(document, SHARE_TEXT_LIMIT);
