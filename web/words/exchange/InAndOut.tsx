import { useSearchParams } from 'react-router';
import { Segments, useRemembered } from '../../ui/index.ts';
import { useWorkspace } from '../../workspace/index.ts';
import { moves } from '../../../core/site/index.ts';
import { PasteSheet } from './PasteSheet.tsx';
import { Redirects } from './Redirects.tsx';
import { TableIn } from './TableIn.tsx';
import { TableOut } from './TableOut.tsx';

const WAYS = ['in', 'out', 'paste', 'redirects'] as const;

/** Words in from a table and out again, the sheet for builders that have only text boxes, and redirects for web servers. */
export function InAndOut() {
  const [kept, setWay] = useRemembered<(typeof WAYS)[number]>('exchange', WAYS, 'in');
  const [query, setQuery] = useSearchParams();
  // A link may lead to one of them; what is chosen here goes before it.
  const asked = WAYS.find((one) => one === query.get('way'));
  const way = asked ?? kept;
  const choose = (next: (typeof WAYS)[number]): void => {
    setWay(next);
    if (asked !== undefined) setQuery((now) => new URLSearchParams([...now].filter(([name]) => name !== 'way')), { replace: true });
  };
  const moved = useWorkspace((state) => moves(state.document).length);
  return (
    <div className="mx-auto max-w-wide">
      <header className="no-print mb-4 flex flex-wrap items-center gap-x-4 gap-y-2">
        <h1>In & out</h1>
        <Segments
          label="Which way"
          value={way}
          onChange={choose}
          options={[
            { value: 'in', label: 'Table in' },
            { value: 'out', label: 'Table out' },
            { value: 'paste', label: 'Paste sheet' },
            { value: 'redirects', label: moved > 0 ? `Redirects ${moved}` : 'Redirects' },
          ]}
        />
      </header>
      {way === 'in' && <TableIn />}
      {way === 'out' && <TableOut />}
      {way === 'paste' && <PasteSheet />}
      {way === 'redirects' && <Redirects />}
    </div>
  );
}
