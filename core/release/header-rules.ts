import type { HeaderRule } from '../site/index.ts';
import { headerValue, octetsPattern } from './server-words.ts';

/** Forms in which common web servers take rules for headers. */
export type HeaderForm = 'htaccess' | 'server-block';

const literal = (text: string): string => text.replace(/[\\^$.|?*+()[\]{}]/g, '\\$&');
const quoted = (text: string): string => `"${text.replace(/[\\"]/g, '\\$&')}"`;

/** The addresses that a rule catches, as a regular expression over the path; `spelled` writes a text so that it means itself. */
function expression({ path, match }: HeaderRule, spelled: (text: string) => string): string {
  const text = spelled(path.trim());
  if (match === 'is') return `^${text}$`;
  if (match === 'ends') return `${text}$`;
  if (match === 'contains') return text;
  return `^/${spelled(path.trim().replace(/^\/+|\/+$/g, ''))}/.`;
}

/** Rules for `X-Robots-Tag` headers written out for a web server. A path's letters count in either case, but for one address alone, as they do here. */
export function headerServerRules(rules: readonly HeaderRule[], form: HeaderForm): string {
  const lines = form === 'htaccess' ? htaccess(rules) : serverBlock(rules);
  return lines.length === 0 ? '' : `${lines.join('\n')}\n`;
}

function htaccess(rules: readonly HeaderRule[]): string[] {
  const lines = rules.flatMap((rule) => {
    if (rule.values.length === 0) return [];
    const values = rule.values.map((value) => `  Header add X-Robots-Tag ${headerValue(value)}`);
    return [`<If "%{REQUEST_URI} =~ m#${expression(rule, octetsPattern)}#${rule.match === 'is' ? '' : 'i'}">`, ...values, '</If>'];
  });
  // A server without the module would answer nothing but errors.
  return lines.length === 0 ? [] : ['<IfModule mod_headers.c>', ...lines, '</IfModule>'];
}

/** Of several locations that fit, such a server takes only one, and it may have others already; a map of the address adds up, and touches none of them. */
function serverBlock(rules: readonly HeaderRule[]): string[] {
  const said = rules.flatMap((rule) => rule.values.map((value) => ({ pattern: `${rule.match === 'is' ? '~' : '~*'}${expression(rule, literal)}`, value })));
  if (said.length === 0) return [];
  return [
    '# Outside the server block:',
    ...said.map(({ pattern, value }, at) => `map $uri $robots_tag_${at + 1} { default ""; ${quoted(pattern)} ${quoted(value)}; }`),
    '# Inside it:',
    ...said.map((_, at) => `add_header X-Robots-Tag $robots_tag_${at + 1} always;`),
  ];
}
