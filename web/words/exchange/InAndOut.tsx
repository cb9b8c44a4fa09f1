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
  const [way, setWay] = useRemembered<(typeof WAYS)[number]>('exchange', WAYS, 'in');
  const moved = useWorkspace((state) => moves(state.document).length);
  return (
    <div className="mx-auto max-w-wide">
      <header className="no-print mb-4 flex flex-wrap items-center gap-x-4 gap-y-2">
        <h1>In & out</h1>
        <Segments
          label="Which way"
          value={way}
          onChange={setWay}
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
