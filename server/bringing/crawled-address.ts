/** An address that only a program makes that links to itself for ever: very long, or the same part again and again. */
export function isTrap({ pathname, href }: URL): boolean {
  if (href.length > 1500) return true;
  const parts = pathname.split('/').filter(Boolean);
  const counts = new Map<string, number>();
  for (const part of parts) counts.set(part, (counts.get(part) ?? 0) + 1);
  return parts.length > 25 || Math.max(0, ...counts.values()) > 3;
}

/** The file that what is no page is kept as; undefined where its name would lead out of the site. */
export function assetPath(url: URL): string | undefined {
  try {
    const path = decodeURIComponent(url.pathname).replace(/^\/+/, '');
    return path === '' || path.endsWith('/') || /[\\\u0000-\u001f]|(^|\/)\.\.?(\/|$)/.test(path) || path.length > 1000 ? undefined : path;
  } catch {
    return undefined;
  }
}

/** Seconds for which a busy host wants to be left alone (RFC 9110, 10.2.3): a number, or a day and time; a short while where it does not say. `now` in milliseconds. */
export function retryAfter(header: string | undefined, now: number): number {
  const text = header?.trim() ?? '';
  if (/^\d{1,9}$/.test(text)) return Number(text);
  const at = text === '' ? NaN : Date.parse(text);
  return Number.isNaN(at) ? 5 : Math.max(0, (at - now) / 1000);
}
