import * as f from '../fields.ts';
import type { Processor } from '../field.ts';

const fields = [f.headline, f.description, f.image, f.datePublished, f.dateModified, f.author, f.publisher, f.inLanguage];

/** A text that stands for itself. */
export const article: Processor = { id: 'article', type: 'Article', isPage: false, fields };
/** A post of a journal or blog. */
export const blogPosting: Processor = { id: 'blog-post', type: 'BlogPosting', isPage: false, fields };
/** News. */
export const newsArticle: Processor = { id: 'news', type: 'NewsArticle', isPage: false, fields };
