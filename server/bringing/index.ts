export { Crawls } from './crawls.ts';
export { SiteCrawl, type CrawlEffects } from './site-crawl.ts';
