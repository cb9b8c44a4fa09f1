import { useId, useState } from 'react';
import { Link } from 'react-router';
import type { PageRow } from '../../../core/rows/index.ts';
import { AVAILABILITIES, EVENT_STATUSES, type FieldInput, type ToldValue } from '../../../core/structured-data/index.ts';
import { availabilityWords, eventStatusWords, pathWords } from '../../../core/wording/index.ts';
import { lineOf, useRoute } from '../../components/index.ts';
import { useWorkspaceApi } from '../../workspace/index.ts';
import { leaveOut, sayValue } from '../commands.ts';
import { SourceExcerpt } from './SourceExcerpt.tsx';
import type { Pressed } from './ReadBack.tsx';

/** How each sort of value is asked for. */
const HINTS: Readonly<Record<FieldInput, string>> = {
  text: '',
  long: '',
  date: 'as 2026-02-03, or 2026-02-03T10:00',
  price: 'a number with a dot, as 12.50',
  currency: 'three letters, as EUR',
  availability: '',
  status: '',
  address: 'an address of a file, as /pictures/kit.jpg',
  duration: 'as PT1H30M for one and a half hours',
  lines: 'one on each line',
};

/** Values of which there are only some, and how they are called. */
const CHOICES: Partial<Readonly<Record<FieldInput, { readonly words: readonly string[]; readonly show: (word: string) => string }>>> = {
  availability: { words: AVAILABILITIES, show: availabilityWords },
  status: { words: EVENT_STATUSES, show: eventStatusWords },
};

/** Where a value stands in the page, and the owner's own word for it. */
export function ValueDetail({
  row,
  pressed,
  value,
  trailFrom,
  source,
  onDone,
}: {
  readonly row: PageRow;
  readonly pressed: Pressed;
  readonly value: ToldValue | undefined;
  readonly trailFrom: 'page' | 'addresses';
  readonly source: string | undefined;
  readonly onDone: () => void;
}) {
  const workspace = useWorkspaceApi();
  const { linkToView } = useRoute();
  const isOwn = value?.from === 'owner' || value?.misfit !== undefined;
  const [typing, setTyping] = useState(isOwn || (value?.text === undefined && value?.input !== undefined));
  const [shown, setShown] = useState(false);
  const input = value?.input;
  const place = value?.place;
  return (
    <div className="panel mt-2.5 p-4" data-testid="value-detail">
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-2">
        <p className="font-semibold">{value?.text === undefined ? pathWords(pressed.path) : pressed.text}</p>
        <p className="soft text-note">{origin(pressed, value, trailFrom, source)}</p>
        <span className="ml-auto flex flex-wrap gap-4">
          {place && source !== undefined && (
            <button type="button" className="link-act" aria-expanded={shown} onClick={() => setShown(!shown)}>
              See it in the page
            </button>
          )}
          {value?.from === 'site' || pressed.path === 'site' ? (
            <Link className="link-act" to={linkToView('meaning', 'who')}>
              Change it for the site
            </Link>
          ) : null}
          {input !== undefined && !typing && (
            <button type="button" className="link-act" onClick={() => setTyping(true)}>
              Say it yourself
            </button>
          )}
          {value && value.text !== undefined && value.from !== 'owner' && (
            <button
              type="button"
              className="link-act"
              onClick={() => {
                leaveOut(workspace, row, pressed.processor, pressed.path);
                onDone();
              }}
            >
              Leave it out
            </button>
          )}
        </span>
      </div>
      {typing && input !== undefined && <Typing row={row} pressed={pressed} value={value} input={input} isOwn={isOwn} />}
      {shown && place && source !== undefined && <SourceExcerpt source={source} start={place.start} end={place.end} />}
    </div>
  );
}

function origin({ path }: Pressed, value: ToldValue | undefined, trailFrom: 'page' | 'addresses', source: string | undefined): string {
  if (path === 'trail') return trailFrom === 'page' ? 'the trail that the page shows' : 'from the folders of its address, and what their pages are called';
  if (path === 'site') return 'the name of the site';
  if (value?.text === undefined) return 'not on the page: asked for, or left out';
  if (value.from === 'owner') return 'your own word';
  if (value.from === 'site') return 'a fact of the site';
  if (value.from === 'feed') return 'what the site’s feed says of this page';
  return value.place && source !== undefined ? `${lineOf(source, value.place.start)} of the page` : 'said by the page';
}

/** The owner's own word, taken at each key; one that does not fit is kept and said to be so. */
function Typing({
  row,
  pressed,
  value,
  input,
  isOwn,
}: {
  readonly row: PageRow;
  readonly pressed: Pressed;
  readonly value: ToldValue | undefined;
  readonly input: FieldInput;
  readonly isOwn: boolean;
}) {
  const workspace = useWorkspaceApi();
  const id = useId();
  const [text, setText] = useState(value?.misfit ?? value?.text ?? '');
  const write = (next: string): void => {
    setText(next);
    sayValue(workspace, row, pressed.processor, pressed.path, next === '' ? null : next);
  };
  const hint = HINTS[input];
  const choices = CHOICES[input];
  const shared = { id, value: text, 'aria-describedby': `${id}-hint`, 'aria-invalid': value?.misfit !== undefined, dir: 'auto' as const };
  return (
    <div className="mt-3">
      <label htmlFor={id} className="font-semibold">
        Your word for {pathWords(pressed.path)}
      </label>{' '}
      <span id={`${id}-hint`} className="soft text-fine">
        {hint}
      </span>
      {choices ? (
        <select className="select mt-1 w-full" {...shared} onChange={(event) => write(event.target.value)}>
          <option value="">as the page says</option>
          {choices.words.map((word) => (
            <option key={word} value={word}>
              {choices.show(word)}
            </option>
          ))}
        </select>
      ) : input === 'long' || input === 'lines' ? (
        <textarea
          className="textarea mt-1 w-full"
          rows={input === 'lines' ? 5 : 3}
          maxLength={5000}
          {...shared}
          onChange={(event) => write(event.target.value)}
        />
      ) : (
        <input className="input mt-1 w-full" maxLength={500} {...shared} onChange={(event) => write(event.target.value)} />
      )}
      {value?.misfit !== undefined && (
        <p className="mt-1 text-note text-error" role="status">
          This is kept, and not written: it is asked for {hint || 'in another form'}. What the page says goes out meanwhile.
        </p>
      )}
      {isOwn && (
        <button
          type="button"
          className="link-act mt-2"
          onClick={() => {
            setText('');
            sayValue(workspace, row, pressed.processor, pressed.path, null);
          }}
        >
          Back to what the page says
        </button>
      )}
    </div>
  );
}
