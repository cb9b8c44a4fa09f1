import {
  effectiveFacts,
  effectiveDescription,
  effectiveIntent,
  effectiveTitle,
  kindOf,
  type Effective,
  type EffectiveIntent,
  type SitePage,
} from '../../site/index.ts';
import { pageStage } from '../stage.ts';
import { home } from './addresses.ts';

/** A page as it will be, and who says what kind it is. */
export interface EffectivePage {
  readonly site: SitePage;
  readonly kindFrom: 'owner' | 'rule' | 'guess';
}

/** Each page as it will be: the owner's changes of its own words made, its kind, and whether it is the home page. */
export const effectivePages = pageStage({
  name: 'effective pages',
  reads: ['rules', 'facts.sayCharset'],
  readsOwn: ['pages.kind', 'pages.lang', 'pages.oneTitle', 'pages.oneHeading', 'passages', 'alts'],
  across: { home },
  make:
    ({ document }, { home }) =>
    ({ id, guess, source, ownName }): EffectivePage => {
      const { kind, from } = kindOf(document, id, guess);
      return { site: { id, kind, isHome: id === home, facts: effectiveFacts(document, id, source), ownName }, kindFrom: from };
    },
  // Facts are other ones whenever they were made anew: they are not compared value by value.
  same: (before, after) =>
    before.site.facts === after.site.facts &&
    before.site.kind === after.site.kind &&
    before.site.isHome === after.site.isHome &&
    before.kindFrom === after.kindFrom,
});

/** What each page is for. */
export const pageKinds = pageStage({
  name: 'kinds',
  needs: { effectivePages },
  make:
    (_inputs, { effectivePages }) =>
    ({ id }) =>
      effectivePages.of(id).site.kind,
});

/** What the owner wants of each page, and what its title and description will be. */
export const pageWords = pageStage({
  name: 'words',
  reads: ['facts', 'kinds', 'rules', 'directives'],
  readsOwn: ['pages.title', 'pages.description', 'pages.intent', 'pages.phrase'],
  needs: { effectivePages },
  make:
    ({ document }, { effectivePages }) =>
    ({ id }): PageWords => {
      const { site } = effectivePages.of(id);
      return {
        title: effectiveTitle(document, site),
        description: effectiveDescription(document, site),
        intent: effectiveIntent(document, id, site.kind),
      };
    },
});

/** A page's words in the result, and what the owner wants of it. */
export interface PageWords {
  readonly title: Effective;
  readonly description: Effective;
  readonly intent: EffectiveIntent;
}

/** What the owner wants of each page. */
export const intents = pageStage({
  name: 'intents',
  needs: { pageWords },
  make:
    (_inputs, { pageWords }) =>
    ({ id }) =>
      pageWords.of(id).intent.intent,
});
