export {
  DESCRIPTION_ROOMS,
  fit,
  ROOMS,
  SHARE_TEXT_ROOM,
  SHARE_TITLE_ROOM,
  TAB_ROOM,
  textWidth,
  TITLE_ROOMS,
  wordsPast,
  type Fit,
  type Room,
  type RoomId,
} from './fit.ts';
export { NearIndex, similarity, type NearWay } from './near.ts';
export { PARTS, pieceText, readPattern, renderPattern, writePattern, type Part, type PartValues, type Pattern, type Piece } from './pattern.ts';
export { SamenessIndex } from './sameness.ts';
export { suggestDescriptions, suggestTitles, type Suggestion, type SuggestFrom } from './suggest.ts';
