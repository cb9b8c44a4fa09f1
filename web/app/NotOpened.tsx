import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { Empty } from '../ui/index.ts';

/** A site that could not be opened: why, another try, and the way to all sites. */
export function NotOpened({ title, again, children }: { readonly title: string; readonly again: () => void; readonly children: ReactNode }) {
  return (
    <Empty
      title={title}
      action={
        <>
          <button type="button" className="btn btn-primary" onClick={again}>
            Try again
          </button>
          <Link className="btn btn-outline-ink" to="/sites">
            Your sites
          </Link>
        </>
      }
    >
      {children}
    </Empty>
  );
}
