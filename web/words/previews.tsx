import { siteHost } from '../../core/site/index.ts';
import type { PageRow } from '../../core/survey/index.ts';
import { DESCRIPTION_ROOMS, fit, TAB_ROOM, TITLE_ROOMS, type Room } from '../../core/titles/index.ts';
import { useWorkspace } from '../workspace/index.ts';
import { W } from './wording.ts';

/** A page as an answer to somebody's search, cut where that place cuts it. */
export function ResultCard({
  row,
  title,
  description,
  phone,
}: {
  readonly row: PageRow;
  readonly title: string;
  readonly description: string;
  readonly phone: boolean;
}) {
  const host = useWorkspace((state) => siteHost(state.document));
  const siteName = useWorkspace((state) => state.document.tables.facts['']?.siteName ?? state.site?.name ?? '');
  const at = phone ? 1 : 0;
  const shownTitle = fit(title, TITLE_ROOMS[at] as Room).shown;
  const shownText = fit(description, DESCRIPTION_ROOMS[at] as Room).shown;
  const trail = row.address.split('/').filter(Boolean).map(decoded);
  return (
    <div className={`result${phone ? ' mx-auto max-w-[300px]' : ''}`}>
      <p className="flex items-center gap-2 text-[13px]">
        <Letter name={siteName || host} />
        <span className="truncate">
          {siteName || host} <span className="soft">{trail.map((part) => ` › ${part}`).join('')}</span>
        </span>
      </p>
      <p className="result-title mt-1.5">{shownTitle === '' ? <span className="soft italic">{W.noTitle}</span> : shownTitle}</p>
      <p className="soft mt-1 text-[14px] leading-snug">{shownText === '' ? <span className="italic">{W.noDescription}</span> : shownText}</p>
    </div>
  );
}

/** The browser's tab: the title's first words are all there is room for. */
export function BrowserTab({ title }: { readonly title: string }) {
  const siteName = useWorkspace((state) => state.document.tables.facts['']?.siteName ?? state.site?.name ?? '');
  const shown = fit(title, TAB_ROOM).shown;
  return (
    <div className="browser-tab mt-2.5" aria-label="The browser’s tab" role="img">
      <span className="tab">
        <Letter name={siteName} /> <span className="truncate">{shown || '(no title)'}</span>
      </span>
    </div>
  );
}

function Letter({ name }: { readonly name: string }) {
  return (
    <span className="letter" aria-hidden>
      {([...name.trim()][0] ?? '·').toUpperCase()}
    </span>
  );
}

function decoded(part: string): string {
  try {
    return decodeURIComponent(part);
  } catch {
    return part;
  }
}
