import { useState } from 'react';
import { renameSite, useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { wording } from './wording.ts';

/** Asked once of a site that was brought in: what it is called. The guess stands there already. */
export function NameQuestion() {
  const workspace = useWorkspaceApi();
  const site = useWorkspace((state) => state.site);
  const sure = useWorkspace((state) => state.document.tables.facts['']?.nameSure);
  const guess = useWorkspace((state) => state.document.tables.facts['']?.siteName ?? '');
  const [typed, setTyped] = useState<string>();
  if (sure !== false || !site) return null;
  const name = (typed ?? guess).trim();
  return (
    <form
      className="panel mt-5 px-4 py-3.5"
      data-testid="name-question"
      onSubmit={(event) => {
        event.preventDefault();
        if (name !== '') void renameSite(workspace, site, name);
      }}
    >
      <label className="block">
        <span className="font-semibold">{wording.called}</span>
        <span className="soft ml-2 text-note">{guess === '' ? wording.calledNoGuess : wording.calledGuess}</span>
        <span className="mt-1.5 flex flex-wrap gap-2.5">
          <input
            className="input min-w-0 flex-1 basis-56"
            dir="auto"
            maxLength={200}
            value={typed ?? guess}
            onChange={(event) => setTyped(event.target.value)}
          />
          <button type="submit" className="btn btn-primary" disabled={name === ''}>
            {wording.calledRight}
          </button>
        </span>
      </label>
    </form>
  );
}
