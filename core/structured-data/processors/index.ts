import type { Kind } from '../../site/index.ts';
import type { Processor } from '../field.ts';
import { article, blogPosting, newsArticle } from './article.ts';
import { course } from './course.ts';
import { event } from './event.ts';
import { howTo } from './how-to.ts';
import { job } from './job.ts';
import { aboutPage, collection, contactPage, faq, plainPage, profile } from './pages.ts';
import { product } from './product.ts';
import { recipe } from './recipe.ts';
import { service } from './service.ts';
import { video } from './video.ts';

/** All that a page can be, in the order in which it is offered. */
export const PROCESSORS: readonly Processor[] = [
  plainPage,
  article,
  blogPosting,
  newsArticle,
  product,
  event,
  service,
  course,
  recipe,
  howTo,
  faq,
  video,
  job,
  collection,
  profile,
  aboutPage,
  contactPage,
];

const byId = new Map(PROCESSORS.map((processor) => [processor.id, processor]));
export const processorOf = (id: string): Processor | undefined => byId.get(id);

/** What the pages of a kind are, where nobody says otherwise. */
export const KIND_PROCESSORS: Readonly<Record<Kind, Processor>> = {
  page: plainPage,
  service,
  event,
  product,
  post: blogPosting,
  category: collection,
  tag: collection,
  author: profile,
  date: collection,
  other: plainPage,
};
