import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { zoneRecord, zoneRequest, type ZoneRecord } from '../../core/exchange/index.ts';
import { checkRecord, HOST_ADDRESS, neededRecords, recordsDomain } from '../../core/site/index.ts';
import { decode, encode } from 'dns-packet';
import { StandIns } from './index.ts';

let folder: string;
let standIns: StandIns;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'zones-'));
  standIns = new StandIns({ folder, now: () => Date.UTC(2026, 10, 26), randomText: () => 'a secret of the test' });
  await standIns.open();
});
afterAll(async () => {
  await standIns.close();
  await rm(folder, { recursive: true });
});

/** A record from one line: name, sort, value. */
function record(line: string): ZoneRecord {
  const [name = '', type = '', ...value] = line.split(' ');
  return { name, type: type as ZoneRecord['type'], value: value.join(' '), ttl: 600 };
}
let turn = 0;
/** A domain of its own for each case, so that none sees another's records. */
const fresh = (ending = 'example'): string => `zone-${++turn}.${ending}`;

const ALIAS = 'CNAME sites.saltmere-host.example';
const GOOD = ['@ A 127.0.0.1', `www ${ALIAS}`];

describe('how the records of an address stand, asked of real name servers', () => {
  /** The host below the domain, its zone, and how each needed record stands, in their order. */
  const ZONES: readonly (readonly [host: string, zone: readonly string[], standings: string])[] = [
    ['', [], 'missing right missing'],
    ['', GOOD, 'right right right'],
    ['www.', GOOD, 'right right right'],
    ['', ['@ A 127.0.0.1'], 'right right missing'],
    ['', [`www ${ALIAS}`], 'missing right right'],
    ['', ['@ A 127.0.0.1', `www ${ALIAS}.`], 'right right right'],
    ['', ['@ A 127.0.0.1', 'www CNAME SITES.saltmere-HOST.example'], 'right right right'],
    ['', ['@ A 127.0.0.1', 'www A 127.0.0.1'], 'right right right'],
    ['', ['@ A 127.0.0.1', 'www A 127.0.0.9'], 'right right elsewhere'],
    ['', ['@ A 127.0.0.1', 'www A 127.0.0.1', 'www A 127.0.0.9'], 'right right beside'],
    ['', ['@ A 127.0.0.1', 'www A 127.0.0.1', 'www AAAA 2001:db8::9'], 'right right unwanted'],
    ['', ['@ A 127.0.0.1', 'www AAAA 2001:db8::9'], 'right right unwanted'],
    ['', ['@ A 127.0.0.9', `www ${ALIAS}`], 'elsewhere right right'],
    ['', ['@ A 127.0.0.1', '@ A 127.0.0.9', `www ${ALIAS}`], 'beside right right'],
    ['', ['@ A 127.0.0.9', '@ A 127.0.0.1', `www ${ALIAS}`], 'beside right right'],
    ['', [...GOOD, '@ AAAA 2001:db8::1'], 'right unwanted right'],
    ['', ['@ AAAA 2001:db8::1', `www ${ALIAS}`], 'missing unwanted right'],
    ['', [...GOOD, '@ TXT skerry-proof=x'], 'right right right'],
    ['', ['@ A 127.0.0.1', 'www CNAME old-host.example'], 'right right elsewhere'],
    ['', ['@ A 127.0.0.1', 'www CNAME SELF'], 'right right right'],
    ['', ['@ A 127.0.0.9', 'www CNAME SELF'], 'elsewhere right elsewhere'],
    ['', ['@ A 127.0.0.1', 'www CNAME a.SELF', `a ${ALIAS}`], 'right right right'],
    ['', ['@ A 127.0.0.1', 'www CNAME a.SELF', 'a CNAME b.SELF', 'b A 127.0.0.1'], 'right right right'],
    ['', ['@ A 127.0.0.1', 'www CNAME a.SELF', 'a CNAME www.SELF'], 'right right elsewhere'],
    ['', ['@ A 127.0.0.1', 'www CNAME www.SELF'], 'right right elsewhere'],
    ['', ['@ A 127.0.0.1', `* ${ALIAS}`], 'right right right'],
    ['', ['@ A 127.0.0.1', '* A 127.0.0.9'], 'right right elsewhere'],
    ['', ['@ A 127.0.0.1', `* ${ALIAS}`, 'www TXT x'], 'right right missing'],
    ['', ['@ A 127.0.0.1', `www.SELF ${ALIAS}`], 'right right doubled'],
    ['', ['SELF A 127.0.0.1', `www ${ALIAS}`], 'doubled right right'],
    ['', ['@ A 127.0.0.1', 'www.SELF A 127.0.0.9'], 'right right missing'],
    ['books.', [], 'missing'],
    ['books.', GOOD, 'missing'],
    ['books.', [`books ${ALIAS}`], 'right'],
    ['books.', ['books A 127.0.0.1'], 'right'],
    ['books.', [`* ${ALIAS}`], 'right'],
    ['books.', ['a.books TXT x', `* ${ALIAS}`], 'missing'],
    ['old.books.', [`* ${ALIAS}`], 'right'],
    ['old.books.', [`*.books ${ALIAS}`], 'right'],
    ['old.books.', ['books TXT x', `* ${ALIAS}`], 'missing'],
    ['www.books.', [`www.books ${ALIAS}`, `books ${ALIAS}`], 'right right'],
    ['www.books.', [`www.books ${ALIAS}`], 'right missing'],
    ['books.', [`books.SELF ${ALIAS}`], 'doubled'],
  ];
  it.each(ZONES)('%s with %j: %s', async (below, zone, standings) => {
    const domain = fresh();
    await standIns.zone.set(
      domain,
      zone.map((line) => record(line.replaceAll('SELF', domain))),
    );
    const checked = await Promise.all(
      neededRecords(`${below}${domain}`).map((one) => checkRecord(one, HOST_ADDRESS, (name, type) => standIns.askDns(name, type))),
    );
    expect(checked.map(({ standing }) => standing).join(' ')).toBe(standings);
  });
  it('of a domain below a shared ending stand with that domain', async () => {
    expect(recordsDomain('shop.quill.co.uk')).toBe('quill.co.uk');
    expect(neededRecords('www.quill.co.uk').map(({ name, type }) => `${name} ${type}`)).toEqual(['www CNAME', '@ A', '@ AAAA']);
  });
  it('are not known where nobody answers', async () => {
    const [needed] = neededRecords(fresh());
    const checked = await checkRecord(needed as NonNullable<typeof needed>, HOST_ADDRESS, async () => ({ failed: 'no-answer' as const }));
    expect(checked.standing).toBe('unknown');
  });
});

