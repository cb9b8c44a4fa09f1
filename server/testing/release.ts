import { createHash } from 'node:crypto';
import type { ReleaseRequest } from '../../core/exchange/index.ts';
import type { StandIns } from '../stand-ins/index.ts';

/** Releases some files, given as texts, under a host's name by https. */
export async function releaseTexts(
  standIns: StandIns,
  host: string,
  files: Readonly<Record<string, string>>,
  number = 1,
  {
    encoding = 'utf8',
    headers = [],
    gone = [],
  }: { readonly encoding?: 'utf8' | 'latin1'; readonly headers?: ReleaseRequest['headers']; readonly gone?: string[] } = {},
): Promise<void> {
  const all = await Promise.all(
    Object.entries(files).map(async ([path, text]) => {
      const bytes = Buffer.from(text, encoding);
      const hash = createHash('sha256').update(bytes).digest('hex');
      await standIns.store.keepBytes(hash, bytes);
      return { path, hash, size: bytes.length };
    }),
  );
  await standIns.host.release(host, { number, origin: `https://${host}`, files: all, headers, audience: 'public', gone });
}
