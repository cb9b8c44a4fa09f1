import { bytesText, counted } from '../../core/wording/index.ts';
import { useReport, useWorkspace } from '../workspace/index.ts';
import { Rail } from '../components/index.ts';
import { byText, DataTable, Busy, Empty } from '../ui/index.ts';

const HEAVY = 300_000;

/** The heaviest files of the site. Making them smaller is still to come, and the screen says so. */
export function Weight() {
  const files = useReport((one) => one.tools.analysis.heaviest(40));
  const pages = useWorkspace((state) => state.numbers.pages);
  if (!files) return <Busy what="Weighing" done={0} of={1} />;
  if (files.length === 0) return <Empty title="Nothing to weigh yet">Bring a site in, and its files stand here by their weight.</Empty>;
  const heaviest = files[0]?.size ?? 1;
  const heavy = files.filter((file) => file.size > HEAVY);
  return (
    <div className="mx-auto max-w-column">
      <h1>What weighs most</h1>
      <p className="soft mt-1.5">
        {heavy.length === 0
          ? 'No file is heavier than 300 kB. Good enough, stop here.'
          : `${counted(heavy.length, 'file is', 'files are')} heavier than 300 kB; on a slow phone that is a second each.`}
      </p>
      <div className="mt-4">
        <DataTable
          stacked={false}
          rows={files}
          keyOf={({ path }) => path}
          columns={[
            { id: 'file', name: 'File', className: 'mono break-all', compare: byText(({ path }) => path), cell: ({ path }) => path },
            {
              id: 'weight',
              name: 'Weight',
              className: 'num whitespace-nowrap',
              headClass: 'num',
              compare: (a, b) => b.size - a.size,
              cell: ({ size }) => bytesText(size),
            },
            {
              id: 'compared',
              name: 'Compared with the heaviest',
              silent: true,
              headClass: 'w-[38%]',
              cell: ({ size }) => (
                <div
                  aria-hidden
                  className="h-2.5 rounded-full"
                  style={{ width: `${Math.max(1, (size / heaviest) * 100)}%`, background: size > HEAVY ? 'var(--color-accent)' : 'var(--green-soft)' }}
                />
              ),
            },
          ]}
        />
      </div>
      <Rail>
        <h2>What this does so far</h2>
        <p className="soft mt-1.5">It weighs the files of the site, {counted(pages, 'page')} and all that lies beside them, as they were brought in.</p>
        <p className="soft mt-2">Making pictures smaller, taking camera data out of them and estimating how fast a page loads are not built yet.</p>
      </Rail>
    </div>
  );
}
