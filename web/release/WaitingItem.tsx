import { ChevronRight } from 'lucide-react';
import { useState } from 'react';
import { all, outgoingHeaderRules, takenBack } from '../../core/site/index.ts';
import type { ReleaseItem } from '../../core/release/index.ts';
import { counted, editWords } from '../../core/wording/index.ts';
import { wording } from './wording.ts';
import { useReport, useWorkspace, useWorkspaceApi } from '../workspace/index.ts';

const WHAT = { new: 'new', changed: 'changed', gone: 'gone' } as const;

/** One file that waits: its fields, its source diff, and a way to take its words back. */
export function WaitingItem({ item }: { readonly item: ReleaseItem }) {
  const workspace = useWorkspaceApi();
  const [open, setOpen] = useState(false);
  const name = useWorkspace((state) => state.byId.get(item.path)?.name);
  const document = useWorkspace((state) => state.document);
  if (item.hosting) return <HostingItem path={item.path} />;
  const takeBack = item.own ? [] : takenBack(document, item.path);
  return (
    <li className="border-t border-line first:border-t-0" data-waiting={item.path}>
      <div className="flex items-start gap-2 px-3 py-2">
        <button
          type="button"
          className="flex min-h-8 min-w-0 flex-1 cursor-pointer items-start gap-2 text-left"
          aria-expanded={open}
          onClick={() => setOpen(!open)}
        >
          <ChevronRight size={17} className={`mt-0.5 flex-none transition-transform ${open ? 'rotate-90' : ''}`} aria-hidden />
          <span className="min-w-0">
            <span className="font-semibold">{name ?? item.path}</span> <span className="soft text-note">{WHAT[item.what]}</span>
            {name && <span className="mono soft block break-all text-tiny">{item.out}</span>}
            {item.edits.map((edit) => {
              const { field, value } = editWords(edit);
              return (
                <span
                  key={`${edit.kind} ${'start' in edit ? edit.start : 'property' in edit ? edit.property : 'name' in edit ? edit.name : ''}`}
                  className="block text-small"
                >
                  <span className="soft">{field}:</span> {value}
                </span>
              );
            })}
            {item.own && <span className="soft block text-note">written by this program</span>}
          </span>
        </button>
        {takeBack.length > 0 && item.what === 'changed' && (
          <button
            type="button"
            className="link-act flex-none text-note"
            onClick={() => workspace.change(all(takeBack), { label: `Changes of “${name ?? item.path}” were taken back` })}
          >
            Undo this
          </button>
        )}
      </div>
      {open && <Diff path={item.path} own={item.own} />}
    </li>
  );
}

/** Something that the host is told beside the files: not a file, so there is nothing to compare line by line. */
function HostingItem({ path }: { readonly path: string }) {
  const audience = useWorkspace((state) => state.document.tables.visitors['']?.audience ?? 'public');
  const rules = useWorkspace((state) => outgoingHeaderRules(state.document).length);
  return (
    <li className="border-t border-line px-3 py-2.5 pl-9 first:border-t-0" data-waiting={path}>
      <span className="font-semibold">{path === 'visitors' ? wording.visitors : wording.headers}</span> <span className="soft text-note">told to the host</span>
      <span className="block text-small">{path === 'visitors' ? wording.audience[audience] : counted(rules, 'rule')}</span>
    </li>
  );
}

function Diff({ path, own }: { readonly path: string; readonly own: boolean }) {
  const hunks = useReport(async (one) => ({ hunks: await one.tools.analysis.diff(path, own) }), `${path} ${own}`);
  if (!hunks) return <p className="soft px-4 pb-3">Comparing …</p>;
  if (!hunks.hunks) return <p className="soft px-4 pb-3 text-note">There is no text to compare here.</p>;
  return (
    <div className="border-t border-line bg-base-200 py-2" role="region" aria-label={`Source of ${path}, before and after`} tabIndex={0}>
      {hunks.hunks.map((hunk, index) => (
        <div key={index} className="mb-2">
          <p className="soft mono px-3 text-tiny">line {hunk.newStart}</p>
          {hunk.lines.map((line, at) => (
            <span key={at} className={`diff-line ${line.startsWith('+') ? 'diff-add' : line.startsWith('-') ? 'diff-del' : ''}`}>
              {line}
            </span>
          ))}
        </div>
      ))}
      {hunks.hunks.length === 0 && <p className="soft px-4 text-note">No difference.</p>}
    </div>
  );
}
