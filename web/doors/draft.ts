import { useCallback, useState } from 'react';

const keyOf = (siteId: string): string => `jolly-beacon-robots-draft-${siteId}`;

/** What is written into robots.txt and not taken yet; kept in this browser, so that a reload or a walk elsewhere loses nothing. */
export function useDraft(siteId: string): [string | undefined, (text: string | undefined) => void] {
  const [kept, setKept] = useState<{ readonly siteId: string; readonly text: string | undefined }>(() => ({
    siteId,
    text: localStorage.getItem(keyOf(siteId)) ?? undefined,
  }));
  const write = useCallback(
    (text: string | undefined): void => {
      if (text === undefined) localStorage.removeItem(keyOf(siteId));
      else localStorage.setItem(keyOf(siteId), text);
      setKept({ siteId, text });
    },
    [siteId],
  );
  return [kept.siteId === siteId ? kept.text : (localStorage.getItem(keyOf(siteId)) ?? undefined), write];
}
