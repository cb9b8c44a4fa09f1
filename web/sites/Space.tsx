import { useEffect, useState } from 'react';
import { bytesText } from '../../core/wording/index.ts';
import { W } from './wording.ts';

interface Kept {
  readonly used: number;
  readonly most: number;
  readonly lasting: boolean;
}

/** How much the browser keeps for the program, how much it could, and whether it promises not to clear it by itself. */
export function Space({ changed }: { readonly changed: unknown }) {
  const [kept, setKept] = useState<Kept>();
  useEffect(() => {
    let current = true;
    void (async () => {
      const { usage = 0, quota = 0 } = await navigator.storage.estimate();
      const lasting = await navigator.storage.persisted();
      if (current) setKept({ used: usage, most: quota, lasting });
    })().catch(() => undefined);
    return () => {
      current = false;
    };
  }, [changed]);
  if (!kept || kept.most === 0) return null;
  return (
    <p className="soft mt-4 flex flex-wrap items-baseline gap-x-2 text-[13px]" data-testid="space">
      <span>
        {bytesText(kept.used)} of {bytesText(kept.most)} used in this browser.
      </span>
      {kept.lasting ? (
        <span>{W.lasting}</span>
      ) : (
        <>
          <span>{W.notLasting}</span>
          <button type="button" className="link-act" onClick={() => void navigator.storage.persist().then((lasting) => setKept({ ...kept, lasting }))}>
            {W.askLasting}
          </button>
        </>
      )}
    </p>
  );
}
