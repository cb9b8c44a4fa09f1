import type { FilePath } from '../../core/source/index.ts';
import { ChevronRight } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import {
  canWait,
  editKey,
  fieldChanges,
  MADE_AT,
  ownMadeAt,
  takeFieldBack,
  takeOwnBack,
  type FieldChange,
  type Held,
  type MadeAt,
  type ReleaseItem,
  type WorkingCopy,
} from '../../core/release/index.ts';
import { all, goneForGood, outgoingHeaderRules, set, takenBack, type Change } from '../../core/site/index.ts';
import { counted, editWords, PATCH_REFUSALS } from '../../core/wording/index.ts';
import { QuietLink, useRoute } from '../components/index.ts';
import { useReport, useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import type { PatchRefusal } from '../../core/page/index.ts';
import type { LeftInFile } from '../analysis/index.ts';
import { Diff } from './Diff.tsx';
import { fieldGoes, goes, withField, withItem } from './held.ts';
import { wording } from './wording.ts';

const WHAT = { new: 'new', changed: 'changed', gone: 'removed' } as const;

/** What the host is told beside the files, by its sort. */
const HOSTING: Readonly<Record<string, string>> = { visitors: wording.visitors, headers: wording.headers, gone: wording.gone };

/** One file that waits: whether it goes, field by field, its source before and after, and a way to take its words back. */
export function WaitingItem({
  item,
  held,
  left,
  released,
  onHeld,
}: {
  readonly item: ReleaseItem;
  readonly held: Held;
  readonly left: readonly LeftInFile[];
  /** Of what is out what the program wrote itself; undefined while it is asked for. */
  readonly released: Pick<WorkingCopy, 'own' | 'hosting'> | undefined;
  readonly onHeld: (held: Held) => void;
}) {
  const workspace = useWorkspaceApi();
  const [open, setOpen] = useState(false);
  // A file of ours at a page's old place is not that page.
  const name = useWorkspace((state) => (item.own ? undefined : state.byId.get(item.path)?.name));
  const document = useWorkspace((state) => state.document);
  const isOurs = item.own || item.hosting === true;
  const back = isOurs
    ? released && takeOwnBack(document, item, { files: {}, ...released })
    : item.what === 'changed'
      ? someOf(takenBack(document, item.path))
      : undefined;
  const isGone = document.tables.redirects[item.out]?.gone === true;
  const title = item.hosting ? (HOSTING[item.path] ?? item.path) : (name ?? item.path);
  const waits = goes(held, item);
  const free = canWait(item);
  const fields = item.own || item.hosting ? [] : fieldChanges(item.edits, item.before);
  return (
    <li className="border-t border-line first:border-t-0" data-waiting={item.path} data-goes={waits}>
      <div className="flex items-start gap-2.5 py-2 pr-3 pl-3">
        <Tick label={`${title} goes with this release`} state={waits} disabled={!free} onChange={(going) => onHeld(withItem(held, item, going))} />
        <div className="min-w-0 flex-1">
          <div className="flex items-start gap-2">
            {item.hosting ? (
              <p className="min-h-8 min-w-0 flex-1">
                <span className="font-semibold">{title}</span> <span className="soft text-note">told to the host</span>
                <Told path={item.path} />
              </p>
            ) : (
              <button
                type="button"
                className="flex min-h-8 min-w-0 flex-1 cursor-pointer items-start gap-1.5 text-left"
                aria-expanded={open}
                onClick={() => setOpen(!open)}
              >
                <ChevronRight size={17} className={`mt-0.5 flex-none transition-transform ${open ? 'rotate-90' : ''}`} aria-hidden />
                <span className="min-w-0">
                  <span className="font-semibold">{title}</span> <span className="soft text-note">{WHAT[item.what]}</span>{' '}
                  {item.own && <span className="soft ml-0.5 text-note">written by this program</span>}
                  {item.what === 'gone' && <span className="soft block text-note">{isGone ? wording.goneMeans : wording.removedMeans}</span>}
                  {item.source && <span className="soft ml-1.5 text-note">{wording.otherFile}</span>}
                  {name && <span className="mono soft block break-all text-tiny">{item.out}</span>}
                </span>
              </button>
            )}
            {back ? (
              <button
                type="button"
                className="link-act flex-none text-note"
                onClick={() => workspace.change(back, { label: `Changes of “${title}” were taken back` })}
              >
                Undo this
              </button>
            ) : (
              isOurs && released && <Made at={ownMadeAt(item)} what={title} />
            )}
          </div>
          {item.what === 'gone' && !item.hosting && (
            <label className="mt-0.5 ml-6 flex items-start gap-2 text-small" title={wording.sayGoneHint}>
              <input
                type="checkbox"
                className="checkbox checkbox-xs mt-1"
                checked={isGone}
                onChange={(event) =>
                  workspace.change(set('redirects', item.out, 'gone', event.target.checked ? true : null), {
                    label: event.target.checked ? `${title} is said to be gone for good` : `${title} is no longer said to be gone for good`,
                  })
                }
              />
              {wording.sayGone}
            </label>
          )}
          {fields.length > 0 && (
            <ul className="mt-0.5 ml-6">
              {fields.map((field) => (
                <Field
                  key={field.key}
                  item={item}
                  field={field}
                  title={title}
                  held={held}
                  reason={left.find(({ path, edit }) => path === item.out && editKey(edit) === field.key)?.reason}
                  onHeld={onHeld}
                  free={free}
                />
              ))}
            </ul>
          )}
        </div>
      </div>
      {open && <SourceDiff path={item.path} own={item.own} />}
    </li>
  );
}

function Field({
  item,
  field,
  title,
  held,
  reason,
  onHeld,
  free,
}: {
  readonly item: ReleaseItem;
  readonly field: FieldChange;
  readonly title: string;
  readonly held: Held;
  /** Why it cannot be written; undefined where it can. */
  readonly reason: PatchRefusal | undefined;
  readonly onHeld: (held: Held) => void;
  readonly free: boolean;
}) {
  const workspace = useWorkspaceApi();
  const document = useWorkspace((state) => state.document);
  const { now, before } = field;
  const words = now ? editWords(now) : before ? { field: editWords(before).field, value: wording.asThePage } : undefined;
  if (!words) return null;
  const going = fieldGoes(held, item, field.key);
  const back = takeFieldBack(document, item.path, field);
  const was = before && now ? editWords(before).value : undefined;
  return (
    <li className="flex items-start gap-2 py-0.5 text-small" data-field={field.key}>
      {free && field.key !== 'addresses' ? (
        <Tick
          small
          label={`${words.field} of ${title} goes with this release`}
          state={going ? 'all' : 'none'}
          onChange={(on) => onHeld(withField(held, item, field.key, on))}
        />
      ) : (
        <span className="w-5 flex-none" />
      )}
      <span className={`min-w-0 flex-1 break-words ${going ? '' : 'soft'}`}>
        <span className="soft">{words.field}:</span> <span dir="auto">{words.value}</span>
        {reason !== undefined && (
          <span className="block text-note text-error">
            {wording.cannotWrite} {PATCH_REFUSALS[reason]}.
          </span>
        )}
        {was !== undefined && (
          <span className="soft block text-note">
            {wording.was} <span dir="auto">{was}</span>
          </span>
        )}
      </span>
      {!back && <Made at={MADE_AT[(field.now ?? field.before)?.kind ?? 'title']} what={`${words.field} of ${title}`} />}
      {back && (
        <button
          type="button"
          className="link-act flex-none text-note"
          aria-label={`Take back: ${words.field} of ${title}`}
          onClick={() => workspace.change(back, { label: `“${title}”: ${words.field.toLowerCase()} was taken back` })}
        >
          {wording.takeBack}
        </button>
      )}
    </li>
  );
}

const someOf = (changes: Change[]): Change | undefined => (changes.length === 0 ? undefined : all(changes));

/** The way to where something is made that cannot be taken back here, since more than this page follows from it. */
function Made({ at: { stop, view, way }, what }: { readonly at: MadeAt; readonly what: string }) {
  const { linkToView } = useRoute();
  return (
    <QuietLink className="link-act flex-none text-note" to={linkToView(stop, view, way === undefined ? {} : { way })} aria-label={`${wording.madeAt}: ${what}`}>
      {wording.madeAt}
    </QuietLink>
  );
}

/** A box to tick that can be half ticked. */
function Tick({
  label,
  state,
  small = false,
  disabled = false,
  onChange,
}: {
  readonly label: string;
  readonly state: 'all' | 'some' | 'none';
  readonly small?: boolean;
  readonly disabled?: boolean;
  readonly onChange: (on: boolean) => void;
}) {
  const box = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (box.current) box.current.indeterminate = state === 'some';
  }, [state]);
  return (
    <input
      ref={box}
      type="checkbox"
      className={`checkbox mt-1 flex-none ${small ? 'checkbox-xs' : 'checkbox-sm'}`}
      aria-label={label}
      checked={state === 'all'}
      disabled={disabled}
      title={disabled ? wording.cannotWait : undefined}
      onChange={(event) => onChange(event.target.checked)}
    />
  );
}

/** Something that the host is told beside the files: not a file, so there is nothing to compare line by line. */
function Told({ path }: { readonly path: FilePath }) {
  const audience = useWorkspace((state) => state.document.tables.visitors['']?.audience ?? 'public');
  const rules = useWorkspace((state) => outgoingHeaderRules(state.document).length);
  const gone = useWorkspace((state) => goneForGood(state.document).length);
  const says: Readonly<Record<string, string>> = {
    visitors: wording.audience[audience],
    headers: counted(rules, 'rule'),
    gone: counted(gone, 'address', 'addresses'),
  };
  return <span className="block text-small">{says[path]}</span>;
}

function SourceDiff({ path, own }: { readonly path: FilePath; readonly own: boolean }) {
  const compared = useReport(async (one) => ({ hunks: await one.tools.analysis.diff(path, own) }), `${path} ${own}`);
  return <Diff path={path} compared={compared} />;
}
