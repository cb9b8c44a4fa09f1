import type { Range } from '../source/index.ts';

/** A node of a JSON-LD block: what it says, and where it stands in the block's text. */
export interface DataNode extends Range {
  readonly value: Readonly<Record<string, unknown>>;
}

/** The nodes at the top of a JSON-LD block: the object itself, the members of its list, and those of its `@graph` (JSON-LD 1.1, 4.9). */
export interface DataBlock {
  readonly nodes: readonly DataNode[];
  /** Whether its words are those of schema.org, by its context. */
  readonly schema: boolean;
  /** Whether it is one object with nothing but a context and a `@graph`. */
  readonly onlyGraph: boolean;
}

const TOKENS = /"(?:[^"\\]|\\.)*"|[{}[\],:]/gs;
const NODE_PATHS = /^(?:|#|@graph|@graph#|#@graph|#@graph#)$/;

/** Reads a block; undefined where it is no JSON, or no object or list. */
export function readDataBlock(text: string): DataBlock | undefined {
  let whole: unknown;
  try {
    whole = JSON.parse(text);
  } catch {
    return undefined;
  }
  if (typeof whole !== 'object' || whole === null) return undefined;
  const top = Array.isArray(whole) ? whole : [whole];
  const contexts = top.flatMap((one) => (isRecord(one) ? [one['@context']] : [])).flat();
  return {
    nodes: objectsIn(text).filter(({ value }) => !('@graph' in value) || '@id' in value),
    schema: contexts.some((context) => typeof context === 'string' && /^https?:\/\/schema\.org\/?$/i.test(context)),
    onlyGraph: isRecord(whole) && Object.keys(whole).every((key) => key === '@context' || key === '@graph'),
  };
}

const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> => typeof value === 'object' && value !== null && !Array.isArray(value);

/** The objects at the places of nodes, with their ranges. The text is known to be JSON, so brackets and strings are all there is to look at. */
function objectsIn(text: string): DataNode[] {
  const found: DataNode[] = [];
  const open: { readonly kind: '{' | '['; readonly start: number; readonly path: string }[] = [];
  let key = '';
  let last = '';
  for (const { 0: token, index } of text.matchAll(TOKENS)) {
    const around = open[open.length - 1];
    if (token === '{' || token === '[') {
      // Members of a list are told by a sign that no key of interest is.
      const step = around === undefined ? '' : around.kind === '[' ? '#' : key === '@graph' ? '@graph' : '/';
      open.push({ kind: token, start: index, path: (around?.path ?? '') + step });
    } else if (token === '}' || token === ']') {
      const closed = open.pop();
      const range = { start: closed?.start ?? 0, end: index + 1 };
      if (token === '}' && closed && NODE_PATHS.test(closed.path))
        found.push({ ...range, value: JSON.parse(text.slice(range.start, range.end)) as DataNode['value'] });
    } else if (token === ':') key = JSON.parse(last) as string;
    last = token;
  }
  return found.sort((a, b) => a.start - b.start);
}
