import { ENGINES, type EngineId } from '../engines/index.ts';
import { textAt, valuesAt, type PlainNode } from './plain.ts';

/** What an engine shows of a page beside its title and description. */
export interface ResultExtras {
  readonly trail?: readonly string[];
  readonly date?: string;
  readonly by?: string;
  readonly price?: string;
  readonly availability?: string;
  readonly rating?: string;
  readonly when?: string;
  readonly where?: string;
  readonly duration?: string;
  readonly questions?: readonly string[];
}

/** A sort of result: of which things, what it cannot do without, and what makes it better. Of paths with `|` between one is enough. */
export interface ResultSort {
  readonly id: 'article' | 'product' | 'event' | 'recipe' | 'video' | 'job' | 'course' | 'questions' | 'trail' | 'business';
  readonly types: readonly string[];
  readonly required: readonly string[];
  readonly recommended: readonly string[];
}

const ARTICLES = ['Article', 'BlogPosting', 'NewsArticle', 'Report'];
const BUSINESSES = ['LocalBusiness', 'Store', 'Restaurant', 'CafeOrCoffeeShop', 'Bakery', 'BookStore', 'ProfessionalService'];

/** What makes a result at each engine, in tables of their own. */
export const RESULT_SORTS: Readonly<Record<EngineId, readonly ResultSort[]>> = {
  skerry: [
    { id: 'article', types: ARTICLES, required: ['headline|name'], recommended: ['datePublished', 'author', 'image'] },
    {
      id: 'product',
      types: ['Product'],
      required: ['name', 'offers.price|offers.lowPrice|aggregateRating.ratingValue'],
      recommended: ['image', 'offers.priceCurrency', 'offers.availability'],
    },
    {
      id: 'event',
      types: ['Event'],
      required: ['name', 'startDate', 'location'],
      recommended: ['endDate', 'offers.price|offers.lowPrice', 'image', 'description'],
    },
    {
      id: 'recipe',
      types: ['Recipe'],
      required: ['name', 'recipeIngredient', 'recipeInstructions'],
      recommended: ['image', 'totalTime', 'recipeYield', 'author'],
    },
    { id: 'video', types: ['VideoObject'], required: ['name', 'thumbnailUrl', 'uploadDate'], recommended: ['contentUrl|embedUrl', 'duration', 'description'] },
    {
      id: 'job',
      types: ['JobPosting'],
      required: ['title', 'description', 'datePosted', 'hiringOrganization', 'jobLocation'],
      recommended: ['validThrough', 'employmentType', 'baseSalary.value'],
    },
    {
      id: 'course',
      types: ['Course'],
      required: ['name', 'description', 'provider'],
      recommended: ['hasCourseInstance.startDate', 'offers.price|offers.lowPrice'],
    },
    { id: 'questions', types: ['FAQPage'], required: ['mainEntity.acceptedAnswer.text'], recommended: [] },
    { id: 'trail', types: ['BreadcrumbList'], required: ['itemListElement.name'], recommended: [] },
    { id: 'business', types: BUSINESSES, required: ['name', 'address'], recommended: ['telephone', 'openingHoursSpecification|openingHours', 'image'] },
  ],
  plover: [
    { id: 'article', types: ARTICLES, required: ['headline|name', 'datePublished'], recommended: ['author', 'dateModified'] },
    { id: 'product', types: ['Product'], required: ['name', 'image', 'offers.price', 'offers.priceCurrency'], recommended: ['offers.availability', 'brand'] },
    { id: 'event', types: ['Event'], required: ['name', 'startDate'], recommended: ['location', 'image'] },
    { id: 'recipe', types: ['Recipe'], required: ['name', 'image'], recommended: ['recipeIngredient', 'totalTime'] },
    { id: 'video', types: ['VideoObject'], required: ['name', 'description', 'thumbnailUrl', 'uploadDate'], recommended: ['duration'] },
    { id: 'trail', types: ['BreadcrumbList'], required: ['itemListElement.name'], recommended: [] },
  ],
};

/** How near a page's thing is to a result. */
export interface ResultGap {
  readonly engine: EngineId;
  readonly sort: ResultSort['id'];
  readonly type: string;
  /** Paths of which nothing is said. */
  readonly missing: readonly string[];
  readonly better: readonly string[];
}

