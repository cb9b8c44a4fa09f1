import { fileSteps, recordStep, tagSteps, type ProofPiece, type ProofStep } from '../../core/ownership/index.ts';
import { readAnswer } from '../../core/indexing/index.ts';
import { HOST_ADDRESS, recordsDomain } from '../../core/site/index.ts';
import { decodeBytes } from '../../core/source/index.ts';
import type { DnsAnswer } from '../../core/exchange/index.ts';
import type { Fetch, NameServer } from '../fetching/index.ts';

/** What the host answers for a tag or a file, step by step: that it answers, by itself, and says what it should. */
export async function answeredSteps(fetch: Fetch, origin: string, piece: ProofPiece): Promise<readonly ProofStep[]> {
  const outcome = await fetch(piece.kind === 'file' ? `${origin}/${piece.name}` : `${origin}/`);
  if (!outcome.ok) return [{ step: 'answers', state: 'bad', status: undefined }];
  const answers: ProofStep = { step: 'answers', state: outcome.status === 200 ? 'good' : 'bad', status: outcome.status };
  const last = outcome.redirects.at(-1);
  // A proof counts for one address: the same name under the other scheme is another site to most engines, and the same page to this one.
  const away: readonly ProofStep[] = last !== undefined && new URL(last).host !== new URL(origin).host ? [{ step: 'leads-away', state: 'bad', to: last }] : [];
  if (outcome.status !== 200) return [answers, ...away];
  const said =
    piece.kind === 'file'
      ? fileSteps(decodeBytes(outcome.bytes, 'utf-8'), outcome.headers['content-type']?.[0] ?? '', piece)
      : tagSteps(readAnswer({ ...outcome, redirectedTo: last, hops: outcome.redirects.length }), piece);
  return [answers, ...away, ...said];
}

type AskDns = (name: string, type: 'A' | 'AAAA' | 'CNAME' | 'TXT') => Promise<DnsAnswer>;

/** Where the name of a site leads: to its host alone, as far as it is known which that is. */
export async function addressStep(host: string, ask: AskDns): Promise<readonly ProofStep[]> {
  const [four, six] = [await ask(host, 'A'), await ask(host, 'AAAA')];
  const found = [...(four.found ?? []), ...(six.found ?? [])];
  if (four.failed === 'no-answer') return [{ step: 'addresses', state: 'unknown', found, right: HOST_ADDRESS }];
  // Of the real world it is not known which address is the host's.
  const isAlone = four.world === 'real' ? found.length > 0 : found.length > 0 && found.every((address) => address === HOST_ADDRESS);
  return [{ step: 'addresses', state: isAlone ? 'good' : 'bad', found, right: HOST_ADDRESS }];
}

/** What name servers say of a record, each by itself; what resolvers may hold still; and whether it stands at a wrong name. */
export async function recordSteps(host: string, piece: ProofPiece, servers: readonly NameServer[], ask: AskDns): Promise<readonly ProofStep[]> {
  const domain = recordsDomain(host);
  const name = piece.name === '@' ? domain : `${piece.name}.${domain}`;
  const type = piece.kind === 'cname' ? 'CNAME' : 'TXT';
  const said = await Promise.all(servers.map(async (server) => recordStep(server.name, await server.ask(name, type), piece)));
  const whole = await ask(name, type);
  const told = said.length > 0 ? said : [recordStep(domain, whole, piece)];
  const held = (whole.former ?? []).map(({ values, until }): ProofStep => ({ step: 'held', state: 'note', values, until }));
  if (told.some(({ state }) => state === 'good')) return [...told, ...held];
  const elsewhere = [`${name}.${domain}`, `www.${name}`, ...(piece.name === '@' ? [] : [domain])].filter((at) => at !== name);
  const misplaced: ProofStep[] = [];
  for (const at of elsewhere) if (recordStep(at, await ask(at, type), piece).state === 'good') misplaced.push({ step: 'misplaced', state: 'bad', at });
  return [...told, ...misplaced, ...held];
}
