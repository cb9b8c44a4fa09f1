import type { PageEdit } from '../page/index.ts';
import { outPath, sameEdits, type Manifest, type ReleasedFile, type ReleaseItem } from './manifest.ts';

/** What is to wait for a later release, by `itemKey`: all of it, or some edits of a page by `editKey`. */
export type Held = Readonly<Record<string, 'whole' | readonly string[]>>;

/** Names an item among those that wait. */
export function itemKey({ path, own, hosting }: Pick<ReleaseItem, 'path' | 'own' | 'hosting'>): string {
  return hosting ? `told ${path}` : own ? `own ${path}` : `file ${path}`;
}

/** Names an edit among those of its page: two of one key say the same thing, one otherwise than the other. */
export function editKey(edit: PageEdit): string {
  switch (edit.kind) {
    case 'meta':
      // Proofs of one name stand beside one another.
      return edit.name === 'keywords' ? 'meta keywords' : `meta ${edit.name} ${edit.content}`;
    case 'directives':
      return `${edit.kind} ${edit.name}`;
    case 'property':
      return `property ${edit.property}`;
    case 'snippet':
      return `snippet ${edit.id}`;
    case 'alt':
    case 'passage':
      return `${edit.kind} ${edit.start}`;
    default:
      return edit.kind;
  }
}

/** One thing that a page says otherwise than it was released: as it would go out and as it is out; undefined where it says nothing of its own. */
export interface FieldChange {
  readonly key: string;
  readonly now: PageEdit | undefined;
  readonly before: PageEdit | undefined;
}

/** An edit without how it is written. */
const saidAlone = (edit: PageEdit): PageEdit => (edit.kind === 'meta' ? { kind: 'meta', name: edit.name, content: edit.content } : edit);

/** What differs between two sets of edits of a page, field by field, in the order in which they are written. */
export function fieldChanges(now: readonly PageEdit[], before: readonly PageEdit[]): FieldChange[] {
  const old = new Map(before.map((edit) => [editKey(edit), edit]));
  const fresh = new Map(now.map((edit) => [editKey(edit), edit]));
  return [...new Set([...fresh.keys(), ...old.keys()])].flatMap((key) => {
    const [after, was] = [fresh.get(key), old.get(key)];
    return after && was && sameEdits([saidAlone(after)], [saidAlone(was)]) ? [] : [{ key, now: after, before: was }];
  });
}

/** Whether an item can wait while others go. A page that moves cannot: others lead to where it will be; nor can what leads on to it, which would stand where it is, or lead to where it was. */
export function canWait({ moves, leads }: Pick<ReleaseItem, 'moves' | 'leads'>): boolean {
  return !moves && leads !== true;
}

/** A release without what is to wait: that is in it as it is out already. */
export function heldBack(manifest: Manifest, last: Manifest | undefined, held: Held): Manifest {
  const files: Record<string, ReleasedFile> = { ...manifest.files };
  const own: Record<string, string> = { ...manifest.own };
  const hosting: Record<string, string> = { ...manifest.hosting };
  const changedAt: Record<string, number> = { ...manifest.changedAt };
  const listed = new Set(manifest.listed);
  const wasListed = new Set(last?.listed ?? []);
  const back = <V>(record: Record<string, V>, before: Readonly<Record<string, V>> | undefined, key: string): void => {
    const value = before && Object.hasOwn(before, key) ? before[key] : undefined;
    if (value === undefined) delete record[key];
    else record[key] = value;
  };
  for (const [key, what] of Object.entries(held)) {
    const [sort, path] = [key.slice(0, key.indexOf(' ')), key.slice(key.indexOf(' ') + 1)];
    if (sort === 'told') back(hosting, last?.hosting, path);
    else if (sort === 'own') back(own, last?.own, path);
    else if (what === 'whole') {
      back(files, last?.files, path);
      back(changedAt, last?.changedAt, path);
      // Where it stays, nothing that leads on from there can stand.
      const stays = files[path];
      if (stays && !(outPath(path, stays) in (last?.own ?? {}))) delete own[outPath(path, stays)];
      if (wasListed.has(path)) listed.add(path);
      else listed.delete(path);
    } else if (files[path]) files[path] = { ...files[path], edits: mixed(files[path].edits, last?.files[path]?.edits ?? [], new Set(what)) };
  }
  return { ...manifest, files, own, ...(manifest.hosting || last?.hosting ? { hosting } : {}), changedAt, listed: [...listed] };
}

/** Edits of which some are as they are out. */
function mixed(now: readonly PageEdit[], before: readonly PageEdit[], held: ReadonlySet<string>): PageEdit[] {
  const old = new Map(before.map((edit) => [editKey(edit), edit]));
  const kept = now.flatMap((edit) => (held.has(editKey(edit)) ? (old.get(editKey(edit)) ?? []) : [edit]));
  const there = new Set(kept.map(editKey));
  return [...kept, ...before.filter((edit) => held.has(editKey(edit)) && !there.has(editKey(edit)))];
}
