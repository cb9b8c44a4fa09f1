/** What a robots directive text says, as far as listing goes. */
export interface IndexDirectives {
  readonly noindex: boolean;
  readonly nofollow: boolean;
  readonly nosnippet: boolean;
  /** Milliseconds since 1970 from which the page may no longer be listed. */
  readonly unavailableAfter: number | undefined;
}

const NOTHING: IndexDirectives = { noindex: false, nofollow: false, nosnippet: false, unavailableAfter: undefined };

/** Reads the content of a robots `meta` or the value of an `X-Robots-Tag` (without a leading crawler name). Unknown words are ignored. */
export function indexDirectives(content: string): IndexDirectives {
  let { noindex, nofollow, nosnippet, unavailableAfter } = NOTHING as { -readonly [K in keyof IndexDirectives]: IndexDirectives[K] };
  // The date of unavailable_after may hold a comma ("Wed, 25 Nov 2026"), so it is cut out first.
  const text = content.toLowerCase().replace(/unavailable_after\s*:\s*((?:[a-z]+,\s*)?[^,]*)/g, (_, date: string) => {
    const time = Date.parse(date.trim());
    if (!Number.isNaN(time)) unavailableAfter = Math.min(unavailableAfter ?? Infinity, time);
    return '';
  });
  for (const word of text.split(',')) {
    const directive = word.trim();
    if (directive === 'noindex' || directive === 'none') noindex = true;
    if (directive === 'nofollow' || directive === 'none') nofollow = true;
    if (directive === 'nosnippet' || /^max-snippet\s*:\s*0$/.test(directive)) nosnippet = true;
  }
  return { noindex, nofollow, nosnippet, unavailableAfter };
}

/** The most restrictive of several. */
export function strictest(all: readonly IndexDirectives[]): IndexDirectives {
  return all.reduce(
    (sum, one) => ({
      noindex: sum.noindex || one.noindex,
      nofollow: sum.nofollow || one.nofollow,
      nosnippet: sum.nosnippet || one.nosnippet,
      unavailableAfter:
        Math.min(sum.unavailableAfter ?? Infinity, one.unavailableAfter ?? Infinity) === Infinity
          ? undefined
          : Math.min(sum.unavailableAfter ?? Infinity, one.unavailableAfter ?? Infinity),
    }),
    NOTHING,
  );
}

/**
 * The directives in `X-Robots-Tag` headers that concern a crawler: those without a name, and those that name it. `headers` are the
 * values of all such headers; a name holds until the end of its header.
 */
export function headerDirectives(headers: readonly string[], crawler: string): IndexDirectives {
  return strictest(
    headers.map((header) => {
      const named = /^\s*([a-z][a-z_-]*)\s*:\s*(.*)$/i.exec(header);
      const isDirective = named !== null && /^(max-snippet|max-image-preview|max-video-preview|unavailable_after)$/i.test(named[1] as string);
      if (!named || isDirective) return indexDirectives(header);
      return (named[1] as string).toLowerCase() === crawler.toLowerCase() ? indexDirectives(named[2] as string) : NOTHING;
    }),
  );
}
