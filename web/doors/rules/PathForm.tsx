import { MATCHES } from '../../components/index.ts';
import { useState, type FormEvent } from 'react';
import type { PathRule } from '../../../core/site/index.ts';

/** Says which addresses a new rule is for. */
export function PathForm({
  which,
  what,
  example,
  start,
  onAdd,
}: {
  /** What the two fields are called. */
  readonly which: string;
  readonly what: string;
  readonly example: string;
  readonly start: PathRule['match'];
  readonly onAdd: (path: string, match: PathRule['match']) => void;
}) {
  const [path, setPath] = useState('');
  const [match, setMatch] = useState<PathRule['match']>(start);
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    if (path.trim() === '') return;
    onAdd(path.trim(), match);
    setPath('');
  };
  return (
    <form className="flex flex-wrap items-center gap-2" onSubmit={submit}>
      <select className="select select-sm w-auto" aria-label={which} value={match} onChange={(event) => setMatch(event.target.value as PathRule['match'])}>
        {Object.entries(MATCHES).map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </select>
      <input
        className="input input-sm mono min-w-32 flex-1"
        aria-label={what}
        placeholder={example}
        value={path}
        spellCheck={false}
        onChange={(event) => setPath(event.target.value)}
      />
      <button type="submit" className="btn btn-sm btn-outline-ink" disabled={path.trim() === ''}>
        Add a rule
      </button>
    </form>
  );
}
