export { Crawls } from './crawls.ts';
export { SiteCrawl, type CrawlEffects } from './site-crawl.ts';
export { NO_MEMORY, rememberHost, sweepMemory, type Memory } from './memory.ts';
export { sift, type Answered, type Sifted } from './sift.ts';
