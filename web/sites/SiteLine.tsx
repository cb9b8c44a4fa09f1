import { Download, Pencil, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { counted, REFUSAL_WORDS, shortDate } from '../../core/wording/index.ts';
import type { SiteRecord } from '../storage/index.ts';
import { download, note } from '../ui/index.ts';
import { deleteSite, exportSite, renameSite, restoreSite, useWorkspaceApi } from '../workspace/index.ts';
import { FROM } from './wording.ts';

/** One site in the list: open, rename, export, delete with a way back. */
export function SiteLine({ site, onChange }: { readonly site: SiteRecord; readonly onChange: () => void }) {
  const workspace = useWorkspaceApi();
  const [name, setName] = useState<string>();
  const [exporting, setExporting] = useState(false);
  const rename = async (): Promise<void> => {
    const next = name?.trim();
    setName(undefined);
    if (!next || next === site.name) return;
    await renameSite(workspace, site, next);
    onChange();
  };
  const remove = async (): Promise<void> => {
    await deleteSite(workspace, site);
    onChange();
    note(`“${site.name}” was deleted.`, { duration: 12_000, action: { label: 'Undo', onClick: () => void restoreSite(workspace, site).then(onChange) } });
  };
  const save = async (): Promise<void> => {
    setExporting(true);
    try {
      download(await exportSite(workspace, site), `${site.name.replace(/[^\p{L}\p{N}]+/gu, '-')}.beacon`);
    } catch (error) {
      note(`Not exported: ${(error as Error).message}`, {}, 'bad');
    } finally {
      setExporting(false);
    }
  };
  return (
    <li className="border-t border-[color:var(--line)] px-4 py-3 first:border-t-0" data-site={site.name}>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <div className="min-w-0 flex-1 basis-56">
          {name === undefined ? (
            <Link className="display text-[17px] font-semibold underline decoration-accent decoration-2 underline-offset-4" to={`/s/${site.id}`}>
              {site.name}
            </Link>
          ) : (
            <input
              className="input w-full"
              autoFocus
              aria-label="Name of the site"
              value={name}
              onChange={(event) => setName(event.target.value)}
              onBlur={() => void rename()}
              onKeyDown={(event) => (event.key === 'Enter' ? void rename() : event.key === 'Escape' && setName(undefined))}
            />
          )}
          <p className="soft text-[13px]">
            {FROM[site.from]}, opened last {shortDate(site.openedAt)}
          </p>
        </div>
        <button type="button" className="btn btn-sm btn-ghost gap-1.5" onClick={() => setName(site.name)}>
          <Pencil size={15} aria-hidden /> Rename
        </button>
        <button type="button" className="btn btn-sm btn-ghost gap-1.5" disabled={exporting} onClick={() => void save()}>
          <Download size={15} aria-hidden /> {exporting ? 'Packing …' : 'Export'}
        </button>
        <button type="button" className="btn btn-sm btn-ghost gap-1.5" onClick={() => void remove()}>
          <Trash2 size={15} aria-hidden /> Delete
        </button>
      </div>
      {site.unread.length > 0 && (
        <details className="mt-1.5 text-[13px]">
          <summary className="cursor-pointer text-[color:var(--amber-ink)]">{counted(site.unread.length, 'file')} could not be read</summary>
          <ul className="mt-1">
            {site.unread.slice(0, 100).map(({ path, reason }) => (
              <li key={path}>
                <span className="mono break-all">{path}</span>: {REFUSAL_WORDS[reason] ?? reason}
              </li>
            ))}
          </ul>
        </details>
      )}
    </li>
  );
}
