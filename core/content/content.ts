/** A value that a page says, with its place in the source. `how` tells by what it was found. */
export interface Said<V> {
  readonly value: V;
  /** As it stands in the page. */
  readonly text: string;
  readonly start: number;
  readonly end: number;
  readonly how: 'element' | 'meta' | 'words' | 'markup' | 'heading';
}

/** By what a page is read. */
export interface GatherOptions {
  /** The language of the page's words, a BCP 47 tag; empty where nobody says. */
  readonly lang: string;
  /** The site's host. */
  readonly host: string;
  /** ISO 3166-1, where the owner said it: telephone numbers without a country code are read by it. */
  readonly country?: string | undefined;
}

/** Someone named on a page. */
export interface Named {
  readonly name: string;
  readonly href?: string | undefined;
}

export interface Question {
  readonly question: string;
  readonly answer: string;
}
export interface Step {
  readonly name: string;
  readonly text: string;
}
export interface Crumb {
  readonly name: string;
  /** As the page writes it; empty for where the visitor is. */
  readonly href: string;
}
export interface Picture {
  readonly src: string;
  readonly alt: string;
  readonly width?: number | undefined;
  readonly height?: number | undefined;
}
export interface Film {
  readonly src: string;
  readonly poster: string;
  readonly title: string;
  readonly embedded: boolean;
}
export interface Price {
  readonly amount: string;
  readonly currency: string | undefined;
}
/** What a thing costs at least, and at most where that is told. */
export interface PriceRange {
  readonly low: string;
  readonly high?: string | undefined;
  readonly currency: string | undefined;
}
export interface Rating {
  readonly value: string;
  readonly best: string;
  readonly count: string;
}
export interface PostalAddress {
  readonly street: string;
  readonly postalCode?: string | undefined;
  readonly locality: string;
  readonly region?: string | undefined;
  /** ISO 3166-1, where the address itself tells it. */
  readonly country?: string | undefined;
}

/** What a page says that markup can tell of. All is found on the page, nothing made up; what is not there is missing. Plain data, to be kept. */
export interface PageContent {
  readonly published?: Said<string> | undefined;
  readonly modified?: Said<string> | undefined;
  /** When what the page is about begins and ends. */
  readonly begins?: Said<string> | undefined;
  readonly ends?: Said<string> | undefined;
  /** By when something has to be done, such as to apply. */
  readonly until?: Said<string> | undefined;
  readonly author?: Said<Named> | undefined;
  readonly price?: Said<Price> | undefined;
  /** Where it has no one price: "from £45", "£20 to £30". */
  readonly priceRange?: Said<PriceRange> | undefined;
  readonly availability?: Said<string> | undefined;
  /** What became of an event, in the vocabulary's words. */
  readonly eventStatus?: Said<string> | undefined;
  readonly rating?: Said<Rating> | undefined;
  readonly picture?: Said<Picture> | undefined;
  readonly film?: Said<Film> | undefined;
  readonly place?: Said<string> | undefined;
  /** Words by which it says that it takes place where the site's owner is. */
  readonly here?: Said<string> | undefined;
  /** Who holds it. */
  readonly organizer?: Said<string> | undefined;
  readonly duration?: Said<string> | undefined;
  readonly trail?: Said<readonly Crumb[]> | undefined;
  readonly questions?: Said<readonly Question[]> | undefined;
  readonly steps?: Said<readonly Step[]> | undefined;
  readonly ingredients?: Said<readonly string[]> | undefined;
  /** All days and amounts that a visitor sees: what markup says is held against them. */
  readonly days: readonly string[];
  readonly amounts: readonly string[];
  /** How to reach who is behind the page. */
  readonly contact: ContactContent;
}

export interface ContactContent {
  readonly telephone?: Said<string> | undefined;
  readonly email?: Said<string> | undefined;
  readonly address?: Said<PostalAddress> | undefined;
  readonly hours?: Said<string> | undefined;
  readonly profiles: readonly Said<string>[];
  /** The picture that stands for the whole site, as the page names it. */
  readonly logo?: Said<string> | undefined;
  readonly founder?: Said<string> | undefined;
}

/** Bounds on what is kept of one page. */
export const CONTENT_LIMITS = { questions: 40, steps: 40, ingredients: 60, text: 1200, days: 24, amounts: 32, profiles: 12 } as const;
