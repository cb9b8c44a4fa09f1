import { useState } from 'react';
import { AWAY_PAGES, type HostedSite, type Offline as OfflineState } from '../../core/exchange/index.ts';
import { messageOf } from '../../core/source/index.ts';
import { shortDate } from '../../core/wording/index.ts';
import { note } from '../ui/index.ts';
import { useReport, useWorkspaceApi } from '../workspace/index.ts';
import { offline as wording } from './wording.ts';

const STATUSES = [503, 404, 410] as const;

/** Takes the site offline at the host, in one of the ways that engines understand, and back. */
export function Offline({ hosted, onChange }: { readonly hosted: HostedSite; readonly onChange: (hosted: HostedSite) => void }) {
  const workspace = useWorkspaceApi();
  const [open, setOpen] = useState(false);
  const [status, setStatus] = useState<OfflineState['status']>(503);
  const [until, setUntil] = useState('');
  const [message, setMessage] = useState('');
  const own = useReport(async (one) => {
    for (const file of AWAY_PAGES[503]) if (await one.tools.analysis.hasFile(file)) return file;
    return '';
  });
  const set = async (offline: OfflineState | null): Promise<void> => {
    try {
      onChange(await workspace.tools.outside.setOffline(hosted.host, offline));
      setOpen(false);
    } catch (error) {
      note(messageOf(error), {}, 'bad');
    }
  };
  if (hosted.offline)
    return (
      <div className="notice notice-bad mt-2" data-testid="offline">
        <p className="font-semibold">
          {wording.is(hosted.offline.status)} {wording.since(shortDate(hosted.offline.since))}
        </p>
        <p className="text-small">
          {wording.means[hosted.offline.status as OfflineState['status']]} {hosted.offline.until && wording.until(shortDate(hosted.offline.until))}
        </p>
        <button type="button" className="btn btn-sm btn-primary mt-2" onClick={() => void set(null)}>
          {wording.back}
        </button>
      </div>
    );
  if (!open)
    return (
      <button type="button" className="link-act mt-1 text-note" onClick={() => setOpen(true)}>
        {wording.take}
      </button>
    );
  return (
    <form
      className="panel mt-2 p-3"
      onSubmit={(event) => {
        event.preventDefault();
        void set({
          status,
          ...(message.trim() === '' ? {} : { message: message.trim() }),
          ...(status === 503 && until !== '' ? { until: new Date(`${until}T12:00:00Z`).toISOString() } : {}),
        });
      }}
    >
      <fieldset>
        <legend className="font-semibold">{wording.how}</legend>
        {STATUSES.map((one) => (
          <label key={one} className="mt-2 flex items-start gap-2 text-small">
            <input type="radio" className="radio radio-sm mt-0.5" name="offline" checked={status === one} onChange={() => setStatus(one)} />
            <span>
              <span className="font-semibold">{wording.names[one]}</span> <span className="mono soft text-tiny">{one}</span>
              <span className="soft block">{wording.means[one]}</span>
            </span>
          </label>
        ))}
      </fieldset>
      {status === 503 && (
        <label className="mt-2 block text-small">
          {wording.untilLabel}
          <input type="date" className="input input-sm mt-1 w-full" value={until} onChange={(event) => setUntil(event.target.value)} />
        </label>
      )}
      {status === 503 && own ? (
        <p className="soft mt-2 text-small">{wording.ownPage(own)}</p>
      ) : (
        <label className="mt-2 block text-small">
          {wording.messageLabel}
          <textarea className="textarea mt-1 w-full" rows={2} maxLength={500} value={message} onChange={(event) => setMessage(event.target.value)} />
        </label>
      )}
      <div className="mt-3 flex flex-wrap gap-2">
        <button type="submit" className="btn btn-sm btn-primary">
          {wording.take}
        </button>
        <button type="button" className="btn btn-sm btn-outline-ink" onClick={() => setOpen(false)}>
          Leave it
        </button>
      </div>
    </form>
  );
}
