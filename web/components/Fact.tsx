import { useId, useMemo, type ReactNode } from 'react';
import { all, cleanOrigin, LONGEST_TEXT, mainAddressChange, set } from '../../core/site/index.ts';
import { counted } from '../../core/wording/index.ts';
import { Combo, Segments, useDraft, useDebounced } from '../ui/index.ts';
import { useReport, useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { isIsoDate, saidHours, type SaidHours } from '../../core/values/index.ts';
import { isEmail, isTelephone, languages, timeZones } from './choices.ts';
import { FACTS, type FactField } from './facts.ts';

/** What is wrong with a fact, where something is: it is kept all the same. */
const HOURS_DOUBTS: Readonly<Record<NonNullable<SaidHours['doubt']>, string>> = {
  season: 'Engines get one timetable, and these hours change with the season. Write those that hold now.',
  condition: 'Something limits these hours. Write only the hours when anybody can come.',
  unclear: 'These hours can be read in two ways. Write them as Tue–Fri 10:00–17:00, one line for some days.',
};
const FAULTS: Readonly<Partial<Record<FactField, (text: string, language: string) => string | undefined>>> = {
  email: (text) => (isEmail(text) ? undefined : 'This is not an e-mail address. It looks like hello@your-name.example.'),
  hours: (text, language) => {
    const { hours, doubt } = saidHours(text, language);
    if (hours.length > 0) return undefined;
    return doubt ? HOURS_DOUBTS[doubt] : 'No hours can be read from this. They look like Tue–Fri 10:00–17:00.';
  },
  foundingDate: (text) => (isIsoDate(text.trim()) ? undefined : 'This is not a date. It looks like 1998 or 1998-04-01.'),
  telephone: (text) => (isTelephone(text) ? undefined : 'This is not a telephone number. It looks like +44 1632 960147.'),
};

/** One fact of the site, kept as it is typed. */
export function Fact({
  field,
  long = false,
  extra,
  fault: told,
}: {
  readonly field: Exclude<FactField, 'mainAddress'>;
  readonly long?: boolean;
  readonly extra?: ReactNode;
  readonly fault?: string | undefined;
}) {
  const workspace = useWorkspaceApi();
  const id = useId();
  const value = useWorkspace((state) => state.document.tables.facts['']?.[field] ?? '');
  const language = useWorkspace((state) => state.document.tables.facts['']?.language ?? '');
  const { label } = FACTS[field];
  const fault = told ?? (value.trim() === '' ? undefined : FAULTS[field]?.(value, language));
  const write = (text: string): void => {
    const change = set('facts', '', field, text === '' ? null : text);
    // Who writes the name has said what it is.
    const named = field === 'siteName' && workspace.state.document.tables.facts['']?.nameSure === false;
    workspace.change(named ? all([change, set('facts', '', 'nameSure', true)]) : change, { label: `${label} was changed`, coalesceKey: `fact:${field}` });
  };
  const describedBy = fault === undefined ? `${id}-note` : `${id}-note ${id}-fault`;
  const shared = { id, maxLength: LONGEST_TEXT, value, 'aria-invalid': fault !== undefined, 'aria-describedby': describedBy, dir: 'auto' as const };
  const type = field === 'email' ? 'email' : field === 'telephone' ? 'tel' : 'text';
  return (
    <div>
      <Caption field={field} of={id} />
      {long ? (
        <textarea {...shared} className="textarea w-full" rows={3} onChange={(event) => write(event.target.value)} />
      ) : (
        <input {...shared} type={type} className="input w-full" onChange={(event) => write(event.target.value)} />
      )}
      {fault !== undefined && (
        <p id={`${id}-fault`} className="mt-1 text-note text-error">
          {fault}
        </p>
      )}
      {extra}
    </div>
  );
}

/** A fact that is chosen from a list: the language, the time zone. */
export function ChosenFact({ field }: { readonly field: 'language' | 'timeZone' }) {
  const workspace = useWorkspaceApi();
  const value = useWorkspace((state) => state.document.tables.facts['']?.[field] ?? '');
  const options = useMemo(() => (field === 'language' ? languages(value) : timeZones()), [field, value]);
  const { label } = FACTS[field];
  return (
    <div>
      <Caption field={field} />
      <Combo
        label={label}
        value={value}
        options={options}
        empty={field === 'language' ? 'No language by that name' : 'No time zone by that name. Try the nearest large city.'}
        onChange={(next) => workspace.change(set('facts', '', field, next), { label: `${label} is ${next}` })}
      />
    </div>
  );
}

/** What a fact is called, and in a note beside it what is meant: the note describes the field, it is no part of its name. */
export function Caption({ field, of }: { readonly field: FactField; readonly of?: string }) {
  const { label, note } = FACTS[field];
  return (
    <span className="mb-1 flex flex-wrap items-baseline gap-x-2">
      {of === undefined ? (
        <span className="font-semibold">{label}</span>
      ) : (
        <label htmlFor={of} className="font-semibold">
          {label}
        </label>
      )}{' '}
      <span id={of === undefined ? undefined : `${of}-note`} className="soft text-fine">
        {note}
      </span>
    </span>
  );
}

/** The main address is taken when it is one: half an address must not become part of every link. */
export function MainAddress() {
  const workspace = useWorkspaceApi();
  const id = useId();
  const value = useWorkspace((state) => state.document.tables.facts['']?.mainAddress ?? '');
  const siteId = useWorkspace((state) => state.site?.id ?? '');
  const [typed, setTyped] = useDraft(`main-address:${siteId}`);
  const bad = typed !== undefined && typed.trim() !== '' && cleanOrigin(typed) === undefined;
  const take = (): void => {
    const origin = typed === undefined ? undefined : cleanOrigin(typed);
    if (origin !== undefined) workspace.change(mainAddressChange(workspace.state.document, origin), { label: `The main address is ${origin}` });
    if (!bad) setTyped(undefined);
  };
  return (
    <div>
      <Caption field="mainAddress" of={id} />
      <input
        id={id}
        className="input mono w-full"
        value={typed ?? value}
        aria-invalid={bad}
        aria-describedby={bad ? `${id}-note ${id}-fault` : `${id}-note`}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={take}
        onKeyDown={(event) => event.key === 'Enter' && take()}
      />
      {bad && (
        <span id={`${id}-fault`} className="mt-1 block text-note text-error">
          This is not an address. It looks like https://your-name.example. The one before is kept.
        </span>
      )}
      {!bad && typed !== undefined && typed.trim() !== '' && cleanOrigin(typed) !== value && <AddressEffect origin={cleanOrigin(typed) as string} />}
    </div>
  );
}

/** What another main address would do, told before it is taken. */
export function AddressEffect({ origin }: { readonly origin: string }) {
  const settled = useDebounced(origin, 300);
  const effect = useReport((one) => one.tools.analysis.mainAddressEffect(settled), settled);
  const byId = useWorkspace((state) => state.byId);
  if (effect === undefined || settled !== origin) return <span className="soft mt-1 block text-note">Looking what would follow …</span>;
  return (
    <span className="mt-1 block text-note" role="status" data-testid="address-effect">
      <span className="soft">
        {effect.follow === 0
          ? 'No page names the old address.'
          : `${counted(effect.follow, 'page names', 'pages name')} the old address, in canonicals, links or data; they follow with the next release.`}
      </span>
      {effect.shut.length > 0 && (
        <span className="block font-semibold text-error">
          {counted(effect.shut.length, 'page')} would no longer be found:{' '}
          {effect.shut
            .slice(0, 5)
            .map((id) => byId.get(id)?.name ?? id)
            .join(', ')}
          {effect.shut.length > 5 && ` and ${effect.shut.length - 5} more`}
        </span>
      )}
    </span>
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
