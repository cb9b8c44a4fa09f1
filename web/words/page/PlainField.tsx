import type { PageId } from '../../../core/source/index.ts';
import { useId, type ReactNode } from 'react';
import { LONGEST_TEXT } from '../../../core/site/index.ts';
import type { TermId } from '../../../core/wording/index.ts';
import { useWorkspace } from '../../workspace/index.ts';
import { FieldLabel } from './FieldLabel.tsx';
import { useFieldWriter } from './TextField.tsx';

/** One text of a page that is not cut anywhere: target phrase, keywords. */
export function PlainField({
  field,
  label,
  term,
  page,
  name,
  value,
  note,
  placeholder,
  children,
}: {
  readonly field: 'phrase' | 'keywords' | 'sharePicture';
  readonly label: string;
  readonly term?: TermId;
  readonly page: PageId;
  readonly name: string;
  /** What stands there where the owner said nothing. */
  readonly value: string;
  readonly note?: ReactNode;
  readonly placeholder?: string;
  readonly children?: ReactNode;
}) {
  const id = useId();
  const own = useWorkspace((state) => state.document.tables.pages[page]?.[field]);
  const lang = useWorkspace((state) => state.byId.get(page)?.lang ?? '');
  const { typed, begin } = useFieldWriter(page, field, name, label.toLowerCase());
  return (
    <div className="mb-4 min-w-0" data-field={field}>
      <div className="mb-1 flex flex-wrap items-baseline gap-x-2">
        <FieldLabel id={id} label={label} term={term} />
        <span className="soft ml-auto text-note">{note}</span>
      </div>
      <div className="field">
        <input
          id={id}
          type="text"
          autoComplete="off"
          dir="auto"
          lang={lang}
          maxLength={LONGEST_TEXT}
          value={own ?? value}
          placeholder={placeholder}
          onFocus={begin}
          onChange={(event) => typed(event.target.value === '' ? null : event.target.value, event.timeStamp)}
        />
      </div>
      {children}
    </div>
  );
}
