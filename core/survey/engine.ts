import { fieldsOf, type Change, type SetField, type Table } from '../site/index.ts';
import type { PageRecord, SiteInputs } from './inputs.ts';

/** Pages of which something may be otherwise than before: all of them, or these, by file. */
export type Touched = 'all' | ReadonlySet<string>;
const NONE: ReadonlySet<string> = new Set();

/** What a stage reads of the inputs by itself: a table of the document, one field of a table, or what is no document. */
export type Reading = Table | `${Table}.${string}` | 'manifest' | 'measures' | 'meanings';

/** What happened to the inputs. */
export interface Happening {
  readonly change?: Change;
  readonly manifest?: true;
  /** The pages of which it was found out how they read. */
  readonly measured?: ReadonlySet<string>;
  /** The pages of which it was found out what they say, and what structured data they came with. */
  readonly understood?: ReadonlySet<string>;
}

/** One step of the survey: on what it depends, and what makes its result. Its result may hold memory of its own, but only `run` changes it. */
export interface Stage<R> {
  readonly name: string;
  /** Inputs that bear on every page. */
  readonly reads: readonly Reading[];
  /** Tables whose records are a page's own: a record bears on that page, and on all where its key names none. */
  readonly readsOwn: readonly Reading[];
  /** Earlier stages: a page's result follows that page's. */
  readonly needs: Needs;
  /** Earlier stages of which any page's result bears on every page. */
  readonly across: Needs;
  /** Earlier stages whose results are read, of which nothing counts but what the others tell already. */
  readonly uses: Needs;
  start(inputs: SiteInputs): Running<R>;
}

/** A stage at work. */
export interface Running<R> {
  readonly result: R;
  /** Looks again at what was touched; `reads` tells whether what happened touched any of some readings. Gives the pages for which the result is another one. */
  run(touched: Touched, inputs: SiteInputs, results: Readonly<Record<string, unknown>>, reads: (readings: readonly Reading[]) => boolean): Touched;
}

export type Needs = Readonly<Record<string, Stage<unknown>>>;
/** The results of some stages, by the names under which they are needed. */
export type ResultsOf<N extends Needs> = { readonly [K in keyof N]: N[K] extends Stage<infer R> ? R : never };

/** Runs stages in their order: each looks again at the pages that the stages before it, or the inputs, touched, and at no others. */
export class Stages {
  private readonly running = new Map<Stage<unknown>, Running<unknown>>();

  /** Each stage stands behind those it needs; one that does not is refused. */
  constructor(
    private readonly stages: readonly Stage<unknown>[],
    private inputs: SiteInputs,
  ) {
    for (const stage of stages) {
      for (const need of needsOf(stage)) if (!this.running.has(need)) throw new Error(`stage ${stage.name} stands before ${need.name}, which it needs`);
      this.running.set(stage, stage.start(inputs));
    }
    this.pass(
      () => 'all',
      () => true,
    );
  }

  /** A stage's result as it is now. */
  result<R>(stage: Stage<R>): R {
    return this.its(stage).result as R;
  }

  /** The results of some, by the names under which they are asked for. */
  results<N extends Needs>(stages: N): ResultsOf<N> {
    return Object.fromEntries(Object.entries(stages).map(([name, stage]) => [name, this.its(stage).result])) as ResultsOf<N>;
  }

  /** Takes in that the inputs are others now. Gives what became of `told`. */
  take(inputs: SiteInputs, happening: Happening, told: Stage<unknown>): Touched {
    this.inputs = inputs;
    const fields = happening.change ? fieldsOf(happening.change) : [];
    const reads = (readings: readonly Reading[]): boolean =>
      readings.some((reading) => (reading === 'manifest' ? happening.manifest === true : fields.some((field) => isRead(reading, field))));
    const own = (stage: Stage<unknown>): Touched => {
      if (reads(stage.reads)) return 'all';
      const pages = new Set<string>(stage.readsOwn.includes('measures') ? happening.measured : []);
      if (stage.readsOwn.includes('meanings')) for (const id of happening.understood ?? []) pages.add(id);
      for (const field of fields) {
        if (!stage.readsOwn.some((reading) => isRead(reading, field))) continue;
        const page = pageOf(field);
        if (page === undefined) return 'all';
        if (inputs.pages.has(page)) pages.add(page);
      }
      return pages;
    };
    return this.pass(own, reads).get(told) ?? NONE;
  }

  /** Tells that a stage's result has become another one for some pages by its own doing: what comes later looks again. Gives what became of `told`. */
  tell(changed: Stage<unknown>, pages: ReadonlySet<string>, told: Stage<unknown>): Touched {
    return (
      this.pass(
        () => NONE,
        () => false,
        new Map([[changed, pages]]),
      ).get(told) ?? NONE
    );
  }

  private pass(
    own: (stage: Stage<unknown>) => Touched,
    reads: (readings: readonly Reading[]) => boolean,
    first = new Map<Stage<unknown>, Touched>(),
  ): Map<Stage<unknown>, Touched> {
    const changed = first;
    for (const stage of this.stages) {
      let touched = own(stage);
      for (const need of Object.values(stage.across)) if (touched !== 'all' && isSome(changed.get(need))) touched = 'all';
      for (const need of Object.values(stage.needs)) touched = both(touched, changed.get(need) ?? NONE);
      if (!isSome(touched)) continue;
      const results = this.results({ ...stage.needs, ...stage.across, ...stage.uses });
      changed.set(stage, both(changed.get(stage) ?? NONE, this.its(stage).run(touched, this.inputs, results, reads)));
    }
    return changed;
  }

  private its(stage: Stage<unknown>): Running<unknown> {
    const running = this.running.get(stage);
    if (!running) throw new Error(`stage ${stage.name} is not among the survey's`);
    return running;
  }
}

const needsOf = (stage: Stage<unknown>): Stage<unknown>[] => [stage.needs, stage.across, stage.uses].flatMap((needs) => Object.values(needs));
const isSome = (touched: Touched | undefined): boolean => touched === 'all' || (touched?.size ?? 0) > 0;

function both(a: Touched, b: Touched): Touched {
  if (a === 'all' || b === 'all') return 'all';
  return a.size === 0 ? b : b.size === 0 ? a : new Set([...a, ...b]);
}

/** The records of these tables are of one page each, whose file begins their key. */
const BY_PAGE: ReadonlySet<Table> = new Set<Table>(['pages', 'passages', 'alts', 'ignored', 'markup', 'source']);

/** The page whose own a field is; undefined where it may bear on any. */
function pageOf({ table, key }: SetField): string | undefined {
  if (BY_PAGE.has(table)) return key.split('\n', 1)[0];
  return table === 'directives' && key.startsWith('page:') ? key.slice(5).split('\n', 1)[0] : undefined;
}

const isRead = (reading: Reading, { table, field }: SetField): boolean => reading === table || reading === `${table}.${field}`;

/** The pages that are touched, in the order of the site. */
export function pagesOf(touched: Touched, inputs: SiteInputs): Iterable<PageRecord> {
  return touched === 'all' ? inputs.pages.values() : [...touched].flatMap((id) => inputs.pages.get(id) ?? []);
}
