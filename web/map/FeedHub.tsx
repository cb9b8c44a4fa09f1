import { useState } from 'react';
import { engineHost, SKERRY } from '../../core/engines/index.ts';
import { set } from '../../core/site/index.ts';
import { hubAddress } from '../../core/sitemap/index.ts';
import { QuietLink, useRoute } from '../components/index.ts';
import { useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { wording } from './wording.ts';

/** A hub to practise with. */
const PRACTICE = `https://${engineHost(SKERRY)}/hub`;

/** The hub that passes the feeds on. What is no address is told, and the one before is kept. */
export function FeedHub() {
  const workspace = useWorkspaceApi();
  const { linkToView } = useRoute();
  const kept = useWorkspace((state) => state.document.tables.sitemap['']?.hub) ?? '';
  const [typed, setTyped] = useState<string>();
  const bad = typed !== undefined && typed.trim() !== '' && hubAddress(typed) === undefined;
  const take = (text: string | undefined): void => {
    if (text === undefined || (text.trim() !== '' && hubAddress(text) === undefined)) return;
    const next = hubAddress(text) ?? null;
    if (next !== (kept || null))
      workspace.change(set('sitemap', '', 'hub', next), { label: next === null ? 'The feeds name no hub' : `The feeds name the hub ${next}` });
    setTyped(undefined);
  };
  return (
    <div>
      <label htmlFor="feed-hub" className="block font-semibold">
        Hub
      </label>
      <div className="mt-1.5 flex flex-wrap gap-2">
        <input
          id="feed-hub"
          className="input mono min-w-0 flex-1 basis-64"
          inputMode="url"
          placeholder="https://"
          spellCheck={false}
          value={typed ?? kept}
          aria-invalid={bad}
          aria-describedby="feed-hub-why"
          onChange={(event) => setTyped(event.target.value)}
          onBlur={() => take(typed)}
          onKeyDown={(event) => event.key === 'Enter' && take(typed)}
        />
        {kept === '' && typed === undefined && (
          <button type="button" className="btn btn-outline-ink" onClick={() => take(PRACTICE)}>
            Practise with {SKERRY.name}’s
          </button>
        )}
      </div>
      <p id="feed-hub-why" className={`mt-1 text-fine ${bad ? 'text-error' : 'soft'}`}>
        {bad ? wording.hubBad : wording.hubWhy}{' '}
        {!bad && kept !== '' && (
          <QuietLink to={linkToView('watch', 'tell')} className="link-act">
            Tell it after a release
          </QuietLink>
        )}
      </p>
    </div>
  );
}
