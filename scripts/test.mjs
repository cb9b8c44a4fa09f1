// `npm test`: installs what is missing, the browser included, then checks everything, the quick first.
// `npm test -- core/robots` tests one room, thoroughly; `npm test -- e2e/words` the journeys whose files begin so.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { bin, installPackages, root } from './setup.mjs';
import { build } from './build.mjs';

/** The whole browser, and the headless one that the journeys prefer. */
const BROWSERS = ['/usr/bin/chromium', '/usr/bin/chromium-headless-shell'];
const seconds = (since) => `${((Date.now() - since) / 1000).toFixed(1)} s`;
const started = Date.now();

/** Checks one after the other, each a list of commands that go side by side. Ends the program at the first that fails. */
async function check(name, ...commands) {
  const begun = Date.now();
  console.log(`\n— ${name}`);
  const codes = await Promise.all(commands.map((command) => (typeof command === 'function' ? command() : ran(command))));
  console.log(`  ${name}: ${seconds(begun)}`);
  const failed = codes.find((code) => code !== 0);
  if (failed === undefined) return;
  console.error(`\n${name}: failed, after ${seconds(started)} in all.`);
  process.exit(failed || 1);
}
let passed = 0;
const ran = ({ program, args = [], env = {} }) =>
  new Promise((done) => {
    const child = spawn(program, args, { cwd: root, stdio: ['ignore', 'pipe', 'inherit'], env: { ...process.env, ...env } });
    let said = '';
    child.stdout.on('data', (text) => {
      process.stdout.write(text);
      said = (said + text).slice(-5_000);
    });
    child.on('close', (code) => {
      // Both runners end with how many passed, in colours or not.

      passed += Number(/(?:Tests.*?|^\s*)\b(\d+) passed/m.exec(said.replace(/\x1b\[\d+m/g, '').replace(/^.*Test Files.*$/m, ''))?.[1] ?? 0);
      done(code ?? 1);
    });
  });
const types = { program: process.execPath, args: ['scripts/types.mjs'] };
const lint = { program: bin('eslint'), args: ['.', '--max-warnings', '0', '--cache', '--cache-location', '.cache/eslint'] };
const imports = { program: bin('depcruise'), args: ['--config', '.dependency-cruiser.cjs', '--output-type', 'err', 'core', 'web', 'server'] };
const unit = (...args) => ({ program: bin('vitest'), args: ['run', '--reporter=minimal', ...args] });
const slow = (...args) => ({ ...unit(...args), env: { EFFORT: '1', REPEATABLE: '1' } });
const journeys = (...args) => ({ program: bin('playwright'), args: ['test', '--config', 'e2e/playwright.config.ts', ...args] });
const built = () => {
  build();
  return 0;
};

installPackages();
const rooms = process.argv.slice(2);
const [ofJourneys, ofCode] = [rooms.filter((room) => room.startsWith('e2e')), rooms.filter((room) => !room.startsWith('e2e'))];
if (ofCode.length > 0) {
  await check('quick tests', unit('--passWithNoTests', ...ofCode));
  await check('slow tests', slow('--passWithNoTests', ...ofCode));
}
if (ofJourneys.length > 0) {
  installBrowser();
  await check('build', built);
  await check('journeys', journeys(...ofJourneys));
}
if (rooms.length === 0) {
  await check('quick tests', unit());
  await check('types, lint, import rules', types, lint, imports);
  installBrowser();
  await check('build', built);
  await check('slow tests', slow());
  await check('journeys', journeys());
}
console.log(`\nAll checks passed, in ${seconds(started)}.\n${passed} passed, 0 failed`);

/** The browser of the journeys, from Debian. */
function installBrowser() {
  const apt = (...args) => {
    const command = process.getuid?.() === 0 ? ['apt-get'] : ['sudo', 'apt-get'];
    return (
      spawnSync(command[0], [...command.slice(1), ...args], {
        cwd: root,
        env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
        stdio: ['ignore', 'ignore', 'inherit'],
      }).status === 0
    );
  };
  // The face whose widths the core knows is measured in the browser too.
  if (BROWSERS.every((path) => existsSync(path)) && existsSync('/usr/share/fonts/truetype/liberation')) return;
  console.log('\n— Chromium, from Debian');
  if (!apt('update', '-qq') || !apt('install', '-y', '-qq', 'chromium', 'fonts-liberation')) {
    console.error('Chromium could not be installed. On Debian: apt-get install chromium');
    process.exit(1);
  }
  // Where Debian has no such package the whole browser serves.
  apt('install', '-y', '-qq', 'chromium-headless-shell');
  // A real site of over a thousand pages for the journey through a large one; without it a made one serves.
  apt('install', '-y', '-qq', 'postgresql-doc');
}
