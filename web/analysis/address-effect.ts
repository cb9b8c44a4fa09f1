import type { Survey } from '../../core/survey/index.ts';

/** What another main address would do: how many pages name the old one and follow, and which would no longer be found, by their files. */
export interface AddressEffect {
  readonly follow: number;
  readonly shut: readonly string[];
}

/** The same, from the survey as it is and as it would be. */
export function addressEffect(now: Survey, next: Survey): AddressEffect {
  const open = new Map(next.rows().map((row) => [row.id, row.state !== 'shut-out']));
  const follows = Object.values(next.workingCopy().files).filter((file) => file.edits.some((edit) => edit.kind === 'addresses' && edit.was !== undefined));
  return {
    follow: follows.length,
    shut: now.rows().flatMap((row) => (row.state !== 'shut-out' && row.intent === 'list' && open.get(row.id) === false ? [row.id] : [])),
  };
}
