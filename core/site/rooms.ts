import { DESCRIPTION_ROOMS, SHARE_TEXT_ROOM, SHARE_TITLE_ROOM, TAB_ROOM, TITLE_ROOMS, type Room } from '../titles/index.ts';
import type { SiteDocument } from './document.ts';

function own(document: SiteDocument, room: Room): Room {
  const width = document.tables.limits[room.id]?.width;
  return width === null || width === undefined ? room : { ...room, width };
}

/** Where titles are cut: the conventions, or what the owner set. The first is the one by which checks are made. */
export const titleRooms = (document: SiteDocument): Room[] => TITLE_ROOMS.map((room) => own(document, room));
/** Where descriptions are cut. */
export const descriptionRooms = (document: SiteDocument): Room[] => DESCRIPTION_ROOMS.map((room) => own(document, room));
export const tabRoom = (document: SiteDocument): Room => own(document, TAB_ROOM);
export const shareTitleRoom = (document: SiteDocument): Room => own(document, SHARE_TITLE_ROOM);
export const shareTextRoom = (document: SiteDocument): Room => own(document, SHARE_TEXT_ROOM);
