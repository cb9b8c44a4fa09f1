/** Small things that this browser remembers. Where it lets nothing be kept, they last as long as the page. */
const memory = new Map<string, string>();

/** What is remembered under a name; null where nothing is. */
export function recall(key: string): string | null {
  try {
    return localStorage.getItem(key) ?? memory.get(key) ?? null;
  } catch {
    return memory.get(key) ?? null;
  }
}

/** Remembers a text, or forgets it. */
export function remember(key: string, value: string | null): void {
  if (value === null) memory.delete(key);
  else memory.set(key, value);
  try {
    if (value === null) localStorage.removeItem(key);
    else localStorage.setItem(key, value);
  } catch {
    // No room, or none allowed: the page remembers it.
  }
}
