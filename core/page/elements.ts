/** Bits that say how the tree builder treats an element (HTML standard 13.2.4 to 13.2.6). */
export const VOID = 1;
export const FORMATTING = 2;
export const SPECIAL = 4;
/** Its start tag closes an open `p` (13.2.6.4.7, "close a p element"). */
export const CLOSES_P = 8;
/** Its end tag may be left out, and is generated ("generate implied end tags"). */
export const IMPLIED_END = 16;
/** Content is raw text up to the end tag; `title` and `textarea` resolve references on top of that. */
export const RAW_TEXT = 32;
/** Belongs to the head by the "in head" rules wherever it stands. */
export const HEAD_CONTENT = 64;
/** Only means something inside a table. */
export const TABLE_PART = 128;
/** Separates words. */
export const EDGE = 256;
/** An end tag that first needs the element to be in scope and then closes all down to it. */
export const SCOPED_END = 512;
export const HEADING = 1024;
/** The fast reader leaves pages with this one to the tree reader. */
export const HARD = 2048;
/** Start tags that end foreign content (13.2.6.5). */
export const BREAKOUT = 4096;
/** Puts a marker on the list of active formatting elements and bounds scopes. */
export const SCOPE_EDGE = 8192;

const table = new Map<string, number>();
const mark = (bits: number, names: string): void => {
  for (const name of names.split(' ')) table.set(name, (table.get(name) ?? 0) | bits);
};

mark(VOID, 'area base basefont bgsound br col embed hr img input keygen link meta param source track wbr');
mark(FORMATTING, 'a b big code em font i nobr s small strike strong tt u');
mark(
  SPECIAL,
  'address applet area article aside base basefont bgsound blockquote body br button caption center col colgroup dd details dir div dl dt embed fieldset figcaption figure footer form frame frameset h1 h2 h3 h4 h5 h6 head header hgroup hr html iframe img input keygen li link listing main marquee menu meta nav noembed noframes noscript object ol p param plaintext pre script search section select source style summary table tbody td template textarea tfoot th thead title tr track ul wbr xmp',
);
mark(
  CLOSES_P,
  'address article aside blockquote center details dialog dir div dl fieldset figcaption figure footer header hgroup main menu nav ol p search section summary ul h1 h2 h3 h4 h5 h6 pre listing form hr xmp li dd dt',
);
mark(IMPLIED_END, 'dd dt li optgroup option p rb rp rt rtc');
mark(RAW_TEXT, 'title textarea style script xmp iframe noembed noframes noscript');
mark(HEAD_CONTENT, 'base basefont bgsound link meta title style script noframes');
mark(TABLE_PART, 'caption col colgroup tbody td tfoot th thead tr');
mark(
  EDGE,
  'address article aside blockquote br button caption center dd details dialog dir div dl dt fieldset figcaption figure footer form h1 h2 h3 h4 h5 h6 header hgroup hr li listing main menu nav ol option optgroup p pre search section select summary table tbody td tfoot th thead tr ul img textarea',
);
mark(
  SCOPED_END,
  'address article aside blockquote button center details dialog dir div dl fieldset figcaption figure footer header hgroup listing main menu nav ol pre search section summary ul applet marquee object',
);
mark(HEADING, 'h1 h2 h3 h4 h5 h6');
mark(HARD, 'template frameset frame plaintext nobr image math option optgroup rb rtc');
mark(
  BREAKOUT,
  'b big blockquote body br center code dd div dl dt em embed h1 h2 h3 h4 h5 h6 head hr i img li listing menu meta nobr ol p pre ruby s small span strong strike sub sup table tt u ul var font',
);
mark(SCOPE_EDGE, 'applet caption html table td th marquee object template select');

/** The bits of an element; 0 for any that the standard gives no rule of its own. */
export function bitsOf(name: string): number {
  return table.get(name) ?? 0;
}

/** Elements whose text is not read by visitors. */
export const SILENT = new Set(['script', 'style', 'noscript', 'template', 'iframe', 'noframes', 'noembed', 'textarea', 'select', 'title', 'xmp']);
