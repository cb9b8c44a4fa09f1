import { escapeAttribute, readSource } from '../../core/page/index.ts';
import { linkedPath } from '../../core/site/index.ts';
import { decodeBytes, decodeSource, percentDecoded, type FilePath, type AddressPath } from '../../core/source/index.ts';

/** What a page that is shown inside the program may do: be drawn by its own styles. No script, nothing from anywhere, no form. */
const POLICY = "default-src 'none'; style-src 'unsafe-inline'; img-src data:; font-src data:";

/**
 * A page of the site made ready to be shown in a frame without scripts: its own style sheets stand in it, as far as the site brings them, and nothing else
 * is fetched. `fileOf` gives a file's bytes by its path.
 */
export async function shownPage(html: string, path: AddressPath, host: string, fileOf: (path: FilePath) => Promise<Uint8Array | undefined>): Promise<string> {
  const source = decodeSource(new TextEncoder().encode(html), 'utf-8');
  const reading = readSource(source);
  if (!reading.ok) return '';
  let text = source.text;
  // From the end, so that the places of what stands before hold.
  for (const link of [...reading.facts.linkTags].reverse()) {
    if (!link.rel.includes('stylesheet') || link.href === undefined) continue;
    const at = linkedPath(link.href, path, host)?.replace(/[?#].*$/s, '');
    const bytes = at === undefined ? undefined : await fileOf(percentDecoded(at).replace(/^\//, ''));
    const style = bytes === undefined ? '' : `<style>${decodeBytes(bytes, 'utf-8').replace(/<\/style/gi, '<\\/style')}</style>`;
    text = text.slice(0, link.tag.start) + style + text.slice(link.tag.end);
  }
  // In front of everything, where no element of the page can come before it. A press leads nowhere here.
  return `<!doctype html><meta http-equiv="content-security-policy" content="${escapeAttribute(POLICY)}"><style>a,area{pointer-events:none}</style>${text.replace(/^\s*<!doctype[^>]*>/i, '')}`;
}
