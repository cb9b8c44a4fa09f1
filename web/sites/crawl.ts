import { useCallback, useEffect, useRef, useState } from 'react';
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
  const [view, setView] = useState<CrawlView>();
  const [failure, setFailure] = useState<string>();
  const here = useRef(true);
  const watch = useCallback(
    (next: string | undefined): void => {
      keepCrawl(of, next);
      setId(next);
    },
    [of],
  );
  const fail = useCallback(
    (error: unknown): void => {
      const { failure: told, ends } = afterFailure(error, undefined);
      setFailure(told);
      if (ends) watch(undefined);
      setView((before) => afterFailure(error, before).view);
    },
    [watch],
  );
  useEffect(() => {
    here.current = true;
    return () => {
      here.current = false;
    };
  }, []);
  useEffect(() => {
    if (id === undefined || (view && view.state !== 'running')) return;
    const timer = setTimeout(
      () => {
        crawl.view(id).then(
          (next) => {
            if (!here.current) return;
            setFailure(undefined);
            setView(next);
          },
          (error: unknown) => here.current && fail(error),
        );
      },
      view ? BETWEEN : 0,
    );
    return () => clearTimeout(timer);
  }, [crawl, fail, id, view]);
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
