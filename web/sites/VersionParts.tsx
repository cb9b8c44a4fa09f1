import { useId, useMemo, type ReactNode } from 'react';
import type { MergePlan, ThreeWays } from '../../core/merge/index.ts';
import { addressOf } from '../../core/site/index.ts';
import { readableAddress } from '../../core/source/index.ts';
import { pathWords } from '../../core/wording/index.ts';
import { More, useMore } from '../ui/index.ts';
import { newVersion as wording, SAID } from './wording.ts';

/** What a word is about: the address of its page. */
export const pathOf = ({ page, what }: ThreeWays): string => (what === 'robots' ? 'robots.txt' : readableAddress(addressOf(page)));

/** What is said: a field, or a value of structured data by its property. */
export const saidWhat = ({ what, value }: ThreeWays): string =>
  what === 'markup' && value !== undefined ? `${SAID.markup}, ${pathWords(value.slice(value.indexOf('.') + 1))}` : SAID[what];

/** A few counts under a name; those of nothing are left out, but for the first. */
export function Sum({ title, children }: { readonly title: string; readonly children: readonly (readonly [number, string])[] }) {
  return (
    <div className="bg-base-100 px-4 py-3">
      <dt className="font-semibold">{title}</dt>
      {children
        .filter(([count], at) => count > 0 || at === 0)
        .map(([count, words]) => (
          <dd key={words} className="flex gap-2">
            <span className="w-12 flex-none text-right font-semibold tabular-nums">{count}</span> {words}
          </dd>
        ))}
    </div>
  );
}

/** A part of the plan that is open. */
export function Part({ title, why, act, children }: { readonly title: string; readonly why: string; readonly act?: ReactNode; readonly children: ReactNode }) {
  const id = useId();
  return (
    <section className="mt-6" aria-labelledby={id}>
      <div className="flex flex-wrap items-end gap-2.5">
        <div className="min-w-0 flex-1 basis-64">
          <h2 id={id}>{title}</h2>
          <p className="soft text-note">{why}</p>
        </div>
        {act}
      </div>
      <div className="panel mt-2 overflow-hidden [&>ul>li:first-child]:border-t-0">{children}</div>
    </section>
  );
}

/** A part that is looked at by those who want to. */
export function Folded({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  return (
    <details className="panel mt-4 overflow-hidden">
      <summary className="cursor-pointer px-4 py-2.5 font-semibold">{title}</summary>
      {children}
    </details>
  );
}

/** A list of which more is shown when asked for. */
export function Long<T>({ of, children }: { readonly of: readonly T[]; readonly children: (one: T) => ReactNode }) {
  const { drawn, more } = useMore('');
  return (
    <>
      <ul>{of.slice(0, drawn).map(children)}</ul>
      <More drawn={drawn} total={of.length} onMore={more} />
    </>
  );
}

/** One side of three: what it was, what the owner made of it, what the new source says. */
export function Said({ title, chosen, children }: { readonly title: string; readonly chosen: boolean; readonly children: string }) {
  return (
    <div className={`min-w-0 rounded-field px-2 py-1 ${chosen ? 'bg-base-300' : ''}`}>
      <dt className="soft text-tiny">{title}</dt>
      <dd className="break-words" dir="auto">
        {children === '' ? <span className="soft">{wording.nothing}</span> : children}
      </dd>
    </div>
  );
}

/** The address of a page, or where it was and is, and a word about it. */
export function PathLine({ paths, children }: { readonly paths: readonly string[]; readonly children?: ReactNode }) {
  return (
    <li className="flex flex-wrap gap-x-3 border-t border-line px-4 py-2 text-small">
      <span className="mono break-all">{paths.map((path) => readableAddress(addressOf(path))).join(' → ')}</span>
      <span className="soft text-note">{children}</span>
    </li>
  );
}

/** A word of the owner, with where it is said. */
export function OneWord({ one }: { readonly one: ThreeWays }) {
  return (
    <li className="border-t border-line px-4 py-2 text-small">
      <span className="font-semibold">{saidWhat(one)}</span> <span className="mono soft text-tiny break-all">{pathOf(one)}</span>
      <span className="block break-words" dir="auto">
        {one.mine}
      </span>
    </li>
  );
}

/** Addresses of the new version, to choose from. */
export function Addresses({ plan }: { readonly plan: MergePlan }) {
  const paths = useMemo(
    () => ['/', ...[...plan.pages.added, ...plan.pages.changed, ...plan.pages.moved.map(({ to }) => to)].map((id) => addressOf(id))].slice(0, 500),
    [plan],
  );
  return (
    <datalist id="addresses-there">
      {[...new Set(paths)].map((path) => (
        <option key={path} value={path} />
      ))}
    </datalist>
  );
}
