import { isOneOf } from '../keyed/index.ts';
import { pageName } from '../site/index.ts';
import { isCurrency, isIsoDate, isIsoDuration, isIsoMoment, isPlainNumber } from '../values/index.ts';
import { fromPage, type Field, type MarkupInput, type Value } from './field.ts';
import { ownerId } from './identity.ts';
import { absolute, compact, type Json } from './node.ts';

const home = ({ address }: MarkupInput): string => new URL('/', address).href;
const at = (input: MarkupInput, reference: string): string | undefined => absolute(reference, absolute(input.page.facts.base, input.address) ?? input.address);

/** A heading without the sign behind it by which documentation links to it. */
export const bareName = (heading: string): string => heading.replace(/\s*[¶§#🔗]\s*$/u, '').trim();

/** What the page is called: its main heading, with its place. */
function nameOf({ page }: MarkupInput): Value | undefined {
  const said = pageName(page);
  const heading = page.facts.headings.find(({ text }) => text === said);
  const name = bareName(said);
  return name === '' ? undefined : { json: name, text: name, from: 'page', place: heading?.tag };
}

export const name: Field = { path: 'name', input: 'text', find: nameOf };
export const headline: Field = { path: 'headline', input: 'text', find: nameOf };
export const jobTitle: Field = { path: 'title', input: 'text', find: nameOf };

export const description: Field = {
  path: 'description',
  input: 'long',
  find: ({ description: { value, from } }) => (value === '' ? undefined : { json: value, text: value, from: from === 'page' ? 'page' : 'owner' }),
};

/** The page's own words, for what is described by all of them. */
export const fullDescription: Field = {
  path: 'description',
  input: 'long',
  find: (input) => {
    const words = input.page.facts.paragraphs.join('\n');
    const start = input.page.facts.paragraphStarts[0] ?? -1;
    return words === '' ? description.find(input) : { json: words, text: words, from: 'page', ...(start < 0 ? {} : { place: { start, end: start + 1 } }) };
  },
};

export const image: Field = {
  path: 'image',
  input: 'address',
  find: (input) =>
    fromPage(input.content?.picture, ({ src, width, height }) => {
      const url = at(input, src);
      if (url === undefined) return undefined;
      const json: Json = width === undefined && height === undefined ? url : (compact({ '@type': 'ImageObject', url, width, height }) as Json);
      return { json, text: url };
    }) ?? sitePicture(input),
  read: (text, input) => at(input, text.trim()),
};

function sitePicture(input: MarkupInput): Value | undefined {
  const url = absolute(input.document.tables.pages[input.page.id]?.sharePicture ?? input.document.tables.facts['']?.sharePicture, home(input));
  return url === undefined ? undefined : { json: url, text: url, from: 'site' };
}

const isDate = (text: string): boolean => isIsoDate(text) || isIsoMoment(text);
const dateField = (path: string, find: Field['find']): Field => ({
  path,
  input: 'date',
  find,
  read: (text) => (isDate(text.trim()) ? text.trim() : undefined),
});
const day = (json: string): { readonly json: string } => ({ json });
const published = (input: MarkupInput): Value | undefined => fromPage(input.content?.published, day) ?? fromFeed(input, input.fed?.published);

/** A feed's date, where the page names no day or names that one: what visitors see goes first. */
function fromFeed({ content }: MarkupInput, moment: string | undefined): Value | undefined {
  if (moment === undefined || !content || (content.days.length > 0 && !content.days.includes(moment.slice(0, 10)))) return undefined;
  return { json: moment, text: moment, from: 'feed' };
}

export const datePublished = dateField('datePublished', published);
export const datePosted = dateField('datePosted', published);
export const uploadDate = dateField('uploadDate', published);
export const dateModified = dateField('dateModified', (input) => fromPage(input.content?.modified, day) ?? fromFeed(input, input.fed?.updated));
export const startDate = dateField('startDate', ({ content }) => fromPage(content?.begins, day));
export const endDate = dateField('endDate', ({ content }) => fromPage(content?.ends, day));
export const validThrough = dateField('validThrough', ({ content }) => fromPage(content?.until ?? content?.ends, day));

/** Who wrote it: named on the page; on one person's own site that person, where nobody else is named. */
export const author: Field = {
  path: 'author',
  input: 'text',
  find: (input) =>
    fromPage(input.content?.author, ({ name, href }) => ({ ...person(input, name, href === undefined ? undefined : at(input, href)), text: name })) ??
    (input.document.tables.facts['']?.ownerKind === 'person' ? owner(input) : undefined),
  read: (text, input) => ({ '@type': 'Person', '@id': personId(input, text), name: text.trim() }),
};

const personId = (input: MarkupInput, name: string): string => {
  const facts = input.document.tables.facts[''] ?? {};
  if (facts.ownerKind === 'person' && facts.ownerName?.trim() === name.trim()) return ownerId(input.document);
  const slug = name
    .trim()
    .toLowerCase()
    .normalize('NFC')
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '');
  return `${home(input)}#person-${encodeURIComponent(slug)}`;
};

function person(input: MarkupInput, called: string, url: string | undefined): { readonly json: Json; readonly nodes?: Value['nodes'] } {
  const id = personId(input, called);
  if (id === ownerId(input.document)) return { json: { '@id': id } };
  return { json: { '@id': id }, nodes: [compact({ '@type': 'Person', '@id': id, name: called, url })] };
}

function owner({ document }: MarkupInput): Value | undefined {
  const { ownerName } = document.tables.facts[''] ?? {};
  return ownerName ? { json: { '@id': ownerId(document) }, text: ownerName, from: 'site' } : undefined;
}
/** The owner of the site in some part. */
const ownerAs = (path: string): Field => ({ path, find: owner });
export const publisher = ownerAs('publisher');
/** Who holds it: as the page says, which may be somebody else. */
export const organizer: Field = {
  path: 'organizer',
  input: 'text',
  find: (input) => fromPage(input.content?.organizer, (name) => ({ json: organization(input, name), text: name })),
  read: (text, input) => organization(input, text),
};

/** Somebody by name: the owner where it is the owner's. */
const organization = (input: MarkupInput, name: string): Json =>
  name.trim().toLowerCase() === input.document.tables.facts['']?.ownerName?.trim().toLowerCase()
    ? { '@id': ownerId(input.document) }
    : { '@type': 'Organization', name: name.trim() };
export const provider = ownerAs('provider');
export const hiringOrganization = ownerAs('hiringOrganization');
export const about = ownerAs('about');
export const mainEntityOwner = ownerAs('mainEntity');

export const inLanguage: Field = {
  path: 'inLanguage',
  find: ({ lang, page, document }) =>
    lang === ''
      ? undefined
      : {
          json: lang,
          text: lang,
          from: page.facts.lang || document.tables.pages[page.id]?.lang ? 'page' : 'site',
          place: page.facts.lang ? page.facts.htmlTag : undefined,
        },
};

/** What it costs. Its currency, where the page leaves it open, is asked for. */
const priceAt = (path: string): Field => ({
  path,
  input: 'price',
  find: ({ content }) => fromPage(content?.price, ({ amount }) => ({ json: amount, text: amount })),
  read: (text) => (isPlainNumber(text) && Number(text) >= 0 ? text.trim() : undefined),
});
/** What it costs at least or at most, where it has no one price. */
const rangeAt = (path: string, end: 'low' | 'high'): Field => ({
  ...priceAt(path),
  find: ({ content }) =>
    fromPage(content?.priceRange, (range) => {
      const amount = range[end];
      return amount === undefined ? undefined : { json: amount, text: amount };
    }),
});
const currencyAt = (path: string): Field => ({
  path,
  input: 'currency',
  find: ({ content }) =>
    fromPage<{ readonly currency: string | undefined }>(content?.price ?? content?.priceRange, ({ currency }) =>
      currency === undefined ? undefined : { json: currency, text: currency },
    ),
  read: (text) => (isCurrency(text.trim().toUpperCase()) ? text.trim().toUpperCase() : undefined),
});
export const price = priceAt('offers.price');
export const lowPrice = rangeAt('offers.lowPrice', 'low');
export const highPrice = rangeAt('offers.highPrice', 'high');
export const priceCurrency = currencyAt('offers.priceCurrency');
/** What it costs, in the one way or the other. */
export const costs: readonly Field[] = [price, lowPrice, highPrice, priceCurrency];
export const salary = priceAt('baseSalary.value');
export const salaryCurrency = currencyAt('baseSalary.currency');
export const AVAILABILITIES = [
  'InStock',
  'SoldOut',
  'PreOrder',
  'MadeToOrder',
  'LimitedAvailability',
  'OutOfStock',
  'Discontinued',
  'OnlineOnly',
  'InStoreOnly',
] as const;
export const availability: Field = {
  path: 'offers.availability',
  input: 'availability',
  find: ({ content }) => fromPage(content?.availability, (word) => ({ json: `https://schema.org/${word}`, text: word })),
  read: (text) => (isOneOf(AVAILABILITIES, text.trim()) ? `https://schema.org/${text.trim()}` : undefined),
};

/** What can become of an event. */
export const EVENT_STATUSES = ['EventScheduled', 'EventCancelled', 'EventPostponed', 'EventRescheduled', 'EventMovedOnline'] as const;
export const eventStatus: Field = {
  path: 'eventStatus',
  input: 'status',
  find: ({ content }) => fromPage(content?.eventStatus, (word) => ({ json: `https://schema.org/${word}`, text: word })),
  read: (text) => (isOneOf(EVENT_STATUSES, text.trim()) ? `https://schema.org/${text.trim()}` : undefined),
};
export const offerUrl: Field = {
  path: 'offers.url',
  find: ({ content, address }) => fromPage<unknown>(content?.price ?? content?.priceRange, () => ({ json: address, text: address })),
};

const ratingAt = (path: string, part: 'value' | 'best' | 'count'): Field => ({
  path,
  find: ({ content }) => fromPage(content?.rating, (rating) => ({ json: rating[part], text: rating[part] })),
});
export const rating: readonly Field[] = [
  ratingAt('aggregateRating.ratingValue', 'value'),
  ratingAt('aggregateRating.bestRating', 'best'),
  ratingAt('aggregateRating.ratingCount', 'count'),
];

/** Where it takes place: as the page says. The owner's own address stands there only where the page says that it is at the owner's. */
export const location: Field = {
  path: 'location',
  input: 'text',
  find: (input) => {
    const { place: said, here } = input.content ?? {};
    const own = said === undefined ? here : namesOwner(said.value, input) ? said : undefined;
    return (own && fromPage(own, () => ownPlace(input))) ?? fromPage(said, (where) => ({ json: place(where), text: where }));
  },
  read: place,
};
export const jobLocation: Field = { ...location, path: 'jobLocation' };

function place(where: string): Json {
  const [called = '', ...rest] = where.trim().split(/\s*,\s*/);
  return compact({ '@type': 'Place', name: called, address: rest.length === 0 ? called : rest.join(', ') }) as Json;
}

/** Whether a place is the owner's own: it is called as the owner is, or in the owner's street. */
function namesOwner(where: string, { document }: MarkupInput): boolean {
  const { street, ownerName } = document.tables.facts[''] ?? {};
  const place = where.trim().toLowerCase();
  // A name with a number behind it may be at another address.
  const isCalledSo = !!ownerName && place.split(/\s*,/)[0] === ownerName.trim().toLowerCase() && !/\d/.test(place);
  return isCalledSo || (!!street && place.includes(street.trim().toLowerCase()));
}

function ownPlace({ document }: MarkupInput): { readonly json: Json; readonly text: string } | undefined {
  const { street, locality, postalCode, country, ownerName } = document.tables.facts[''] ?? {};
  if (!street || !locality) return undefined;
  const address = compact({ '@type': 'PostalAddress', streetAddress: street, addressLocality: locality, postalCode, addressCountry: country?.toUpperCase() });
  return {
    json: compact({ '@type': 'Place', name: ownerName, address }) as Json,
    text: [ownerName, street, locality].filter(Boolean).join(', '),
  };
}

export const areaServed: Field = {
  path: 'areaServed',
  find: ({ document }) => {
    const areas = (document.tables.facts['']?.areaServed ?? '')
      .split('\n')
      .map((line) => line.trim())
      .filter(Boolean);
    return areas.length === 0 ? undefined : { json: areas.length === 1 ? (areas[0] as string) : areas, text: areas.join(', '), from: 'site' };
  },
};

export const totalTime: Field = {
  path: 'totalTime',
  input: 'duration',
  find: ({ content }) => fromPage(content?.duration, day),
  read: (text) => (isIsoDuration(text.trim()) ? text.trim() : undefined),
};
export const duration: Field = { ...totalTime, path: 'duration' };

export const questions: Field = {
  path: 'mainEntity',
  find: ({ content }) =>
    fromPage(content?.questions, (list) => ({
      json: list.map(({ question, answer }) => ({ '@type': 'Question', name: question, acceptedAnswer: { '@type': 'Answer', text: answer } })),
      text: `${list.length} questions`,
    })),
};

const stepsAt = (path: string): Field => ({
  path,
  find: ({ content }) =>
    fromPage(content?.steps, (list) => ({
      json: list.map((step, at) => ({ '@type': 'HowToStep', position: at + 1, name: step.name, text: step.text })),
      text: `${list.length} steps`,
    })),
});
export const steps = stepsAt('step');
export const recipeInstructions = stepsAt('recipeInstructions');

const linesField = (path: string, find: Field['find']): Field => ({
  path,
  input: 'lines',
  find,
  read: (text) => {
    const lines = text
      .split('\n')
      .map((line) => line.trim())
      .filter(Boolean);
    return lines.length === 0 ? undefined : lines;
  },
});
const needed = ({ content }: MarkupInput): Value | undefined => fromPage(content?.ingredients, (list) => ({ json: list, text: list.join('\n') }));
export const recipeIngredient = linesField('recipeIngredient', needed);
export const supply = linesField('supply', needed);

const filmAt = (path: string, part: 'src' | 'poster', embedded: boolean | undefined): Field => ({
  path,
  input: 'address',
  find: (input) =>
    fromPage(input.content?.film, (film) => {
      const url = film[part] === '' || (embedded !== undefined && film.embedded !== embedded) ? undefined : at(input, film[part]);
      return url === undefined ? undefined : { json: url, text: url };
    }),
  read: (text, input) => at(input, text.trim()),
});
export const contentUrl = filmAt('contentUrl', 'src', false);
export const embedUrl = filmAt('embedUrl', 'src', true);
export const thumbnailUrl: Field = {
  ...filmAt('thumbnailUrl', 'poster', undefined),
  find: (input) =>
    filmAt('thumbnailUrl', 'poster', undefined).find(input) ??
    fromPage(input.content?.picture, ({ src }) => (at(input, src) === undefined ? undefined : { json: at(input, src) as string })),
};

/** A field that only the owner can fill. */
export const asked = (path: string, input: NonNullable<Field['input']> = 'text'): Field => ({ path, input, find: () => undefined });
