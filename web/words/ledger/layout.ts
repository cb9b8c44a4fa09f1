import { isOneOf } from '../../../core/keyed/index.ts';
import { recall, remember } from '../../ui/index.ts';
import { EDITABLE, READ_ONLY, type LedgerColumn } from '../../../core/ledger/index.ts';

/** Widths of the columns, px. */
export const WIDTHS: Readonly<Record<LedgerColumn, number>> = {
  name: 190,
  address: 210,
  title: 290,
  description: 400,
  phrase: 160,
  ending: 150,
  kind: 96,
  intent: 92,
  follow: 96,
  snippet: 84,
  inMap: 84,
  keywords: 180,
  shareTitle: 220,
  shareText: 280,
  state: 120,
  findings: 84,
  words: 72,
  linksIn: 82,
  linksOut: 82,
  is: 170,
  lacks: 190,
  brought: 190,
};
export const ROW_HEIGHT = 32;
export const HEAD_HEIGHT = 33;

/** The first column stays in view; these stand there at first. */
export const FIRST: LedgerColumn = 'name';
export const AT_FIRST: readonly LedgerColumn[] = ['title', 'description', 'phrase', 'ending', 'kind', 'intent', 'findings', 'linksIn', 'words'];
export const CHOOSABLE: readonly LedgerColumn[] = [...EDITABLE, ...READ_ONLY].filter((column) => column !== FIRST);

/** Whether a word names a column. */
export const isColumn = (name: string): name is LedgerColumn => name === FIRST || CHOOSABLE.includes(name as LedgerColumn);

const KEY = 'jolly-beacon-ledger-columns';

/** The columns this browser remembers. */
export function rememberedColumns(): readonly LedgerColumn[] {
  const kept = (recall(KEY) ?? '').split(',').filter((name) => isOneOf(CHOOSABLE, name));
  return kept.length > 0 ? kept : AT_FIRST;
}

export function rememberColumns(columns: readonly LedgerColumn[]): void {
  remember(KEY, columns.join(','));
}
