import { counted, UNWRITABLE } from '../../core/wording/index.ts';
import { PageLink } from '../components/index.ts';
import { More, useMore } from '../ui/index.ts';
import { useWorkspace } from '../workspace/index.ts';
import { wording } from './wording.ts';

/** Pages into which nothing can be written, with what to do; nothing where all can. */
export function NotWritable() {
  const rows = useWorkspace((state) => state.rows);
  const pages = rows.flatMap((row) => row.findings.flatMap((finding) => (finding.code === 'not-writable' ? [{ row, why: finding.why }] : [])));
  const { drawn, more } = useMore('not-writable');
  if (pages.length === 0) return null;
  return (
    <section className="notice notice-amber mb-3" data-testid="not-writable">
      <p>
        <b>
          {counted(pages.length, 'page')} {wording.unwritable}.
        </b>{' '}
        {wording.unwritableWhy}
      </p>
      <ul className="mt-1 text-small">
        {pages.slice(0, drawn).map(({ row, why }) => (
          <li key={row.id} className="py-0.5">
            <PageLink to="words" page={row.id} className="link-act !font-normal">
              <bdi>{row.name}</bdi>
            </PageLink>
            : {UNWRITABLE[why].mend}
          </li>
        ))}
      </ul>
      <More drawn={drawn} total={pages.length} onMore={more} />
    </section>
  );
}
