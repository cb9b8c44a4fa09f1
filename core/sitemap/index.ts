export { readSitemap, type SitemapReading, type SitemapRefusal } from './read.ts';
export { datesAreTrue, SITEMAP_LIMITS, w3cDate, writeSitemap, type SitemapEntry } from './write.ts';
