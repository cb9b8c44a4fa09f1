import { useCallback, useEffect, useState } from 'react';
import type { CrawlView } from '../../core/exchange/index.ts';
import { useWorkspaceApi } from '../workspace/index.ts';
import { afterFailure } from './crawl-failure.ts';
import { keepCrawl, keptCrawl } from './kept-crawl.ts';

/** Milliseconds between two looks at how far it has come. */
const BETWEEN = 500;

/** A crawl as the server does it: looked at now and then while it runs. `watch` begins to look at one, `tried` does something about it and tells what failed. */
export function useCrawl(of: string) {
  const { crawl } = useWorkspaceApi().tools.outside;
  const [id, setId] = useState(() => keptCrawl(of));
  // What was seen is of one crawl: an answer about another that comes late is none about this one.
  const [seen, setSeen] = useState<{ readonly of: string | undefined; readonly view: CrawlView | undefined }>();
  const view = seen?.of === id ? seen?.view : undefined;
  const [failure, setFailure] = useState<string>();
  const watch = useCallback(
    (next: string | undefined): void => {
      keepCrawl(of, next);
      setId(next);
    },
    [of],
  );
  const setView = useCallback((next: CrawlView | undefined): void => setSeen({ of: id, view: next }), [id]);
  const fail = useCallback(
    (error: unknown): void => {
      const { failure: told, ends } = afterFailure(error, undefined);
      setFailure(told);
      if (ends) watch(undefined);
      setSeen((before) => ({ of: before?.of, view: afterFailure(error, before?.view).view }));
    },
    [watch],
  );
  useEffect(() => {
    if (id === undefined || (view && view.state !== 'running')) return;
    let asked = true;
    const timer = setTimeout(
      () => {
        crawl.view(id).then(
          (next) => {
            if (!asked) return;
            setFailure(undefined);
            setView(next);
          },
          (error: unknown) => asked && fail(error),
        );
      },
      view ? BETWEEN : 0,
    );
    return () => {
      asked = false;
      clearTimeout(timer);
    };
  }, [crawl, fail, id, setView, view]);
  const tried = async (run: () => Promise<void>): Promise<void> => {
    setFailure(undefined);
    try {
      await run();
    } catch (error) {
      fail(error);
    }
  };
  return { id, view, failure, crawl, tried, watch, setView, setFailure };
}
