import type { CrawlerToken } from '../../../core/source/index.ts';
import { useState } from 'react';
import { EVERY_CRAWLER, effectiveDirectives, directivesOf, type DirectiveField, type DirectiveValue } from '../../../core/site/index.ts';
import type { PageRow } from '../../../core/rows/index.ts';
import { Term } from '../../components/index.ts';
import { isKeptFrom, keepFrom, say, useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';
import { DIRECTIVE_CHOICES, directivePhrase, type DirectiveChoice } from './directive-words.ts';
import { wording } from '../wording.ts';

const FROM: Readonly<Record<DirectiveValue['from'], string>> = { page: 'said here', rule: 'by a rule', kind: 'by its kind', site: 'for all pages' };

/** What engines may do with pages of a scope and show of them. Closed, it tells in a line; open, each choice is there. */
export function DirectivesEditor({
  scope,
  page,
  name,
  crawlers,
  open: opened = false,
  inLine = false,
}: {
  readonly scope: string;
  /** The page whose effective values are shown; a kind, a rule or the site shows only its own words. */
  readonly page?: PageRow | undefined;
  readonly name: string;
  readonly crawlers: readonly string[];
  readonly open?: boolean;
  /** In a list of rules, where the line above says what it is about. */
  readonly inLine?: boolean;
}) {
  const document = useWorkspace((state) => state.document);
  const heading = page ? wording.says : `${wording.directivesOf} ${name.replace(/^[A-Z]/, (letter) => letter.toLowerCase())}`;
  const [open, setOpen] = useState(opened);
  const [crawler, setCrawler] = useState<string>(EVERY_CRAWLER);
  const own = directivesOf(document, scope, crawler);
  const held: Partial<Record<DirectiveField, DirectiveValue>> = page ? effectiveDirectives(document, page, crawler) : {};
  const told = page ? Object.entries(held).map(([field, value]) => directivePhrase(field as DirectiveField, (value as DirectiveValue).value)) : ownWords(own);
  return (
    <section className={inLine ? '' : 'mt-5'} aria-label={heading}>
      <div className="flex flex-wrap items-baseline gap-x-3 gap-y-1">
        {inLine ? (
          <h3 className="text-small font-semibold">{wording.saysShown}</h3>
        ) : (
          <h2>
            {heading} <Term id="snippet" />
          </h2>
        )}
        <span className="soft text-small">{told.length === 0 ? wording.saysNothing : told.join(', ')}</span>
        <button type="button" className="link-act ml-auto text-note" aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? 'Close' : 'Change'}
        </button>
      </div>
      {open && (
        <div className="panel mt-2 p-3.5">
          <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
            <label className="flex items-center gap-2 text-small">
              {wording.saysFor}
              <select aria-label={wording.saysForWhom} className="select select-sm w-auto" value={crawler} onChange={(event) => setCrawler(event.target.value)}>
                <option value={EVERY_CRAWLER}>all engines</option>
                {crawlers.map((one) => (
                  <option key={one} value={one}>
                    {one} alone
                  </option>
                ))}
              </select>
            </label>
            {crawler !== EVERY_CRAWLER && <KeepFrom scope={scope} crawler={crawler} name={name} />}
          </div>
          <div className="grid grid-cols-[repeat(auto-fill,minmax(268px,1fr))] gap-x-5 gap-y-2.5">
            {DIRECTIVE_CHOICES.map((choice) => (
              <Choice
                key={choice.field}
                choice={choice}
                scope={scope}
                crawler={crawler}
                name={name}
                own={own?.[choice.field] ?? undefined}
                held={held[choice.field]}
              />
            ))}
          </div>
          <p className="soft mt-3 text-fine">{wording.saysAdvice}</p>
        </div>
      )}
    </section>
  );
}

const ownWords = (own: Partial<Record<DirectiveField, string | number | null | undefined>> | undefined): string[] =>
  DIRECTIVE_CHOICES.flatMap(({ field }) => {
    const value = own?.[field];
    return value === undefined || value === null ? [] : [directivePhrase(field, value)];
  });

function KeepFrom({ scope, crawler, name }: { readonly scope: string; readonly crawler: CrawlerToken; readonly name: string }) {
  const workspace = useWorkspaceApi();
  useWorkspace((state) => state.document);
  const kept = isKeptFrom(workspace, scope, crawler);
  return (
    <label className="flex min-h-8 items-center gap-2 text-small">
      <input
        type="checkbox"
        className="checkbox checkbox-sm"
        checked={kept}
        onChange={(event) =>
          keepFrom(workspace, scope, crawler, event.target.checked, `${name}: ${event.target.checked ? 'kept from' : 'no longer kept from'} ${crawler}`)
        }
      />
      Keep out of {crawler}’s results
    </label>
  );
}

function Choice({
  choice,
  scope,
  crawler,
  name,
  own,
  held,
}: {
  readonly choice: DirectiveChoice;
  readonly scope: string;
  readonly crawler: CrawlerToken;
  readonly name: string;
  readonly own: string | number | undefined;
  readonly held: DirectiveValue | undefined;
}) {
  const workspace = useWorkspaceApi();
  const { field, label } = choice;
  const write = (value: string | number | null): void => say(workspace, scope, field, value, `${name}: ${label.toLowerCase()} changed`, crawler);
  const inherited = held && held.from !== 'page' ? `${directivePhrase(field, held.value)}, ${FROM[held.from]}` : undefined;
  return (
    <div className="grid grid-cols-[112px_1fr] items-center gap-2 text-small">
      <span className="font-semibold" id={`says-${field}`}>
        {label}
      </span>
      <span className="flex flex-wrap items-center gap-2">
        {choice.kind === 'date' ? (
          <input
            type="date"
            className="input input-sm w-auto"
            aria-labelledby={`says-${field}`}
            value={typeof own === 'string' ? own : ''}
            onChange={(event) => write(event.target.value === '' ? null : event.target.value)}
          />
        ) : (
          <select
            className="select select-sm w-auto"
            aria-labelledby={`says-${field}`}
            value={own === undefined ? '' : choice.kind === 'limit' && Number(own) > 0 ? 'most' : String(own)}
            onChange={(event) => {
              const { value } = event.target;
              if (value === '') write(null);
              else if (choice.kind === 'limit') write(value === 'most' ? choice.start : Number(value));
              else write(value);
            }}
          >
            <option value="">not said</option>
            {choice.options.map(([value, words]) => (
              <option key={value} value={value}>
                {words}
              </option>
            ))}
          </select>
        )}
        {choice.kind === 'limit' && Number(own) > 0 && (
          <label className="flex items-center gap-1.5 text-note">
            <input
              type="number"
              className="input input-sm w-20"
              min={1}
              max={10_000}
              aria-label={`${label}: at most`}
              value={Number(own)}
              onChange={(event) => {
                const number = Math.round(Number(event.target.value));
                if (number >= 1 && number <= 10_000) write(number);
              }}
            />
            {choice.unit}
          </label>
        )}
        {own === undefined && inherited !== undefined && <span className="soft text-fine">{inherited}</span>}
      </span>
    </div>
  );
}
