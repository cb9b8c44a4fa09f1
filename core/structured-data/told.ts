import { keyed } from '../keyed/index.ts';
import { ENGINES, type EngineId } from '../engines/index.ts';
import { plainGraph, resultExtras, type ResultExtras, type ResultGap } from '../results/index.ts';
import type { BroughtMarkup } from './brought.ts';
import type { FieldInput, MarkupInput, ValueFrom } from './field.ts';
import { asIfReady, identityGaps, type IdentityGap } from './identity-facts.ts';
import type { GraphNode } from './node.ts';
import { isMarkupOn, pageMarkup } from './page-graph.ts';
import { foreignMarkup, markupOf, pageGaps, type ForeignMarkup } from './written.ts';

/** A value of a page's markup as screens show it. Plain data. */
export interface ToldValue {
  readonly path: string;
  /** Undefined where nobody can type it. */
  readonly input: FieldInput | undefined;
  /** As people read it; undefined where nobody says it. */
  readonly text: string | undefined;
  readonly from: ValueFrom | undefined;
  readonly place: { readonly start: number; readonly end: number } | undefined;
  /** What the owner typed and cannot be written. */
  readonly misfit: string | undefined;
  /** The owner wants it left out. */
  readonly leftOut: boolean;
}

/** A thing that the page tells of. */
export interface ToldMarkup {
  readonly processor: string;
  readonly type: string;
  readonly values: readonly ToldValue[];
}

/** The structured data of one page, read back. `nodes` are those that would be written were markup on. Plain data. */
export interface MarkupReport {
  readonly on: boolean;
  readonly waits: readonly IdentityGap[];
  /** What the page says is not known yet. */
  readonly unread: boolean;
  readonly processors: readonly string[];
  readonly from: 'page' | 'kind' | 'default';
  readonly off: boolean;
  readonly things: readonly ToldMarkup[];
  readonly trail: readonly { readonly name: string; readonly address: string }[];
  readonly trailFrom: 'page' | 'addresses';
  readonly nodes: readonly GraphNode[];
  readonly foreign: ForeignMarkup;
  readonly extras: Readonly<Record<EngineId, ResultExtras>>;
  readonly gaps: readonly ResultGap[];
  /** Types of things that the page came with and keeps: what is told here of them is not written. */
  readonly kept: readonly string[];
}

/** Reads back what a page tells, and would tell. */
export function markupReport(input: MarkupInput, brought: BroughtMarkup | undefined): MarkupReport {
  const { document } = input;
  const on = isMarkupOn(input);
  const as = { ...input, document: asIfReady(document) };
  const made = pageMarkup(as);
  const { choice } = made;
  const foreign = foreignMarkup(input, brought);
  const nodes = (markupOf(as, brought).graph?.['@graph'] ?? []) as unknown as readonly GraphNode[];
  const plain = plainGraph(nodes);
  return {
    on,
    waits: identityGaps(document),
    unread: input.content === undefined,
    processors: choice.processors.map(({ id }) => id),
    from: choice.from,
    off: choice.off,
    things: made.things.map(({ processor, fields }) => ({
      processor: processor.id,
      type: processor.type,
      values: fields.map(({ field, value, misfit, leftOut }) => ({
        path: field.path,
        input: field.input,
        text: value?.text,
        from: value?.from,
        place: value?.place,
        misfit,
        leftOut: leftOut === true,
      })),
    })),
    trail: made.trail,
    trailFrom: made.trailFrom,
    nodes,
    foreign,
    extras: keyed(
      ENGINES.map(({ id }) => id),
      (id) => resultExtras(id, plain),
    ),
    gaps: pageGaps(as, nodes),
    kept:
      foreign === 'leave'
        ? made.things.flatMap(({ id, processor: { type } }) => (brought?.things.some(({ types, id: own }) => types.includes(type) && own !== id) ? [type] : []))
        : [],
  };
}
