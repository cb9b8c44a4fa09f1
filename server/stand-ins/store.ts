import { createHash, randomUUID } from 'node:crypto';
import { mkdir, readdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import type { z } from 'zod';

/** Files in a folder: JSON documents written whole and atomically, and bytes by their hash. Everything here can be lost without loss to an owner. */
export class Store {
  private writing: Promise<unknown> = Promise.resolve();

  constructor(private readonly folder: string) {}

  /**
   * Reads a document; undefined where there is none or it is not of this shape (it is then put aside, never overwritten). Throws where there is one and it
   * cannot be read: it must not be taken for none.
   */
  async read<T>(name: string, schema: z.ZodType<T>): Promise<T | undefined> {
    const path = join(this.folder, `${name}.json`);
    let text: string;
    try {
      text = await readFile(path, 'utf8');
    } catch (error) {
      if ((error as { code?: string }).code === 'ENOENT') return undefined;
      throw error;
    }
    try {
      return schema.parse(JSON.parse(text));
    } catch {
      await rename(path, `${path}.unreadable-${randomUUID()}`).catch(() => undefined);
      return undefined;
    }
  }

  /** A store of its own in a folder of this one. */
  room(name: string): Store {
    return new Store(join(this.folder, name));
  }

  /** The documents right in the folder, with when each was written last, in milliseconds since 1970. */
  async documents(): Promise<{ readonly name: string; readonly at: number }[]> {
    const names = (await readdir(this.folder).catch(() => [])).filter((name) => name.endsWith('.json'));
    return Promise.all(
      names.map(async (name) => ({ name: name.slice(0, -5), at: (await stat(join(this.folder, name)).catch(() => undefined))?.mtimeMs ?? 0 })),
    );
  }

  async remove(name: string): Promise<void> {
    await rm(join(this.folder, `${name}.json`), { force: true });
  }

  /** Hashes of all bytes that are kept. */
  async keptBytes(): Promise<string[]> {
    const entries = await readdir(join(this.folder, 'bytes'), { recursive: true, withFileTypes: true }).catch(() => []);
    return entries.flatMap((entry) => (entry.isFile() && /^[\da-f]{64}$/.test(entry.name) ? [entry.name] : []));
  }

  async removeBytes(hash: string): Promise<void> {
    await rm(this.bytesPath(hash), { force: true });
  }

  /** Writes a document. Writes happen one after the other; a crash leaves the old one or the new one, never half. */
  write(name: string, value: unknown): Promise<void> {
    const path = join(this.folder, `${name}.json`);
    const text = JSON.stringify(value);
    const turn = this.writing.then(() => atomically(path, text));
    this.writing = turn.catch(() => undefined);
    return turn;
  }

  /** Takes away what writes that were cut off left lying. Only the one server that holds the folder may ask for it. */
  async sweep(): Promise<number> {
    const entries = await readdir(this.folder, { recursive: true, withFileTypes: true }).catch(() => []);
    const left = entries.filter((entry) => entry.isFile() && entry.name.endsWith('.new'));
    for (const entry of left) await rm(join(entry.parentPath, entry.name), { force: true });
    return left.length;
  }

  /** Keeps bytes under their SHA-256. Gives false where the bytes are not those. */
  async keepBytes(hash: string, bytes: Uint8Array): Promise<boolean> {
    if (createHash('sha256').update(bytes).digest('hex') !== hash) return false;
    if (!(await this.hasBytes(hash))) await atomically(this.bytesPath(hash), bytes);
    return true;
  }

  async hasBytes(hash: string): Promise<boolean> {
    return (await stat(this.bytesPath(hash)).catch(() => undefined)) !== undefined;
  }

  async bytes(hash: string): Promise<Buffer | undefined> {
    return readFile(this.bytesPath(hash)).catch(() => undefined);
  }

  private bytesPath(hash: string): string {
    return join(this.folder, 'bytes', hash.slice(0, 2), hash);
  }
}

async function atomically(path: string, content: string | Uint8Array): Promise<void> {
  await mkdir(dirname(path), { recursive: true });
  const aside = `${path}.${randomUUID()}.new`;
  try {
    await writeFile(aside, content);
    await rename(aside, path);
  } catch (error) {
    await rm(aside, { force: true }).catch(() => undefined);
    throw error;
  }
}
