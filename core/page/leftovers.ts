/** Instructions to a program on the server, which a browser would take for a comment or for text. */
const PROGRAMS = /<\?(?:php\b|=)|<%[=@!#\s-]|<!--#(?:include|if|echo|set|exec)\b|\{%[-+]?\s*[a-z]/gi;

/** A place to be filled, as it stands in a title. */
const PLACEHOLDER = /\{\{[^{}<>]{1,80}\}\}/;

/** Content that is words of another language: examples of such instructions may stand there. */
const EXAMPLES = /<(script|style|code|pre|textarea|template|xmp|samp|kbd)\b[^>]*>[^]*?<\/\1\s*>/gi;

/**
 * The first instruction to a program that a page still holds: then the file is a template, and what visitors get is made of it elsewhere. Undefined where there
 * is none. Examples in code do not count.
 */
export function programIn(text: string): string | undefined {
  // Nearly no page has any of these, and to look for them costs little.
  if (
    !text.includes('<?php') &&
    !text.includes('<?=') &&
    !text.includes('<%') &&
    !text.includes('{%') &&
    !text.includes('<!--#') &&
    !PLACEHOLDER.test(titleOf(text))
  )
    return undefined;
  const bare = text.replace(EXAMPLES, '');
  PROGRAMS.lastIndex = 0;
  return PROGRAMS.exec(bare)?.[0].trim() ?? PLACEHOLDER.exec(titleOf(bare))?.[0];
}

/** Whether a piece of a page holds an instruction to a program, which nothing may be written over. */
export function hasInstruction(text: string): boolean {
  return /<\?|<%|<!--#|\{%|\{\{/.test(text);
}

/** Whether a program's text holds a page: the beginning of a document, not only a piece that other files take in. */
export function holdsPage(text: string): boolean {
  return /<!doctype\s+html|<html[\s>]/i.test(text);
}

function titleOf(text: string): string {
  const start = text.indexOf('<title');
  return start < 0 ? '' : (text.slice(start, start + 400).split('</')[0] as string);
}

const LEADING = /\ufeff?(?:[\t\n\f\r ]+|<\?xml[^>]*>|<\?[^]*?\?>|<%[^]*?%>|<!--(?:-?>|[^]*?--!?>)|<!doctype[^>]*>|\{\{[^{}]*\}\}|\{%[^]*?%\})*/iy;

/** Where what stands before all of a page's elements ends: declarations, comments, and instructions to a program, in front of which nothing may be put. */
export function endOfLeading(text: string): number {
  LEADING.lastIndex = 0;
  const length = LEADING.exec(text)?.[0].length ?? 0;
  // White space behind it is the next line's.
  return text.slice(0, length).replace(/[\t ]+$/, '').length;
}
