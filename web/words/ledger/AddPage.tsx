import { useId, useState, type FormEvent } from 'react';
import { typedPage } from '../../../core/ledger/index.ts';
import { siteHost } from '../../../core/site/index.ts';
import { messageOf } from '../../../core/source/index.ts';
import { note } from '../../ui/index.ts';
import { addPage, useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';
import { wording } from '../wording.ts';

const EMPTY = { address: '', title: '', description: '' } as const;

/** For sites that grow by hand: one page more, by its address and its words, and another one after it. */
export function AddPage() {
  const workspace = useWorkspaceApi();
  const byId = useWorkspace((state) => state.byId);
  const host = useWorkspace((state) => siteHost(state.document));
  const [typed, setTyped] = useState<{ readonly address: string; readonly title: string; readonly description: string }>(EMPTY);
  const [busy, setBusy] = useState(false);
  const id = useId();
  const read = typedPage(typed, host, (path) => byId.has(path));
  const fault = typed.address.trim() === '' || read.ok ? undefined : wording.typedFaults[read.reason];
  const submit = async (event: FormEvent): Promise<void> => {
    event.preventDefault();
    if (!read.ok || busy) return;
    setBusy(true);
    try {
      if (!(await addPage(workspace, typed, read.file))) throw new Error(wording.notAdded);
      note(wording.added(typed.title.trim() || typed.address.trim()), { action: { label: 'Undo', onClick: () => void workspace.undo() } }, 'good');
      setTyped(EMPTY);
      document.getElementById(`${id}-address`)?.focus();
    } catch (error) {
      note(messageOf(error), {}, 'bad');
    } finally {
      setBusy(false);
    }
  };
  const field = (name: keyof typeof EMPTY, label: string, placeholder: string, wide: string): React.ReactNode => (
    <label className={`min-w-0 flex-1 ${wide}`}>
      <span className="text-small font-semibold">{label}</span>
      <input
        id={`${id}-${name}`}
        className={`input mt-1 w-full ${name === 'address' ? 'mono' : ''}`}
        placeholder={placeholder}
        value={typed[name]}
        aria-invalid={name === 'address' && fault !== undefined}
        aria-describedby={name === 'address' && fault !== undefined ? `${id}-fault` : undefined}
        spellCheck={name !== 'address'}
        onChange={(event) => setTyped({ ...typed, [name]: event.target.value })}
      />
    </label>
  );
  return (
    <form className="panel mb-3 px-4 py-3" aria-label={wording.addPage} onSubmit={(event) => void submit(event)}>
      <div className="flex flex-wrap items-end gap-3">
        {field('address', wording.typedAddress, 'about', 'basis-40')}
        {field('title', wording.typedTitle, '', 'basis-52')}
        {field('description', wording.typedDescription, '', 'basis-72')}
        <button type="submit" className="btn btn-primary" disabled={busy || !read.ok}>
          {wording.addPage}
        </button>
      </div>
      {fault !== undefined && (
        <p id={`${id}-fault`} className="mt-1.5 text-note text-error">
          {fault}
        </p>
      )}
    </form>
  );
}
