import { messageOf } from '../../core/source/index.ts';
import { Download, FolderSync, Pencil, Trash2 } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { bytesText, counted, REFUSAL_WORDS, shortDate } from '../../core/wording/index.ts';
import type { SiteRecord } from '../storage/index.ts';
import { download, note } from '../ui/index.ts';
import { exportSite, renameSite, useWorkspaceApi } from '../workspace/index.ts';
import { FROM, wording } from './wording.ts';

/** One site in the list: what tells it from others, and ways to open, rename, export, and put it into the bin. */
export function SiteLine({
  site,
  sameAddress,
  onChange,
  onDelete,
}: {
  readonly site: SiteRecord;
  /** Names of other sites that have its address. */
  readonly sameAddress: readonly string[];
  readonly onChange: () => void;
  readonly onDelete: () => void;
}) {
  const workspace = useWorkspaceApi();
  const [name, setName] = useState<string>();
  const [exporting, setExporting] = useState(false);
  const pencil = useRef<HTMLButtonElement>(null);
  const writing = name !== undefined;
  const wasWriting = useRef(false);
  useEffect(() => {
    if (wasWriting.current && !writing) pencil.current?.focus();
    wasWriting.current = writing;
  }, [writing]);
  const rename = async (): Promise<void> => {
    const next = name?.trim();
    if (name === undefined) return;
    setName(undefined);
    if (!next || next === site.name) return;
    try {
      await renameSite(workspace, site, next);
    } catch (error) {
      note(`Not renamed: ${messageOf(error)}`, {}, 'bad');
    }
    onChange();
  };
  const save = async (): Promise<void> => {
    setExporting(true);
    try {
      download(await exportSite(workspace, site), `${site.name.replace(/[^\p{L}\p{N}]+/gu, '-')}.beacon`);
    } catch (error) {
      note(`Not exported: ${messageOf(error)}`, {}, 'bad');
    } finally {
      setExporting(false);
    }
  };
  return (
    <li className="border-t border-line px-4 py-3 first:border-t-0" data-site={site.name}>
      <div className="flex flex-wrap items-center gap-x-2 gap-y-2">
        <div className="min-w-0 flex-1 basis-72">
          {name === undefined ? (
            <Link
              className="display text-[17px] font-semibold [overflow-wrap:anywhere] underline decoration-accent decoration-2 underline-offset-4"
              to={`/s/${site.id}`}
              dir="auto"
            >
              {site.name}
            </Link>
          ) : (
            <input
              className="input w-full"
              autoFocus
              aria-label={wording.siteName}
              value={name}
              maxLength={200}
              dir="auto"
              onChange={(event) => setName(event.target.value)}
              onBlur={() => void rename()}
              onKeyDown={(event) => {
                if (event.key !== 'Enter' && event.key !== 'Escape') return;
                // The focus goes to the button that opened this; the same key must not press it.
                event.preventDefault();
                if (event.key === 'Enter') void rename();
                else setName(undefined);
              }}
            />
          )}
          <p className="text-small [overflow-wrap:anywhere]">{summaryOf(site)}</p>
          <p className="soft text-note">
            {FROM[site.from]}, last opened {shortDate(site.openedAt)}
            {site.bytes !== undefined && ` · ${bytesText(site.bytes)}`}
          </p>
          {sameAddress.length > 0 && (
            <p className="text-note text-amber-ink">
              {wording.sameAddress} {sameAddress.map((other) => `“${other}”`).join(', ')}. {wording.sameAddressWhy}
            </p>
          )}
        </div>
        <Link className="btn btn-sm btn-ghost gap-1.5" to={`/s/${site.id}/new-version`} aria-label={`A new version of ${site.name}`}>
          <FolderSync size={15} aria-hidden /> New version
        </Link>
        <button ref={pencil} type="button" className="btn btn-sm btn-ghost gap-1.5" onClick={() => setName(site.name)} aria-label={`Rename ${site.name}`}>
          <Pencil size={15} aria-hidden /> Rename
        </button>
        <button type="button" className="btn btn-sm btn-ghost gap-1.5" disabled={exporting} onClick={() => void save()} aria-label={`Export ${site.name}`}>
          <Download size={15} aria-hidden /> {exporting ? 'Packing …' : 'Export'}
        </button>
        <span className="ml-3 border-l border-line pl-3">
          <button type="button" className="icon-btn" onClick={onDelete} aria-label={`Move ${site.name} to the bin`} title="Move to the bin">
            <Trash2 size={16} aria-hidden />
          </button>
        </span>
      </div>
      {site.unread.length > 0 && (
        <details className="mt-1.5 text-note">
          <summary className="cursor-pointer text-amber-ink">{counted(site.unread.length, 'file')} could not be read</summary>
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

/** What tells a site from others, in a line: its address, its pages, how it stands, what went out last. */
function summaryOf({ summary }: SiteRecord): string {
  if (!summary) return wording.neverOpened;
  const { host, pages, wanted, found, open, release } = summary;
  const stands = !open ? 'closed to engines' : wanted === 0 ? 'no page wanted' : `people can find ${found} of ${wanted}`;
  return [host, counted(pages, 'page'), stands, release ? `release ${release.number} of ${shortDate(release.at)}` : 'not released from here'].join(' · ');
}