describe('what a name server answers', () => {
  const long = 'x'.repeat(300);
  const many = Array.from({ length: 60 }, (_, at) => `@ TXT text number ${at} ${'y'.repeat(200)}`);
  const QUESTIONS: readonly (readonly [name: string, type: 'A' | 'AAAA' | 'CNAME' | 'TXT', zone: readonly string[], answer: readonly string[] | string])[] = [
    ['@', 'TXT', ['@ TXT one'], ['one']],
    ['@', 'TXT', ['@ TXT one', '@ TXT two'], ['one', 'two']],
    ['@', 'TXT', [`@ TXT ${long}`], [long]],
    ['@', 'TXT', ['@ TXT grüße “so”'], ['grüße “so”']],
    // More than fits in a datagram comes over TCP.
    ['@', 'TXT', many, many.map((line) => line.slice(6))],
    ['@', 'TXT', [`@ TXT ${'z'.repeat(7_900)}`], ['z'.repeat(7_900)]],
    ['a', 'TXT', ['a CNAME b.SELF', 'b TXT behind'], ['behind']],
    ['a', 'TXT', ['* TXT any'], ['any']],
    ['a.b', 'TXT', ['* TXT any'], ['any']],
    ['a', 'TXT', ['* TXT any', 'a A 127.0.0.1'], 'none'],
    ['b', 'TXT', ['* TXT any', 'a.b A 127.0.0.1'], 'none'],
    ['c.b', 'TXT', ['* TXT any', 'a.b A 127.0.0.1'], 'no-such-name'],
    ['@', 'TXT', ['* TXT any', '@ A 127.0.0.1'], 'none'],
    ['a', 'A', ['a TXT x'], 'none'],
    ['a', 'A', ['b TXT x'], 'no-such-name'],
    ['b', 'A', ['a.b TXT x'], 'none'],
    ['a', 'CNAME', ['a CNAME b.SELF'], ['b.SELF']],
    ['a', 'AAAA', ['a CNAME b.SELF', 'b AAAA 2001:db8::7'], ['2001:db8::7']],
    ['A', 'A', ['a A 127.0.0.1'], ['127.0.0.1']],
    ['a', 'A', ['a A 127.0.0.1', 'a A 127.0.0.2'], ['127.0.0.1', '127.0.0.2']],
  ];
  it.each(QUESTIONS)('%s %s of %j', async (name, type, zone, answer) => {
    const domain = fresh();
    await standIns.zone.set(
      domain,
      zone.map((line) => record(line.replaceAll('SELF', domain))),
    );
    const { found, failed } = await standIns.askDns((name === '@' ? domain : `${name}.${domain}`).toLowerCase(), type);
    if (typeof answer === 'string') expect(failed).toBe(answer);
    else expect([...(found ?? [])].sort()).toEqual(answer.map((one) => one.replaceAll('SELF', domain)).sort());
  });
  it('is cut short in a datagram, says so, and says with what is not there how long that holds', async () => {
    const domain = fresh();
    await standIns.zone.set(domain, [record(`@ TXT ${'z'.repeat(2_000)}`)]);
    const ask = (name: string) => decode(standIns.dns.answer(encode({ type: 'query', id: 7, questions: [{ type: 'TXT', name }] })) as Buffer);
    expect(ask(domain)).toMatchObject({ flag_tc: true, answers: [], rcode: 'NOERROR' });
    expect(ask(`none.${domain}`)).toMatchObject({ flag_tc: false, rcode: 'NXDOMAIN', authorities: [{ type: 'SOA', ttl: 900 }] });
  });
});

