import { ENGINES } from '../engines/index.ts';
import { wayIn, type WayIn } from '../indexing/index.ts';
import { effectiveAddress } from '../site/index.ts';
import type { RobotsAccess } from './access.ts';
import type { Evidences } from './evidence.ts';

/** A file that is no page. */
export interface OtherFile {
  readonly path: string;
  readonly address: string;
  /** Bytes. */
  readonly size: number;
  /** `X-Robots-Tag` values. */
  readonly headers: readonly string[];
  readonly linksIn: number;
  /** Engines that robots.txt keeps from it. */
  readonly shutTo: readonly string[];
  readonly reality: WayIn['reality'];
}

/** Files that are no pages, with what their headers will say and whether each engine may fetch them. */
export function otherFiles(evidences: Evidences, files: Iterable<{ readonly path: string; readonly size: number }>, access: RobotsAccess): OtherFile[] {
  const { around } = evidences;
  return [...files].flatMap(({ path, size }) => {
    if (around.page(path)) return [];
    const address = effectiveAddress(around.document, path);
    const [first, ...others] = ENGINES.map((engine) => ({
      name: engine.name,
      way: wayIn(evidences.ofFile(path, address, engine.crawler, access.to(engine.crawler))),
    }));
    if (!first) return [];
    const shutTo = [first, ...others].flatMap(({ name, way }) =>
      way.gates.some((gate) => gate.name === 'fetchable' && gate.outcome === 'shut') ? [name] : [],
    );
    return [{ path, address, size, headers: evidences.headersOf(address), linksIn: around.linksIn(path), shutTo, reality: first.way.reality }];
  });
}
