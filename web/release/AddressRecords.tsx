import { Check, CircleHelp, X } from 'lucide-react';
import { useState } from 'react';
import { checkRecord, HOST_ADDRESS, recordsDomain, zoneLines, type CheckedRecord, type NeededRecord } from '../../core/site/index.ts';
import type { DnsAnswer } from '../../core/exchange/index.ts';
import { messageOf } from '../../core/source/index.ts';
import { fullDate } from '../../core/wording/index.ts';
import { Copyable, note, useAsync } from '../ui/index.ts';
import { useWorkspaceApi } from '../workspace/index.ts';
import { addressWording as wording } from './wording.ts';

const TTL = 3600;

/** The records that the address needs, each asked for, with what was found; set in the stand-in zone, or lines for one elsewhere. */
export function AddressRecords({ host, needed }: { readonly host: string; readonly needed: readonly NeededRecord[] }) {
  const { tools } = useWorkspaceApi();
  const [asked, setAsked] = useState(0);
  const { value, failure } = useAsync(
    () => Promise.all(needed.map((record) => checkRecord(record, HOST_ADDRESS, (name, type) => tools.outside.dns(name, type)))),
    needed.length === 0 ? undefined : `${host} ${asked}`,
  );
  if (needed[0] === undefined) return <p className="soft mt-6 text-small">{wording.noRecords}</p>;
  const domain = recordsDomain(needed[0].host);
  const lines = zoneLines(needed, TTL);
  const setHere = async (): Promise<void> => {
    try {
      const now = await tools.outside.zone(domain);
      // What else stands at a name is somebody's: where an alias cannot stand beside it, the zone says so.
      const others = now.filter((record) => record.type === 'TXT' || !needed.some(({ name }) => record.name === name));
      const wanted = needed.flatMap(({ name, type, value: to }) => (to === undefined ? [] : [{ name, type, value: to, ttl: TTL }]));
      await tools.outside.zone(domain, [...others, ...wanted]);
      setAsked((count) => count + 1);
    } catch (error) {
      note(messageOf(error), {}, 'bad');
    }
  };
  const right = value?.every(({ standing }) => standing === 'right') === true;
  const known = value?.every(({ standing }) => standing !== 'unknown') === true;
  return (
    <section className="mt-6" aria-labelledby="records">
      <div className="flex flex-wrap items-baseline justify-between gap-2">
        <h2 id="records">{wording.records}</h2>
        <span className={`text-small ${right ? 'text-success' : 'soft'}`}>
          {value ? (right ? wording.allRight : known ? wording.notRight : wording.notKnown) : (failure ?? wording.asking)}
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
                <tr key={`${record.host} ${record.type}`} data-record={`${record.name} ${record.type}`} data-standing={found?.standing}>
                  <td className="mono">
                    {record.name} <span className="soft block text-tiny">{record.host}</span>
                  </td>
                  <td>{record.type}</td>
                  <td className={record.value === undefined ? 'soft text-small' : 'mono break-all'}>{record.value ?? wording.noneNeeded}</td>
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

function Answer({ found: { answer, standing } }: { readonly found: CheckedRecord<DnsAnswer> }) {
  const right = standing === 'right';
  const Icon = right ? Check : standing === 'unknown' ? CircleHelp : X;
  const isAbsent = right && answer.found === undefined;
  return (
    <>
      <span className={`inline-flex items-start gap-1.5 ${right ? 'text-success' : standing === 'unknown' ? 'text-amber-ink' : 'text-error'}`}>
        <Icon size={16} className="mt-0.5 flex-none" aria-hidden />
        <span className="mono break-all">{answer.found?.join(', ') ?? (isAbsent ? wording.noneThere : wording.failures[answer.failed ?? 'no-answer'])}</span>
      </span>
      {wording.standings[standing] !== '' && <span className="block text-note">{wording.standings[standing]}</span>}
      {answer.former?.map(({ values, until }) => (
        <span key={values.join(' ')} className="soft block text-note">
          {wording.former(values.join(', '), `${fullDate(until)}, ${until.slice(11, 16)}`)}
        </span>
      ))}
    </>
  );
}
