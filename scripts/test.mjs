// `npm test`: installs what is missing, the browser included, then checks everything: types, lint, import rules, unit and browser tests.
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { bin, installPackages, root, run } from './setup.mjs';
import { build } from './build.mjs';

const CHROMIUM = '/usr/bin/chromium';

installPackages();
const apt = (...args) => {
  const sudo = process.getuid?.() === 0 ? [] : ['sudo'];
  return (
    spawnSync(sudo[0] ?? 'apt-get', [...sudo.slice(1), ...(sudo.length > 0 ? ['apt-get'] : []), ...args], {
      cwd: root,
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
      stdio: ['ignore', 'ignore', 'inherit'],
    }).status === 0
  );
};
// The face whose widths the core knows is measured in the browser too.
if (!existsSync(CHROMIUM) || !existsSync('/usr/share/fonts/truetype/liberation')) {
  console.log('Installing Chromium …');
  if (!apt('update', '-qq') || !apt('install', '-y', '-qq', 'chromium', 'fonts-liberation')) {
    console.error('Chromium could not be installed. On Debian: apt-get install chromium');
    process.exit(1);
  }
  // A real site of over a thousand pages for the journey through a large one; without it a made one serves.
  apt('install', '-y', '-qq', 'postgresql-doc');
}

const steps = [
  ['types', () => run(process.execPath, ['scripts/types.mjs'])],
  ['lint', () => run(bin('eslint'), ['.', '--max-warnings', '0'])],
  ['import rules', () => run(bin('depcruise'), ['--config', '.dependency-cruiser.cjs', 'core', 'web', 'server'])],
  ['unit tests', () => run(bin('vitest'), ['run'])],
  ['build', build],
  ['browser tests', browserTests],
];
let counted = '';
for (const [name, step] of steps) {
  const started = Date.now();
  console.log(`\n— ${name}`);
  step();
  console.log(`  ${((Date.now() - started) / 1000).toFixed(1)} s`);
}
console.log(`\nAll checks passed.\n${counted}`);

function browserTests() {
  const done = spawnSync(bin('playwright'), ['test', '--config', 'e2e/playwright.config.ts'], {
    cwd: root,
    encoding: 'utf8',
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  process.stdout.write(done.stdout);
  if (done.status !== 0) process.exit(done.status ?? 1);
  counted = `${/(\d+) passed/.exec(done.stdout)?.[1] ?? 0} passed, 0 failed`;
}
