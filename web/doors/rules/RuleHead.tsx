import { MATCHES } from '../../components/index.ts';
import { X } from 'lucide-react';
import type { ReactNode } from 'react';
import type { Change, PathRule, SiteDocument } from '../../../core/site/index.ts';
import { counted } from '../../../core/wording/index.ts';

/** A rule's line: which addresses, how many that are, its choices, and the way to take it out. */
export function RuleHead({
  rule,
  caught,
  of,
  taken = 0,
  onRemove,
  mover,
  children,
}: {
  readonly rule: Pick<PathRule, 'path' | 'match'>;
  readonly caught: number;
  /** What it catches: pages, or files. */
  readonly of: 'page' | 'file';
  /** How many of these a rule before it decides about. */
  readonly taken?: number;
  readonly onRemove: () => void;
  /** What moves it among the rules. */
  readonly mover?: ReactNode;
  readonly children: ReactNode;
}) {
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-2">
      <span className="min-w-40 flex-1">
        {MATCHES[rule.match]} <span className="mono">{rule.path}</span>
        <span className="soft block text-fine">
          {caught === 0 ? `catches no ${of}` : `catches ${counted(caught, of)}`}
          {taken > 0 && `; a rule before it decides about ${taken === caught ? 'all of them' : taken}`}
        </span>
      </span>
      {children}
      <span className="ml-auto flex flex-none">
        {mover}
        <button type="button" className="icon-btn" aria-label={`Take the rule for ${rule.path} away`} onClick={onRemove}>
          <X size={15} aria-hidden />
        </button>
      </span>
    </div>
  );
}

/** The changes that take back all that is said for a scope, for every crawler. */
export function unsaid(document: SiteDocument, scope: string): Change[] {
  return Object.entries(document.tables.directives)
    .filter(([key]) => key.startsWith(`${scope}\n`))
    .flatMap(([key, fields]) => Object.keys(fields).map((field): Change => ({ kind: 'set', table: 'directives', key, field, value: null })));
}
