import { checkPage, weakens, type Finding } from '../../checks/index.ts';
import { ENGINES } from '../../engines/index.ts';
import { stateOf, type PageState, type Reality } from '../../indexing/index.ts';
import { differsFromRelease } from '../../release/index.ts';
import { checkedMeaning, checkInput, type PageRow, ignoredCodes, rowMeaning } from '../../rows/index.ts';
import { addressOf, isUnseen, pageName, siteOrigin } from '../../site/index.ts';
import { plainAddress } from '../../source/index.ts';
import { pageStage, siteStage } from '../stage.ts';
import { addresses, clashes } from './addresses.ts';
import { canonicals, membership, ways } from './crawl.ts';
import { effectivePages, pageWords } from './effective.ts';
import { links } from './links.ts';
import { markup } from './meaning.ts';
import { outgoing } from './outgoing.ts';
import { sharedWords } from './shared-words.ts';

/** What checks say of a page, and the state that follows from it. */
export interface PageFindings {
  readonly state: PageState;
  readonly findings: readonly Finding[];
  /** Second spellings of its address that links use, where no canonical makes them one. */
  readonly spelledAs: readonly string[];
}

/** Whether nobody looked at the pages yet. */
export const unseen = siteStage({ name: 'not looked at', reads: ['facts', 'looks', 'releases'], make: ({ document }) => isUnseen(document) });

/** The findings of each page. */
export const findings = pageStage({
  name: 'findings',
  reads: ['facts', 'kinds', 'rules', 'directives', 'siteSwitch', 'limits', 'care'],
  readsOwn: ['pages', 'passages', 'ignored', 'measures', 'meanings'],
  needs: { effectivePages, pageWords, addresses, clashes, canonicals, links, ways, sharedWords, markup },
  across: { unseen },
  make: ({ document, measures, meanings }, { effectivePages, pageWords, addresses, clashes, canonicals, links, ways, sharedWords, markup, unseen }) => {
    const once = alikeOnce<readonly Finding[]>();
    return ({ id }): PageFindings => {
      const { site } = effectivePages.of(id);
      const words = pageWords.of(id);
      const { address } = addresses.of(id);
      const { way, others } = ways.of(id);
      // A page that moves is linked by its new address.
      const own = plainAddress(siteOrigin(document) + address);
      const spelledAs = address !== addressOf(id) || canonicals.get(id)?.[0]?.address === own ? [] : links.spelledAs(id);
      const among = { ...sharedWords.others(id), sameAddress: clashes.get(id) ?? [], broken: links.of(id).broken, linksIn: links.linksIn(id), spelledAs };
      const input = checkInput(document, site, {
        address,
        measure: measures.get(id),
        site: among,
        words,
        meaning: checkedMeaning(markup.of(id), meanings.get(id)?.brought),
      });
      const state = stateOf(words.intent.intent, way.reality, weakens(input), unseen);
      const elsewhere = others.map((other, at) => ({ engine: ENGINES[at + 1]?.name ?? '', way: other }));
      return { state, findings: once(checkPage({ ...input, state, way, others: elsewhere })), spelledAs };
    };
  },
});

/** All that lists and signs show of each page. */
export const rows = pageStage({
  name: 'rows',
  reads: ['facts.language', 'manifest'],
  readsOwn: ['pages.phrase', 'ignored', 'meanings'],
  needs: { effectivePages, pageWords, addresses, links, ways, membership, outgoing, findings, markup },
  make: ({ document, manifest, meanings }, { effectivePages, pageWords, addresses, links, ways, membership, outgoing, findings, markup }) => {
    const once = alikeOnce<PageRow['realities']>();
    return ({ id, source, ownName }): PageRow => {
      const { site, kindFrom } = effectivePages.of(id);
      const { title, description, intent } = pageWords.of(id);
      const { way, others } = ways.of(id);
      const { state, findings: found, spelledAs } = findings.of(id);
      const { files, outside, broken } = links.of(id);
      return {
        id,
        address: addresses.of(id).address,
        name: pageName(site),
        ...(ownName === undefined ? {} : { ownName }),
        lang: source.lang ?? document.tables.facts['']?.language ?? '',
        title: title.value,
        titleFrom: title.from,
        description: description.value,
        descriptionFrom: description.from,
        phrase: document.tables.pages[id]?.phrase ?? '',
        kind: site.kind,
        kindFrom,
        intent: intent.intent,
        intentFrom: intent.from,
        state,
        realities: once(realitiesOf([way, ...others].map((one) => one.reality))),
        inMap: membership.get(id) === true,
        findings: found,
        spelledAs: orNone(spelledAs),
        ignored: orNone([...ignoredCodes(document, id)]),
        pending: differsFromRelease(id, outgoing.of(id), manifest?.files[id]),
        linksIn: links.linksIn(id),
        linksOut: files.length,
        linksOutside: outside,
        broken: orNone(broken),
        ...rowMeaning(markup.of(id), meanings.get(id)?.brought),
        words: source.wordCount,
        picturesWithoutAlt: site.facts.images.filter((image) => image.alt === undefined && !image.decorative).length,
      };
    };
  },
});

const realitiesOf = (each: readonly Reality[]): PageRow['realities'] => Object.fromEntries(ENGINES.map(({ id }, at) => [id, each[at] ?? 'out']));

const NONE: readonly never[] = [];
const orNone = <V>(values: readonly V[]): readonly V[] => (values.length === 0 ? NONE : values);

/**
 * Gives one value for all that are alike as data. What thousands of pages have in common is kept once, and goes over to the page once a message: structured clone (HTML, 2.7)
 * keeps apart what is apart, and together what is one.
 */
function alikeOnce<V>(): (value: V) => V {
  const known = new Map<string, V>();
  return (value) => {
    const key = JSON.stringify(value);
    const first = known.get(key);
    if (first !== undefined) return first;
    if (known.size < MOST_ALIKE) known.set(key, value);
    return value;
  };
}
/** Where hardly any are alike, remembering more would only cost. */
const MOST_ALIKE = 2_000;
