import type { PageId } from '../../source/index.ts';
import type { PageState } from '../../indexing/index.ts';
import { always, indexStage, siteStage } from '../stage.ts';
import { ways } from './crawl.ts';
import { changes } from './release.ts';
import { rows } from './rows.ts';

/** What one page adds to the numbers of the site. */
interface Counted {
  readonly state: PageState;
  readonly wanted: boolean;
  readonly found: boolean;
  readonly foundAfterRelease: boolean;
  readonly pending: boolean;
  readonly waiting: boolean;
}

/** How many pages are what: counted up and down as they change. */
export class Counts {
  readonly states = new Map<PageState, number>();
  wanted = 0;
  found = 0;
  foundAfterRelease = 0;
  pending = 0;
  waiting = 0;
  private readonly pages = new Map<string, Counted>();

  put(id: PageId, counted: Counted): void {
    const before = this.pages.get(id);
    if (before) this.add(before, -1);
    this.add(counted, 1);
    this.pages.set(id, counted);
  }

  private add({ state, wanted, found, foundAfterRelease, pending, waiting }: Counted, by: 1 | -1): void {
    const states = (this.states.get(state) ?? 0) + by;
    if (states === 0) this.states.delete(state);
    else this.states.set(state, states);
    if (pending) this.pending += by;
    if (waiting) this.waiting += by;
    if (!wanted) return;
    this.wanted += by;
    if (found) this.found += by;
    if (foundAfterRelease) this.foundAfterRelease += by;
  }
}

/** The pages that engines could list as of the last release. */
export const listed = siteStage({ name: 'listed by the release', reads: ['manifest'], make: ({ manifest }) => new Set(manifest?.listed), differs: always });

/** The site in numbers. */
export const counts = indexStage({
  name: 'numbers',
  needs: { rows, ways, changes },
  across: { listed },
  start: () => new Counts(),
  put: (index, _inputs, { rows, ways, changes, listed }) => {
    return ({ id }) => {
      const { state, intent, pending } = rows.of(id);
      index.put(id, {
        state,
        wanted: intent === 'list',
        // Of what nobody looked at it is not known whether it can be found.
        found: state !== 'unseen' && listed.has(id),
        foundAfterRelease: state !== 'unseen' && ways.of(id).afterRelease === 'listed',
        pending,
        waiting: changes.get(id) !== undefined,
      });
      return [];
    };
  },
});
