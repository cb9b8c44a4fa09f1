import { note, useDraft } from '../../ui/index.ts';
import { useId } from 'react';
import { addressOf, endingFault, endingFrom, endingOf, movedFile, set } from '../../../core/site/index.ts';
import type { PageRow } from '../../../core/rows/index.ts';
import { counted } from '../../../core/wording/index.ts';
import { Term } from '../../components/index.ts';
import { useReport, useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';
import { ENDING_FAULTS } from '../wording.ts';

/**
 * The end of a page's address. What is typed is kept at each key, like every field; the address itself changes when the field is left, since links and a
 * redirect hang on it.
 */
export function EndingField({ row, backlinks }: { readonly row: PageRow; readonly backlinks: number }) {
  const workspace = useWorkspaceApi();
  const id = useId();
  const original = endingOf(addressOf(row.id));
  const now = endingOf(row.address);
  const siteId = useWorkspace((state) => state.site?.id ?? '');
  const [draft, setDraft] = useDraft(`ending:${siteId}:${row.id}`);
  const typed = draft ?? now;
  const setTyped = (next: string): void => setDraft(next === now ? undefined : next);
  const moved = movedFile(row.id, typed);
  // Asked only while something else is typed: the whole site is looked through for it.
  const wanted = typed === now ? undefined : addressOf(moved);
  const takenHere = useWorkspace((state) => wanted !== undefined && state.rows.some((other) => other.id !== row.id && other.address === wanted));
  const stands = useReport(async (one) => (wanted === undefined ? false : one.tools.analysis.hasFile(moved)), wanted === undefined ? '' : moved);
  const isHome = row.address === '/' || row.address.includes('?');
  const fault =
    typed === now
      ? undefined
      : (endingFault(row.id, typed, (file) => takenHere || (file === moved && stands === true && file !== row.id)) as keyof typeof ENDING_FAULTS | undefined);
  const apply = (next: string): void => {
    if (fault) return;
    setDraft(undefined);
    workspace.change(set('pages', row.id, 'ending', next === original ? null : next), {
      label: next === original ? `“${row.name}” has its old address again` : `“${row.name}” has a new address`,
    });
    note(next === original ? 'The old address is back.' : `${counted(backlinks, 'page')} will link to the new address; the old one leads on.`, {
      action: { label: 'Undo', onClick: () => void workspace.undo() },
    });
  };
  const open = typed !== now;
  return (
    <div className="mb-4 min-w-0" data-field="ending">
      <div className="mb-1 flex items-baseline gap-1">
        <label htmlFor={id} className="display text-lead font-semibold">
          Address ending
        </label>
        <Term id="ending" />
        {now !== original && (
          <span className="soft ml-auto text-note">
            was <span className="mono">{original}</span>{' '}
            <button type="button" className="link-act" onClick={() => apply(original)}>
              Undo it
            </button>
          </span>
        )}
      </div>
      <form
        className="field"
        onSubmit={(event) => {
          event.preventDefault();
          if (open) apply(typed);
        }}
      >
        <input
          id={id}
          className="mono"
          type="text"
          autoComplete="off"
          spellCheck={false}
          maxLength={200}
          disabled={isHome}
          value={isHome ? '' : typed}
          placeholder={isHome ? 'The home page has none' : ''}
          aria-invalid={fault !== undefined}
          aria-describedby={`${id}-note`}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={() => open && stands !== undefined && apply(typed)}
          onKeyDown={(event) => event.key === 'Escape' && setTyped(now)}
        />
      </form>
      <div id={`${id}-note`} className="mt-1.5 text-note" aria-live="polite">
        {open && fault && <p className="text-brick">{ENDING_FAULTS[fault]}</p>}
        {open && fault === 'characters' && (
          <button type="button" className="link-act" onClick={() => setTyped(endingFrom(typed))}>
            Make it {endingFrom(typed)}
          </button>
        )}
        {open && !fault && (
          <p>
            {counted(backlinks, 'page links', 'pages link')} here and will follow; the old address leads on.{' '}
            <button type="button" className="link-act" onClick={() => apply(typed)}>
              Change the address
            </button>{' '}
            <kbd>Enter</kbd>
          </p>
        )}
      </div>
    </div>
  );
}
