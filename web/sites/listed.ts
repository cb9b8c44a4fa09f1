import { listedFiles, type AddressList } from '../../core/ledger/index.ts';
import { numberText } from '../../core/wording/index.ts';
import type { Bringing } from '../analysis/index.ts';
import { wording } from './wording.ts';

/** What of a list is left out, and why, in a few words each. */
export function leftOut(list: AddressList): readonly string[] {
  return [
    ...list.others.map(({ host, count }) => `${wording.otherSite(host)} (${numberText(count)})`),
    ...(list.repeats > 0 ? [wording.repeats(list.repeats)] : []),
    ...(list.noPages > 0 ? [wording.noPages(list.noPages)] : []),
    ...(list.beyond > 0 ? [wording.beyond(list.beyond)] : []),
  ];
}

/** The site that a list makes, called by its host where one is named; undefined where it lists no page. */
export function siteOfList({ pages }: AddressList): Bringing | undefined {
  const first = pages.find(({ address }) => /^https?:\/\//i.test(address));
  return pages.length === 0 ? undefined : { kind: 'list', name: first ? new URL(first.address.trim()).host : 'My site', files: listedFiles(pages) };
}
