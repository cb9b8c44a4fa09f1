import { isOneOf } from '../../../core/keyed/index.ts';
import { X } from 'lucide-react';
import { useState, type FormEvent } from 'react';
import { ENGINES } from '../../../core/engines/index.ts';
import { CRAWLERS } from '../../../core/engines/index.ts';
import { set } from '../../../core/site/index.ts';
import { useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';

const TOKEN = /^[A-Za-z_-]{1,64}$/;

/** The list of crawlers: those of the engines here, and any that the owner adds, each with a note. */
export function Crawlers() {
  const workspace = useWorkspaceApi();
  const notes = useWorkspace((state) => state.document.tables.crawlers);
  const [token, setToken] = useState('');
  const typed = token.trim();
  const known = [...CRAWLERS, ...Object.keys(notes)].some((one) => one.toLowerCase() === typed.toLowerCase());
  const fault =
    typed === '' ? undefined : !TOKEN.test(typed) ? 'Names have letters, hyphens and underscores only.' : known ? 'It is in the list already.' : undefined;
  const own = Object.keys(notes).filter((one) => !isOneOf(CRAWLERS, one));
  const add = (event: FormEvent): void => {
    event.preventDefault();
    if (typed === '' || fault !== undefined) return;
    workspace.change(set('crawlers', typed, 'note', ''), { label: `${typed} is in the list of crawlers` });
    setToken('');
  };
  return (
    <ul className="panel divide-y divide-line">
      {[...CRAWLERS, ...own].map((name) => {
        const engine = ENGINES.find((one) => one.crawler === name || one.pictureCrawler === name);
        return (
          <li key={name} className="flex flex-wrap items-center gap-x-3 gap-y-1 px-3.5 py-2">
            <span className="mono w-40 font-semibold">{name}</span>
            <span className="soft w-44 text-note">{engine ? `${engine.name}${engine.pictureCrawler === name ? ', for pictures' : ''}` : 'added by you'}</span>
            <input
              className="input input-sm min-w-40 flex-1"
              aria-label={`Note about ${name}`}
              placeholder="A note for yourself"
              maxLength={1000}
              value={notes[name]?.note ?? ''}
              onChange={(event) =>
                workspace.change(set('crawlers', name, 'note', event.target.value === '' ? (engine ? null : '') : event.target.value), {
                  label: `A note about ${name}`,
                  coalesceKey: `crawler:${name}`,
                })
              }
            />
            {!engine && (
              <button
                type="button"
                className="btn btn-sm btn-ghost"
                aria-label={`Take ${name} off the list`}
                onClick={() => workspace.change(set('crawlers', name, 'note', null), { label: `${name} is off the list` })}
              >
                <X size={15} aria-hidden />
              </button>
            )}
          </li>
        );
      })}
      <li className="px-3.5 py-2">
        <form className="flex flex-wrap items-center gap-2" onSubmit={add}>
          <input
            className="input input-sm mono w-56"
            aria-label="Name of another crawler"
            placeholder="Name of another crawler"
            value={token}
            aria-invalid={fault !== undefined}
            aria-describedby={fault === undefined ? undefined : 'crawler-fault'}
            onChange={(event) => setToken(event.target.value)}
          />
          <button type="submit" className="btn btn-sm btn-outline-ink" disabled={typed === '' || fault !== undefined}>
            Add it
          </button>
          {fault !== undefined && (
            <span id="crawler-fault" className="text-note text-error">
              {fault}
            </span>
          )}
        </form>
      </li>
    </ul>
  );
}
