import { memo } from 'react';
import { cellText, isEditable, type LedgerColumn } from '../../../core/ledger/index.ts';
import type { SiteDocument } from '../../../core/site/index.ts';
import type { PageRow } from '../../../core/rows/index.ts';
import { fit, type TextLimit } from '../../../core/titles/index.ts';
import { STATE_WORDS } from '../../../core/wording/index.ts';
import { siteText, StateSign } from '../../components/index.ts';
import { WIDTHS } from './layout.ts';
import { inBox, type At, type Box } from './selection.ts';

interface Props {
  readonly row: PageRow;
  readonly index: number;
  readonly top: number;
  readonly columns: readonly LedgerColumn[];
  readonly width: number;
  /** Columns in view besides the first, and how much stands before them, px. */
  readonly view: { readonly from: number; readonly to: number; readonly before: number };
  /** What the owner wrote for this page: keywords and card texts stand there. */
  readonly own: SiteDocument['tables']['pages'][string] | undefined;
  readonly document: SiteDocument;
  readonly limits: { readonly title: TextLimit; readonly description: TextLimit };
  readonly box: Box | undefined;
  readonly cursor: At | undefined;
  readonly corner: At | undefined;
}

/** One page of the ledger. Draws anew only when its page, its columns or its part of the selection change. */
export const GridRow = memo(
  function GridRow({ row, index, top, columns, width, view, document, limits, box, cursor, corner }: Props) {
    return (
      <div className="ledger-row" role="row" aria-rowindex={index + 2} style={{ transform: `translateY(${top}px)`, width }} data-row={index}>
        {columns.map((column, at) => {
          if (at > 0 && (at < view.from || at > view.to))
            return at === view.from - 1 ? <div key="before" aria-hidden style={{ width: view.before, flex: 'none' }} /> : null;
          const text = cellText(row, document, column);
          const from = column === 'title' ? row.titleFrom : column === 'description' ? row.descriptionFrom : undefined;
          const limit = column === 'title' ? limits.title : column === 'description' ? limits.description : undefined;
          const classes = ['ledger-cell'];
          if (at === 0) classes.push('first');
          if (!isEditable(column) && at > 0) classes.push('telling');
          if (from) classes.push(from === 'owner' ? 'own' : from === 'none' && row.intent === 'out' ? 'page' : from);
          if (limit && fit(text, limit).cut) classes.push('cut');
          if (box && inBox(box, index, at)) classes.push('selected');
          const isCursor = cursor?.row === index && cursor.column === at;
          if (isCursor) classes.push('cursor');
          return (
            <div
              key={column}
              id={isCursor ? 'ledger-cursor' : undefined}
              role={at === 0 ? 'rowheader' : 'gridcell'}
              aria-colindex={at + 1}
              aria-selected={box !== undefined && inBox(box, index, at)}
              {...(at === 0 ? {} : { 'aria-readonly': !isEditable(column) })}
              className={classes.join(' ')}
              style={{ width: WIDTHS[column] }}
              data-column={at}
              {...(SITE_WORDS.has(column) ? siteText(row.lang) : {})}
            >
              {at === 0 && <StateSign state={row.state} />}
              {shownText(column, text, row)}
              {corner?.row === index && corner.column === at && <i className="ledger-fill" data-fill aria-hidden />}
            </div>
          );
        })}
      </div>
    );
  },
  (a, b) =>
    a.row === b.row &&
    a.index === b.index &&
    a.top === b.top &&
    a.columns === b.columns &&
    a.view === b.view &&
    a.own === b.own &&
    a.limits === b.limits &&
    sameShare(a, b) &&
    (a.cursor?.row === a.index ? a.cursor : undefined) === (b.cursor?.row === b.index ? b.cursor : undefined) &&
    (a.corner?.row === a.index ? a.corner : undefined) === (b.corner?.row === b.index ? b.corner : undefined),
);

/** Columns in which the site itself speaks. */
const SITE_WORDS: ReadonlySet<LedgerColumn> = new Set<LedgerColumn>([
  'name',
  'title',
  'description',
  'phrase',
  'keywords',
  'shareTitle',
  'shareText',
] as LedgerColumn[]);

/** What stands in a cell: its text, but for what reads better otherwise. */
function shownText(column: LedgerColumn, text: string, row: PageRow): string {
  if (column === 'state') return STATE_WORDS[row.state].name.toLowerCase();
  return column === 'findings' && text === '0' ? '' : text;
}

/** Whether the selection covers the same of this row in both. */
function sameShare(a: Props, b: Props): boolean {
  const share = ({ box, index }: Props): string => (box && index >= box.top && index < box.top + box.rows ? `${box.left} ${box.columns}` : '');
  return share(a) === share(b);
}
