import { useState } from 'react';
import type { PageRow } from '../../../core/rows/index.ts';
import { isGrave, type ForeignMarkup } from '../../../core/structured-data/index.ts';
import { counted, faultSentence } from '../../../core/wording/index.ts';
import type { MarkupTree, ThingNode, ValueNode } from '../../analysis/index.ts';
import { useWorkspaceApi } from '../../workspace/index.ts';
import { setForeign } from '../commands.ts';
import { ForeignChoice } from '../ForeignChoice.tsx';
import { wording } from '../wording.ts';
import { SourceExcerpt } from './SourceExcerpt.tsx';

const SYNTAXES = { 'json-ld': 'JSON-LD', microdata: 'Microdata', rdfa: 'RDFa' } as const;

/** The structured data that the page came with: as a tree with its places, what is wrong with it, and what becomes of it. */
export function BroughtMarkup({
  row,
  tree,
  foreign,
  source,
}: {
  readonly row: PageRow;
  readonly tree: MarkupTree | undefined;
  readonly foreign: ForeignMarkup;
  readonly source: string | undefined;
}) {
  const workspace = useWorkspaceApi();
  const [shown, setShown] = useState<{ readonly start: number; readonly end: number }>();
  return (
    <section className="mt-5" aria-labelledby="already">
      <div className="flex items-baseline justify-between border-b border-line pb-1.5">
        <h2 id="already">{wording.already}</h2>
        <span className="soft text-note">{tree ? counted(tree.things.length + tree.more, 'thing') : 'nothing'}</span>
      </div>
      {!tree ? (
        <p className="soft mt-2 text-note">{wording.none}</p>
      ) : (
        <>
          <div className="mt-2.5">
            <ForeignChoice label="What becomes of it" value={foreign} onChange={(next) => setForeign(workspace, [row], next)} />
          </div>
          <p className="soft mt-1.5 text-note">{CHOICES[foreign]}</p>
          <ul className="mt-2 text-note">
            {tree.faults.map((fault, at) => (
              <li key={at} className="border-t border-line py-1.5">
                <span className={isGrave(fault) ? 'text-error' : ''}>{faultSentence(fault)}</span>{' '}
                <button type="button" className="link-act mono !text-tiny" onClick={() => setShown(fault)}>
                  line {fault.at.line}:{fault.at.column}
                </button>
              </li>
            ))}
          </ul>
          {shown && source !== undefined && <SourceExcerpt source={source} start={shown.start} end={shown.end} />}
          <ul className="markup-tree mt-2" aria-label="The markup as a tree">
            {tree.things.map((thing, at) => (
              <Thing key={at} thing={thing} top onShow={setShown} />
            ))}
          </ul>
          {tree.more > 0 && <p className="soft text-note">and {counted(tree.more, 'thing')} more</p>}
        </>
      )}
    </section>
  );
}

const CHOICES: Readonly<Record<ForeignMarkup, string>> = {
  leave: 'It stays as it is; what it tells is not told twice.',
  take: 'With the next release it is part of what is written here; the page’s own values go first.',
  remove: 'With the next release it is gone from the page.',
};

function Thing({
  thing,
  name,
  top = false,
  onShow,
}: {
  readonly thing: ThingNode;
  readonly name?: string;
  readonly top?: boolean;
  readonly onShow: (place: ThingNode['at']) => void;
}) {
  return (
    <li>
      <details open={top}>
        <summary>
          {name !== undefined && <span className="soft">{name} </span>}
          <strong>{thing.types.join(', ') || 'a thing'}</strong> {top && <span className="soft">{SYNTAXES[thing.syntax]}</span>}{' '}
          <button type="button" className="link-act mono !text-tiny" onClick={() => onShow(thing.at)}>
            {thing.at.line}:{thing.at.column}
          </button>
        </summary>
        <ul>
          {thing.properties.flatMap(({ name: property, values }) =>
            values.map((value, at) =>
              isThing(value) ? (
                <Thing key={`${property} ${at}`} thing={value} name={property} onShow={onShow} />
              ) : (
                <Value key={`${property} ${at}`} name={property} value={value} />
              ),
            ),
          )}
        </ul>
      </details>
    </li>
  );
}

const isThing = (node: ThingNode | ValueNode): node is ThingNode => 'types' in node;

function Value({ name, value }: { readonly name: string; readonly value: ValueNode }) {
  return (
    <li className="break-words">
      <span className="soft">{name}</span> <span className={value.isAddress ? 'mono !text-tiny' : ''}>{value.text}</span>
    </li>
  );
}
