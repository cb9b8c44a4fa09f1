import { Check, Minus } from 'lucide-react';
import { languageOf } from '../../../core/language/index.ts';
import { coverageOf, PLACES, textsOf } from '../../../core/phrases/index.ts';
import type { SitePage } from '../../../core/site/index.ts';
import type { PageRow } from '../../../core/rows/index.ts';
import { PLACE_WORDS } from '../../../core/wording/index.ts';
import { useWorkspace } from '../../workspace/index.ts';
import { PlainField } from './PlainField.tsx';

/** The search that the page is to answer, and where the page says it. */
export function PhraseField({ row, page }: { readonly row: PageRow; readonly page: SitePage }) {
  const phrase = useWorkspace((state) => state.document.tables.pages[row.id]?.phrase ?? '');
  const siteLanguage = useWorkspace((state) => state.document.tables.facts['']?.language);
  const fought = row.findings.some((finding) => finding.code === 'phrase-fought');
  const { places } = coverageOf(phrase, textsOf(page.facts, row), languageOf(page.facts.lang, siteLanguage));
  return (
    <PlainField
      field="phrase"
      label="Target phrase"
      term="phrase"
      page={row.id}
      name={row.name}
      value=""
      placeholder="What would people type?"
      note={phrase === '' ? '' : fought ? 'another page has it too' : 'no other page has it'}
    >
      {phrase !== '' && (
        <ul className="mt-1.5 flex flex-wrap gap-x-3 gap-y-0.5 text-note" aria-label="Where the page says it">
          {PLACES.filter((place) => places[place] !== 'absent').map((place) => {
            const all = places[place] === 'all';
            return (
              <li key={place} className={`inline-flex items-center gap-1 ${all ? '' : 'soft'}`}>
                {all ? (
                  <Check size={14} className="text-green" aria-label="in" />
                ) : (
                  <Minus size={14} aria-label={places[place] === 'partly' ? 'partly in' : 'not in'} />
                )}
                {PLACE_WORDS[place].replace(/^(the|an?) /, '')}
                {places[place] === 'partly' && ' (partly)'}
              </li>
            );
          })}
        </ul>
      )}
    </PlainField>
  );
}
