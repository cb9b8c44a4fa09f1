// `npm run dev`: the server, started anew when its code changes, and the app with reload in front of it.
import { spawn } from 'node:child_process';
import { bin, installPackages, root } from './setup.mjs';

const APP = process.env.DEV_PORT ?? '5173';

installPackages();
const parts = [
  spawn(process.execPath, ['--watch-path=server', '--watch-path=core', '--import', 'tsx', 'server/main.ts'], { cwd: root, stdio: 'inherit' }),
  spawn(bin('vite'), ['--config', 'web/vite.config.ts', '--host', '127.0.0.1', '--port', APP, '--strictPort'], { cwd: root, stdio: 'inherit' }),
];
console.log(`\n  For working on it, with reload:  http://127.0.0.1:${APP}\n`);
let ending = false;
function end(code) {
  if (ending) return;
  ending = true;
  for (const part of parts) part.kill('SIGTERM');
  process.exitCode = code;
}
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => end(0));
for (const part of parts) part.on('exit', (code) => end(code ?? 1));
