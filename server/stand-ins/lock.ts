import { mkdir, readFile, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';

/** Another server is at work on the same state. */
export class Locked extends Error {
  constructor(readonly pid: number) {
    super(`process ${pid}`);
  }
}

/** Whether a process of this machine lives. */
export function lives(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    // It lives, and is somebody else's.
    return (error as { code?: string }).code === 'EPERM';
  }
}

/** Takes a folder for this process alone; gives a function that frees it. A lock that a dead process left counts for nothing. Throws Locked. */
export async function lockFolder(folder: string, pid = process.pid, alive: (pid: number) => boolean = lives): Promise<() => Promise<void>> {
  const path = join(folder, 'lock');
  await mkdir(folder, { recursive: true });
  for (let turn = 0; ; turn++) {
    try {
      await writeFile(path, String(pid), { flag: 'wx' });
      return () => rm(path, { force: true });
    } catch (error) {
      if ((error as { code?: string }).code !== 'EEXIST' || turn > 3) throw error;
      const holder = Number(await readFile(path, 'utf8').catch(() => ''));
      if (holder > 0 && holder !== pid && alive(holder)) throw new Locked(holder);
      await rm(path, { force: true });
    }
  }
}
