import { useDraft as useKept } from '../../ui/index.ts';

/** What is written into robots.txt and not taken yet; kept in this browser, so that a reload or a walk elsewhere loses nothing. */
export function useDraft(siteId: string): readonly [string | undefined, (text: string | undefined) => void] {
  return useKept(`robots:${siteId}`);
}
