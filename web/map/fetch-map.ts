import type { MapReading } from '../analysis/index.ts';
import { NO_ANSWER } from '../../core/wording/index.ts';
import type { WorkspaceTools } from '../workspace/index.ts';
import { wording } from './wording.ts';

/** Maps of an index that are fetched to be looked into, and how much text of them: more would take minutes. */
const MOST_PARTS = 60;
const MOST_TEXT = 60_000_000;

/** Fetches a map by its address and reads it; an index with the maps that it names. `progress` tells how many of these are there; asked in between, `stopped` ends it. */
export async function fetchMap(
  address: string,
  { analysis, outside }: Pick<WorkspaceTools, 'analysis' | 'outside'>,
  progress: (done: number, of: number) => void,
  stopped: () => boolean,
): Promise<MapReading | { readonly failed: string }> {
  if (!URL.canParse(address)) return { failed: wording.noAddress };
  const fetched = await outside.map(address);
  if (!fetched.ok) {
    if (fetched.reason === 'gzip') return { failed: wording.badGzip };
    if (fetched.reason === 'status') return { failed: `${address} answers ${fetched.status ?? 'nothing'}.` };
    return { failed: `${address}: ${NO_ANSWER[fetched.reason] ?? 'no answer'}.` };
  }
  const whole = { text: fetched.text, address: fetched.address };
  const read = await analysis.validateMap(whole);
  if (!read.ok || read.kind !== 'index') return read;
  const named = read.parts.slice(0, MOST_PARTS).map((part) => part.loc);
  const parts: Record<string, string | null> = {};
  let size = 0;
  for (const [at, loc] of named.entries()) {
    if (stopped() || size > MOST_TEXT) break;
    progress(at, named.length);
    if (!URL.canParse(loc)) continue;
    const part = await outside.map(loc);
    parts[loc] = part.ok ? part.text : null;
    size += part.ok ? part.text.length : 0;
  }
  return analysis.validateMap({ ...whole, parts });
}
