import '@fontsource-variable/bricolage-grotesque/wght.css';
import '@fontsource-variable/figtree/wght.css';
import '@fontsource-variable/jetbrains-mono/wght.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { z } from 'zod';
import { journalEntrySchema } from '../../core/site/index.ts';
import { startAnalysis } from '../analysis/index.ts';
import { outsideOver } from '../outside/index.ts';
import { openDatabase } from '../storage/index.ts';
import { Workspace, WorkspaceContext } from '../workspace/index.ts';
import { App } from './App.tsx';
import './styles.css';
import { applyTheme, storedTheme } from './theme.ts';

// The one place where effects are made and handed over.
applyTheme(storedTheme());
const root = createRoot(document.getElementById('root') as HTMLElement);
const UNDER_WAY = 'jolly-beacon-under-way:';
const channel = new BroadcastChannel('jolly-beacon');

try {
  const workspace = new Workspace({
    db: await openDatabase(),
    analysis: startAnalysis(),
    outside: outsideOver((input, init) => fetch(input, init)),
    now: () => new Date(),
    tab: crypto.randomUUID(),
    underWay: {
      keep: (siteId, entries) => {
        if (entries.length === 0) return sessionStorage.removeItem(UNDER_WAY + siteId);
        try {
          sessionStorage.setItem(UNDER_WAY + siteId, JSON.stringify(entries));
        } catch {
          // There is no room for more; it is written all the same, a moment later.
        }
      },
      find: (siteId) =>
        z
          .array(journalEntrySchema)
          .safeParse((JSON.parse(sessionStorage.getItem(UNDER_WAY + siteId) ?? '[]') as object[]).map((entry) => ({ ...entry, seq: 0 }))).data ?? [],
    },
    announce: (siteId) => channel.postMessage(siteId),
    listen: (heard) => {
      const listener = (event: MessageEvent<string>): void => heard(event.data);
      channel.addEventListener('message', listener);
      return () => channel.removeEventListener('message', listener);
    },
  });
  window.addEventListener('pagehide', () => workspace.keepUnwritten());
  root.render(
    <StrictMode>
      <WorkspaceContext value={workspace}>
        <App />
      </WorkspaceContext>
    </StrictMode>,
  );
} catch (error) {
  root.render(
    <main className="p-10">
      <h1>The browser lets nothing be kept</h1>
      <p className="mt-2">Jolly Beacon keeps your sites in this browser and needs its storage; a private window may forbid it. {(error as Error).message}</p>
    </main>,
  );
}
