/** What every text of the owner's site says of itself: its language, and that it runs the way its letters run. */
export function siteText(lang: string | undefined): { readonly lang: string; readonly dir: 'auto' } {
  return { lang: lang ?? '', dir: 'auto' };
}
