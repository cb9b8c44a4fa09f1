import { useEffect, useState } from 'react';
import { bytesText } from '../../core/wording/index.ts';
import { wording } from './wording.ts';

interface Kept {
  readonly used: number;
  readonly most: number;
  readonly persisted: boolean;
}

/** How much the browser keeps for the program, how much it could, and whether it promises not to clear it by itself. */
export function Space({ changed }: { readonly changed: unknown }) {
  const [kept, setKept] = useState<Kept>();
  useEffect(() => {
    let current = true;
    void (async () => {
      const { usage = 0, quota = 0 } = await navigator.storage.estimate();
      const notUndoable = await navigator.storage.persisted();
      if (current) setKept({ used: usage, most: quota, persisted: notUndoable });
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
      {kept.persisted ? (
        <span>{wording.notUndoable}</span>
      ) : (
        <>
          <span>{wording.notLasting}</span>
          <button
            type="button"
            className="link-act"
            onClick={() => void navigator.storage.persist().then((notUndoable) => setKept({ ...kept, persisted: notUndoable }))}
          >
            {wording.askLasting}
          </button>
        </>
      )}
    </p>
  );
}
