import { useRef, useState } from 'react';
import { costOf, stopOf } from '../../../core/checks/index.ts';
import type { PageRow } from '../../../core/rows/index.ts';
import { descriptionLimits, effectiveDescription, effectiveKeywords, effectiveTitle, titleLimits, withoutOwn } from '../../../core/site/index.ts';
import type { PageDetail } from '../../analysis/index.ts';
import { Empty, note, Unfolding, useHotkey } from '../../ui/index.ts';
import { counted, UNWRITABLE } from '../../../core/wording/index.ts';
import { IntentChoice, PageHead, useRoute, PageName, WalkBar, useQuietNavigate } from '../../components/index.ts';
import { fixFor, useWorkspace, useWorkspaceApi, type FixPlaces } from '../../workspace/index.ts';
import { EndingField } from './EndingField.tsx';
import { Looks } from './Looks.tsx';
import { PageText } from './PageText.tsx';
import { PageLinks } from './PageLinks.tsx';
import { PhraseField } from './PhraseField.tsx';
import { PlainField } from './PlainField.tsx';
import { ShareFields } from './ShareFields.tsx';
import { TextField } from './TextField.tsx';
import { liveFindings, useSitePage, useSuggestions } from './page.ts';
import { wording } from '../wording.ts';

/** Titles, descriptions and all other words, one page at a time. */
export function OnePage() {
  const { page } = useRoute();
  const row = useWorkspace((state) => (page === undefined ? undefined : state.byId.get(page)));
  const detail = useWorkspace((state) => state.detail);
  if (!row) return <Empty title={wording.noPages}>{wording.noPagesWhy}</Empty>;
  // The walk stays while a page is being read: its keys are heard between two pages too.
  return (
    <div className="mx-auto max-w-narrow">
      <WalkBar stop="words" enough={wording.enough} />
      {detail?.id === row.id ? (
        <Sheet key={row.id} row={row} detail={detail} />
      ) : (
        <>
          <h1>
            <PageName row={row} />
          </h1>
          <p className="soft mt-2">Reading the page …</p>
        </>
      )}
    </div>
  );
}

