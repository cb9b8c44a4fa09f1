/** What stands between the parts of a title: a sign with spaces at both sides. */
const SEPARATORS = /\s+[|\u2013\u2014·•»:-]\s+/;

/** The parts of a title: "Prices | Quillfeather Bindery" has two. */
export function titleParts(title: string): string[] {
  return title.split(SEPARATORS);
}
