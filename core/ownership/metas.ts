/** Metas that pages have anyway: none of them proves anything. */
const USUAL =
  /^(?:viewport|description|keywords|robots|author|generator|theme-color|color-scheme|referrer|format-detection|application-name|(?:dc|dcterms)\..*|[a-z]+:.*|.*-(?:mobile-web-app|tile|config|status-bar)[\w-]*)$/i;
/** What a tag for one crawler says: it keeps pages out, and proves nothing. */
const TELLS_CRAWLERS =
  /^\s*(?:(?:all|none|(?:no)?(?:index|follow|archive|snippet|imageindex|translate)|max-[\w-]+:\s*[\w-]+|unavailable_after:[^,]*)\s*(?:,\s*|$))+$/i;

/** Whether a meta of this name stands in pages anyway, and proves nothing. */
export const isUsualMeta = (name: string): boolean => USUAL.test(name);
/** Whether a meta's content are directives for a crawler. */
export const tellsCrawlers = (content: string): boolean => TELLS_CRAWLERS.test(content);
