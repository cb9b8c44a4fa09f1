import type { TemplateField } from '../../core/checks/index.ts';
import { likelyLanguage } from '../../core/language/index.ts';
import { patchPage, readSource, type PatchRefusal, type TemplateEdit } from '../../core/page/index.ts';
import { decodeSource, type SourceText, type Splice } from '../../core/source/index.ts';
import { loadBytes } from '../storage/index.ts';
import type { StoredSite } from './read-site.ts';

/** A page whose template is to be mended: what is known of it already. */
export interface TemplatePage {
  readonly id: string;
  readonly title: string;
}

/** Pages on which a mend writes the very same, with what it writes over; or on which it cannot be made. */
export interface MendGroup {
  readonly changes: readonly { readonly before: string; readonly after: string }[];
  readonly pages: readonly string[];
  readonly refused: PatchRefusal | undefined;
  /** The language that they are to say they are in. */
  readonly lang: string | undefined;
}

/** What a mend would write into pages, seen before it is written; like goes with like, what touches most pages first. `language` is the site's own. */
export async function templateMend({ db, siteId }: StoredSite, field: TemplateField, pages: readonly TemplatePage[], language: string): Promise<MendGroup[]> {
  const groups = new Map<string, MendGroup & { pages: string[] }>();
  for (const page of pages) {
    const bytes = await loadBytes(db, siteId, page.id);
    if (!bytes) continue;
    const source = decodeSource(bytes);
    const reading = readSource(source, { keepText: field === 'lang' });
    if (!reading.ok) continue;
    const lang = field === 'lang' ? (likelyLanguage(reading.facts.text ?? '') ?? language) : undefined;
    const edit: TemplateEdit =
      lang !== undefined ? { kind: 'lang', lang } : field === 'oneHeading' ? { kind: 'one-heading' } : { kind: 'one-title', text: page.title };
    const patched = patchPage(source, reading.facts, [edit]);
    const changes = patched.ok ? patched.splices.map((splice) => asTags(source, splice)) : [];
    const refused = patched.ok ? undefined : patched.reason;
    const key = JSON.stringify([changes, refused, lang]);
    const group = groups.get(key);
    if (group) group.pages.push(page.id);
    else groups.set(key, { changes, pages: [page.id], refused, lang });
  }
  return [...groups.values()].sort((a, b) => Number(a.refused !== undefined) - Number(b.refused !== undefined) || b.pages.length - a.pages.length);
}

/** Longest piece of source that is shown, in UTF-16 units. */
const SHOWN = 200;

/** A change with the tag that it is made in. */
function asTags({ text }: SourceText, { start, end, insert }: Splice): { before: string; after: string } {
  const open = text.lastIndexOf('<', start === end ? start - 1 : start);
  const within = open >= 0 && start > open && !text.slice(open, start).includes('>');
  const from = within ? open : start;
  const close = within ? text.indexOf('>', end) + 1 || end : end;
  const cut = (piece: string): string => piece.trim().slice(0, SHOWN);
  return { before: cut(text.slice(from, close)), after: cut(text.slice(from, start) + insert + text.slice(end, close)) };
}
