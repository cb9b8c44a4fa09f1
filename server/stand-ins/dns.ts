import { createSocket, type Socket } from 'node:dgram';
import { createServer, type Server } from 'node:net';
import {
  AUTHORITATIVE_ANSWER,
  decode,
  encode,
  encodingLength,
  streamEncode,
  TRUNCATED_RESPONSE,
  type Answer,
  type DecodedPacket,
  type Packet,
} from 'dns-packet';
import { NEGATIVE_TTL } from './zone.ts';

/** What the zone says of a name. */
export interface Zone {
  /** IPv4 addresses, or undefined where there is no such name. */
  addresses(name: string): readonly string[] | undefined;
  /** Its other records, with their seconds to live. */
  records?(name: string): readonly { readonly type: 'TXT' | 'CNAME' | 'A' | 'AAAA'; readonly value: string; readonly ttl: number }[];
  /** Whether there is such a name, if with no records of its own. */
  exists?(name: string): boolean;
  /** Whether a name is a domain of its own, with name servers. */
  isDomain?(name: string): boolean;
}

const NO_SUCH_NAME = 3;
/** Octets of an answer over UDP where the question does not allow more (RFC 1035, 4.2.1). */
const UDP_OCTETS = 512;
/** Most octets of a question over TCP; what sends more is no resolver. */
const LARGEST_QUESTION = 4_096;
const LARGEST_MESSAGE = 65_535;
const IDLE = 5_000;
/** What a domain's name servers are called below it. */
export const SERVERS: readonly string[] = ['ns1', 'ns2'];
/** Aliases that are followed, one after the other. */
const LONGEST_CHAIN = 8;

/** The stand-in DNS: real packets over UDP and TCP on one port of loopback. */
export class StandInDns {
  private socket: Socket | undefined;
  private server: Server | undefined;
  port = 0;

  constructor(private readonly zone: Zone) {}

  async listen(): Promise<void> {
    for (let tries = 0; ; tries++) {
      const server = await this.listenOverTcp();
      const { port } = server.address() as { port: number };
      const socket = await this.listenOverUdp(port).catch((error: unknown) => error as Error);
      if (socket instanceof Error) {
        await new Promise<void>((resolve) => server.close(() => resolve()));
        // Another program has this port for its datagrams: the next free one may do for both.
        if (tries < 20) continue;
        throw socket;
      }
      [this.server, this.socket, this.port] = [server, socket, port];
      return;
    }
  }

  private async listenOverUdp(port: number): Promise<Socket> {
    const socket = createSocket('udp4');
    socket.on('message', (message, from) => {
      const reply = this.answer(message);
      if (reply) socket.send(reply, from.port, from.address);
    });
    await new Promise<void>((resolve, reject) => {
      socket.once('error', reject);
      socket.bind(port, '127.0.0.1', () => resolve());
    });
    return socket;
  }

  private async listenOverTcp(): Promise<Server> {
    const server = createServer((connection) => {
      let got = Buffer.alloc(0);
      connection.setTimeout(IDLE, () => connection.destroy());
      connection.on('error', () => connection.destroy());
      connection.on('data', (chunk) => {
        got = Buffer.concat([got, chunk]);
        // Each question comes with its length before it (RFC 1035, 4.2.2).
        while (got.length >= 2 && got.length >= 2 + got.readUInt16BE(0)) {
          const length = got.readUInt16BE(0);
          const query = queryIn(got.subarray(2, 2 + length));
          const reply = query && this.reply(query);
          got = got.subarray(2 + length);
          if (!reply) return connection.destroy();
          connection.write(streamEncode(fitting(reply)));
        }
        if (got.length > LARGEST_QUESTION) connection.destroy();
      });
    });
    await new Promise<void>((resolve, reject) => {
      server.once('error', reject);
      server.listen(0, '127.0.0.1', () => resolve());
    });
    return server;
  }

  async close(): Promise<void> {
    const { socket, server } = this;
    if (socket) await new Promise<void>((resolve) => socket.close(() => resolve()));
    if (server) await new Promise<void>((resolve) => server.close(() => resolve()));
  }

