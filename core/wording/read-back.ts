import type { MarkupReport, ToldMarkup, ToldValue } from '../structured-data/index.ts';
import type { ResultExtras } from '../results/index.ts';
import { counted } from './numbers.ts';
import { pathWords } from './markup-faults.ts';

/** What the processors make, in words: one of it, and the label of the choice. */
export const PROCESSOR_WORDS: Readonly<Record<string, { readonly one: string; readonly label: string; readonly about: string }>> = {
  page: { one: 'A page', label: 'Page', about: 'a page of the site, and no more' },
  article: { one: 'An article', label: 'Article', about: 'a text that stands for itself' },
  'blog-post': { one: 'A blog post', label: 'Blog post', about: 'a post of a journal or blog' },
  news: { one: 'A news article', label: 'News article', about: 'a report of what happened' },
  product: { one: 'A product', label: 'Product', about: 'a thing that can be bought' },
  event: { one: 'An event', label: 'Event', about: 'something at a time and a place' },
  service: { one: 'A service', label: 'Service', about: 'something that is done for others' },
  course: { one: 'A course', label: 'Course', about: 'something that is taught' },
  recipe: { one: 'A recipe', label: 'Recipe', about: 'how something is cooked' },
  'how-to': { one: 'An instruction', label: 'Instruction', about: 'how something is done, step by step' },
  faq: { one: 'A page of questions', label: 'Questions', about: 'questions with their answers' },
  video: { one: 'A film', label: 'Film', about: 'a film that the page shows' },
  job: { one: 'An open job', label: 'Job', about: 'a place to work that is open' },
  collection: { one: 'A list of pages', label: 'List of pages', about: 'a page that leads to others' },
  profile: { one: 'A page about one person', label: 'Person’s page', about: 'a page about one person' },
  about: { one: 'A page about who is behind the site', label: 'About page', about: 'who is behind the site' },
  contact: { one: 'A page that tells how to reach them', label: 'Contact page', about: 'how to reach who is behind the site' },
};

/** A piece of a sentence: words, a value that can be pressed, or what nobody says. */
export type Piece =
  | { readonly kind: 'words'; readonly text: string }
  | { readonly kind: 'value'; readonly processor: string; readonly path: string; readonly text: string; readonly from: NonNullable<ToldValue['from']> }
  | { readonly kind: 'gap'; readonly processor: string; readonly path: string; readonly text: string; readonly typed: boolean };

/** How a value stands in a sentence: the words before it, and how it is written. */
interface Clause {
  readonly before: string;
  readonly after?: string;
  readonly show?: (text: string) => string;
}

const dayWords = new Intl.DateTimeFormat('en-GB', { dateStyle: 'long', timeZone: 'UTC' });
/** A day as people write it, with its hour where one is said: `3 February 2026, 10:00`. */
export function dateWords(iso: string): string {
  const day = new Date(`${iso.slice(0, 10).padEnd(10, '-01')}T00:00:00Z`);
  if (iso.length < 10 || Number.isNaN(day.getTime())) return iso;
  const hour = /T(\d\d:\d\d)/.exec(iso)?.[1];
  return `${dayWords.format(day)}${hour === undefined ? '' : `, ${hour}`}`;
}

/** A length of time as people say it. */
export function durationWords(iso: string): string {
  const [, days, hours, minutes] = /^P(?:(\d+)D)?(?:T(?:(\d+)H)?(?:(\d+)M)?)?/.exec(iso) ?? [];
  const parts = [days && counted(Number(days), 'day'), hours && counted(Number(hours), 'hour'), minutes && counted(Number(minutes), 'minute')].filter(Boolean);
  return parts.length === 0 ? iso : parts.join(' ');
}

const lastPart = (address: string): string => decodeURI(address.split('/').filter(Boolean).pop() ?? address);
const quoted: Clause = { before: ', “', after: '”' };
const listWords = (text: string): string => counted(text.split('\n').length, 'thing');

