import { useDrop } from '../../ui/index.ts';
import { FileUp } from 'lucide-react';
import { useRef, useState } from 'react';

import { TableReading } from './TableReading.tsx';

/** Takes words in from a table that was kept elsewhere: what each column means is guessed and shown, what would change is seen before it does. */
export function TableIn() {
  const [file, setFile] = useState<{ readonly name: string; readonly bytes: Uint8Array }>();
  const input = useRef<HTMLInputElement>(null);
  const take = async (picked: File | undefined): Promise<void> => {
    if (picked) setFile({ name: picked.name, bytes: new Uint8Array(await picked.arrayBuffer()) });
  };
  const { over, zone } = useDrop(({ files }) => void take(files[0]));
  return (
    <div>
      <div
        className={`flex flex-wrap items-center gap-x-3.5 gap-y-2 rounded-box border-2 border-dashed bg-base-100 px-4.5 py-4 ${over ? 'border-accent' : 'border-line'}`}
        {...zone}
      >
        <FileUp size={22} aria-hidden className="soft flex-none" />
        <div className="min-w-0 flex-1">
          <p className="font-medium">{file ? file.name : 'A CSV file, from any program'}</p>
          <p className="soft text-note">One column holds the addresses; the others may have any names. Nothing changes until you say so.</p>
        </div>
        <button type="button" className="btn btn-sm btn-primary" onClick={() => input.current?.click()}>
          {file ? 'Another file' : 'Choose a file'}
        </button>
        <input
          ref={input}
          type="file"
          className="hidden"
          accept=".csv,.tsv,.txt,text/csv,text/plain"
          aria-label="Table to bring in"
          onChange={(event) => void take(event.target.files?.[0])}
        />
      </div>
      {file && <TableReading key={`${file.name} ${file.bytes.length}`} bytes={file.bytes} onDone={() => setFile(undefined)} />}
    </div>
  );
}
