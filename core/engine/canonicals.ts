import type { EnginePolicy } from '../engines/index.ts';
import { alike, followsCanonical, type CanonicalTarget } from '../indexing/index.ts';
import type { IndexRecord } from './records.ts';

/**
 * The index once all that is known of each canonical's target is taken in: what was believed of a page not yet seen may turn out otherwise. The question
 * is put to the same function as at the gate.
 */
export function afterCanonicals(records: readonly IndexRecord[], policy: EnginePolicy): IndexRecord[] {
  const known = new Map(records.map((record) => [record.address, record]));
  return records.map((record) => {
    const { canonical } = record;
    const other = canonical === undefined ? undefined : known.get(canonical);
    if (canonical === undefined || other?.visitedAt === undefined) return record;
    // Only where the canonical is what decides: a page shut at an earlier gate stays shut.
    if (record.reason.code !== 'canonical-elsewhere' && record.reason.code !== 'canonical-ignored') return record;
    const target = targetOf(record, other);
    if (followsCanonical(policy, target))
      return { ...record, outcome: 'not-listed', reason: { code: 'canonical-elsewhere', address: canonical, trouble: target.trouble } };
    return { ...record, outcome: 'listed', reason: { code: 'canonical-ignored', address: canonical, why: target.trouble === 'gone' ? 'gone' : 'unlike' } };
  });
}

function targetOf(record: IndexRecord, other: IndexRecord): CanonicalTarget {
  const { reason } = other;
  const trouble =
    other.status === 404 || other.status === 410
      ? 'gone'
      : reason.code === 'answered' && reason.redirectedTo !== undefined
        ? 'redirects'
        : (reason.code === 'rule' && !reason.allow) || reason.code === 'robots-unreachable'
          ? 'blocked'
          : reason.code === 'noindex'
            ? 'noindex'
            : reason.code === 'canonical-elsewhere'
              ? 'elsewhere'
              : undefined;
  return { trouble, alike: trouble !== 'blocked' && alike(record.compared ?? '', other.compared ?? '') };
}
