import { dequal } from 'dequal/lite';
import { pagesOf, type Needs, type Reading, type ResultsOf, type Stage, type Touched } from './engine.ts';
import type { PageRecord, SiteInputs } from './inputs.ts';

type None = Record<never, never>;

interface Dependencies<N extends Needs, A extends Needs, U extends Needs = None> {
  readonly name: string;
  readonly reads?: readonly Reading[];
  readonly readsOwn?: readonly Reading[];
  readonly needs?: N;
  readonly across?: A;
  readonly uses?: U;
}

type Results<N extends Needs, A extends Needs> = ResultsOf<N> & ResultsOf<A>;
const NOTHING: ReadonlySet<string> = new Set();

const dependencies = ({
  name,
  reads = [],
  readsOwn = [],
  needs = {},
  across = {},
  uses = {},
}: Dependencies<Needs, Needs, Needs>): Omit<Stage<never>, 'start'> => ({
  name,
  reads,
  readsOwn,
  needs,
  across,
  uses,
});

/** A value for every page of the site: a place in a row for each, since there are many pages and many stages. */
export class PageValues<V> {
  private readonly values: (V | undefined)[] = [];

  constructor(private readonly pages: ReadonlyMap<string, PageRecord>) {}

  get(id: string): V | undefined {
    const page = this.pages.get(id);
    return page && this.values[page.at];
  }

  /** The value of a page. Throws RangeError where the site has no such page. */
  of(id: string): V {
    const page = this.pages.get(id);
    if (!page) throw new RangeError(`no page ${id}`);
    return this.values[page.at] as V;
  }

  set({ at }: PageRecord, value: V): void {
    this.values[at] = value;
  }

  /** Each page's file and value, in the order of the site. */
  *[Symbol.iterator](): Generator<[string, V]> {
    for (const { id, at } of this.pages.values()) yield [id, this.values[at] as V];
  }

  *all(): Generator<V> {
    for (const { at } of this.pages.values()) yield this.values[at] as V;
  }
}

/** A stage with a value for every page. A page whose value is the same as before (by `same`, else as data) touches nobody. */
export function pageStage<V, N extends Needs = None, A extends Needs = None>(
  stage: Dependencies<N, A> & {
    readonly make: (inputs: SiteInputs, results: Results<N, A>) => (page: PageRecord) => V;
    readonly same?: (before: V, after: V) => boolean;
  },
): Stage<PageValues<V>> {
  const same = stage.same ?? dequal;
  return {
    ...dependencies(stage),
    start: ({ pages }) => {
      const values = new PageValues<V>(pages);
      let begun = false;
      return {
        result: values,
        run: (touched, inputs, results) => {
          const make = stage.make(inputs, results as Results<N, A>);
          const changed = new Set<string>();
          for (const page of pagesOf(touched, inputs)) {
            const after = make(page);
            if (begun && same(values.of(page.id), after)) continue;
            values.set(page, after);
            if (begun) changed.add(page.id);
          }
          if (begun) return changed;
          begun = true;
          return 'all';
        },
      };
    },
  };
}

/** A stage with one value for the site. `differs` tells which pages another value bears on: all, where nothing is said, unless it is the same as data. */
export function siteStage<V, N extends Needs = None, A extends Needs = None>(
  stage: Dependencies<N, A> & {
    readonly make: (inputs: SiteInputs, results: Results<N, A>) => V;
    readonly differs?: (before: V | undefined, after: V, inputs: SiteInputs) => Touched;
  },
): Stage<V> {
  const differs = stage.differs ?? ((before, after): Touched => (dequal(before, after) ? NOTHING : 'all'));
  return {
    ...dependencies(stage),
    start: () => {
      let value: V | undefined;
      return {
        get result() {
          return value as V;
        },
        run: (_touched, inputs, results) => {
          const before = value;
          value = stage.make(inputs, results as Results<N, A>);
          return differs(before, value, inputs);
        },
      };
    },
  };
}

/** For values that are another one each time they are made: they bear on every page. */
export const always = (): Touched => 'all';

/** A stage whose value is made when somebody asks for it, and kept until something it depends on is another. */
export function lazyStage<V, A extends Needs = None, U extends Needs = None>(
  stage: Dependencies<None, A, U> & { readonly make: (inputs: SiteInputs, results: Results<A, U>) => V },
): Stage<() => V> {
  return {
    ...dependencies(stage),
    start: () => {
      let made: { readonly value: V } | undefined;
      let make: () => V = () => {
        throw new Error(`stage ${stage.name} was asked before it ran`);
      };
      return {
        result: () => (made ??= { value: make() }).value,
        run: (_touched, inputs, results) => {
          made = undefined;
          make = () => stage.make(inputs, results as Results<A, U>);
          return 'all';
        },
      };
    },
  };
}

/** A stage that keeps an index: pages are put into it one by one, and each putting says which pages it bears on. `anew` lists what makes it begin from nothing. */
export function indexStage<I, N extends Needs = None, A extends Needs = None>(
  stage: Dependencies<N, A> & {
    readonly anew?: readonly Reading[];
    readonly start: (inputs: SiteInputs) => I;
    readonly put: (index: I, inputs: SiteInputs, results: Results<N, A>) => (page: PageRecord) => Iterable<string>;
  },
): Stage<I> {
  const anew = stage.anew ?? [];
  const told = dependencies(stage);
  return {
    ...told,
    reads: [...told.reads, ...anew],
    start: (first) => {
      let index = stage.start(first);
      let begun = false;
      return {
        get result() {
          return index;
        },
        run: (touched, inputs, results, reads) => {
          const fresh = !begun || reads(anew);
          if (begun && fresh) index = stage.start(inputs);
          begun = true;
          const put = stage.put(index, inputs, results as Results<N, A>);
          const changed = new Set<string>();
          for (const page of pagesOf(touched, inputs)) {
            const others = put(page);
            if (!fresh) for (const other of others) changed.add(other);
          }
          return fresh ? 'all' : changed;
        },
      };
    },
  };
}
