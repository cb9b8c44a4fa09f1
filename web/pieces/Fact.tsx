import { useState, type ReactNode } from 'react';
import { cleanOrigin, LONGEST_TEXT, set } from '../../core/site/index.ts';
import { Segments } from '../ui/index.ts';
import { useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { FACTS, type FactField } from './facts.ts';

/** One fact of the site, kept as it is typed. */
export function Fact({
  field,
  long = false,
  list,
  extra,
  fault,
}: {
  readonly field: Exclude<FactField, 'mainAddress'>;
  readonly long?: boolean;
  readonly list?: readonly string[];
  readonly extra?: ReactNode;
  readonly fault?: string | undefined;
}) {
  const workspace = useWorkspaceApi();
  const value = useWorkspace((state) => state.document.tables.facts['']?.[field] ?? '');
  const { label } = FACTS[field];
  const write = (text: string): void =>
    workspace.change(set('facts', '', field, text === '' ? null : text), { label: `${label} was changed`, thread: `fact:${field}` });
  const shared = { maxLength: LONGEST_TEXT, value, 'aria-invalid': fault !== undefined, dir: 'auto' as const };
  return (
    <div>
      <label className="block">
        <Caption field={field} />
        {long ? (
          <textarea {...shared} className="textarea w-full" rows={3} onChange={(event) => write(event.target.value)} />
        ) : (
          <input {...shared} className="input w-full" list={list && `list-${field}`} onChange={(event) => write(event.target.value)} />
        )}
      </label>
      {list && (
        <datalist id={`list-${field}`}>
          {list.map((one) => (
            <option key={one} value={one} />
          ))}
        </datalist>
      )}
      {fault !== undefined && <p className="mt-1 text-[13px] text-error">{fault}</p>}
      {extra}
    </div>
  );
}

function Caption({ field }: { readonly field: FactField }) {
  const { label, note } = FACTS[field];
  return (
    <span className="mb-1 flex flex-wrap items-baseline gap-x-2">
      <span className="font-semibold">{label}</span> <span className="soft text-[12.5px]">{note}</span>
    </span>
  );
}

/** The main address is taken when it is one: half an address must not become part of every link. */
export function MainAddress() {
  const workspace = useWorkspaceApi();
  const value = useWorkspace((state) => state.document.tables.facts['']?.mainAddress ?? '');
  const [typed, setTyped] = useState<string>();
  const bad = typed !== undefined && typed.trim() !== '' && cleanOrigin(typed) === undefined;
  const take = (): void => {
    const origin = typed === undefined ? undefined : cleanOrigin(typed);
    if (origin !== undefined) workspace.change(set('facts', '', 'mainAddress', origin), { label: `The main address is ${origin}` });
    if (!bad) setTyped(undefined);
  };
  return (
    <label className="block">
      <Caption field="mainAddress" />
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

/** Whether an organisation or a person is behind the site. */
export function OwnerKind() {
  const workspace = useWorkspaceApi();
  const value = useWorkspace((state) => state.document.tables.facts['']?.ownerKind ?? 'organization');
  return (
    <div>
      <p className="mb-1.5 font-semibold">Behind it is</p>
      <Segments<'organization' | 'person'>
        label="Behind it is"
        value={value}
        onChange={(next) =>
          workspace.change(set('facts', '', 'ownerKind', next), { label: `Behind the site is ${next === 'person' ? 'a person' : 'an organisation'}` })
        }
        options={[
          { value: 'organization', label: 'an organisation' },
          { value: 'person', label: 'a person' },
        ]}
      />
    </div>
  );
}
