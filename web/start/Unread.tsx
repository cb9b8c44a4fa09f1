import { counted, REFUSAL_WORDS } from '../../core/wording/index.ts';
import { useReport, useWorkspace } from '../workspace/index.ts';

const LISTED = 100;

/** What of the site could not be read, with the reason; nothing where all was read. */
export function Unread() {
  const imported = useWorkspace((state) => state.site?.unread ?? NONE);
  const pages = useReport((one) => one.tools.analysis.unreadable());
  const all = [...imported, ...(pages ?? []).map(({ id, reason }) => ({ path: id, reason }))];
  if (all.length === 0) return null;
  return (
    <details className="notice notice-amber mt-4 text-small">
      <summary className="cursor-pointer font-semibold">{counted(all.length, 'file')} could not be read</summary>
      <ul className="mt-1.5">
        {all.slice(0, LISTED).map(({ path, reason }) => (
          <li key={path} className="mt-1">
            <span className="mono break-all">{path}</span>
            <br />
            {REFUSAL_WORDS[reason] ?? reason}
          </li>
        ))}
        {all.length > LISTED && <li>and {all.length - LISTED} more</li>}
      </ul>
    </details>
  );
}

const NONE: readonly { readonly path: string; readonly reason: string }[] = [];
