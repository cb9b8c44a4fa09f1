export {
  CONTENT_LIMITS,
  type ContactContent,
  type Crumb,
  type Film,
  type Named,
  type PageContent,
  type Picture,
  type PostalAddress,
  type Price,
  type Question,
  type Rating,
  type Said,
  type Step,
} from './content.ts';
export { gatherContent } from './gather.ts';
export { outlineOf, type Outline } from './outline.ts';
