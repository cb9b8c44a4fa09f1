import { createSocket, type Socket } from 'node:dgram';
import { decode, encode, AUTHORITATIVE_ANSWER, type Answer, type DecodedPacket } from 'dns-packet';

/** What the zone says of a name. */
export interface Zone {
  /** IPv4 addresses, or undefined where there is no such name. */
  addresses(name: string): readonly string[] | undefined;
  /** Its other records, with their seconds to live. */
  records?(name: string): readonly { readonly type: 'TXT' | 'CNAME' | 'A' | 'AAAA'; readonly value: string; readonly ttl: number }[];
}

const NO_SUCH_NAME = 3;

/** The stand-in DNS: real packets over UDP on loopback. */
export class StandInDns {
  private socket: Socket | undefined;
  port = 0;

  constructor(private readonly zone: Zone) {}

  async listen(): Promise<void> {
    const socket = createSocket('udp4');
    this.socket = socket;
    socket.on('message', (message, from) => {
      const reply = this.answer(message);
      if (reply) socket.send(reply, from.port, from.address);
    });
    await new Promise<void>((resolve, reject) => {
      socket.once('error', reject);
      socket.bind(0, '127.0.0.1', () => resolve());
    });
    this.port = socket.address().port;
  }

  async close(): Promise<void> {
    const { socket } = this;
    if (socket) await new Promise<void>((resolve) => socket.close(() => resolve()));
  }

  /** The answer to one packet; undefined for what is no query. */
  answer(message: Uint8Array): Buffer | undefined {
    let query: DecodedPacket;
    try {
      query = decode(Buffer.from(message));
    } catch {
      return undefined;
    }
    const [question] = query.questions ?? [];
    if (!question || query.type !== 'query') return undefined;
    const name = question.name.toLowerCase();
    const addresses = this.zone.addresses(name);
    const records = this.zone.records?.(name) ?? [];
    // Behind an alias stand the addresses of the name it leads to (RFC 1034, 3.6.2), which only this server's own names have here.
    const alias = records.find(({ type }) => type === 'CNAME');
    const behind = alias && question.type === 'A' ? (this.zone.addresses(alias.value.replace(/\.$/, '').toLowerCase()) ?? []) : [];
    const answers: Answer[] = [
      ...(question.type === 'A' && !records.some(({ type }) => type === 'A' || type === 'CNAME')
        ? (addresses ?? []).map((data): Answer => ({ type: 'A', name: question.name, ttl: 60, data }))
        : []),
      ...records.flatMap(({ type, value, ttl }): Answer[] =>
        type !== question.type && !(type === 'CNAME' && (question.type === 'A' || question.type === 'AAAA'))
          ? []
          : type === 'TXT'
            ? [{ type, name: question.name, ttl, data: strings(value) }]
            : [{ type, name: question.name, ttl, data: value }],
      ),
      ...behind.map((data): Answer => ({ type: 'A', name: alias?.value ?? '', ttl: 60, data })),
    ];
    const rcode = addresses === undefined && records.length === 0 ? NO_SUCH_NAME : 0;
    return encode({ type: 'response', id: query.id ?? 0, flags: AUTHORITATIVE_ANSWER | rcode, questions: [question], answers });
  }
}

/** A text in strings of at most 255 octets, as a TXT record holds it (RFC 1035, 3.3.14). */
function strings(value: string): Buffer[] {
  const bytes = Buffer.from(value, 'utf8');
  return Array.from({ length: Math.max(1, Math.ceil(bytes.length / 255)) }, (_, at) => bytes.subarray(at * 255, (at + 1) * 255));
}
