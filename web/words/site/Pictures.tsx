import { useVirtualizer } from '@tanstack/react-virtual';
import { useMemo, useRef, useState } from 'react';
import { passageKey, set, all } from '../../../core/site/index.ts';
import type { PicturePlace } from '../../../core/survey/index.ts';
import { counted, plural } from '../../../core/wording/index.ts';
import { Term, useRoute, PageLink } from '../../components/index.ts';
import { Empty, Segments, useRemembered } from '../../ui/index.ts';
import { useReport, useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';
import { SitePicture } from './SitePicture.tsx';

const HEIGHT = 112;

/** All pictures of the site with what they say to those who cannot see them; each is written beside its picture. */
export function Pictures() {
  const report = useReport((one) => one.tools.analysis.pictures());
  const [which, setWhich] = useRemembered<'without' | 'all'>('pictures', ['without', 'all'], 'without');
  const [held, setHeld] = useState<ReadonlySet<string>>();
  const { page } = useRoute();
  const scroller = useRef<HTMLDivElement>(null);
  // Pictures that were without words when one came stay in the list while they are written.
  if (report && held === undefined) setHeld(new Set(report.filter((one) => one.alt === null).map(keyOf)));
  const shown = useMemo(() => {
    const list = (report ?? []).filter((one) => which === 'all' || one.alt === null || held?.has(keyOf(one)));
    // Those of the current page first.
    return [...list.filter((one) => one.page === page), ...list.filter((one) => one.page !== page)];
  }, [report, which, held, page]);
  const list = useVirtualizer({ count: shown.length, getScrollElement: () => scroller.current, estimateSize: () => HEIGHT, overscan: 6 });
  if (!report) return <p className="soft">Looking for pictures …</p>;
  const without = report.filter((one) => one.alt === null).length;
  return (
    <div className="ledger mx-auto w-full max-w-wide">
      <header className="mb-2.5 flex flex-wrap items-center gap-2">
        <h1>
          Pictures <Term id="alt" />
        </h1>
        <span className="soft" role="status">
          {report.length === 0
            ? ''
            : without === 0
              ? `All ${counted(report.length, 'picture')} have an alt text.`
              : `${without} of ${counted(report.length, 'picture')} ${plural(without, 'has', 'have')} no alt text.`}
        </span>
        <span className="ml-auto">
          <Segments
            label="Which pictures"
            value={which}
            onChange={setWhich}
            options={[
              { value: 'without', label: 'Without words' },
              { value: 'all', label: 'All' },
            ]}
          />
        </span>
      </header>
      {shown.length === 0 ? (
        <Empty title={report.length === 0 ? 'There are no pictures on these pages' : 'Every picture says what it shows'}>
          {report.length === 0 ? 'Pictures in the pages stand here with a field for their words.' : 'Switch to all of them to read them through.'}
        </Empty>
      ) : (
        <div ref={scroller} className="panel min-h-0 flex-1 overflow-auto" tabIndex={0} aria-label="Pictures">
          <ul className="relative" style={{ height: list.getTotalSize() }}>
            {list.getVirtualItems().map((item) => {
              const one = shown[item.index];
              return (
                one && (
                  <li key={keyOf(one)} className="absolute inset-x-0 flex gap-3 border-b border-line p-2.5" style={{ top: item.start, height: item.size }}>
                    <Picture place={one} />
                  </li>
                )
              );
            })}
          </ul>
        </div>
      )}
    </div>
  );
}

const keyOf = ({ page, start }: PicturePlace): string => passageKey(page, start);

function Picture({ place }: { readonly place: PicturePlace }) {
  const workspace = useWorkspaceApi();
  const row = useWorkspace((state) => state.byId.get(place.page));
  const own = useWorkspace((state) => state.document.tables.alts[keyOf(place)]?.now);
  const write = (text: string | null): void =>
    workspace.change(all([set('alts', keyOf(place), 'was', text === null ? null : place.was), set('alts', keyOf(place), 'now', text)]), {
      label: `A picture of “${row?.name ?? place.page}” has new words`,
      coalesceKey: `alt:${keyOf(place)}`,
    });
  const alt = own ?? place.alt;
  return (
    <>
      <span className="h-20.5 w-29 flex-none overflow-hidden rounded-lg">
        {place.path === undefined ? (
          <span className="picture-empty text-tiny">elsewhere</span>
        ) : (
          <SitePicture path={place.path} alt="" className="h-full w-full object-cover" />
        )}
      </span>
      <div className="min-w-0 flex-1">
        <p className="flex items-baseline gap-2 text-note">
          <span className="mono truncate">{place.src.replace(/^.*\//, '')}</span>
          <PageLink to="words" page={place.page} className="link-act soft truncate !font-normal">
            <bdi lang={row?.lang}>{row?.name ?? place.page}</bdi>
          </PageLink>
        </p>
        <input
          className="input mt-1 w-full"
          aria-label={`Alt text of ${place.src.replace(/^.*\//, '')}`}
          dir="auto"
          lang={row?.lang}
          maxLength={1000}
          placeholder={alt === '' ? 'Decoration: says nothing' : 'What does it show?'}
          value={alt ?? ''}
          onChange={(event) => write(event.target.value)}
        />
        <p className="mt-1 flex gap-3 text-fine">
          {alt === '' ? (
            <span className="soft">decoration</span>
          ) : alt === null ? (
            <button type="button" className="link-act soft" onClick={() => write('')}>
              Mark as decoration
            </button>
          ) : null}
          {own !== undefined && own !== null && (
            <button type="button" className="link-act soft" onClick={() => write(null)}>
              As it was
            </button>
          )}
        </p>
      </div>
    </>
  );
}
