import { Check, X } from 'lucide-react';
import { useState } from 'react';
import { HOST_ADDRESS, type NeededRecord } from '../../core/site/index.ts';
import type { DnsAnswer } from '../../core/exchange/index.ts';
import { messageOf } from '../../core/source/index.ts';
import { fullDate } from '../../core/wording/index.ts';
import { Copyable, note, useAsync } from '../ui/index.ts';
import { useWorkspaceApi } from '../workspace/index.ts';
import { addressWording as wording } from './wording.ts';

const TTL = 3600;

/** What name servers say of one record that is needed. */
interface Found {
  readonly record: NeededRecord;
  readonly answer: DnsAnswer;
  readonly right: boolean;
}

/** The records that the address needs, each asked for, with what was found; set in the stand-in zone, or lines for one elsewhere. */
export function AddressRecords({ host, needed }: { readonly host: string; readonly needed: readonly NeededRecord[] }) {
  const { tools } = useWorkspaceApi();
  const [asked, setAsked] = useState(0);
  const { value, failure } = useAsync(
    () => Promise.all(needed.map((record) => look(record, tools.outside.dns))),
    needed.length === 0 ? undefined : `${host} ${asked}`,
  );
  if (needed.length === 0) return <p className="soft mt-6 text-small">{wording.noRecords}</p>;
  const domain = needed.find(({ name }) => name === '@')?.host ?? (needed[0] as NeededRecord).host.split('.').slice(-2).join('.');
  const lines = needed.map(({ name, type, value: to }) => `${name}\t${TTL}\tIN\t${type}\t${to}${type === 'CNAME' ? '.' : ''}`).join('\n');
  const setHere = async (): Promise<void> => {
    try {
      const now = await tools.outside.zone(domain);
      const others = now.filter((record) => !needed.some(({ name, type }) => record.name === name && (record.type === type || type === 'CNAME')));
      await tools.outside.zone(domain, [...others, ...needed.map(({ name, type, value: to }) => ({ name, type, value: to, ttl: TTL }))]);
      setAsked((count) => count + 1);
    } catch (error) {
      note(messageOf(error), {}, 'bad');
    }
  };
  const right = value?.every((one) => one.right) === true;
  return (
    <section className="mt-6" aria-labelledby="records">
      <div className="flex flex-wrap items-baseline justify-between gap-2">
        <h2 id="records">{wording.records}</h2>
        <span className={`text-small ${right ? 'text-success' : 'soft'}`}>
          {value ? (right ? wording.allRight : wording.notRight) : (failure ?? wording.asking)}
        </span>
      </div>
      <div className="panel mt-2 overflow-x-auto">
        <table className="data-table stacked" aria-label={wording.records}>
          <thead>
            <tr>
              <th>Name</th>
              <th>Sort</th>
              <th>Needed</th>
              <th>Found</th>
            </tr>
          </thead>
          <tbody>
            {needed.map((record, at) => {
              const found = value?.[at];
              return (
                <tr key={`${record.host} ${record.type}`} data-record={`${record.name} ${record.type}`} data-right={found?.right}>
                  <td className="mono">
                    {record.name} <span className="soft block text-tiny">{record.host}</span>
                  </td>
                  <td>{record.type}</td>
                  <td className="mono break-all">{record.value}</td>
                  <td className="text-small">{found ? <Answer found={found} /> : '…'}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        {!right && (
          <button type="button" className="btn btn-sm btn-primary" onClick={() => void setHere()}>
            {wording.setHere}
          </button>
        )}
        <button type="button" className="btn btn-sm btn-outline-ink" onClick={() => setAsked((count) => count + 1)}>
          {wording.askAgain}
        </button>
        <Copyable text={lines} label={wording.copyLines} />
      </div>
      <p className="soft mt-1.5 text-note">{wording.recordsWhy}</p>
    </section>
  );
}

/** Asks for a record; a name that leads to the right address by itself needs no alias. */
async function look(record: NeededRecord, dns: (name: string, type: 'A' | 'CNAME') => Promise<DnsAnswer>): Promise<Found> {
  const answer = await dns(record.host, record.type);
  const says = (one: DnsAnswer, value: string): boolean => one.found?.some((found) => found.replace(/\.$/, '').toLowerCase() === value) === true;
  if (says(answer, record.value)) return { record, answer, right: true };
  const direct = record.type === 'CNAME' && answer.found === undefined ? await dns(record.host, 'A') : undefined;
  return direct?.found ? { record, answer: direct, right: says(direct, HOST_ADDRESS) } : { record, answer, right: false };
}

function Answer({ found: { answer, right } }: { readonly found: Found }) {
  const Icon = right ? Check : X;
  return (
    <>
      <span className={`inline-flex items-start gap-1.5 ${right ? 'text-success' : 'text-error'}`}>
        <Icon size={16} className="mt-0.5 flex-none" aria-hidden />
        <span className="mono break-all">{answer.found?.join(', ') ?? wording.failures[answer.failed ?? 'no-answer']}</span>
      </span>
      {answer.former && (
        <span className="soft block text-note">
          {wording.former(answer.former.values.join(', '), `${fullDate(answer.former.until)}, ${answer.former.until.slice(11, 16)}`)}
        </span>
      )}
    </>
  );
}
