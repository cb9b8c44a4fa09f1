import { useAsync } from '../ui/index.ts';
import { useState } from 'react';
import { bytesText } from '../../core/wording/index.ts';
import { wording } from './wording.ts';

interface Kept {
  readonly used: number;
  readonly most: number;
  readonly persisted: boolean;
}

/** How much the browser keeps for the program, how much it could, and whether it promises not to clear it by itself. */
export function Space({ changed }: { readonly changed: string }) {
  const [asked, setAsked] = useState(0);
  const { value: kept } = useAsync(async (): Promise<Kept> => {
    const { usage = 0, quota = 0 } = await navigator.storage.estimate();
    return { used: usage, most: quota, persisted: await navigator.storage.persisted() };
  }, `${changed} ${asked}`);
  if (!kept || kept.most === 0) return null;
  return (
    <p className="soft mt-4 flex flex-wrap items-baseline gap-x-2 text-note" data-testid="space">
      <span>
        {bytesText(kept.used)} of {bytesText(kept.most)} used in this browser.
      </span>
      {kept.persisted ? (
        <span>{wording.lasting}</span>
      ) : (
        <>
          <span>{wording.notLasting}</span>
          <button type="button" className="link-act" onClick={() => void navigator.storage.persist().then(() => setAsked(asked + 1))}>
            {wording.askLasting}
          </button>
        </>
      )}
    </p>
  );
}
