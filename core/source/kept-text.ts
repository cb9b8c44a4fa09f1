/** Shorter texts are copied whenever they are cut out of another. */
const SHORTEST_VIEW = 13;

/**
 * A copy of a value whose texts stand for themselves. A text that is cut out of a page is only a view on the page: whoever keeps one keeps the whole page
 * in memory. `shared` holds the texts that were kept already, so that those which many pages share, such as addresses, are kept once.
 */
export function keptText<T>(value: T, shared: Map<string, string>): T {
  return copied(value, shared) as T;
}

function copied(value: unknown, shared: Map<string, string>): unknown {
  if (typeof value === 'string') return value.length < SHORTEST_VIEW ? value : value.length < SHARED ? sharedText(value, shared) : ownText(value);
  if (typeof value !== 'object' || value === null) return value;
  if (Array.isArray(value)) return value.length === 0 ? NOTHING : value.map((one) => copied(one, shared));
  const copy = { ...value } as Record<string, unknown>;
  for (const key in copy) {
    const one = copy[key];
    if (typeof one === 'string' || typeof one === 'object') copy[key] = copied(one, shared);
  }
  return copy;
}

/** Longer texts are hardly ever the same on two pages. */
const SHARED = 80;
const NOTHING: readonly never[] = Object.freeze([]);

/** Cut in two and joined: joining writes a text of its own, where adding would only remember the two. */
const ownText = (text: string): string => [text.slice(0, 1), text.slice(1)].join('');

function sharedText(text: string, shared: Map<string, string>): string {
  const known = shared.get(text);
  if (known !== undefined) return known;
  const own = ownText(text);
  shared.set(own, own);
  return own;
}
