import { useState } from 'react';
import { KIND_TABLE, type Kind } from '../../../core/site/index.ts';
import { identityGaps, NO_MARKUP } from '../../../core/structured-data/index.ts';
import type { KindFilling } from '../../../core/survey/index.ts';
import { counted, pathWords, PROCESSOR_WORDS } from '../../../core/wording/index.ts';
import { PageLink } from '../../components/index.ts';
import { useReport, useTables, useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';
import { asScript } from '../code.ts';
import { NotWritten } from '../NotWritten.tsx';
import { ForeignChoice } from '../ForeignChoice.tsx';
import { setKindForeign, setKindMarkup, switchMarkup } from '../commands.ts';
import { ProcessorChoice } from '../page/WhatItIs.tsx';

/** What the pages of each kind are, and how far they are filled by what they say. */
export function Kinds() {
  const workspace = useWorkspaceApi();
  const document = useTables('meaning', 'kinds', 'facts');
  const kinds = useReport((one) => one.tools.analysis.meaningKinds());
  const on = document.tables.meaning['']?.on === true;
  const [open, setOpen] = useState<Kind>();
  const unread = kinds?.reduce((sum, kind) => sum + kind.unread, 0) ?? 0;
  return (
    <div className="mx-auto max-w-wide">
      <div className="mb-4 flex flex-wrap items-start justify-between gap-3">
        <div>
          <h1>What pages are</h1>
          <p className="soft mt-1 max-w-prose">
            Set for you by kind, and filled with what each page says. Nothing is made up: what a page does not say is left out.
          </p>
        </div>
        {on && (
          <label className="flex min-h-11 items-center gap-2.5 font-semibold">
            <input type="checkbox" className="toggle" checked={on} onChange={(event) => switchMarkup(workspace, event.target.checked)} />
            Written into pages
          </label>
        )}
      </div>
      {!on && <NotWritten waits={identityGaps(document)} />}
      {!kinds ? (
        <p className="soft" role="status">
          Reading what pages say …
        </p>
      ) : (
        <>
          {unread > 0 && (
            <p className="soft mb-3 text-note" role="status">
              {counted(unread, 'page is', 'pages are')} still being read.
            </p>
          )}
          <ul className="panel divide-y divide-line">
            {kinds.map((kind) => (
              <KindLine key={kind.kind} filling={kind} open={open === kind.kind} onOpen={() => setOpen(open === kind.kind ? undefined : kind.kind)} />
            ))}
          </ul>
        </>
      )}
    </div>
  );
}

function KindLine({ filling, open, onOpen }: { readonly filling: KindFilling; readonly open: boolean; readonly onOpen: () => void }) {
  const { kind, pages, processors, off, whole, half, lacking, unread } = filling;
  const read = pages - unread;
  const is = off ? 'no markup' : processors.map((id) => PROCESSOR_WORDS[id]?.label.toLowerCase() ?? id).join(' and ');
  return (
    <li>
      <button
        type="button"
        className="flex min-h-14 w-full cursor-pointer flex-wrap items-center gap-x-4 gap-y-1 px-4 py-2.5 text-left"
        aria-expanded={open}
        onClick={onOpen}
      >
        <span className="display w-32 font-semibold">{KIND_TABLE[kind].many}</span>
        <span className="soft w-24 text-note tabular-nums">{counted(pages, 'page')}</span>
        <span className="w-40">{is}</span>
        {!off && read > 0 && (
          <span className="ml-auto flex min-w-56 flex-1 items-center gap-3 sm:flex-none">
            <span className="flex h-[0.55rem] min-w-28 flex-1 overflow-hidden rounded-full bg-base-300 *:basis-0" aria-hidden>
              <span className="bg-success" style={{ flexGrow: whole }} />
              <span className="bg-accent" style={{ flexGrow: half }} />
              <span className="bg-error/60" style={{ flexGrow: lacking.length }} />
            </span>
            <span className="soft w-44 text-note tabular-nums">{fillingWords(filling)}</span>
          </span>
        )}
      </button>
      {open && <KindChoice filling={filling} />}
    </li>
  );
}

function fillingWords({ whole, half, lacking }: KindFilling): string {
  return [whole > 0 && `${whole} whole`, half > 0 && `${half} half`, lacking.length > 0 && `${lacking.length} lacking`].filter(Boolean).join(', ');
}

/** Another choice for a kind, tried on its pages before it is taken; and the pages that lack something. */
function KindChoice({ filling }: { readonly filling: KindFilling }) {
  const workspace = useWorkspaceApi();
  const { kind, processors, off, lacking, lacks } = filling;
  const own = useTables('kinds').tables.kinds[kind]?.markup ?? null;
  const current = off ? NO_MARKUP : processors.join(' ');
  const [choice, setChoice] = useState<string>();
  const tried = useReport((one) => (choice === undefined ? Promise.resolve(undefined) : one.tools.analysis.tryKind(kind, choice)), `${kind} ${choice ?? ''}`);
  const byId = useWorkspace((state) => state.byId);
  const came = useWorkspace((state) => state.rows.filter((row) => row.kind === kind && row.brought !== undefined).length);
  const foreign = useTables('kinds').tables.kinds[kind]?.foreignMarkup ?? 'leave';
  const chosen = (choice ?? current) === NO_MARKUP ? [] : (choice ?? current).split(' ').filter(Boolean);
  return (
    <div className="border-t border-line px-4 py-4">
      <div className="flex flex-wrap items-start gap-4">
        <ProcessorChoice
          label={`${KIND_TABLE[kind].many} are`}
          chosen={chosen}
          onChange={(next) => setChoice(next.length === 0 ? NO_MARKUP : next.join(' '))}
        />
        <span className="ml-auto flex gap-4">
          {chosen.length > 0 && (
            <button type="button" className="link-act" onClick={() => setChoice(NO_MARKUP)}>
              No markup
            </button>
          )}
          {own !== null && (
            <button
              type="button"
              className="link-act"
              onClick={() => {
                setKindMarkup(workspace, kind, null);
                setChoice(undefined);
              }}
            >
              As set for you
            </button>
          )}
        </span>
      </div>
      {choice !== undefined && choice !== current && tried && (
        <div className="mt-4" role="status">
          <div className="flex flex-wrap items-center justify-between gap-3">
            <p className="font-semibold">
              This changes {counted(tried.changed, 'page')} of {tried.of}.
            </p>
            <span className="flex gap-3">
              <button type="button" className="btn btn-sm btn-outline-ink" onClick={() => setChoice(undefined)}>
                Leave it as it is
              </button>
              <button
                type="button"
                className="btn btn-sm btn-primary"
                disabled={tried.changed === 0}
                onClick={() => {
                  setKindMarkup(workspace, kind, choice);
                  setChoice(undefined);
                }}
              >
                Take it for all {tried.of}
              </button>
            </span>
          </div>
          <ul className="mt-3 grid gap-3">
            {tried.pages.map((page) => (
              <li key={page.id} className="rounded-box border border-line p-3">
                <p className="font-semibold">
                  <PageLink to="meaning" page={page.id} className="link-act">
                    {byId.get(page.id)?.name ?? page.id}
                  </PageLink>
                  {page.lacks.length > 0 && <span className="soft ml-2 text-note !font-normal">would lack {page.lacks.map(pathWords).join(', ')}</span>}
                </p>
                <div className="mt-2 grid gap-3 md:grid-cols-2">
                  {(['before', 'after'] as const).map((when) => (
                    <div key={when}>
                      <p className="soft text-fine">{when === 'before' ? 'as it is' : 'as it would be'}</p>
                      <pre className="code-block max-h-56 overflow-auto rounded-box bg-base-200 p-2 text-tiny" tabIndex={0} aria-label={`${page.id}, ${when}`}>
                        {page[when].length === 0 ? 'nothing' : asScript(ownNodes(page[when], page[when === 'before' ? 'after' : 'before']))}
                      </pre>
                    </div>
                  ))}
                </div>
              </li>
            ))}
          </ul>
        </div>
      )}
      {came > 0 && (
        <div className="mt-4 flex flex-wrap items-center gap-3">
          <p className="font-semibold">{counted(came, 'page')} came with markup:</p>
          <ForeignChoice
            label={`Markup that ${KIND_TABLE[kind].many.toLowerCase()} came with`}
            value={foreign}
            onChange={(next) => setKindForeign(workspace, kind, next)}
          />
        </div>
      )}
      {lacking.length > 0 && (
        <div className="mt-4">
          <p className="font-semibold">
            {counted(lacking.length, 'page lacks', 'pages lack')} {lacks.map(([path]) => pathWords(path)).join(', ')}
          </p>
          <p className="soft mt-1 flex flex-wrap gap-x-4 gap-y-1 text-small">
            {lacking.slice(0, 12).map((id) => (
              <PageLink key={id} to="meaning" page={id} className="link-act">
                {byId.get(id)?.name ?? id}
              </PageLink>
            ))}
            {lacking.length > 12 && <span>and {lacking.length - 12} more</span>}
          </p>
        </div>
      )}
    </div>
  );
}

/** Of a graph, what another one does not say to the letter: who is behind the site stands in both. */
function ownNodes<N extends { readonly '@id': string }>(nodes: readonly N[], others: readonly N[]): N[] {
  const known = new Set(others.map((node) => JSON.stringify(node)));
  return nodes.filter((node) => !known.has(JSON.stringify(node)));
}
