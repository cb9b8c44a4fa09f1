export { Crawls } from './crawls.ts';
export { SiteCrawl, TOKEN, type CrawlEffects } from './site-crawl.ts';
