import { createHash } from 'node:crypto';
import { z } from 'zod';
import type { Store } from '../stand-ins/store.ts';
import type { Answered } from './sift.ts';

/** Answers after which what is remembered is written down: a server that is killed asks so many again at most. */
const WRITTEN_AFTER = 25;

/** Answers of one host that are remembered at most, and hosts; those of longest ago are forgotten. */
const MOST_ANSWERS = 20_000;
const MOST_HOSTS = 20;

const held = z.strictObject({
  // A name of bytes and nothing else: a document that somebody tampered with must not name another file.
  hash: z.string().regex(/^[\da-f]{64}$/),
  etag: z.string().optional(),
  modified: z.string().optional(),
  type: z.string().optional(),
  tags: z.array(z.string()).optional(),
});
type Held = z.infer<typeof held>;
const saved = z.strictObject({ version: z.literal(1), answers: z.record(z.string(), held) });

/** What an address answered when it was last brought in: what a host is asked whether it still holds (RFC 9110, 13.1). */
export interface Remembered {
  readonly etag: string | undefined;
  readonly modified: string | undefined;
  /** The answer itself, read when it is needed. */
  answer(): Promise<Omit<Answered, 'address' | 'status'> | undefined>;
}

/** What a crawl remembers from one time to the next. */
export interface Memory {
  of(address: string): Remembered | undefined;
  keep(address: string, answer: Omit<Answered, 'address' | 'status'>): Promise<void>;
  /** Writes down what is remembered. */
  save(): Promise<void>;
}

/** Remembers nothing. */
export const NO_MEMORY: Memory = { of: () => undefined, keep: async () => undefined, save: async () => undefined };

/** What came from a host before, in a folder of the server's that is for this alone: bytes by their hash, and one document with what its addresses answered. All of it can be lost. */
export async function rememberHost(store: Store, host: string): Promise<Memory> {
  const name = createHash('sha256').update(host).digest('hex').slice(0, 32);
  const answers = new Map<string, Held>(Object.entries((await store.read(name, saved))?.answers ?? {}));
  let unwritten = 0;
  const save = async (): Promise<void> => {
    unwritten = 0;
    await store.write(name, { version: 1, answers: Object.fromEntries(answers) });
  };
  return {
    of: (address) => {
      const known = answers.get(address);
      return (
        known && {
          etag: known.etag,
          modified: known.modified,
          answer: async () => {
            const bytes = await store.bytes(known.hash);
            return bytes && hashOf(bytes) === known.hash ? { bytes, headers: headersOf(known) } : undefined;
          },
        }
      );
    },
    keep: async (address, { bytes, headers }) => {
      const first = (header: string): string | undefined => headers[header]?.[0];
      // What a host gives no mark to cannot be asked for again by it.
      if (first('etag') === undefined && first('last-modified') === undefined) return;
      const hash = hashOf(bytes);
      await store.keepBytes(hash, bytes);
      const tags = headers['x-robots-tag'];
      // Put behind the others: those in front are the first to be forgotten.
      answers.delete(address);
      for (const oldest of [...answers.keys()].slice(0, Math.max(0, answers.size + 1 - MOST_ANSWERS))) answers.delete(oldest);
      answers.set(address, {
        hash,
        ...given('etag', first('etag')),
        ...given('modified', first('last-modified')),
        ...given('type', first('content-type')),
        ...(tags === undefined ? {} : { tags: [...tags] }),
      });
      if (++unwritten >= WRITTEN_AFTER) await save();
    },
    save,
  };
}

/** Forgets the hosts of longest ago, and bytes that nothing remembered names. Only while no crawl is under way. Gives how many files went. */
export async function sweepMemory(store: Store): Promise<number> {
  const documents = (await store.documents()).sort((a, b) => b.at - a.at);
  for (const { name } of documents.slice(MOST_HOSTS)) await store.remove(name);
  const named = new Set<string>();
  for (const { name } of documents.slice(0, MOST_HOSTS)) for (const { hash } of Object.values((await store.read(name, saved))?.answers ?? {})) named.add(hash);
  const left = (await store.keptBytes()).filter((hash) => !named.has(hash));
  for (const hash of left) await store.removeBytes(hash);
  return left.length + Math.max(0, documents.length - MOST_HOSTS);
}

const hashOf = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');

const given = <Name extends string>(name: Name, value: string | undefined): Partial<Record<Name, string>> =>
  (value === undefined ? {} : { [name]: value }) as Partial<Record<Name, string>>;

const headersOf = ({ etag, modified, type, tags }: Held): Answered['headers'] => ({
  ...(etag === undefined ? {} : { etag: [etag] }),
  ...(modified === undefined ? {} : { 'last-modified': [modified] }),
  ...(type === undefined ? {} : { 'content-type': [type] }),
  ...(tags === undefined ? {} : { 'x-robots-tag': tags }),
});
