import type { HeaderRule } from '../site/index.ts';

/** Forms in which common web servers take rules for headers. */
export type HeaderForm = 'htaccess' | 'server-block';

const literal = (text: string): string => text.replace(/[\\^$.|?*+()[\]{}]/g, '\\$&');
const quoted = (text: string): string => `"${text.replace(/[\\"]/g, '\\$&')}"`;

/** The addresses that a rule catches, as a regular expression over the path. */
function expression({ path, match }: HeaderRule): string {
  const text = literal(path.trim());
  if (match === 'ends') return `${text}$`;
  if (match === 'contains') return text;
  return `^/${literal(path.trim().replace(/^\/+|\/+$/g, ''))}/.`;
}

/** Rules for `X-Robots-Tag` headers written out for a web server. A path's letters count in either case, as they do here. */
export function headerServerRules(rules: readonly HeaderRule[], form: HeaderForm): string {
  const lines = rules.flatMap((rule) => {
    if (rule.values.length === 0) return [];
    const pattern = expression(rule);
    if (form === 'htaccess')
      return [
        `<If "%{REQUEST_URI} =~ m#${pattern.replace(/#/g, '\\#')}#i">`,
        ...rule.values.map((value) => `  Header add X-Robots-Tag ${quoted(value)}`),
        '</If>',
      ];
    return [`location ~* ${quoted(pattern)} {`, ...rule.values.map((value) => `  add_header X-Robots-Tag ${quoted(value)} always;`), '}'];
  });
  return lines.length === 0 ? '' : `${lines.join('\n')}\n`;
}
