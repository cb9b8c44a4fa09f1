import { ENGINE_IDS, ENGINES, type EngineId } from '../../../core/engines/index.ts';
import type { PageRow } from '../../../core/rows/index.ts';
import { siteHost } from '../../../core/site/index.ts';
import type { ResultExtras } from '../../../core/results/index.ts';
import { extrasLine } from '../../../core/wording/index.ts';
import { Segments, useRemembered } from '../../ui/index.ts';
import { useWorkspace } from '../../workspace/index.ts';
import { wording } from '../wording.ts';

/** The page's result with what each engine takes from the markup. */
export function EngineResult({ row, extras }: { readonly row: PageRow; readonly extras: Readonly<Record<EngineId, ResultExtras>> }) {
  const [engine, setEngine] = useRemembered<EngineId>('meaning-engine', ENGINE_IDS, 'skerry');
  const siteName = useWorkspace((state) => state.document.tables.facts['']?.siteName ?? siteHost(state.document));
  const own = extras[engine];
  const taken = takenWords(own);
  return (
    <>
      <h2 className="mb-2">{wording.engines}</h2>
      <Segments label="Engine" value={engine} onChange={setEngine} options={ENGINES.map((one) => ({ value: one.id, label: one.name }))} />
      <div className="panel mt-2.5 p-3.5" data-testid="engine-result">
        <p className="text-note">{[siteName, ...(own.trail ?? []).slice(1)].join(' › ')}</p>
        <p className="result-title">{row.title || row.name}</p>
        <p className="soft mt-0.5 text-note">
          {extrasLine(own) !== '' && <strong className="text-base-content">{extrasLine(own)} — </strong>}
          {row.description || 'The engine takes words of the page.'}
        </p>
        {own.questions && (
          <ul className="mt-2 border-t border-line pt-2 text-note">
            {own.questions.map((question) => (
              <li key={question}>{question}</li>
            ))}
          </ul>
        )}
      </div>
      <p className="soft mt-1.5 text-note">{taken === '' ? 'Nothing in it comes from the markup.' : `${taken} from the markup.`}</p>
    </>
  );
}

function takenWords({ trail, date, by, price, availability, rating, when, where, duration, questions }: ResultExtras): string {
  const parts = [
    trail && trail.length > 1 && 'the trail',
    date && 'the date',
    by && 'the name',
    when && 'the time',
    where && 'the place',
    price && 'the price',
    availability && 'whether it can be had',
    rating && 'the rating',
    duration && 'how long it takes',
    questions && 'the questions',
  ].filter((part): part is string => typeof part === 'string' && part !== '');
  if (parts.length === 0) return '';
  const [first = '', ...rest] = parts;
  const last = rest.pop();
  const list = last === undefined ? first : `${[first, ...rest].join(', ')} and ${last}`;
  return `${list.replace(/^./, (letter) => letter.toUpperCase())} ${parts.length === 1 && !/questions/.test(first) ? 'comes' : 'come'}`;
}
