import type { DriftField, LivePage } from '../../core/release/index.ts';
import { PASTE_FIELDS, pasteValue, tickFor } from '../../core/ledger/index.ts';
import { all, pageKey, set, type Change, type SiteDocument } from '../../core/site/index.ts';
import type { PageRow } from '../../core/rows/index.ts';

/** A page as it was found out there. */
export interface LookedPage {
  readonly id: string;
  readonly live: LivePage;
  readonly drift: readonly DriftField[];
}

/** A look at the live site: when, and what it found. `whole` is false where it was stopped. */
export interface Look {
  readonly at: string;
  readonly pages: readonly LookedPage[];
  readonly whole: boolean;
}

/** How a page stands: as it is meant, otherwise, not there, not to be seen. */
export type Standing = 'as-meant' | 'drifted' | 'not-there' | 'unseen';

export function standingOf({ live, drift }: LookedPage): Standing {
  if (live.kind === 'page') return drift.length > 0 ? 'drifted' : 'as-meant';
  return live.kind === 'forbidden' ? 'unseen' : 'not-there';
}

/** Pages asked about at once. */
const BATCH = 20;

/** Looks at pages of the live site, some at a time. `ask` fetches what they say, `compare` holds it against what is meant. Stopped, it tells what was found until then. */
export async function lookAtLive({
  rows,
  origin,
  at,
  ask,
  compare,
  progress,
  stopped,
}: {
  readonly rows: readonly Pick<PageRow, 'id' | 'address'>[];
  readonly origin: string;
  readonly at: string;
  readonly ask: (addresses: readonly string[]) => Promise<readonly LivePage[]>;
  readonly compare: (pages: readonly { readonly id: string; readonly live: LivePage }[]) => Promise<readonly (readonly DriftField[])[]>;
  readonly progress: (done: number) => void;
  readonly stopped: () => boolean;
}): Promise<Look> {
  const pages: LookedPage[] = [];
  for (let from = 0; from < rows.length && !stopped(); from += BATCH) {
    progress(from);
    const batch = rows.slice(from, from + BATCH);
    const live = await ask(batch.map(({ address }) => origin + address));
    const looked = batch.map(({ id }, index) => ({ id, live: live[index] ?? ({ kind: 'no-answer', reason: 'no-answer' } as const) }));
    const drift = await compare(looked);
    looked.forEach((page, index) => pages.push({ ...page, drift: drift[index] ?? [] }));
  }
  return { at, pages, whole: pages.length === rows.length };
}

/**
 * Ticks of the paste sheet as the live site has them: what is in is ticked, what is not is unticked. Pages that could not be seen keep theirs. Undefined
 * where all are as they should be.
 */
export function ticksBy(
  look: Look,
  byId: { readonly get: (id: string) => PageRow | undefined },
  pasted: SiteDocument['tables']['pasted'],
  blocks: Readonly<Record<string, string>>,
): { readonly change: Change; readonly set: number; readonly taken: number } | undefined {
  const changes: Change[] = [];
  const counts = { set: 0, taken: 0 };
  for (const { id, live, drift } of look.pages) {
    const row = byId.get(id);
    if (!row || row.intent !== 'list' || live.kind !== 'page') continue;
    const off = new Set<string>(drift.map(({ field }) => field));
    for (const field of PASTE_FIELDS) {
      const value = pasteValue(row, field, blocks);
      const key = pageKey(id, field);
      const now = value !== '' && !off.has(field) ? tickFor(value) : null;
      if ((pasted[key]?.value ?? null) === now) continue;
      counts[now === null ? 'taken' : 'set']++;
      changes.push(set('pasted', key, 'value', now), set('pasted', key, 'at', now === null ? null : look.at));
    }
  }
  return changes.length === 0 ? undefined : { change: all(changes), ...counts };
}
