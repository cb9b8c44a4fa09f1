import type { SourceText, Splice } from '../source/index.ts';
import { indexDirectives, mergeDirectives, saysDirectives, type DirectiveFamily } from './directives.ts';
import type { MetaFact, PageFacts } from './facts.ts';
import { insertInHead, metaTag, setContent, wholeLine } from './head-tags.ts';
import { robotsMetas } from './views.ts';

/** Whether the page may be listed, for every crawler that it addresses. */
export interface NoindexEdit {
  readonly kind: 'noindex';
  readonly on: boolean;
}

/** What robots metas of one name shall say, family by family; an empty text takes what stands there away. `name` is `robots` or a crawler's token. */
export interface DirectivesEdit {
  readonly kind: 'directives';
  readonly name: string;
  readonly wanted: Readonly<Partial<Record<DirectiveFamily, string>>>;
}

/** Whether a page already says what such an edit wants. */
export function directivesHold(facts: PageFacts, edit: NoindexEdit | DirectivesEdit): boolean {
  // Out must hold for every crawler, so the general tag has to say it; in must hold for each that is addressed.
  if (edit.kind === 'noindex')
    return edit.on === robotsMetas(facts).some((meta) => indexDirectives(meta.content ?? '').noindex && (!edit.on || meta.name === 'robots'));
  const metas = named(facts, edit.name);
  if (metas.length === 0) return saysDirectives('', edit.wanted);
  // What is taken away must be gone from all tags of the name; what is wanted must be said once and contradicted nowhere.
  return saysDirectives(metas.map((meta) => meta.content ?? '').join(','), edit.wanted);
}

const named = (facts: PageFacts, name: string): MetaFact[] => facts.metas.filter((meta) => meta.inHead && meta.name === name.toLowerCase());

/** A robots meta as a page will have it. */
export interface PlannedMeta {
  readonly name: string;
  readonly content: string;
  /** The tag that says it; undefined for one that is to be added. */
  readonly meta: MetaFact | undefined;
  /** Whether it says something else than what stands there now. */
  readonly changed: boolean;
}

/** The robots metas of a page once such edits are made; those that nothing is left of are empty. Metas of crawlers nobody knows or speaks to are left out. */
export function plannedMetas(facts: PageFacts, edits: readonly (NoindexEdit | DirectivesEdit)[]): PlannedMeta[] {
  const contents = new Map<MetaFact, string>(robotsMetas(facts).map((meta) => [meta, meta.content ?? '']));
  const added = new Map<string, string>();
  for (const edit of edits) {
    if (directivesHold(facts, edit)) continue;
    if (edit.kind === 'noindex' && !edit.on) {
      for (const [meta, content] of contents) if (indexDirectives(content).noindex) contents.set(meta, mergeDirectives(content, { index: '' }));
      continue;
    }
    const name = edit.kind === 'noindex' ? 'robots' : edit.name.toLowerCase();
    const wanted = edit.kind === 'noindex' ? { index: 'noindex' } : edit.wanted;
    const [first, ...others] = named(facts, name);
    const now = (meta: MetaFact): string => contents.get(meta) ?? meta.content ?? '';
    if (first) contents.set(first, mergeDirectives(now(first), wanted));
    else added.set(name, [added.get(name) ?? '', mergeDirectives('', wanted)].filter((part) => part !== '').join(', '));
    const gone = Object.fromEntries(Object.keys(wanted).map((family) => [family, '']));
    for (const other of others) contents.set(other, mergeDirectives(now(other), gone));
  }
  return [
    ...[...contents].map(([meta, content]) => ({ name: meta.name ?? '', content, meta, changed: content !== (meta.content ?? '') })),
    ...[...added].flatMap(([name, content]) => (content === '' ? [] : [{ name, content, meta: undefined, changed: true }])),
  ];
}

/** The splices for all such edits of a page together: they may write into one and the same tag. */
export function robotsSplices(source: SourceText, facts: PageFacts, edits: readonly (NoindexEdit | DirectivesEdit)[]): Splice[] {
  return plannedMetas(facts, edits).flatMap(({ name, content, meta, changed }) => {
    if (!changed) return [];
    if (!meta) return [insertInHead(source, facts, metaTag(name, content))];
    return [content === '' ? { ...wholeLine(source.text, meta.tag), insert: '' } : setContent(source, meta, content)];
  });
}
