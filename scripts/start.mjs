// `npm start`: installs what is missing, builds what has changed, serves on loopback.
import { spawn } from 'node:child_process';
import { installPackages, root } from './setup.mjs';
import { build } from './build.mjs';

installPackages();
build();
const server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts'], { cwd: root, stdio: 'inherit' });
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