const AVAILABLE: Readonly<Record<string, string>> = {
  InStock: 'in stock',
  SoldOut: 'sold out',
  OutOfStock: 'out of stock',
  PreOrder: 'to be ordered ahead',
  MadeToOrder: 'made to order',
  LimitedAvailability: 'few left',
  Discontinued: 'no longer made',
  OnlineOnly: 'online only',
  InStoreOnly: 'in the shop only',
};
/** Whether something can be had, in words. */
export const availabilityWords = (word: string): string => AVAILABLE[word.replace(/^.*\//, '')] ?? word;

const BECAME: Readonly<Record<string, string>> = {
  EventScheduled: 'as planned',
  EventCancelled: 'called off',
  EventPostponed: 'put off',
  EventRescheduled: 'put off to another day',
  EventMovedOnline: 'moved online',
};
/** What became of an event, in words. */
export const eventStatusWords = (word: string): string => BECAME[word.replace(/^.*\//, '')] ?? word;

const CLAUSES: Readonly<Record<string, Clause>> = {
  headline: quoted,
  name: quoted,
  title: quoted,
  'mainEntity.name': { before: ', ' },
  mainEntity: { before: ', with ' },
  author: { before: ', by ' },
  datePublished: { before: ', of ', show: dateWords },
  datePosted: { before: ', posted ', show: dateWords },
  uploadDate: { before: ', put up ', show: dateWords },
  dateModified: { before: ', last changed ', show: dateWords },
  startDate: { before: ', from ', show: dateWords },
  endDate: { before: ' until ', show: dateWords },
  eventStatus: { before: ', ', show: eventStatusWords },
  validThrough: { before: ', open until ', show: dateWords },
  'hasCourseInstance.startDate': { before: ', from ', show: dateWords },
  'hasCourseInstance.endDate': { before: ' until ', show: dateWords },
  'hasCourseInstance.location': { before: ', at ' },
  location: { before: ', at ' },
  jobLocation: { before: ', at ' },
  organizer: { before: ', held by ' },
  provider: { before: ', offered by ' },
  hiringOrganization: { before: ', with ' },
  areaServed: { before: ', for ' },
  serviceType: { before: ', of the sort ' },
  brand: { before: ', of the brand ' },
  sku: { before: ', number ' },
  'offers.price': { before: ', for ' },
  'offers.lowPrice': { before: ', from ' },
  'offers.highPrice': { before: ' to ' },
  'offers.priceCurrency': { before: ' ' },
  'offers.availability': { before: ', ', show: availabilityWords },
  'baseSalary.value': { before: ', paid ' },
  'baseSalary.currency': { before: ' ' },
  employmentType: { before: ', ' },
  'aggregateRating.ratingValue': { before: ', rated ' },
  'aggregateRating.bestRating': { before: ' of ' },
  'aggregateRating.ratingCount': { before: ' by ' },
  image: { before: ', with the picture ', show: lastPart },
  'mainEntity.image': { before: ', with the picture ', show: lastPart },
  thumbnailUrl: { before: ', with the still ', show: lastPart },
  contentUrl: { before: ', in ', show: lastPart },
  embedUrl: { before: ', played from ' },
  duration: { before: ', ', after: ' long', show: durationWords },
  totalTime: { before: ', taking ', show: durationWords },
  recipeYield: { before: ', for ' },
  recipeIngredient: { before: ', of ', show: listWords },
  supply: { before: ', with ', show: listWords },
  recipeInstructions: { before: ', in ' },
  step: { before: ', in ' },
  inLanguage: { before: ', in ', show: (tag) => languageWords(tag) },
};

const names = new Intl.DisplayNames('en', { type: 'language', fallback: 'code' });
function languageWords(tag: string): string {
  try {
    return names.of(tag) ?? tag;
  } catch {
    return tag;
  }
}

/** Values that no sentence is the better for. */
const SILENT = new Set(['description', 'publisher', 'offers.url', 'inLanguage']);
/** What nobody says is only told where a result would be the better for it. */
const asked = (report: MarkupReport, path: string): boolean =>
  report.gaps.some(({ missing, better }) => [...missing, ...better].some((one) => one.split('|')[0] === path));

/** The structured data of a page as sentences, one for each thing, values marked. The home page's own says who is behind the site. */
export function readBack(report: MarkupReport, siteName: string): Piece[][] {
  const sentences = report.things.map((thing, at) => sentenceOf(report, thing, siteName, at === 0));
  const described = report.things.flatMap(({ processor, values }): Piece[] => {
    const value = values.find(({ path }) => path === 'description');
    if (value?.text === undefined || value.from === undefined) return [];
    return [words('It is described as “'), { kind: 'value', processor, path: 'description', text: clipped(value.text), from: value.from }, words('”.')];
  });
  return [...sentences, ...(described.length > 0 ? [described.slice(0, 3)] : [])];
}

const words = (text: string): Piece => ({ kind: 'words', text });
const clipped = (text: string): string => (text.length > 160 ? `${text.slice(0, 157).trimEnd()}…` : text);

function sentenceOf(report: MarkupReport, { processor, values }: ToldMarkup, siteName: string, isFirst: boolean): Piece[] {
  const pieces: Piece[] = [words(PROCESSOR_WORDS[processor]?.one ?? processor)];
  const gaps: Piece[] = [];
  for (const { path, text, from, input, leftOut } of values) {
    if (SILENT.has(path)) continue;
    const clause = CLAUSES[path] ?? { before: `, ${path} ` };
    if (text === undefined || from === undefined) {
      if (!leftOut && asked(report, path)) gaps.push({ kind: 'gap', processor, path, text: `Nobody says ${pathWords(path)}`, typed: input !== undefined });
      continue;
    }
    const begins = values.find((one) => one.path === path.replace('endDate', 'startDate'))?.text;
    // An end on the same day is told by its hour.
    const hour = path.endsWith('endDate') && begins?.slice(0, 10) === text.slice(0, 10) ? /T(\d\d:\d\d)/.exec(text)?.[1] : undefined;
    pieces.push(words(clause.before), { kind: 'value', processor, path, text: hour ?? clause.show?.(text) ?? text, from });
    if (clause.after) pieces.push(words(clause.after));
  }
  if (isFirst) {
    if (siteName !== '') pieces.push(words(', part of '), { kind: 'value', processor: '', path: 'site', text: siteName, from: 'site' }, words('’s web site'));
    const above = report.trail.slice(0, -1).map(({ name }) => name);
    if (above.length > 0)
      pieces.push(words(', found under '), {
        kind: 'value',
        processor: '',
        path: 'trail',
        text: above.join(' › '),
        from: report.trailFrom === 'page' ? 'page' : 'site',
      });
  }
  return [...pieces, words('.'), ...gaps];
}

/** How things of a graph are joined, in words. */
export const JOIN_WORDS: Readonly<Record<string, string>> = {
  author: 'by',
  isPartOf: 'is part of',
  publisher: 'published by',
  breadcrumb: 'found under',
  mainEntity: 'tells of',
  about: 'is about',
  organizer: 'held by',
  provider: 'offered by',
  hiringOrganization: 'hires',
  offers: 'on offer',
  location: 'at',
  jobLocation: 'at',
  hasCourseInstance: 'held',
  aggregateRating: 'rated',
  worksFor: 'works for',
  founder: 'founded by',
  baseSalary: 'pays',
};

/** A price as markup has it, as people read it. */
export const moneyWords = (price: string): string => {
  const [amount = '', currency = ''] = price.split(' ');
  if (currency === '') return amount;
  try {
    return new Intl.NumberFormat('en', { style: 'currency', currency }).format(Number(amount));
  } catch {
    return price;
  }
};

/** What stands in front of the description in a result, from the markup; empty where that is nothing. */
export function extrasLine({ date, by, price, availability, rating, when, where, duration }: ResultExtras): string {
  return [
    date && dateWords(date),
    by && `by ${by}`,
    when && dateWords(when),
    where,
    price && moneyWords(price),
    availability && availabilityWords(availability),
    rating,
    duration && durationWords(duration),
  ]
    .filter(Boolean)
    .join(' · ');
}
