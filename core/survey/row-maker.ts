import { checkPage, weakens, type CheckInput, type Finding } from '../checks/index.ts';
import { ENGINES, stateOf, type WayIn } from '../indexing/index.ts';
import { languageOf } from '../language/index.ts';
import { coverageOf, phraseStems, textsOf } from '../phrases/index.ts';
import { outPath, sameEdits } from '../release/index.ts';
import {
  descriptionRooms,
  effectiveDescription,
  effectiveIntent,
  effectiveKeywords,
  effectiveNoindex,
  effectiveTitle,
  kindOf,
  pageName,
  addressOf,
  siteHost,
  siteOrigin,
  titleRooms,
  withoutSiteName,
} from '../site/index.ts';
import { plainAddress } from '../source/index.ts';
import type { Entrances } from './entrances.ts';
import type { GoingOut } from './going-out.ts';
import { ignoredCodes } from './ignored.ts';
import type { SiteInView, Surveyed } from './in-view.ts';
import type { PageRow } from './rows.ts';
import type { SiteMaps } from './site-maps.ts';
import type { ComparedWords, WordsIndex } from './words-index.ts';

/** Makes a page's row from everything that bears on it. */
export class RowMaker {
  constructor(
    private readonly site: SiteInView,
    private readonly entrances: Entrances,
    private readonly maps: SiteMaps,
    private readonly words: WordsIndex,
    private readonly goingOut: GoingOut,
  ) {}

  /** The row of a page; what is found out on the way (its way in, its file as it goes out) is kept with the page. */
  rowOf(page: Surveyed): PageRow {
    const { document } = this.site;
    const { id, site, address } = page;
    const kind = kindOf(document, id, page.guess);
    const title = effectiveTitle(document, site);
    const description = effectiveDescription(document, site);
    const intent = effectiveIntent(document, id, site.kind);
    const ways = this.entrances.ways(page);
    page.way = ways[0] as WayIn;
    const input = this.checkInput(page, title, description, intent);
    const state = stateOf(intent.intent, page.way.reality, weakens(input));
    const others = ENGINES.slice(1).map(({ name }, at) => ({ engine: name, way: ways[at + 1] as WayIn }));
    const findings: Finding[] = checkPage({ ...input, state, way: page.way, others });
    const before = this.site.manifest?.files[id];
    page.out = this.goingOut.fileOf(page);
    const now = page.out;
    const pending = before === undefined || before.hash !== now.hash || outPath(id, before) !== outPath(id, now) || !sameEdits(before.edits, now.edits);
    const links = this.site.links.of(id);
    const said = document.tables.pages[id];
    return {
      id,
      address,
      name: pageName(site),
      ...(page.ownName === undefined ? {} : { ownName: page.ownName }),
      lang: page.source.lang ?? document.tables.facts['']?.language ?? '',
      title: title.value,
      titleFrom: title.from,
      description: description.value,
      descriptionFrom: description.from,
      phrase: said?.phrase ?? '',
      kind: site.kind,
      kindFrom: kind.from,
      intent: intent.intent,
      intentFrom: intent.from,
      state,
      realities: Object.fromEntries(ENGINES.map((engine, at) => [engine.id, (ways[at] as WayIn).reality])),
      inMap: this.maps.has(id),
      findings,
      spelledAs: input.site.spelledAs,
      ignored: [...ignoredCodes(document, id)],
      pending,
      linksIn: this.site.links.linksIn(id),
      linksOut: links.files.length,
      linksOutside: links.outside,
      broken: links.broken,
      words: page.source.wordCount,
      picturesWithoutAlt: site.facts.images.filter((image) => image.alt === undefined && !image.decorative).length,
    };
  }

  private checkInput(
    page: Surveyed,
    title: CheckInput['title'],
    description: CheckInput['description'],
    intent: CheckInput['intent'],
  ): Omit<CheckInput, 'state' | 'way' | 'others'> {
    const { document } = this.site;
    const { id, site } = page;
    const phrase = document.tables.pages[id]?.phrase ?? '';
    const said = { title: title.value, description: description.value, address: page.address };
    return {
      id,
      facts: site.facts,
      title,
      description,
      keywords: effectiveKeywords(document, site).value,
      intent,
      noindex: effectiveNoindex(document, site).noindex,
      isHome: site.isHome,
      rooms: { title: titleRooms(document)[0] as never, description: descriptionRooms(document)[0] as never },
      phrase: phrase === '' ? undefined : { text: phrase, coverage: coverageOf(phrase, textsOf(site.facts, said), this.languageOf(page)) },
      measure: page.measure,
      care: document.tables.care['']?.wording === true,
      ignored: ignoredCodes(document, id),
      site: {
        host: siteHost(document),
        ...this.words.others(id),
        broken: this.site.links.of(id).broken,
        linksIn: this.site.links.linksIn(id),
        spelledAs: this.spelledAs(page),
      },
    };
  }

  /** Second spellings of a page's address that links use, where no canonical makes them one. A page that moves is linked by its new address. */
  private spelledAs({ id, address, canonicals }: Surveyed): readonly string[] {
    const own = plainAddress(siteOrigin(this.site.document) + address);
    return address !== addressOf(id) || canonicals[0]?.address === own ? [] : this.site.links.spelledAs(id);
  }

  private languageOf(page: Surveyed): ReturnType<typeof languageOf> {
    return languageOf(page.source.lang, this.site.document.tables.facts['']?.language);
  }

  /** What is compared across the site. Pages that are meant to stay out do not compete with anybody. */
  compared(page: Surveyed): ComparedWords {
    const { document } = this.site;
    if (effectiveIntent(document, page.id, page.site.kind).intent === 'out') return { title: '', ownTitle: '', description: '', phrase: '' };
    const phrase = document.tables.pages[page.id]?.phrase ?? '';
    const title = effectiveTitle(document, page.site).value;
    return {
      title,
      ownTitle: withoutSiteName(title, document.tables.facts['']?.siteName ?? ''),
      description: effectiveDescription(document, page.site).value,
      phrase: phrase === '' ? '' : phraseStems(phrase, this.languageOf(page)).sort().join(' '),
    };
  }
}