const says = (node: PlainNode, path: string): boolean =>
  path.split('|').some((one) => valuesAt(node, one).some((value) => typeof value !== 'string' || value.trim() !== ''));

/** What each thing of a page lacks for a result of its sort, at one engine. Things that lack nothing are told too. */
export function resultGaps(engine: EngineId, nodes: readonly PlainNode[]): ResultGap[] {
  return RESULT_SORTS[engine].flatMap((sort) =>
    nodes
      .filter(({ types }) => types.some((type) => sort.types.includes(type)))
      .slice(0, 40)
      .map((node) => ({
        engine,
        sort: sort.id,
        type: node.types.find((type) => sort.types.includes(type)) ?? '',
        missing: sort.required.filter((path) => !says(node, path)),
        better: sort.recommended.filter((path) => !says(node, path)),
      })),
  );
}

/** What the things of a page lack at all engines; things that lack nothing are left out. */
export function openGaps(nodes: readonly PlainNode[]): ResultGap[] {
  return ENGINES.flatMap(({ id }) => resultGaps(id, nodes)).filter(({ missing, better }) => missing.length + better.length > 0);
}

/** What an engine makes of a page's things. Skerry shows trail, date and name, price, rating, when and where, questions; Plover trail, date, price and when. */
export function resultExtras(engine: string, nodes: readonly PlainNode[]): ResultExtras {
  const whole = (id: ResultSort['id']): PlainNode | undefined => {
    const sort = (engine === 'plover' ? RESULT_SORTS.plover : RESULT_SORTS.skerry).find((one) => one.id === id);
    return sort && nodes.find((node) => node.types.some((type) => sort.types.includes(type)) && sort.required.every((path) => says(node, path)));
  };
  const extras: { -readonly [K in keyof ResultExtras]: ResultExtras[K] } = {};
  const put = <K extends keyof ResultExtras>(key: K, value: ResultExtras[K] | undefined): void => {
    if (value !== undefined && extras[key] === undefined) extras[key] = value;
  };
  const trail = whole('trail');
  if (trail)
    put(
      'trail',
      trail
        .values('itemListElement')
        .flatMap((one) => (typeof one === 'string' ? [] : (textAt(one, 'name') ?? textAt(one, 'item') ?? [])))
        .slice(0, -1),
    );
  const article = whole('article');
  if (article) {
    put('date', textAt(article, 'datePublished'));
    if (engine !== 'plover') put('by', textAt(article, 'author'));
  }
  const product = whole('product');
  if (product) {
    put('price', priceOf(product));
    if (engine !== 'plover') put('availability', textAt(product, 'offers.availability')?.replace(/^.*\//, ''));
    if (engine !== 'plover') put('rating', ratingOf(product));
  }
  const event = whole('event');
  if (event) {
    put('when', textAt(event, 'startDate'));
    if (engine !== 'plover') put('where', textAt(event, 'location'));
    if (engine !== 'plover') put('price', priceOf(event));
  }
  if (engine !== 'plover') {
    const recipe = whole('recipe');
    if (recipe) {
      put('duration', textAt(recipe, 'totalTime'));
      put('rating', ratingOf(recipe));
    }
    const course = whole('course');
    if (course) put('when', textAt(course, 'hasCourseInstance.startDate'));
    const questions = whole('questions');
    if (questions)
      put(
        'questions',
        questions
          .values('mainEntity')
          .flatMap((one) => (typeof one === 'string' ? [] : (textAt(one, 'name') ?? [])))
          .slice(0, 3),
      );
  }
  const video = whole('video');
  if (video) put('duration', textAt(video, 'duration'));
  return extras;
}

const priceOf = (node: PlainNode): string | undefined => {
  const amount = textAt(node, 'offers.price') ?? textAt(node, 'offers.lowPrice');
  return amount === undefined ? undefined : `${amount} ${textAt(node, 'offers.priceCurrency') ?? ''}`.trim();
};
const ratingOf = (node: PlainNode): string | undefined => {
  const value = textAt(node, 'aggregateRating.ratingValue');
  const count = textAt(node, 'aggregateRating.ratingCount') ?? textAt(node, 'aggregateRating.reviewCount');
  return value === undefined ? undefined : `${value} of ${textAt(node, 'aggregateRating.bestRating') ?? '5'}${count === undefined ? '' : ` · ${count}`}`;
};
