import { use, type ReactNode } from 'react';

type Drawn = (props: object) => ReactNode;

interface Known {
  /** Fetches the part, or gives what is being fetched. */
  readonly get: () => Promise<unknown>;
  readonly forgetFailure: () => void;
}
const parts = new Set<Known>();

/**
 * A part of the screen that is fetched when it is first drawn: of a module, the component of a name. One that could not be fetched stays failed, for a
 * boundary to say so, until `forgetFailures`.
 */
export function part<M, K extends keyof M>(load: () => Promise<M>, name: K): M[K] {
  let coming: Promise<Drawn> | undefined;
  let failed = false;
  const get = (): Promise<Drawn> =>
    (coming ??= load().then(
      (module) => module[name] as Drawn,
      (error: unknown) => {
        failed = true;
        throw error;
      },
    ));
  const forgetFailure = (): void => {
    if (failed) coming = undefined;
    failed = false;
  };
  parts.add({ get, forgetFailure });
  function Part(props: object): ReactNode {
    const Loaded = use(get());
    return <Loaded {...props} />;
  }
  known.set(Part, get);
  return Part as M[K];
}

const known = new WeakMap<object, () => Promise<unknown>>();

/** Fetches a part before it is drawn. */
export function fetchPart(component: object): void {
  known
    .get(component)?.()
    .catch(() => undefined);
}

/** Lets all parts that could not be fetched be asked for again. */
export function forgetFailures(): void {
  for (const one of parts) one.forgetFailure();
}

/** What the browser's own list of marks says once every part is here: from then on the screens do without the server. */
const ALL_HERE = 'all parts are here';

/**
 * Fetches all parts, also those that fetched parts bring with them, one at a time whenever there is nothing else to do: what is here already works
 * without the server. Gives up quietly at the first that cannot be had.
 */
export async function fetchAhead(idle: () => Promise<void>): Promise<void> {
  for (const one of parts) {
    await idle();
    try {
      await one.get();
    } catch {
      one.forgetFailure();
      return;
    }
  }
  performance.mark(ALL_HERE);
}
