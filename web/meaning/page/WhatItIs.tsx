import { useState } from 'react';
import type { PageRow } from '../../../core/rows/index.ts';
import { KIND_TABLE } from '../../../core/site/index.ts';
import { NO_MARKUP, PROCESSORS, type MarkupReport } from '../../../core/structured-data/index.ts';
import { PROCESSOR_WORDS } from '../../../core/wording/index.ts';
import { Segments } from '../../ui/index.ts';
import { useWorkspaceApi } from '../../workspace/index.ts';
import { setPageMarkup } from '../commands.ts';

/** What the page is: as its kind, something else, or nothing. */
export function WhatItIs({ row, report }: { readonly row: PageRow; readonly report: MarkupReport }) {
  const workspace = useWorkspaceApi();
  const own = report.from === 'page';
  const value = own ? (report.off ? 'none' : 'other') : 'kind';
  const [choosing, setChoosing] = useState(false);
  const said = report.processors.map((id) => PROCESSOR_WORDS[id]?.label.toLowerCase() ?? id).join(' and ');
  const kind = own ? KIND_TABLE[row.kind].one.toLowerCase() : report.off ? 'no markup' : said;
  return (
    <div className="flex flex-col items-end gap-2">
      <Segments<'kind' | 'other' | 'none'>
        label="What the page is"
        value={choosing && value === 'kind' ? 'other' : value}
        onChange={(next) => {
          setChoosing(next === 'other');
          if (next === 'kind') setPageMarkup(workspace, row, null);
          else if (next === 'none') setPageMarkup(workspace, row, NO_MARKUP);
        }}
        options={[
          { value: 'kind', label: `As its kind: ${kind}` },
          { value: 'other', label: 'Something else' },
          { value: 'none', label: 'No markup' },
        ]}
      />
      {(choosing || value === 'other') && (
        <ProcessorChoice
          label="It is"
          chosen={report.processors}
          onChange={(next) => {
            setPageMarkup(workspace, row, next.length === 0 ? null : next.join(' '));
            if (next.length === 0) setChoosing(false);
          }}
        />
      )}
    </div>
  );
}

/** One or several of all that a page can be. */
export function ProcessorChoice({
  label,
  chosen,
  onChange,
}: {
  readonly label: string;
  readonly chosen: readonly string[];
  readonly onChange: (chosen: readonly string[]) => void;
}) {
  return (
    <div className="flex max-w-prose flex-wrap gap-1.5" role="group" aria-label={label}>
      {PROCESSORS.map(({ id }) => (
        <button
          key={id}
          type="button"
          className="chip"
          aria-pressed={chosen.includes(id)}
          title={PROCESSOR_WORDS[id]?.about}
          onClick={() => onChange(chosen.includes(id) ? chosen.filter((one) => one !== id) : [...chosen.filter((one) => one !== 'page'), id])}
        >
          {PROCESSOR_WORDS[id]?.label ?? id}
        </button>
      ))}
    </div>
  );
}
