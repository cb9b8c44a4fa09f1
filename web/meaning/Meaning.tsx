import { Check } from 'lucide-react';
import { useState } from 'react';
import { cleanOrigin, LONGEST_TEXT, set } from '../../core/site/index.ts';
import { existingBlocks, identityGaps, identityGraph } from '../../core/structured-data/index.ts';
import { Rail } from '../pieces/index.ts';
import { Copyable, Segments } from '../ui/index.ts';
import { useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { FIELDS, GAPS, W } from './wording.ts';

type FactField = keyof typeof FIELDS;

/** The site's facts, and the identity that is made of them. */
export function Meaning() {
  const workspace = useWorkspaceApi();
  const document = useWorkspace((state) => state.document);
  const detail = useWorkspace((state) => state.detail);
  const facts = document.tables.facts[''] ?? {};
  const gaps = identityGaps(document);
  const graph = identityGraph(document);
  const blocks = detail ? existingBlocks(detail.facts) : [];
  const code = graph && JSON.stringify(graph, null, 2);
  return (
    <div className="mx-auto max-w-[760px]">
      <h1>{W.title}</h1>
      <p className="soft mt-1.5 max-w-prose">{W.lead}</p>
      <div className="mt-4 grid gap-x-5 gap-y-3.5 sm:grid-cols-2">
        <Fact field="siteName" />
        <Fact field="alternateName" />
        <MainAddress />
        <Fact field="language" />
        <div className="sm:col-span-2">
          <Fact field="description" />
        </div>
        <div>
          <p className="mb-1.5 font-semibold">Behind it is</p>
          <Segments<'organization' | 'person'>
            label="Behind it is"
            value={facts.ownerKind ?? 'organization'}
            onChange={(value) =>
              workspace.change(set('facts', '', 'ownerKind', value), { label: `Behind the site is ${value === 'person' ? 'a person' : 'an organisation'}` })
            }
            options={[
              { value: 'organization', label: 'an organisation' },
              { value: 'person', label: 'a person' },
            ]}
          />
        </div>
        <Fact field="ownerName" />
        <Fact field="email" />
        <Fact field="telephone" />
        <Fact field="logo" />
        <Fact field="tagline" />
        <div className="sm:col-span-2">
          <Fact field="profiles" long />
        </div>
      </div>
      <p className="soft mt-5 text-[13px]">{W.scope}</p>
      <Rail>
        <div className="flex items-center justify-between">
          <h2>{W.code}</h2>
          {code && <Copyable text={`<script type="application/ld+json">\n${code}\n</script>`} />}
        </div>
        {code ? (
          <>
            <pre className="panel code-block code-lines mt-2" tabIndex={0} aria-label={W.code}>
              {code}
            </pre>
            <p className="mt-2 flex items-center gap-2 text-[13px] text-[color:var(--green)]">
              <Check size={15} aria-hidden /> {W.complete}
            </p>
          </>
        ) : (
          <p className="notice notice-amber mt-2">Still missing: {gaps.map((gap) => GAPS[gap]).join(', ')}.</p>
        )}
        <h2 className="mt-5">{W.already}</h2>
        {blocks.length === 0 && <p className="soft mt-1">{W.none}</p>}
        <ul className="mt-1">
          {blocks.map((block, index) => (
            <li key={index}>{block.broken ? 'A block that is not JSON: engines skip it.' : block.types.join(', ')}</li>
          ))}
        </ul>
      </Rail>
    </div>
  );
}

/** One fact of the site, kept as it is typed. */
function Fact({ field, long = false }: { readonly field: FactField; readonly long?: boolean }) {
  const workspace = useWorkspaceApi();
  const value = useWorkspace((state) => state.document.tables.facts['']?.[field] ?? '');
  const { label, note } = FIELDS[field];
  const write = (text: string): void =>
    workspace.change(set('facts', '', field, text === '' ? null : text), { label: `${label} was changed`, thread: `fact:${field}` });
  return (
    <label className="block">
      <span className="mb-1 flex flex-wrap items-baseline gap-x-2">
        <span className="font-semibold">{label}</span> <span className="soft text-[12.5px]">{note}</span>
      </span>
      {long ? (
        <textarea className="textarea w-full" rows={3} maxLength={LONGEST_TEXT} value={value} onChange={(event) => write(event.target.value)} />
      ) : (
        <input className="input w-full" maxLength={LONGEST_TEXT} value={value} onChange={(event) => write(event.target.value)} />
      )}
    </label>
  );
}

/** The main address is taken when it is one: half an address must not become part of every link. */
function MainAddress() {
  const workspace = useWorkspaceApi();
  const value = useWorkspace((state) => state.document.tables.facts['']?.mainAddress ?? '');
  const [typed, setTyped] = useState<string>();
  const bad = typed !== undefined && typed.trim() !== '' && cleanOrigin(typed) === undefined;
  const take = (): void => {
    const origin = typed === undefined ? undefined : cleanOrigin(typed);
    if (origin !== undefined) workspace.change(set('facts', '', 'mainAddress', origin), { label: `The main address is ${origin}` });
    if (!bad) setTyped(undefined);
  };
  const { label, note } = FIELDS.mainAddress;
  return (
    <label className="block">
      <span className="mb-1 flex flex-wrap items-baseline gap-x-2">
        <span className="font-semibold">{label}</span> <span className="soft text-[12.5px]">{note}</span>
      </span>
      <input
        className="input mono w-full"
        value={typed ?? value}
        aria-invalid={bad}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={take}
        onKeyDown={(event) => event.key === 'Enter' && take()}
      />
      {bad && <span className="mt-1 block text-[13px] text-error">This is no address. It looks like https://your-name.example. The one before is kept.</span>}
    </label>
  );
}