  /** The answer to one datagram, cut short with a word to ask over TCP where it is too large (RFC 2181, 9); undefined for what is no query. */
  answer(message: Uint8Array): Buffer | undefined {
    const query = queryIn(message);
    const reply = query && this.reply(query);
    if (!reply) return undefined;
    const whole = encode(reply);
    // An asker that takes larger datagrams says so (RFC 6891, 6.2.3).
    const room = Math.max(UDP_OCTETS, ...(query.additionals ?? []).map((one) => (one.type === 'OPT' ? one.udpPayloadSize : 0)));
    return whole.length <= room ? whole : encode({ ...reply, flags: (reply.flags ?? 0) | TRUNCATED_RESPONSE, answers: [] });
  }

  private reply(query: DecodedPacket): Packet | undefined {
    const [question] = query.questions ?? [];
    if (!question || query.type !== 'query') return undefined;
    const answers = this.answersFor(question.name, question.type);
    const name = question.name.toLowerCase();
    const isThere = answers.length > 0 || this.zone.addresses(name) !== undefined || this.zone.exists?.(name) === true || this.recordsOf(name).length > 0;
    return {
      type: 'response',
      id: query.id ?? 0,
      flags: AUTHORITATIVE_ANSWER | (isThere ? 0 : NO_SUCH_NAME),
      questions: [question],
      answers: [...answers],
      // With what is not there it is told how long that may be remembered (RFC 2308, 3).
      authorities: answers.length > 0 ? [] : [startOfAuthority(name)],
    };
  }

  private recordsOf(name: string): readonly { readonly type: 'TXT' | 'CNAME' | 'A' | 'AAAA'; readonly value: string; readonly ttl: number }[] {
    return this.zone.records?.(name) ?? [];
  }

  /** What answers a question, aliases followed to where they lead (RFC 1034, 3.6.2). */
  private answersFor(asked: string, type: string): readonly Answer[] {
    const whole = asked.toLowerCase();
    if (type === 'NS')
      return this.zone.isDomain?.(whole) ? SERVERS.map((server): Answer => ({ type: 'NS', name: asked, ttl: 3600, data: `${server}.${whole}` })) : [];
    const answers: Answer[] = [];
    const been = new Set<string>();
    for (let name = asked; been.size < LONGEST_CHAIN && !been.has(name.toLowerCase());) {
      const low = name.toLowerCase();
      been.add(low);
      const records = this.recordsOf(low);
      const alias = records.find((record) => record.type === 'CNAME');
      if (alias === undefined || type === 'CNAME') {
        const own = records.flatMap((record) => (record.type === type ? [answerOf(name, record)] : []));
        const lent = type === 'A' && own.length === 0 ? (this.zone.addresses(low) ?? []) : [];
        return [...answers, ...own, ...lent.map((data): Answer => ({ type: 'A', name, ttl: 60, data }))];
      }
      answers.push(answerOf(name, alias));
      name = alias.value.replace(/\.$/, '');
    }
    return answers;
  }
}

/** A message as it is read; undefined for noise. */
function queryIn(message: Uint8Array): DecodedPacket | undefined {
  try {
    return decode(Buffer.from(message));
  } catch {
    return undefined;
  }
}

/** A reply with as many answers as a message holds at all. */
function fitting(reply: Packet): Packet {
  const answers = [...(reply.answers ?? [])];
  while (answers.length > 0 && encodingLength({ ...reply, answers }) > LARGEST_MESSAGE) answers.pop();
  return answers.length === (reply.answers ?? []).length ? reply : { ...reply, answers, flags: (reply.flags ?? 0) | TRUNCATED_RESPONSE };
}

function answerOf(name: string, { type, value, ttl }: { readonly type: 'TXT' | 'CNAME' | 'A' | 'AAAA'; readonly value: string; readonly ttl: number }): Answer {
  return type === 'TXT' ? { type, name, ttl, data: strings(value) } : { type, name, ttl, data: value };
}

function startOfAuthority(name: string): Answer {
  const zone = name.split('.').slice(-2).join('.');
  const data = { mname: `ns.${zone}`, rname: `hostmaster.${zone}`, serial: 1, refresh: 7_200, retry: 900, expire: 1_209_600, minimum: NEGATIVE_TTL };
  return { type: 'SOA', name: zone, ttl: NEGATIVE_TTL, data };
}

/** A text in strings of at most 255 octets, as a TXT record holds it (RFC 1035, 3.3.14). */
function strings(value: string): Buffer[] {
  const bytes = Buffer.from(value, 'utf8');
  return Array.from({ length: Math.max(1, Math.ceil(bytes.length / 255)) }, (_, at) => bytes.subarray(at * 255, (at + 1) * 255));
}
