/** Percent-encoding undone; what is no valid UTF-8 stays as it is written. */
export function percentDecoded(text: string): string {
  try {
    return decodeURIComponent(text);
  } catch {
    return text;
  }
}
