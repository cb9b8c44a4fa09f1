import type { AddressPath } from '../source/index.ts';
import type { Redirect } from './redirects.ts';

/** A redirect that helps nobody: it ends at an address where nothing answers, or comes back to where it was. */
export interface DeadRedirect extends Redirect {
  readonly why: 'nothing' | 'circle';
}

const LONGEST = 10;

/** The redirects that help nobody. `at` tells what a path leads on to: itself where something answers there, undefined where nothing does. */
export function deadRedirects(redirects: readonly Redirect[], at: (path: AddressPath) => AddressPath | undefined): readonly DeadRedirect[] {
  const known = new Map(redirects.map((redirect) => [redirect.from, redirect]));
  return [...known.values()].flatMap((redirect): readonly DeadRedirect[] => {
    const been = new Set([redirect.from]);
    for (let path = redirect.to.replace(/[?#].*$/s, ''); been.size <= LONGEST;) {
      if (been.has(path)) return [{ ...redirect, why: 'circle' }];
      been.add(path);
      const next = at(path);
      if (next === undefined) return [{ ...redirect, why: 'nothing' }];
      if (next === path) return known.get(path)?.to === path ? [{ ...redirect, why: 'circle' }] : [];
      path = next.replace(/[?#].*$/s, '');
    }
    return [{ ...redirect, why: 'circle' }];
  });
}
