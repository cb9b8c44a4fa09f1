import { decodeHTML } from 'entities/decode';
import { escapeAttribute, escapeText } from '../page/index.ts';
import { percentDecoded, type AddressPath } from '../source/index.ts';
import { isPlainTarget, octetsPattern } from './server-words.ts';

/** An address that moved: path to path. */
export interface Redirect {
  readonly from: string;
  readonly to: string;
}

/** A page for the old address, for hosts that take no rules: a visitor is sent on at once, an engine reads where the page's main address is now. */
export function redirectPage({ to }: Redirect, origin: string, language: string | undefined): string {
  const address = escapeAttribute(origin + to);
  return [
    '<!doctype html>',
    `<html${language ? ` lang="${escapeAttribute(language)}"` : ''}>`,
    '<head>',
    '<meta charset="utf-8">',
    `<title>${escapeText(to)}</title>`,
    `<link rel="canonical" href="${address}">`,
    `<meta http-equiv="refresh" content="0; url=${escapeAttribute(to)}">`,
    '</head>',
    '<body>',
    `<p><a href="${escapeAttribute(to)}">${escapeText(to)}</a></p>`,
    '</body>',
    '</html>',
    '',
  ].join('\n');
}

const REDIRECT_PAGE =
  /^<!doctype html>\n<html(?: lang="[^"]*")?>\n<head>\n<meta charset="utf-8">\n<title>[^<]*<\/title>\n<link rel="canonical" href="[^"]*">\n<meta http-equiv="refresh" content="0; url=([^"]*)">\n<\/head>/;

/** Where a page leads that `redirectPage` made; undefined for any other text. */
export function redirectPageTarget(text: string): string | undefined {
  const to = REDIRECT_PAGE.exec(text)?.[1];
  return to === undefined ? undefined : decodeHTML(to);
}

/** Forms in which common web servers take redirects. */
export const REDIRECT_FORMS = ['htaccess', 'server-block', 'lines'] as const;
export type RedirectForm = (typeof REDIRECT_FORMS)[number];

/**
 * Redirects written out for a web server, permanent ones (301). Addresses come percent-encoded. Servers match a path once it is decoded, so it is written
 * decoded where it is matched; what each form gives a meaning of its own is escaped.
 */
export function redirectRules(redirects: readonly Redirect[], form: RedirectForm): string {
  // A dollar sign would begin a variable in a target.
  const target = (to: string): string => to.replaceAll('$', '%24');
  const line: Readonly<Record<RedirectForm, (redirect: Redirect) => string>> = {
    htaccess: htaccessRedirect,
    'server-block': ({ from, to }) => `location = ${quoted(percentDecoded(from))} { return 301 ${target(to)}; }`,
    lines: ({ from, to }) => `${from} ${to} 301`,
  };
  return redirects.map(line[form]).join('\n') + (redirects.length > 0 ? '\n' : '');
}

/** Addresses that are gone for good (410), written out for a web server; nothing in plain lines, for which there is no common word. */
export function goneRules(gone: readonly AddressPath[], form: RedirectForm): string {
  const line: Readonly<Record<RedirectForm, (path: AddressPath) => string>> = {
    htaccess: (path) => `RedirectMatch 410 "^${octetsPattern(percentDecoded(path))}$"`,
    'server-block': (path) => `location = ${quoted(percentDecoded(path))} { return 410; }`,
    lines: () => '',
  };
  return gone
    .map((path) => line[form](path) + '\n')
    .join('')
    .replace(/^\n+$/, '');
}

/**
 * A redirect in `.htaccess`. The plain rule takes a decoded target and escapes it itself; what that would take for a query, a variable or an escape goes to
 * the rewriting module, which takes the target as it is written.
 */
function htaccessRedirect({ from, to }: Redirect): string {
  const pattern = octetsPattern(percentDecoded(from));
  const decoded = percentDecoded(to);
  if (isPlainTarget(decoded)) return `RedirectMatch 301 "^${pattern}$" "${decoded}"`;
  const written = to.replaceAll('$', '%24').replaceAll('"', '%22').replaceAll('\\', '%5C').replaceAll('%', '\\%');
  return ['<IfModule mod_rewrite.c>', 'RewriteEngine On', `RewriteRule "^/?${pattern.slice(1)}$" "${written}" [R=301,L,NE]`, '</IfModule>'].join('\n');
}

/** A word of a server's configuration, in quotes where it holds what would end it. */
function quoted(word: string): string {
  return /[;{}\s"'\\#$]/.test(word) ? `"${word.replace(/["\\]/g, '\\$&')}"` : word;
}
