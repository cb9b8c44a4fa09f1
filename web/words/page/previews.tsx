import { useState } from 'react';
import { snippetFor } from '../../../core/engine/index.ts';
import {
  descriptionLimits,
  effectiveDirectives,
  effectiveSharePicture,
  effectiveShareText,
  effectiveShareTitle,
  shareTextLimit,
  shareTitleLimit,
  siteHost,
  tabLimit,
  titleLimits,
  type SitePage,
} from '../../../core/site/index.ts';
import type { PageRow } from '../../../core/rows/index.ts';
import type { ResultExtras } from '../../../core/results/index.ts';
import { extrasLine } from '../../../core/wording/index.ts';
import { percentDecoded } from '../../../core/source/index.ts';
import { fit } from '../../../core/titles/index.ts';
import { useTables, useWorkspace } from '../../workspace/index.ts';
import { siteText } from '../../components/index.ts';
import { SitePicture } from '../site/SitePicture.tsx';
import { wording } from '../wording.ts';

/** A page as an answer to somebody's search, cut where that place cuts it. */
export function ResultCard({
  row,
  title,
  description,
  phone,
  extras,
}: {
  readonly row: PageRow;
  readonly title: string;
  readonly description: string;
  readonly phone: boolean;
  /** What the engine takes from the page's structured data. */
  readonly extras?: ResultExtras | undefined;
}) {
  const document = useTables('facts', 'limits');
  const host = siteHost(document);
  const siteName = useWorkspace((state) => state.document.tables.facts['']?.siteName ?? state.site?.name ?? '');
  const at = phone ? 1 : 0;
  const shownTitle = fit(title, titleLimits(document)[at]).shown;
  const said = useWorkspace((state) => effectiveDirectives(state.document, row).snippet?.value);
  const maxSnippet = typeof said === 'number' && said >= 0 ? said : undefined;
  const shownText = snippetFor({ description, lead: '', text: '', maxSnippet }, [], descriptionLimits(document)[at]);
  const trail = extras?.trail?.slice(1) ?? row.address.split('/').filter(Boolean).map(percentDecoded);
  const line = extras === undefined ? '' : extrasLine(extras);
  return (
    <div className={`result${phone ? ' mx-auto max-w-75' : ''}`}>
      <p className="flex items-center gap-2 text-note">
        <Letter name={siteName || host} />
        <span className="truncate">
          <bdi lang={row.lang}>{siteName || host}</bdi> <span className="soft">{trail.map((part) => ` › ${part}`).join('')}</span>
        </span>
      </p>
      <p className="result-title mt-1.5" {...siteText(row.lang)}>
        {shownTitle === '' ? <span className="soft italic">{wording.noTitle}</span> : shownTitle}
      </p>
      <p className="soft mt-1 text-plain leading-snug" {...siteText(row.lang)}>
        {line !== '' && <strong className="text-base-content">{line} — </strong>}
        {shownText === '' ? <span className="italic">{wording.noDescription}</span> : shownText}
      </p>
    </div>
  );
}

/** Cards show the middle of a picture, about this much wider than high. */
const CARD_SHAPE = 1200 / 630;
const SMALL = { width: 600, height: 315 };

/** The page as a link that somebody sends: picture, title, a line or two. */
export function ShareCard({ page, title, description }: { readonly page: SitePage; readonly title: string; readonly description: string }) {
  const document = useTables('pages', 'facts', 'kinds', 'limits');
  const [size, setSize] = useState<{ path: string; width: number; height: number }>();
  const picture = effectiveSharePicture(document, page);
  const path = picture.value.replace(/^https?:\/\/[^/]+/, '').replace(/^\//, '');
  const shownTitle = fit(effectiveShareTitle(document, page).value || title, shareTitleLimit(document)).shown;
  const shownText = fit(effectiveShareText(document, page).value || description, shareTextLimit(document)).shown;
  const known = size?.path === path ? size : undefined;
  const lost = known && Math.round(100 - (100 * Math.min(known.width / known.height, CARD_SHAPE)) / Math.max(known.width / known.height, CARD_SHAPE));
  return (
    <div>
      {path === '' ? (
        <p className="picture-empty aspect-[1200/630] w-full !rounded-none text-note">no picture</p>
      ) : (
        <SitePicture
          key={path}
          path={path}
          alt=""
          className="aspect-[1200/630] w-full !rounded-none object-cover"
          onSize={(width, height) => setSize({ path, width, height })}
        />
      )}
      <div className="px-3.5 py-2.5" dir="auto">
        <p className="soft text-fine">{siteHost(document)}</p>
        <p className="font-semibold leading-snug">{shownTitle || <span className="soft italic">{wording.noTitle}</span>}</p>
        <p className="soft mt-0.5 text-small leading-snug">{shownText}</p>
      </div>
      {known && (
        <p className="soft border-t border-line px-3.5 py-2 text-fine">
          {known.width} × {known.height} px
          {lost ? `; cards cut ${lost} % of it off ${known.width / known.height > CARD_SHAPE ? 'at the sides' : 'above and below'}` : ''}
          {known.width < SMALL.width || known.height < SMALL.height ? '; small: some programs show no picture this size' : ''}
        </p>
      )}
    </div>
  );
}

/** The browser's tab: the title's first words are all there is room for. */
export function BrowserTab({ title }: { readonly title: string }) {
  const document = useTables('limits');
  const limit = tabLimit(document);
  const siteName = useWorkspace((state) => state.document.tables.facts['']?.siteName ?? state.site?.name ?? '');
  const shown = fit(title, limit).shown;
  return (
    <div className="mt-2.5 rounded-t-field bg-base-300 px-2 pt-1.75" aria-label="The browser’s tab" role="img">
      <span className="flex w-55 max-w-full items-center gap-2 overflow-hidden rounded-t-lg bg-base-100 px-2.5 py-1.5 text-fine whitespace-nowrap">
        <Letter name={siteName} />{' '}
        <span className="truncate" dir="auto">
          {shown || '(no title)'}
        </span>
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