describe('what a zone refuses', () => {
  it.each([
    ['A', 'quill.example', false],
    ['A', '127.0.0.1', true],
    ['A', '127.0.0.256', false],
    ['A', '127.1', false],
    ['A', '::1', false],
    ['AAAA', '::1', true],
    ['AAAA', '2001:db8::1', true],
    ['AAAA', '127.0.0.1', false],
    ['CNAME', '127.0.0.1', false],
    ['CNAME', 'quill.example.', true],
    ['CNAME', 'a name', false],
    ['CNAME', 'https://quill.example', false],
    ['TXT', 'anything at all', true],
    ['TXT', '', false],
  ] as const)('%s %s: taken %s', (type, value, taken) => expect(zoneRecord.safeParse({ name: '@', type, value, ttl: 600 }).success).toBe(taken));
  it.each(['@', 'a', '*', '*.a', '_proof.a'])('the name %s is one', (name) =>
    expect(zoneRequest.safeParse({ records: [{ name, type: 'TXT', value: 'x', ttl: 600 }] }).success).toBe(true),
  );
  it.each(['', 'a.*', 'a b', '-a', 'a.', '**'])('the name %j is none', (name) =>
    expect(zoneRequest.safeParse({ records: [{ name, type: 'TXT', value: 'x', ttl: 600 }] }).success).toBe(false),
  );
  it('an alias that does not stand alone, and keeps what was there', async () => {
    const domain = fresh();
    await standIns.zone.set(domain, [record('a TXT x')]);
    for (const zone of [['a TXT x', 'a CNAME b.example'], ['@ CNAME b.example'], ['a CNAME b.example', 'a CNAME c.example']])
      await expect(standIns.zone.set(domain, zone.map(record))).rejects.toMatchObject({ code: 'alias-beside' });
    expect(standIns.zone.of(domain)).toEqual([record('a TXT x')]);
  });
});