function Sheet({ row, detail }: { readonly row: PageRow; readonly detail: PageDetail }) {
  const { go, walking, siteId } = useRoute();
  const navigate = useQuietNavigate();
  const workspace = useWorkspaceApi();
  const document = useWorkspace((state) => state.document);
  const page = useSitePage(row, detail.facts, document);
  const titles = useSuggestions(page, document, 'title', detail.common);
  const descriptions = useSuggestions(page, document, 'description', detail.common);
  const title = effectiveTitle(document, page);
  const description = effectiveDescription(document, page);
  const findings = [...row.findings.filter((finding) => stopOf(finding) === 'doors'), ...liveFindings(row, page, document, detail.measure)];
  const [shown, setShown] = useState<string>();
  const sheet = useRef<HTMLDivElement>(null);
  const first = walking ? fieldToMend(row) : undefined;
  const places: FixPlaces = {
    titles,
    descriptions,
    focus: (field) => sheet.current?.querySelector<HTMLElement>(`[data-field="${field}"] :is(input, textarea)`)?.focus(),
    goPage: (id) => go('words', id),
    goView: (view) => void navigate(`/s/${siteId}/words/${view}?page=${encodeURIComponent(row.id)}`),
    goMeaning: () => go('meaning', row.id),
    goCheck: (code) => void navigate(`/s/${siteId}/words/checks?page=${encodeURIComponent(row.id)}&check=${code}`),
    show: (part) => {
      setShown(part);
      requestAnimationFrame(() => sheet.current?.querySelector(`[data-part="${part === 'links' ? 'links' : 'text'}"]`)?.scrollIntoView({ block: 'start' }));
    },
  };
  // The first finding that one key can mend: the walk needs no mouse and no Tab.
  useHotkey('alt+Enter', () => {
    for (const finding of findings) {
      const fix = fixFor(workspace, row, finding, places);
      if (fix?.whole) return fix.run();
    }
    note(findings.length === 0 ? wording.nothingToFix : wording.nothingByItself, { id: 'fix' });
  });
  return (
    <div ref={sheet}>
      <PageHead row={row} />
      {detail.unwritable && (
        <p className="notice notice-amber mb-4" data-testid="unwritable">
          {UNWRITABLE[detail.unwritable].why} {UNWRITABLE[detail.unwritable].mend} {wording.unwritable}
        </p>
      )}
      <TextField
        field="title"
        label="Title"
        term="title"
        focused={first === 'title'}
        page={row.id}
        name={row.name}
        value={title}
        otherwise={effectiveTitle(withoutOwn(document, page, 'title'), page)}
        limits={titleLimits(document)}
        suggestions={titles}
      />
      <TextField
        field="description"
        label="Description"
        term="description"
        focused={first === 'description'}
        page={row.id}
        name={row.name}
        value={description}
        otherwise={effectiveDescription(withoutOwn(document, page, 'description'), page)}
        limits={descriptionLimits(document)}
        suggestions={descriptions}
      />
      <div className="grid grid-cols-1 gap-x-5 sm:grid-cols-2">
        <EndingField row={row} backlinks={detail.backlinks.length} />
        <PhraseField row={row} page={page} />
      </div>
      <IntentChoice row={row} />
      <Part name="Share card" id="share" about={shareAbout(document.tables.pages[row.id])}>
        <ShareFields row={row} page={page} title={title.value} description={description.value} />
      </Part>
      <Part name="The page’s own words" id="text" open={shown !== undefined && shown !== 'links'} about={counted(row.words, 'word')}>
        <PageText row={row} page={page} detail={detail} shown={shown} />
      </Part>
      <Part
        name="Links"
        id="links"
        open={shown === 'links'}
        about={`${row.linksIn} in, ${row.linksOut} out${row.broken.length > 0 ? `, ${row.broken.length} broken` : ''}`}
      >
        <PageLinks row={row} backlinks={detail.backlinks} />
      </Part>
      <Part name="Keywords" id="keywords" about="hardly any engine reads them">
        <PlainField
          field="keywords"
          label="Keywords"
          term="keywords"
          page={row.id}
          name={row.name}
          value={effectiveKeywords(document, page).value}
          placeholder="None: that costs nothing"
          note="with commas between"
        />
      </Part>
      <Looks
        row={row}
        page={page}
        facts={detail.facts}
        source={detail.source}
        title={title.value}
        description={description.value}
        findings={findings}
        places={places}
      />
    </div>
  );
}

function shareAbout(
  own:
    | { readonly shareTitle?: string | null | undefined; readonly shareText?: string | null | undefined; readonly sharePicture?: string | null | undefined }
    | undefined,
): string {
  return own?.shareTitle || own?.shareText || own?.sharePicture ? 'written here' : 'picture, title and text for links that are sent';
}

/** A part of the sheet that opens: what it is about is told while it is shut. */
function Part({
  name,
  id,
  about,
  open,
  children,
}: {
  readonly name: string;
  readonly id: string;
  readonly about: string;
  readonly open?: boolean;
  readonly children: React.ReactNode;
}) {
  const [own, setOwn] = useState(false);
  const [asked, setAsked] = useState(open);
  if (asked !== open) {
    setAsked(open);
    if (open) setOwn(true);
  }
  return (
    <Unfolding name={name} about={about} data-part={id} open={own} onToggle={(event) => setOwn(event.currentTarget.open)}>
      {own && <div className="pt-2 pb-3">{children}</div>}
    </Unfolding>
  );
}

/** The field that the page's first finding about words is mended in. */
function fieldToMend(row: PageRow): 'title' | 'description' | undefined {
  const finding = row.findings.find((one) => stopOf(one) === 'words' && costOf(one) !== 'polish');
  if (!finding) return undefined;
  return finding.code.startsWith('description') ? 'description' : 'title';
}
