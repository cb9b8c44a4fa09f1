import type { TextMeasure } from '../../core/language/index.ts';
import { passagesIn, patchPage, readSource, type PageFacts, type Passage, type Unwritable } from '../../core/page/index.ts';
import { decodeSource, type PageId } from '../../core/source/index.ts';
import type { Survey } from '../../core/survey/index.ts';

/** Everything of one page that its own screens need. */
export interface PageDetail {
  readonly id: PageId;
  readonly facts: PageFacts;
  readonly source: string;
  /** What the page shows, passage by passage, as its file has it. */
  readonly passages: readonly Passage[];
  /** How it reads. */
  readonly measure: TextMeasure | undefined;
  readonly backlinks: readonly string[];
  readonly size: number;
  /** Sentences of it that stand on many pages. */
  readonly common: readonly string[];
  /** Why nothing can be written into it; undefined where it can. */
  readonly unwritable: Unwritable | undefined;
}

/** A title that a page is tried with, to know whether it can be written into. */
const TRIAL = 'A title';

/** What the screens of a page need; `bytes` are its file's. Undefined where the page cannot be read. */
export function pageDetail(id: PageId, bytes: Uint8Array, survey: Survey, measure: TextMeasure | undefined): PageDetail | undefined {
  const source = decodeSource(bytes);
  const reading = readSource(source);
  if (!reading.ok) return undefined;
  return {
    id,
    facts: reading.facts,
    source: source.text,
    passages: passagesIn(source.text),
    measure,
    backlinks: survey.backlinks(id),
    size: bytes.length,
    common: survey.commonIn(reading.facts),
    unwritable: reading.facts.unwritable ?? (patchPage(source, reading.facts, [{ kind: 'title', text: TRIAL }]).ok ? undefined : 'head-open'),
  };
}
