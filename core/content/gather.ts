import { onlyFields } from '../keyed/index.ts';
import type { PageFacts } from '../page/index.ts';
import { durationIn } from '../values/index.ts';
import { contactIn } from './contact.ts';
import { CONTENT_LIMITS, type Film, type GatherOptions, type PageContent, type Picture, type Said } from './content.ts';
import { datesOf } from './dates.ts';
import { ingredientsIn, questionsIn, stepsIn, trailIn } from './lists.ts';
import { aboutItsOwn, priceIn, ratingIn } from './offers.ts';
import { availabilityIn, eventStatusOf } from './standing.ts';
import type { Block, Medium, Outline } from './outline.ts';
import { authorIn, founderIn } from './people.ts';
import { hereIn, organizerIn, placeIn } from './where.ts';

/** What a page says that markup can tell of, each with its place in the source. */
export function gatherContent(outline: Outline, facts: PageFacts, { lang, host, country }: GatherOptions): PageContent {
  const { blocks, media } = outline;
  const own = new Set(aboutItsOwn(blocks));
  const { price, priceRange, amounts } = priceIn(blocks, own, facts, lang);
  const { days, ...dates } = datesOf(blocks, own, facts, { lang, country });
  return present({
    ...dates,
    author: authorIn(own, facts),
    price,
    priceRange,
    availability: availabilityIn(own),
    eventStatus: eventStatusOf(own, { lang, country }),
    rating: ratingIn(blocks),
    picture: pictureIn(media),
    film: filmIn(media, blocks),
    place: placeIn(blocks),
    here: hereIn(own),
    organizer: organizerIn(own),
    duration: lengthIn(blocks),
    trail: trailIn(blocks),
    questions: questionsIn(blocks),
    steps: stepsIn(blocks),
    ingredients: ingredientsIn(blocks),
    days: days.slice(0, CONTENT_LIMITS.days),
    amounts,
    contact: present({ ...contactIn(blocks, { lang, host, country }), logo: logoIn(media), founder: founderIn(blocks) }),
  });
}

/** A record without what is undefined: there are very many of them, and they are kept. */
const present = <R extends object>(record: R): R => onlyFields(record, (value) => value !== undefined);

/** Smallest picture, in px, that stands for a page: anything less is an ornament. */
const SMALLEST = 100;

/** The picture that the page shows: the first in its own part that is no ornament. */
function pictureIn(media: readonly Medium[]): Said<Picture> | undefined {
  const found = media.find(
    ({ tag, part, width, height, src }) =>
      tag === 'img' &&
      part === 'main' &&
      !src.startsWith('data:') &&
      (width ?? SMALLEST) >= SMALLEST &&
      (height ?? SMALLEST) >= SMALLEST &&
      !/\.svg(\?|$)/i.test(src),
  );
  if (!found) return undefined;
  const { src, alt, width, height, start, end } = found;
  return { value: { src, alt, ...(width === undefined ? {} : { width }), ...(height === undefined ? {} : { height }) }, text: src, start, end, how: 'element' };
}

const LOGO = /(?:^|[^\p{L}])logo(?:$|[^\p{L}])/iu;

/** The picture in the page's header that is called a logo: by its file or by what it says in place of the picture. */
function logoIn(media: readonly Medium[]): Said<string> | undefined {
  const found = media.find(
    ({ tag, part, src, alt }) => tag === 'img' && (part === 'header' || part === 'nav') && !src.startsWith('data:') && (LOGO.test(src) || LOGO.test(alt)),
  );
  return found && { value: found.src, text: found.src, start: found.start, end: found.end, how: 'element' };
}

const FRAME = /\b(video|player|embed|watch|film)\b/i;

function filmIn(media: readonly Medium[], blocks: readonly Block[]): Said<Film> | undefined {
  const found = media.find(({ tag, part, src, title }) => part === 'main' && (tag === 'video' || (tag === 'iframe' && FRAME.test(`${src} ${title}`))));
  if (!found) return undefined;
  const caption = blocks.find(({ tag, start }) => tag === 'figcaption' && start > found.start && start < found.end + 2000)?.text ?? '';
  return {
    value: { src: found.src, poster: found.poster, title: found.title || caption, embedded: found.tag === 'iframe' },
    text: found.src,
    start: found.start,
    end: found.end,
    how: 'element',
  };
}

const TAKES = /\b(takes?|duration|length|time|total|cook|prep|lasts?|dauer|dauert|zeit|durée|duración|tiempo)\b|所要時間|時間/i;

function lengthIn(blocks: readonly Block[]): Said<string> | undefined {
  for (const [at, block] of blocks.entries()) {
    if (block.part !== 'main' || block.text.length > 160) continue;
    const before = blocks[at - 1]?.text ?? '';
    if (!TAKES.test(block.text) && !(TAKES.test(before) && before.length < 40)) continue;
    const found = durationIn(block.text);
    if (found) return { value: found.iso, text: block.text.slice(found.start, found.end), start: block.start, end: block.end, how: 'words' };
  }
  return undefined;
}
