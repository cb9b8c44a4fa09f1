import { Link2, Pencil } from 'lucide-react';
import { memo, useRef, useState } from 'react';
import type { Passage } from '../../../core/page/index.ts';
import { all, passageKey, readLinks, set, writeLinks, type Change } from '../../../core/site/index.ts';
import type { PageRow } from '../../../core/rows/index.ts';
import { useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';
import { useDraft } from '../../ui/index.ts';
import { LinkChooser } from './LinkChooser.tsx';

/** A stretch of a passage that is shown, and why. */
export interface Mark {
  readonly start: number;
  readonly end: number;
  readonly why: 'phrase' | 'long' | 'care';
}

const WHY = { phrase: 'the target phrase', long: 'a long sentence', care: 'may leave people out' } as const;

/** One heading or paragraph: read with its marks, changed in its place, links set on words of it. */
export const PassageLine = memo(
  function PassageLine({
    row,
    passage,
    text,
    marks,
    rightToLeft,
  }: {
    readonly row: PageRow;
    readonly passage: Passage;
    readonly text: string;
    readonly marks: readonly Mark[];
    readonly rightToLeft: boolean;
  }) {
    const workspace = useWorkspaceApi();
    const key = passageKey(row.id, passage.start);
    const kept = useWorkspace((state) => state.document.tables.passages[key]);
    const siteId = useWorkspace((state) => state.site?.id ?? '');
    // Kept at each key, like every field; it counts once the line is left.
    const [editing, setEditing] = useDraft(`passage:${siteId}:${key}`);
    const [linking, setLinking] = useState<{ words: string; nth: number }>();
    const line = useRef<HTMLParagraphElement>(null);
    const links = readLinks(kept?.links);
    const heading = /^h[1-6]$/.test(passage.tag);
    const save = (next: string): void => {
      setEditing(undefined);
      const said = next.replace(/\s+/g, ' ').trim();
      if (said === text || said === '') return;
      const back = said === passage.text && links.length === 0;
      const changes: Change[] = [set('passages', key, 'was', back ? null : passage.text), set('passages', key, 'now', said === passage.text ? null : said)];
      workspace.change(all(changes), { label: `${heading ? 'A heading' : 'A paragraph'} of “${row.name}” was changed` });
    };
    const link = (): void => {
      const selection = window.getSelection();
      const words = selection?.toString().trim() ?? '';
      if (words === '' || !selection?.anchorNode || !line.current?.contains(selection.anchorNode)) {
        setLinking({ words: '', nth: 0 });
        return;
      }
      const before = document.createRange();
      before.setStart(line.current, 0);
      before.setEnd(selection.getRangeAt(0).startContainer, selection.getRangeAt(0).startOffset);
      const nth = before.toString().split(words).length - 1;
      setLinking({ words, nth });
    };
    const setLink = (words: string, nth: number, href: string): void => {
      setLinking(undefined);
      workspace.change(all([set('passages', key, 'was', passage.text), set('passages', key, 'links', writeLinks([...links, { words, nth, href }]))]), {
        label: `“${words}” leads to ${href}`,
      });
    };
    const changed = kept?.was !== undefined && kept.was !== null;
    return (
      <li
        className="group relative grid grid-cols-[30px_minmax(0,1fr)_auto] gap-x-2 gap-y-0.5 rounded-lg py-1.25 pr-1.5 pl-0.5 focus-within:bg-base-100 hover:bg-base-100 data-changed:shadow-[inset_3px_0_0_var(--color-accent)]"
        data-passage={passage.tag}
        data-changed={changed || undefined}
      >
        <span className="mono pt-0.75 pl-1.5 text-tiny leading-[1.3] text-faint" aria-hidden>
          {passage.tag}
        </span>
        {editing === undefined ? (
          <p
            ref={line}
            lang={row.lang}
            dir={rightToLeft ? 'rtl' : 'auto'}
            className={`${/^h[1-3]$/.test(passage.tag) ? 'display font-semibold' : ''} ${passage.tag === 'h1' ? 'text-lg/[1.45]' : ''}`}
          >
            <Marked text={text} marks={marks} />
            {links.length > 0 && <span className="soft block text-fine">{links.map((one) => `“${one.words}” leads to ${one.href}`).join(' · ')}</span>}
          </p>
        ) : (
          <textarea
            className="textarea w-full"
            autoFocus
            dir="auto"
            lang={row.lang}
            aria-label={heading ? 'Heading' : 'Text'}
            value={editing}
            rows={Math.min(8, 1 + Math.floor(editing.length / 80))}
            onChange={(event) => setEditing(event.target.value)}
            onBlur={() => save(editing)}
            onKeyDown={(event) => {
              // While a text is typed, undo is the text's own.
              if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') event.stopPropagation();
              if (event.key === 'Escape') setEditing(undefined);
              if (event.key === 'Enter') {
                event.preventDefault();
                save(editing);
              }
            }}
          />
        )}
        <span
          data-acts
          className="flex items-start gap-0.5 opacity-0 group-focus-within:opacity-100 group-hover:opacity-100 group-data-changed:opacity-100 [@media(hover:none)]:opacity-100"
        >
          <button type="button" className="icon-btn" aria-label="Change this text" title="Change this text" onClick={() => setEditing(text)}>
            <Pencil size={15} aria-hidden />
          </button>
          <button
            type="button"
            className="icon-btn"
            aria-label="Set a link on words"
            title="Set a link on words of it: select them first"
            onMouseDown={(event) => event.preventDefault()}
            onClick={link}
          >
            <Link2 size={15} aria-hidden />
          </button>
          {changed && (
            <button
              type="button"
              className="link-act text-fine"
              onClick={() =>
                workspace.change(all([set('passages', key, 'was', null), set('passages', key, 'now', null), set('passages', key, 'links', null)]), {
                  label: `A text of “${row.name}” is as it was`,
                })
              }
            >
              Undo this
            </button>
          )}
        </span>
        {linking && <LinkChooser row={row} text={text} words={linking.words} nth={linking.nth} onSet={setLink} onClose={() => setLinking(undefined)} />}
      </li>
    );
  },
  (a, b) => a.row.id === b.row.id && a.passage === b.passage && a.text === b.text && JSON.stringify(a.marks) === JSON.stringify(b.marks),
);

const MARKS: Readonly<Record<Mark['why'], string>> = {
  phrase: 'bg-amber-soft',
  long: 'bg-transparent underline decoration-brick decoration-wavy decoration-1 underline-offset-3',
  care: 'bg-plum-soft',
};

/** A text with some stretches marked; marks may lie over each other, the first wins. */
function Marked({ text, marks }: { readonly text: string; readonly marks: readonly Mark[] }) {
  const pieces: React.ReactNode[] = [];
  let at = 0;
  for (const mark of [...marks].sort((a, b) => a.start - b.start)) {
    if (mark.start < at) continue;
    pieces.push(text.slice(at, mark.start));
    pieces.push(
      <mark key={mark.start} className={MARKS[mark.why]} title={WHY[mark.why]}>
        {text.slice(mark.start, mark.end)}
      </mark>,
    );
    at = mark.end;
  }
  return (
    <>
      {pieces}
      {text.slice(at)}
    </>
  );
}
