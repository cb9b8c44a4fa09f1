// Builds the app when something it is made of has changed since the last build.
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { bin, root, run } from './setup.mjs';

function sources() {
  const hash = createHash('sha256');
  hash.update(readFileSync(join(root, 'package-lock.json')));
  for (const folder of ['core', 'web']) {
    for (const path of readdirSync(join(root, folder), { recursive: true }).sort()) {
      const whole = join(root, folder, path);
      if (statSync(whole).isFile() && !/\.test\.tsx?$/.test(path)) hash.update(`${folder}/${path}\0`).update(readFileSync(whole));
    }
  }
  return hash.digest('hex');
}

/** Builds if need be. */
export function build() {
  const stamp = join(root, '.cache', 'built');
  const now = sources();
  if (existsSync(join(root, 'dist', 'index.html')) && existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return;
  console.log('Building the app …');
  run(bin('vite'), ['build', '--config', 'web/vite.config.ts', '--logLevel', 'warn']);
  mkdirSync(join(root, '.cache'), { recursive: true });
  writeFileSync(stamp, now);
}
