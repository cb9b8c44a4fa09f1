export { datesAreTrue, readW3cDate, w3cDate } from './dates.ts';
export { validateMap, isLanguageTag, type ExaminedMap, type ExamineOptions, type MapIssue } from './validate.ts';
export { FEED_ENTRIES, writeAtom, writeRss, type FeedEntry, type FeedHead } from './feeds.ts';
export { feedEntries, type FeedDates } from './read-feed.ts';
export { SITEMAP_FILE, writeMaps, type MapFile, type MapGroup } from './maps.ts';
export { isMapText, readSitemap, type SitemapReading } from './read.ts';
export type { ExaminedEntry, SitemapRefusal, XmlFault } from './walked.ts';
export { mapStyle, PLAIN_STYLE_FILE, plainMapStyle, STYLE_FILE } from './style.ts';
export { SITEMAP_LIMITS, writeIndex, writeSitemap, type Alternate, type SitemapEntry } from './write.ts';
