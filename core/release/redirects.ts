import { escapeAttribute, escapeText } from '../page/index.ts';

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

/** Forms in which common web servers take redirects. */
export const REDIRECT_FORMS = ['htaccess', 'server-block', 'lines'] as const;
export type RedirectForm = (typeof REDIRECT_FORMS)[number];

/** Redirects written out for a web server, permanent ones (301). Addresses are percent-encoded already; what each form gives a meaning of its own is escaped. */
export function redirectRules(redirects: readonly Redirect[], form: RedirectForm): string {
  const line: Readonly<Record<RedirectForm, (redirect: Redirect) => string>> = {
    htaccess: ({ from, to }) => `RedirectMatch 301 "^${from.replace(/[\\^$.|?*+()[\]{}]/g, '\\$&')}$" "${to}"`,
    'server-block': ({ from, to }) => `location = ${/[;{}\s"]/.test(from) ? `"${from}"` : from} { return 301 ${to}; }`,
    lines: ({ from, to }) => `${from} ${to} 301`,
  };
  return redirects.map(line[form]).join('\n') + (redirects.length > 0 ? '\n' : '');
}
