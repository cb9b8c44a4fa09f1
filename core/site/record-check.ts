import { recordsDomain, type NeededRecord } from './own-domain.ts';

/** What name servers said of one sort of record: the values, or why there are none. */
export interface RecordAnswer {
  readonly found?: readonly string[] | undefined;
  readonly failed?: 'no-such-name' | 'none' | 'no-answer' | undefined;
}

/** How a record that is needed stands. `unknown`: nobody answered, so nothing can be said. */
export type RecordStanding = 'right' | 'missing' | 'elsewhere' | 'beside' | 'unwanted' | 'doubled' | 'unknown';

/** A needed record, what was found of it, and how it stands. */
export interface CheckedRecord<A extends RecordAnswer = RecordAnswer> {
  readonly record: NeededRecord;
  readonly standing: RecordStanding;
  /** The answer that tells most: of the record's own sort, or of what stands in its place. */
  readonly answer: A;
}

type Ask<A> = (name: string, type: NeededRecord['type']) => Promise<A>;

const plain = (value: string): string => value.replace(/\.$/, '').toLowerCase();

/**
 * Looks how a needed record stands, by as many questions as it takes. An alias may go by way of others or be an address, as long as the name leads to
 * `address` and nowhere else; a missing name is looked for with the domain behind it twice, as panels make it of a whole name.
 */
export async function checkRecord<A extends RecordAnswer>(record: NeededRecord, address: string, ask: Ask<A>): Promise<CheckedRecord<A>> {
  const answer = await ask(record.host, record.type);
  const checked = (standing: RecordStanding, told = answer): CheckedRecord<A> => ({ record, standing, answer: told });
  const { value } = record;
  if (answer.failed === 'no-answer') return checked('unknown');
  if (value === undefined) return checked(answer.found ? 'unwanted' : 'right');
  if (record.type === 'CNAME' && !only(answer, value)) return throughAlias(record, address, ask, checked, answer);
  if (!answer.found) return checked((await isDoubled(record, value, ask)) ? 'doubled' : 'missing');
  return checked(standsFor(answer.found, value));
}

/** A name that is no alias of the host itself: what matters is where it leads. */
async function throughAlias<A extends RecordAnswer>(
  record: NeededRecord,
  address: string,
  ask: Ask<A>,
  checked: (standing: RecordStanding, told?: A) => CheckedRecord<A>,
  alias: A,
): Promise<CheckedRecord<A>> {
  const [four, six] = [await ask(record.host, 'A'), await ask(record.host, 'AAAA')];
  if (four.failed === 'no-answer' || six.failed === 'no-answer') return checked('unknown', four);
  if (six.found) return checked('unwanted', six);
  if (four.found) return checked(standsFor(four.found, address), four);
  // An alias of a name that is not there leads nowhere.
  if (alias.found) return checked('elsewhere');
  return checked((await isDoubled(record, record.value ?? '', ask)) ? 'doubled' : 'missing');
}

const standsFor = (found: readonly string[], value: string): RecordStanding => {
  const right = found.some((one) => plain(one) === value);
  return !right ? 'elsewhere' : found.every((one) => plain(one) === value) ? 'right' : 'beside';
};

const only = ({ found }: RecordAnswer, value: string): boolean => found !== undefined && standsFor(found, value) === 'right';

async function isDoubled<A extends RecordAnswer>({ host, type }: NeededRecord, value: string, ask: Ask<A>): Promise<boolean> {
  const domain = recordsDomain(host);
  const says = async (name: string): Promise<boolean> => (await ask(name, type)).found?.some((one) => plain(one) === value) === true;
  // Where any name answers so, this one was not set on purpose.
  return (await says(`${host}.${domain}`)) && !(await says(`${NOBODYS_NAME}.${host}.${domain}`)) && !(await says(`${NOBODYS_NAME}.${domain}`));
}

const NOBODYS_NAME = 'name-that-nobody-set';
