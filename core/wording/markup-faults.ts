import type { FaultCode, MarkupFault } from '../structured-data/index.ts';

/** The sentence for a fault of structured data, with what was probably meant. */
export function faultSentence(fault: MarkupFault): string {
  return SENTENCES[fault.code](fault, fault.meant === undefined ? '' : ` Perhaps “${fault.meant}” is meant.`);
}

const where = ({ type, property }: MarkupFault): string => [type, property].filter(Boolean).join(' › ');

const SENTENCES: Readonly<Record<FaultCode, (fault: MarkupFault, perhaps: string) => string>> = {
  'json-broken': ({ word }) => `The block is no JSON: it cannot be read from “${word}” on.`,
  'json-repaired': ({ word }) => `The block is not quite JSON, near “${word}”: it can be guessed here, but engines pass it over.`,
  'nothing-in-it': () => 'There is nothing in the block.',
  'too-deep': () => 'It is nested deeper than anybody reads.',
  'too-much': () => 'There is more of it than anybody reads.',
  'context-missing': () => 'No @context says whose words these are. It should be https://schema.org.',
  'context-unknown': ({ word }) => `The context “${word}” is not known here, so its words are not.`,
  'word-unmapped': ({ word }) => `“${word}” means nothing in the context that is named.`,
  'itemref-missing': ({ word }) => `itemref names “${word}”, and nothing on the page has that id.`,
  'itemref-circular': ({ word }) => `The thing “${word}” holds itself.`,
  'type-missing': () => 'An itemscope says no type.',
  'type-unknown': ({ word }, perhaps) => `There is no type “${word}”.${perhaps}`,
  'type-superseded': ({ word, meant }) => (meant === undefined ? `The type “${word}” is out of use.` : `“${word}” is out of use; ${meant} takes its place.`),
  'property-unknown': ({ word, type }, perhaps) => `${type || 'It'} has no property “${word}”, nor has anything else.${perhaps}`,
  'property-elsewhere': ({ word, type, meant }) => `“${word}” is no property of ${type}${meant === undefined ? '' : `; ${meant} has it`}.`,
  'property-superseded': ({ word, meant }) => (meant === undefined ? `“${word}” is out of use.` : `“${word}” is out of use; ${meant} takes its place.`),
  'value-empty': (fault) => `${where(fault)} says nothing.`,
  'value-thing': (fault) => `${where(fault)} is a ${fault.word}; ${fault.meant ?? 'something else'} is asked for.`,
  'value-text': (fault) => `${where(fault)} is only words, “${fault.word}”; a ${fault.meant ?? 'thing'} is asked for.`,
  'value-number': (fault) => `${where(fault)} should be a number as 12.50, and is “${fault.word}”.`,
  'value-boolean': (fault) => `${where(fault)} should be ${fault.meant ?? 'something else'}, and is “${fault.word}”.`,
  'member-unknown': (fault, perhaps) => `${where(fault)} has no value “${fault.word}”.${perhaps}`,
  'id-nowhere': (fault) => `${where(fault)} names ${fault.word}, and nothing on the page has that id.`,
  'date-form': (fault) => `${where(fault)} should be a date as 2026-02-03, and is “${fault.word}”.`,
  'duration-form': (fault) => `${where(fault)} should be a length of time as PT1H30M, and is “${fault.word}”.`,
  'time-form': (fault) => `${where(fault)} should be an hour as 09:00, and is “${fault.word}”.`,
  'price-form': (fault) => `${where(fault)} should be a number with a dot, as 12.50, and is “${fault.word}”.`,
  'currency-form': (fault) => `${where(fault)} should be three letters, as EUR, and is “${fault.word}”.`,
  'language-form': (fault) => `${where(fault)} should be a language tag, as en, and is “${fault.word}”.`,
  'country-form': (fault, perhaps) => `${where(fault)} should be two letters, as GB, and is “${fault.word}”.${perhaps}`,
  'telephone-form': (fault) => `${where(fault)} should be a number with its country code, and is “${fault.word}”.`,
  'address-form': (fault) => `${where(fault)} should be an address, and is “${fault.word}”.`,
  'not-shown': (fault) => `${where(fault)} says “${fault.word}”, which no visitor sees${fault.meant === undefined ? '' : `; the page shows “${fault.meant}”`}.`,
  'picture-missing': (fault) => `${where(fault)} names ${fault.word}, and there is no such file.`,
  'trail-differs': (fault) => `The trail says ${fault.word}; visitors see ${fault.meant ?? 'another one'}.`,
  'not-canonical': (fault) => `${where(fault)} is ${fault.word}; the page’s main address is ${fault.meant ?? 'another one'}.`,
};

/** What properties are called in sentences. */
const PROPERTY_WORDS: Readonly<Record<string, string>> = {
  headline: 'a headline',
  name: 'a name',
  title: 'a title',
  description: 'a description',
  image: 'a picture',
  datePublished: 'the date it was published',
  dateModified: 'the date it was last changed',
  datePosted: 'the date it was posted',
  uploadDate: 'the date it was put up',
  author: 'who wrote it',
  publisher: 'who publishes it',
  brand: 'its brand',
  sku: 'its number',
  price: 'a price',
  lowPrice: 'the lowest price',
  highPrice: 'the highest price',
  priceCurrency: 'the currency',
  availability: 'whether it can be had',
  ratingValue: 'a rating',
  startDate: 'when it begins',
  endDate: 'when it ends',
  eventStatus: 'what became of it',
  location: 'where it takes place',
  organizer: 'who holds it',
  provider: 'who offers it',
  recipeIngredient: 'what goes in',
  recipeInstructions: 'how it is made',
  recipeYield: 'for how many',
  totalTime: 'how long it takes',
  thumbnailUrl: 'a still picture',
  contentUrl: 'the film’s address',
  embedUrl: 'the player’s address',
  duration: 'how long it is',
  hiringOrganization: 'who hires',
  jobLocation: 'where the work is',
  validThrough: 'until when it is open',
  employmentType: 'full or part time',
  value: 'the pay',
  address: 'an address',
  telephone: 'a telephone number',
  openingHoursSpecification: 'opening hours',
  text: 'an answer to each question',
};

/** What a path such as `offers.price|offers.lowPrice` is called in a sentence. */
export function pathWords(path: string): string {
  const first = path.split('|')[0] ?? path;
  const property = first.split('.').pop() ?? first;
  return PROPERTY_WORDS[property] ?? property;
}

/** What the sorts of results are called. */
export const RESULT_WORDS = {
  article: 'the date and name beside an article',
  product: 'the price of a product',
  event: 'an event with its date',
  recipe: 'a recipe',
  video: 'a film',
  job: 'an open job',
  course: 'a course',
  questions: 'questions and answers',
  trail: 'the trail',
  business: 'a business with its hours',
} as const;
