// Type-checks each part with the libraries it may use, two at a time.
import { spawn } from 'node:child_process';
import { bin, root } from './setup.mjs';

const projects = ['core/tsconfig.json', 'web/tsconfig.json', 'server/tsconfig.json', 'tsconfig.json'];
let failed = false;
async function worker() {
  for (let project = projects.shift(); project; project = projects.shift()) {
    const code = await new Promise((resolve) => spawn(bin('tsc'), ['-p', project], { cwd: root, stdio: 'inherit' }).on('exit', resolve));
    if (code !== 0) failed = true;
  }
}
await Promise.all([worker(), worker()]);
process.exit(failed ? 1 : 0);
