import { messageOf } from '../../core/source/index.ts';
import { useEffect, useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { set, siteOrigin } from '../../core/site/index.ts';
import { SITEMAP_FILE } from '../../core/sitemap/index.ts';
import type { MapReport } from '../../core/map/index.ts';
import type { MapReading } from '../analysis/index.ts';
import { useRoute } from '../components/index.ts';
import { Busy, useDrop } from '../ui/index.ts';
import { useReport, useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { fetchMap } from './fetch-map.ts';
import { ReadResult } from './ReadResult.tsx';
import { REFUSALS, wording } from './wording.ts';

/** Where a map is read from. */
type Source =
  | { readonly kind: 'site' | 'brought'; readonly path: string }
  | { readonly kind: 'file'; readonly name: string; readonly bytes: Uint8Array }
  | { readonly kind: 'address'; readonly address: string };

type Read = MapReading | { readonly failed: string };

const MOST_BYTES = 60_000_000;

/** Any map, looked at closely: a file, an address, ours, or the one the site came with; held against the protocol and against the site. */
export function ReadAMap() {
  const workspace = useWorkspaceApi();
  const { siteId } = useRoute();
  const [query] = useSearchParams();
  const report = useReport((one) => one.tools.analysis.mapReport());
  const origin = useWorkspace((state) => siteOrigin(state.document));
  const surveyed = useWorkspace((state) => state.surveyed);
  const on = useWorkspace((state) => state.document.tables.sitemap['']?.on === true);
  const ours = query.get('map');
  const theirs = query.get('brought');
  const [picked, setPicked] = useState<Source | 'none' | undefined>(
    ours !== null ? { kind: 'site', path: ours } : theirs !== null ? { kind: 'brought', path: theirs } : undefined,
  );
  const first = useFirstMap(report);
  const source = picked === 'none' ? undefined : (picked ?? first);
  const [typed, setTyped] = useState(`${origin}/${SITEMAP_FILE}`);
  const [reading, setReading] = useState<Read>();
  const [progress, setProgress] = useState({ done: 0, of: 1 });
  useEffect(() => {
    if (!source) return;
    let current = true;
    const put = (value: Read): void => {
      if (current) setReading(value);
    };
    setProgress({ done: 0, of: 1 });
    read(
      source,
      workspace,
      (done, of) => current && setProgress({ done, of }),
      () => !current,
    ).then(put, (error: unknown) => put({ failed: messageOf(error) }));
    return () => {
      current = false;
    };
    // Read again when the site changed: what should be in the map may be something else now.
  }, [source, workspace, surveyed, siteId]);
  const choose = (next: Source): void => {
    setReading(undefined);
    setPicked(next);
  };
  const takeFile = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    if (file.size > MOST_BYTES) return setReading({ failed: wording.tooLarge });
    choose({ kind: 'file', name: file.name, bytes: new Uint8Array(await file.arrayBuffer()) });
  };
  const { over, zone } = useDrop(({ files }) => void takeFile(files[0]));
  const name = source === undefined ? '' : source.kind === 'file' ? source.name : source.kind === 'address' ? source.address : `/${source.path}`;
  return (
    <div className="mx-auto max-w-wide">
      <h1 className="mb-1">Read a sitemap</h1>
      <p className="soft mb-4">{wording.readLead}</p>
      <div className={`panel grid gap-3 p-4 ${over ? 'outline-[2.5px] -outline-offset-4 outline-accent outline-dashed' : ''}`} {...zone}>
        <div className="flex flex-wrap items-center gap-2">
          <span className="w-28 font-semibold">Of this site</span>
          {report?.imported.map((path) => (
            <button
              key={path}
              type="button"
              className="chip"
              aria-pressed={source?.kind === 'brought' && source.path === path}
              onClick={() => choose({ kind: 'brought', path })}
            >
              /{path}, as it came
            </button>
          ))}
          {report?.files.slice(0, 12).map(({ path }) => (
            <button
              key={path}
              type="button"
              className="chip"
              aria-pressed={source?.kind === 'site' && source.path === path}
              onClick={() => choose({ kind: 'site', path })}
            >
              /{path}, {on ? 'as it will be' : 'as it would be'}
            </button>
          ))}
        </div>
        <form
          className="flex flex-wrap items-center gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            choose({ kind: 'address', address: typed.trim() });
          }}
        >
          <label htmlFor="map-address" className="w-28 font-semibold">
            By address
          </label>
          <input id="map-address" className="input mono min-w-48 flex-1" value={typed} spellCheck={false} onChange={(event) => setTyped(event.target.value)} />
          <button type="submit" className="btn btn-outline-ink" disabled={typed.trim() === ''}>
            Fetch it
          </button>
        </form>
        <label className="flex flex-wrap items-center gap-2">
          <span className="w-28 font-semibold">A file</span>
          <input
            type="file"
            className="file-input file-input-sm"
            aria-label="A map as a file"
            accept=".xml,.gz,.txt"
            onChange={(event) => void takeFile(event.target.files?.[0])}
          />
          <span className="soft text-note">or drop it here; packed ones too</span>
        </label>
      </div>
      <div className="mt-5" aria-live="polite">
        {source && !reading && <Busy what={progress.of > 1 ? wording.readingParts : wording.reading} {...progress} onCancel={() => setPicked('none')} />}
        {reading && 'failed' in reading && <p className="notice notice-bad">{reading.failed}</p>}
        {reading && !('failed' in reading) && !reading.ok && (
          <p className="notice notice-bad" data-testid="refused">
            {name}: {REFUSALS[reading.reason]}
          </p>
        )}
        {reading && !('failed' in reading) && reading.ok && (
          <ReadResult
            name={name}
            reading={reading}
            onMend={on || source?.kind === 'site' ? undefined : () => workspace.change(set('sitemap', '', 'on', true), { label: 'The sitemap is written' })}
            onOpen={(address) => {
              const path = address.startsWith(`${origin}/`) ? address.slice(origin.length + 1) : undefined;
              if (source?.kind === 'site' && path !== undefined) choose({ kind: 'site', path });
              else if (source?.kind === 'brought' && path !== undefined) choose({ kind: 'brought', path });
              else choose({ kind: 'address', address });
            }}
          />
        )}
      </div>
    </div>
  );
}

/** The map that is looked at unless another is chosen: the one the site came with, or else ours. */
function useFirstMap(report: MapReport | undefined): Source | undefined {
  const imported = report?.imported[0];
  const ours = report?.files[0]?.path;
  return useMemo(() => {
    if (imported !== undefined) return { kind: 'brought', path: imported };
    return ours === undefined ? undefined : { kind: 'site', path: ours };
  }, [imported, ours]);
}

async function read(
  source: Source,
  { tools }: ReturnType<typeof useWorkspaceApi>,
  progress: (done: number, of: number) => void,
  stopped: () => boolean,
): Promise<Read> {
  switch (source.kind) {
    case 'site':
      return tools.analysis.validateMap({ path: source.path });
    case 'brought':
      return tools.analysis.validateMap({ imported: source.path });
    case 'file':
      return tools.analysis.validateMap({ bytes: source.bytes });
    case 'address':
      return fetchMap(source.address, tools, progress, stopped);
  }
}
