import { useCallback, useState } from 'react';
import { recall, remember } from '../ui/index.ts';

const keyOf = (siteId: string): string => `jolly-beacon-robots-draft-${siteId}`;

/** What is written into robots.txt and not taken yet; kept in this browser, so that a reload or a walk elsewhere loses nothing. */
export function useDraft(siteId: string): [string | undefined, (text: string | undefined) => void] {
  const [kept, setKept] = useState<{ readonly siteId: string; readonly text: string | undefined }>(() => ({
    siteId,
    text: recall(keyOf(siteId)) ?? undefined,
  }));
  const write = useCallback(
    (text: string | undefined): void => {
      remember(keyOf(siteId), text ?? null);
      setKept({ siteId, text });
    },
    [siteId],
  );
  return [kept.siteId === siteId ? kept.text : (recall(keyOf(siteId)) ?? undefined), write];
}
