import type { HeaderRule } from '../site/index.ts';
import { headerServerRules } from './header-rules.ts';
import type { AddressPath } from '../source/index.ts';
import { goneRules, redirectRules, type Redirect } from './redirects.ts';

/** The file in which common web servers look for rules of a folder. */
export const SERVER_FILE = '.htaccess';
const BEGIN = '# Jolly Beacon: begin. Written anew with each release: put nothing of your own between these lines.';
const END = '# Jolly Beacon: end';
const BLOCK = /^[ \t]*# Jolly Beacon: begin[^\r\n]*(?:\r\n|\r|\n)[^]*?^[ \t]*# Jolly Beacon: end[^\r\n]*(?:\r\n|\r|\n|$)/m;

/** What the server is to do. */
export interface ServerWishes {
  readonly redirects: readonly Redirect[];
  readonly headers: readonly HeaderRule[];
  /** Addresses that answer that they are gone for good. */
  readonly gone: readonly AddressPath[];
  /** The main address to which all other variants lead, where that is wished. */
  readonly leads: string | undefined;
}

/** The lines of the program's own block; empty where there is nothing to say. */
export function serverBlockLines({ redirects, headers, leads, gone }: ServerWishes): string {
  const parts = [
    leads === undefined ? '' : leading(leads),
    redirectRules(redirects, 'htaccess'),
    goneRules(gone, 'htaccess'),
    headerServerRules(headers, 'htaccess'),
  ];
  return parts.filter((part) => part !== '').join('');
}

/** A file of server rules with the program's block in it: where it stood, else at the end. All else stays as it is; without lines the block goes. */
export function withServerBlock(file: string, lines: string): string {
  const newline = /\r\n|\r|\n/.exec(file)?.[0] ?? '\n';
  const block = lines === '' ? '' : [BEGIN, ...lines.trimEnd().split('\n'), END, ''].join(newline);
  const found = BLOCK.exec(file);
  if (found) return file.slice(0, found.index) + block + file.slice(found.index + found[0].length);
  if (block === '') return file;
  return file === '' || /[\r\n]$/.test(file) ? file + block : file + newline + block;
}

/** Rules by which every other variant of an address, with and without `s` and `www`, leads to the main one. A proxy in front tells the scheme in a header. */
function leading(origin: string): string {
  const { host, protocol } = new URL(origin);
  const target = `${protocol}//${host}%{REQUEST_URI}`;
  return [
    '<IfModule mod_rewrite.c>',
    'RewriteEngine On',
    ...(protocol === 'https:' ? ['RewriteCond %{HTTPS} !=on', 'RewriteCond %{HTTP:X-Forwarded-Proto} !=https', `RewriteRule ^ ${target} [R=301,L]`] : []),
    `RewriteCond %{HTTP_HOST} !^${host.replace(/[.]/g, '\\.')}$ [NC]`,
    `RewriteRule ^ ${target} [R=301,L]`,
    '</IfModule>',
    '',
  ].join('\n');
}
