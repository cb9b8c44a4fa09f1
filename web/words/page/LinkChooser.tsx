import { readableAddress } from '../../../core/source/index.ts';
import { useId, useState } from 'react';
import type { PageRow } from '../../../core/rows/index.ts';
import { useWorkspace } from '../../workspace/index.ts';

/** Where a link leads, and on which words it is set: a page of the site by its name, or any address. */
export function LinkChooser({
  row,
  text,
  words,
  nth,
  onSet,
  onClose,
}: {
  readonly row: PageRow;
  readonly text: string;
  readonly words: string;
  readonly nth: number;
  readonly onSet: (words: string, nth: number, href: string) => void;
  readonly onClose: () => void;
}) {
  const id = useId();
  const rows = useWorkspace((state) => state.rows);
  const [on, setOn] = useState(words);
  const [to, setTo] = useState('');
  const wanted = to.trim().toLowerCase();
  const found = wanted === '' ? [] : rows.filter((other) => other.id !== row.id && `${other.name} ${other.address}`.toLowerCase().includes(wanted)).slice(0, 6);
  const missing = on !== '' && !text.includes(on);
  const href = /^(https?:\/\/|\/|mailto:)\S+$/i.test(to.trim()) ? to.trim() : found[0]?.address;
  const ready = on.trim() !== '' && !missing && href !== undefined;
  return (
    <form
      className="panel col-span-full mt-1 grid gap-2 p-3 text-small sm:grid-cols-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (ready) onSet(on.trim(), nth, href);
      }}
      onKeyDown={(event) => event.key === 'Escape' && onClose()}
    >
      <label>
        On the words
        <input
          className="input input-sm w-full"
          value={on}
          autoFocus={words === ''}
          onChange={(event) => setOn(event.target.value)}
          aria-invalid={missing}
          aria-describedby={`${id}-missing`}
        />
        <span id={`${id}-missing`} className="text-fine text-brick">
          {missing && 'These words do not stand here.'}
        </span>
      </label>
      <label>
        Leads to
        <input
          className="input input-sm w-full"
          value={to}
          autoFocus={words !== ''}
          placeholder="A page’s name, or an address"
          onChange={(event) => setTo(event.target.value)}
        />
      </label>
      {found.length > 0 && (
        <ul className="col-span-full flex flex-wrap gap-1.5">
          {found.map((other) => (
            <li key={other.id}>
              <button type="button" className="chip" aria-pressed={other.address === href} onClick={() => setTo(other.address)}>
                {other.name} <span className="mono soft">{readableAddress(other.address)}</span>
              </button>
            </li>
          ))}
        </ul>
      )}
      <div className="col-span-full flex gap-2">
        <button type="submit" className="btn btn-sm btn-primary" disabled={!ready}>
          Set the link
        </button>
        <button type="button" className="btn btn-sm btn-ghost" onClick={onClose}>
          Leave it
        </button>
      </div>
    </form>
  );
}
