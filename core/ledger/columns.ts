import { isOneOf } from '../keyed/index.ts';
import type { TakenPlaces } from './taken-places.ts';
import { collapse } from '../page/index.ts';
import type { PageRow } from '../rows/index.ts';
import {
  effectiveDirectives,
  endingFault,
  movedFile,
  endingOf,
  KIND_TABLE,
  KINDS,
  directivesKey,
  set,
  wantedInMap,
  type Change,
  type Kind,
  type SiteDocument,
} from '../site/index.ts';

/** Columns of the ledger that can be written in. */
export const EDITABLE = [
  'title',
  'description',
  'phrase',
  'ending',
  'kind',
  'intent',
  'follow',
  'snippet',
  'inMap',
  'keywords',
  'shareTitle',
  'shareText',
] as const;
export type EditableColumn = (typeof EDITABLE)[number];
/** Columns that only tell. */
export const READ_ONLY = ['address', 'name', 'state', 'findings', 'words', 'linksIn', 'linksOut', 'is', 'lacks', 'brought'] as const;
export type LedgerColumn = EditableColumn | (typeof READ_ONLY)[number];

/** What the columns are called. */
const HEADERS: Readonly<Record<LedgerColumn, string>> = {
  address: 'Address',
  name: 'Name',
  title: 'Title',
  description: 'Description',
  phrase: 'Target phrase',
  ending: 'Address ending',
  kind: 'Kind',
  intent: 'List it',
  keywords: 'Keywords',
  shareTitle: 'Share title',
  shareText: 'Share text',
  follow: 'Links followed',
  snippet: 'Snippet',
  inMap: 'In the map',
  state: 'State',
  findings: 'Findings',
  words: 'Words',
  linksIn: 'Links in',
  linksOut: 'Links out',
  is: 'It is',
  lacks: 'Lacks for a result',
  brought: 'Markup it came with',
};

/** What a column is called. */
export const columnName = (column: LedgerColumn): string => HEADERS[column];

export const isEditable = (column: LedgerColumn): column is EditableColumn => isOneOf(EDITABLE, column);

/** What stands in a cell, as text: what is shown, copied and compared. */
export function cellText(row: PageRow, document: SiteDocument, column: LedgerColumn): string {
  const own = document.tables.pages[row.id];
  switch (column) {
    case 'title':
    case 'description':
    case 'phrase':
    case 'address':
    case 'name':
    case 'state':
      return row[column];
    case 'ending':
      return endingOf(row.address);
    case 'kind':
      return KIND_TABLE[row.kind].name;
    case 'intent':
      return row.intent === 'list' ? 'list' : 'keep out';
    case 'follow':
      return effectiveDirectives(document, row).follow?.value === 'no' ? 'nofollow' : 'follow';
    case 'snippet': {
      const most = Number(effectiveDirectives(document, row).snippet?.value ?? -1);
      return most < 0 ? 'any' : most === 0 ? 'none' : String(most);
    }
    case 'inMap':
      return wantedInMap(document, row).wanted ? 'yes' : 'no';
    case 'keywords':
    case 'shareTitle':
    case 'shareText':
      return own?.[column] ?? '';
    case 'findings':
      return String(row.findings.length);
    case 'is':
    case 'brought':
      return (row[column] ?? []).join(', ');
    case 'lacks':
      return (row.lacks ?? []).map((path) => path.split('|')[0]).join(', ');
    case 'words':
    case 'linksIn':
    case 'linksOut':
      return String(row[column]);
  }
}

/** Why a text cannot stand in a cell. */
export type CellFault =
  | 'not-editable'
  | 'no-such-kind'
  | 'no-such-intent'
  | 'no-such-follow'
  | 'no-such-number'
  | 'no-such-answer'
  | 'ending-empty'
  | 'ending-characters'
  | 'ending-taken'
  | 'ending-home'
  | 'ending-query';

/**
 * The change that puts a text into a cell; nothing where it stands there already. An empty text takes the owner's word back, where there is one. The place that a new ending
 * leads to is taken from then on.
 */
export function cellChange(
  row: PageRow,
  document: SiteDocument,
  column: LedgerColumn,
  typed: string,
  taken: TakenPlaces,
): { readonly change: Change | undefined } | { readonly fault: CellFault } {
  if (!isEditable(column)) return { fault: 'not-editable' };
  const text = collapse(typed);
  if (text === cellText(row, document, column)) return { change: undefined };
  const own = document.tables.pages[row.id];
  switch (column) {
    case 'title':
    case 'description':
      // Emptied: the owner's word goes, and the pattern or the page speaks again; where it speaks already, it is taken away.
      return { change: set('pages', row.id, column, text === '' && typeof own?.[column] === 'string' && own[column] !== '' ? null : text) };
    case 'phrase':
    case 'keywords':
    case 'shareTitle':
    case 'shareText':
      return { change: set('pages', row.id, column, text === '' ? null : text) };
    case 'kind': {
      const kind = kindNamed(text);
      if (text !== '' && kind === undefined) return { fault: 'no-such-kind' };
      return { change: set('pages', row.id, 'kind', kind ?? null) };
    }
    case 'intent': {
      const intent = intentNamed(text);
      if (text !== '' && intent === undefined) return { fault: 'no-such-intent' };
      return { change: set('pages', row.id, 'intent', intent ?? null) };
    }
    case 'follow': {
      const follow = { follow: 'yes', yes: 'yes', nofollow: 'no', no: 'no', '': null }[text.toLowerCase()];
      return follow === undefined
        ? { fault: 'no-such-follow' }
        : { change: set('directives', directivesKey(`page:${row.id}`), 'follow', follow as 'yes' | 'no' | null) };
    }
    case 'snippet': {
      const most = text === '' ? null : /^any$/i.test(text) ? -1 : /^none$/i.test(text) ? 0 : /^\d{1,5}$/.test(text) ? Number(text) : undefined;
      return most === undefined ? { fault: 'no-such-number' } : { change: set('directives', directivesKey(`page:${row.id}`), 'snippet', most) };
    }
    case 'inMap': {
      const answer = { yes: true, in: true, true: true, '1': true, no: false, out: false, false: false, '0': false, '': null }[text.toLowerCase()];
      return answer === undefined ? { fault: 'no-such-answer' } : { change: set('pages', row.id, 'inMap', answer) };
    }
    case 'ending': {
      if (own?.address) return { fault: 'ending-query' };
      if (text === '') return own?.ending ? { change: set('pages', row.id, 'ending', null) } : { fault: 'ending-empty' };
      const fault = endingFault(row.id, text, (file) => taken.has(file));
      if (fault) return { fault: `ending-${fault}` };
      taken.take(movedFile(row.id, text));
      return { change: set('pages', row.id, 'ending', text) };
    }
  }
}

/** A kind by its name, as people write it. */
export function kindNamed(text: string): Kind | undefined {
  const low = text.trim().toLowerCase();
  return KINDS.find((kind) => kind === low || KIND_TABLE[kind].name.toLowerCase() === low || `${KIND_TABLE[kind].name.toLowerCase()}s` === low);
}

function intentNamed(text: string): 'list' | 'out' | undefined {
  const low = text.trim().toLowerCase();
  if (/^(list|listed|yes|index|true|1|in)$/.test(low)) return 'list';
  return /^(keep out|out|no|noindex|false|0|hide|hidden)$/.test(low) ? 'out' : undefined;
}
