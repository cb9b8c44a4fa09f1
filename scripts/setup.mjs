// What both `npm start` and `npm test` need before anything else: the packages of the lock file, installed once. Only Node's own modules are used here.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

export const root = join(import.meta.dirname, '..');

/** Runs a program in the project's folder and ends this one when it fails. */
export function run(command, args, options = {}) {
  const done = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options });
  if (done.status !== 0) {
    console.error(`\n${command} ${args.join(' ')} failed.`);
    process.exit(done.status ?? 1);
  }
}

/** A program that an installed package brings. */
export function bin(name) {
  return join(root, 'node_modules', '.bin', name);
}

/** Installs the packages unless those of this very lock file are there. */
export function installPackages() {
  const [major = 0, minor = 0] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19)) {
    console.error(`Node ${process.versions.node} is too old: 20.19 or newer is needed.`);
    process.exit(1);
  }
  const stamp = join(root, '.cache', 'installed');
  const wanted = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  if (existsSync(join(root, 'node_modules')) && existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  console.log('Installing packages …');
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']);
  mkdirSync(join(root, '.cache'), { recursive: true });
  writeFileSync(stamp, wanted);
}
