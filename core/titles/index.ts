export { DESCRIPTION_ROOMS, fit, TAB_ROOM, textWidth, TITLE_ROOMS, wordsPast, type Fit, type Room } from './fit.ts';
export { SamenessIndex } from './sameness.ts';
export { suggestDescriptions, suggestTitles } from './suggest.ts';
