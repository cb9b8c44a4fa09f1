import { useMemo } from 'react';
import { readSnippet, type ReadSnippet } from '../../core/snippets/index.ts';
import { useReport } from '../workspace/index.ts';

/** Longest code that is read at once, in characters; what is longer is read by the worker, so that no key waits for it. */
const AT_ONCE = 1_500;

/** How code is understood; undefined while it is read. */
export function useReading(code: string): ReadSnippet | undefined {
  const long = code.length > AT_ONCE;
  const here = useMemo(() => (long ? undefined : readSnippet(code)), [code, long]);
  const away = useReport(async (one) => (long ? { code, read: await one.tools.analysis.readSnippet(code) } : undefined), long ? code : '');
  return here ?? (away?.code === code ? away.read : undefined);
}
