import { useMemo, useState } from 'react';
import { isCommon, languageOf, longSentences, measureText, stem, wordsOf, type Language } from '../../../core/language/index.ts';
import type { Passage } from '../../../core/page/index.ts';
import { densityOf, occurrences } from '../../../core/phrases/index.ts';
import { passageKey, set, type SitePage } from '../../../core/site/index.ts';
import type { PageRow } from '../../../core/rows/index.ts';
import { counted } from '../../../core/wording/index.ts';
import type { PageDetail } from '../../analysis/index.ts';
import { Term } from '../../components/index.ts';
import { useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';
import { PassageLine, type Mark } from './PassageLine.tsx';

/** Passages drawn before one asks for more. */
const DRAWN = 120;
const FREQUENT = 12;
const BANDS = { easy: 'easy to read', plain: 'plain', hard: 'hard to read', 'very-hard': 'very hard to read' } as const;

/** What the page itself says: how it reads, where its phrase stands, and every heading and paragraph, to be changed in its place. */
export function PageText({
  row,
  page,
  detail,
  shown,
}: {
  readonly row: PageRow;
  readonly page: SitePage;
  readonly detail: PageDetail;
  readonly shown: string | undefined;
}) {
  const workspace = useWorkspaceApi();
  const passagesTable = useWorkspace((state) => state.document.tables.passages);
  const phrase = useWorkspace((state) => state.document.tables.pages[row.id]?.phrase ?? '');
  const siteLanguage = useWorkspace((state) => state.document.tables.facts['']?.language);
  const care = useWorkspace((state) => state.document.tables.care['']?.wording === true);
  const [most, setMost] = useState(DRAWN);
  const language = useMemo(() => languageOf(page.facts.lang, siteLanguage), [page.facts.lang, siteLanguage]);
  const passages = useMemo(
    () => detail.passages.map((passage) => ({ passage, text: passagesTable[passageKey(row.id, passage.start)]?.now ?? passage.text })),
    [detail.passages, passagesTable, row.id],
  );
  const measure = useMemo(
    () =>
      measureText(
        passages.map(({ text }) => text),
        language,
      ),
    [passages, language],
  );
  const whole = useMemo(() => passages.map(({ text }) => text).join('\n'), [passages]);
  const density = useMemo(() => (phrase === '' ? undefined : densityOf(phrase, whole, language)), [phrase, whole, language]);
  const frequent = useMemo(() => frequentWords(whole, language), [whole, language]);
  return (
    <div>
      <dl className="grid grid-cols-[auto_minmax(0,1fr)] gap-x-3.5 gap-y-1 text-small [&_dt]:max-w-37.5 [&_dt]:wrap-anywhere [&_dt]:text-faint">
        <dt>Reads</dt>
        <dd>
          {measure.ease ? (
            <>
              {BANDS[measure.ease.band]}: {Math.round(measure.ease.score)} by the formula of {measure.ease.formula}, for {language.name}{' '}
              <Term id="reading-ease" />
            </>
          ) : (
            `too little running text for a formula, or none is known for ${language.name}`
          )}
        </dd>
        {(measure.longSentences > 0 || measure.longParagraphs > 0) && (
          <>
            <dt>Long</dt>
            <dd>
              {measure.longSentences > 0 && `${counted(measure.longSentences, 'sentence')} of more than 28 words`}
              {measure.longSentences > 0 && measure.longParagraphs > 0 && ', '}
              {measure.longParagraphs > 0 && `${counted(measure.longParagraphs, 'paragraph')} like a wall`}
            </dd>
          </>
        )}
        {density && (
          <>
            <dt>“{phrase}”</dt>
            <dd>
              {counted(density.count, 'time')} in {counted(density.words, 'word')}
              {density.verdict === 'too-rare' && ': too rarely'}
              {density.verdict === 'uneven' &&
                `: unevenly, nowhere from ${percentOf(density.gapFrom)} to ${percentOf(density.gapFrom + density.gap)} of the text`}
              {density.verdict === 'too-often' && ': so often that it reads as stuffing'}
              <span
                className="relative mt-0.75 block h-4 rounded bg-fit"
                role="img"
                aria-label={`Where it stands: ${density.at.map(percentOf).join(', ') || 'nowhere'}`}
              >
                {density.at.map((at, index) => (
                  <i key={index} className="absolute inset-y-0 -ml-[1.5px] w-0.75 bg-green" style={{ left: `${at * 100}%` }} />
                ))}
              </span>
            </dd>
          </>
        )}
        <dt>Often</dt>
        <dd className="flex flex-wrap gap-x-3">
          {frequent.map(({ word, count }) => (
            <span key={word} dir="auto">
              {word} <span className="soft tabular-nums">{count}</span>
            </span>
          ))}
          {frequent.length === 0 && <span className="soft">no words yet</span>}
        </dd>
      </dl>
      <label className="mt-2 flex min-h-8 items-center gap-2 text-small">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          checked={care}
          onChange={(event) =>
            workspace.change(set('care', '', 'wording', event.target.checked ? true : null), {
              label: event.target.checked ? 'Care for wording is on' : 'Care for wording is off',
            })
          }
        />
        Mark words that may leave people out, on all pages
      </label>
      <ol className="passages mt-2" aria-label="What the page says">
        {passages.slice(0, most).map(({ passage, text }) => (
          <PassageLine
            key={passage.start}
            row={row}
            passage={passage}
            text={text}
            marks={marksOf(text, phrase, language, shown, care ? measure.care.map(({ word }) => word) : [])}
            rightToLeft={language.rightToLeft}
          />
        ))}
      </ol>
      {passages.length > most && (
        <button type="button" className="link-act mt-2" onClick={() => setMost(most + 400)}>
          {passages.length - most} more
        </button>
      )}
    </div>
  );
}

function marksOf(text: string, phrase: string, language: Language, shown: string | undefined, care: readonly string[]): Mark[] {
  const marks: Mark[] = phrase === '' ? [] : occurrences(phrase, text, language).map((range) => ({ ...range, why: 'phrase' as const }));
  if (shown === 'reading') marks.push(...longSentences(text, language).map(({ start, end }) => ({ start, end, why: 'long' as const })));
  if (care.length > 0) for (const { text: word, start, end } of wordsOf(text, language)) if (care.includes(word)) marks.push({ start, end, why: 'care' });
  return marks;
}

/** The words that stand there most often, word forms taken together under the form that is commonest. */
function frequentWords(text: string, language: Language): { word: string; count: number }[] {
  const groups = new Map<string, { count: number; forms: Map<string, number> }>();
  for (const { text: word } of wordsOf(text, language)) {
    if (isCommon(word, language) || /^[\d.,]+$/.test(word) || (word.length < 3 && !language.unspaced)) continue;
    const key = stem(word, language);
    const group = groups.get(key) ?? { count: 0, forms: new Map<string, number>() };
    group.count++;
    group.forms.set(word.toLowerCase(), (group.forms.get(word.toLowerCase()) ?? 0) + 1);
    groups.set(key, group);
  }
  return [...groups.values()]
    .filter(({ count }) => count > 1)
    .sort((a, b) => b.count - a.count)
    .slice(0, FREQUENT)
    .map(({ count, forms }) => ({ count, word: [...forms].sort((a, b) => b[1] - a[1])[0]?.[0] ?? '' }));
}

export type { Passage };

const percentOf = (share: number): string => `${Math.round(share * 100)} %`;
