import type { ReactNode } from 'react';

/** A place with nothing in it yet: what goes there, and the one action. */
export function Empty({ title, children, action }: { readonly title: string; readonly children: ReactNode; readonly action?: ReactNode }) {
  return (
    <div className="mx-auto max-w-md py-14 text-center">
      <p className="display text-lg font-semibold">{title}</p>
      <p className="soft mt-1">{children}</p>
      {action && <div className="mt-4 flex justify-center gap-2">{action}</div>}
    </div>
  );
}
