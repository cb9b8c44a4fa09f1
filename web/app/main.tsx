import '@fontsource-variable/bricolage-grotesque/wght.css';
import '@fontsource-variable/figtree/wght.css';
import '@fontsource-variable/jetbrains-mono/wght.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { measureUnknownLettersBy } from '../../core/titles/index.ts';
import { lettersMeasuredHere, startWorker, supervise } from '../analysis/index.ts';
import { OutsideError, outsideOver } from '../outside/index.ts';
import { lastingDatabase, openDatabase } from '../storage/index.ts';
import { Boundary, note } from '../ui/index.ts';
import { Workspace, WorkspaceContext } from '../workspace/index.ts';
import { App } from './App.tsx';
import { CannotKeep } from './CannotKeep.tsx';
import './styles.css';
import { applyTheme, storedTheme } from './theme.ts';
import { TOLD } from './told.ts';
import { tabMemory } from './unsaved-entries.ts';

// The one place where effects are made and handed over.
applyTheme(storedTheme());
measureUnknownLettersBy(lettersMeasuredHere());
const root = createRoot(document.getElementById('root') as HTMLElement);
const channel = new BroadcastChannel('jolly-beacon');

async function start(): Promise<void> {
  const worker = supervise(startWorker);
  const workspace = new Workspace({
    db: await lastingDatabase((lost) => openDatabase(undefined, lost)),
    analysis: worker.analysis,
    watchAnalysis: worker.watch,
    startAnalysisAgain: worker.startAgain,
    build: import.meta.url,
    outside: outsideOver(
      (input, init) => fetch(input, init),
      (there) => workspace.heardServer(there),
    ),
    now: () => new Date(),
    newId: () => crypto.randomUUID(),
    tab: crypto.randomUUID(),
    unsavedEntries: tabMemory(() => sessionStorage),
    tell: (what) => note(TOLD[what].text, { id: what, duration: 8_000 }, TOLD[what].tone),
    announce: (siteId) => channel.postMessage(siteId),
    listen: (heard) => {
      const listener = (event: MessageEvent<string>): void => heard(event.data);
      channel.addEventListener('message', listener);
      return () => channel.removeEventListener('message', listener);
    },
  });
  window.addEventListener('pagehide', () => workspace.keepUnwritten());
  window.addEventListener('beforeunload', (event) => {
    // Only where leaving would lose something: what is merely on its way is found again.
    if (workspace.state.unsaved > 0 && workspace.state.save === 'failed') event.preventDefault();
  });
  window.addEventListener('unhandledrejection', (event) => {
    const reason: unknown = event.reason;
    // Told already, in its own place.
    if (reason instanceof OutsideError || (reason as Error | undefined)?.name === 'WorkerLost') return event.preventDefault();
    note(TOLD['stumbled'].text, { id: 'stumbled', duration: 12_000 }, 'bad');
  });
  root.render(
    <StrictMode>
      <WorkspaceContext value={workspace}>
        <Boundary>
          <App />
        </Boundary>
      </WorkspaceContext>
    </StrictMode>,
  );
}

start().catch((error: unknown) => root.render(<CannotKeep error={error as Error} />));
