import type { CrawlView } from '../../core/exchange/index.ts';
import { messageOf } from '../../core/source/index.ts';
import { OutsideError } from '../outside/index.ts';
import { crawling as wording } from './crawl-wording.ts';

/** What is told where a crawl could not be looked at, the view that stays, and whether it is not looked at any more. */
export function afterFailure(
  error: unknown,
  view: CrawlView | undefined,
): { readonly failure: string; readonly view: CrawlView | undefined; readonly ends: boolean } {
  const code = error instanceof OutsideError ? error.code : undefined;
  return {
    // A server that was started anew knows nothing of it, but remembers what came in.
    failure: code === 'not-found' ? wording.lost : messageOf(error),
    // One that is away for a moment is asked again.
    view: code === 'no-server' && view ? { ...view } : undefined,
    ends: code !== 'no-server',
  };
}
