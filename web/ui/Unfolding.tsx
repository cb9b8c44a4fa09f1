import type { ComponentProps, ReactNode } from 'react';

const MARK =
  "before:size-0 before:self-center before:border-5 before:border-r-0 before:border-l-7 before:border-transparent before:border-l-faint before:transition-transform before:content-[''] group-open/unfolding:before:rotate-90";

/** A part of a screen that unfolds: what it is about is told while it is shut. */
export function Unfolding({
  name,
  about,
  className = 'mt-3.5',
  children,
  ...details
}: { readonly name: string; readonly about: ReactNode } & Omit<ComponentProps<'details'>, 'name'>) {
  return (
    <details className={`group/unfolding border-t border-line ${className}`} {...details}>
      <summary className={`flex min-h-10 cursor-pointer list-none flex-wrap items-baseline gap-x-2.5 gap-y-0.5 px-0.5 py-2.5 ${MARK}`}>
        <span className="display text-lead font-semibold">{name}</span> <span className="soft text-note">{about}</span>
      </summary>
      {children}
    </details>
  );
}
