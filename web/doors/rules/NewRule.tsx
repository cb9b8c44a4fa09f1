import type { CrawlerToken } from '../../../core/source/index.ts';
import { useState, type FormEvent } from 'react';
import type { RuleWords } from '../../../core/robots/index.ts';
import { patternWords } from '../../../core/wording/index.ts';
import { useCrawlers } from '../page/crawlers.ts';

type Shape = 'begin' | 'below' | 'end' | 'have' | 'exact' | 'query' | 'free';
const SHAPES: Readonly<Record<Shape, { readonly words: string; readonly pattern: (text: string) => string; readonly example: string }>> = {
  begin: { words: 'addresses that begin with', pattern: (text) => slashed(text), example: '/basket' },
  below: { words: 'everything in the folder', pattern: (text) => `${slashed(text).replace(/\/+$/, '')}/`, example: '/staff' },
  exact: { words: 'this address alone', pattern: (text) => `${slashed(text)}$`, example: '/draft.html' },
  end: { words: 'addresses that end in', pattern: (text) => `/*${text}$`, example: '.pdf' },
  have: { words: 'addresses that contain', pattern: (text) => `/*${text}`, example: 'print' },
  query: { words: 'addresses that ask for', pattern: (text) => `/*?*${text.replace(/^\?/, '')}=`, example: 'sort' },
  free: { words: 'a pattern of my own', pattern: (text) => text, example: '/*?sort=' },
};
const slashed = (text: string): string => (text.startsWith('/') ? text : `/${text}`);

/** A rule made of words: who, may or may not, which addresses. */
export function NewRule({ onAdd }: { readonly onAdd: (token: CrawlerToken, rule: RuleWords) => void }) {
  const crawlers = useCrawlers();
  const [token, setToken] = useState('*');
  const [allow, setAllow] = useState(false);
  const [shape, setShape] = useState<Shape>('begin');
  const [text, setText] = useState('');
  const typed = text.trim().replace(/[#\r\n]/g, '');
  const pattern = typed === '' ? '' : SHAPES[shape].pattern(typed);
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    if (pattern === '') return;
    onAdd(token, { allow, pattern });
    setText('');
  };
  return (
    <form className="panel mt-2 p-3" onSubmit={submit} aria-label="Add a rule">
      <div className="flex flex-wrap items-center gap-1.5">
        <select className="select select-sm w-auto" aria-label="Who" value={token} onChange={(event) => setToken(event.target.value)}>
          <option value="*">Everybody</option>
          {crawlers.map((crawler) => (
            <option key={crawler} value={crawler}>
              {crawler}
            </option>
          ))}
        </select>
        <select
          className="select select-sm w-auto"
          aria-label="May or may not"
          value={allow ? 'allow' : 'disallow'}
          onChange={(event) => setAllow(event.target.value === 'allow')}
        >
          <option value="disallow">may not fetch</option>
          <option value="allow">may fetch</option>
        </select>
        <select className="select select-sm w-auto" aria-label="Which addresses" value={shape} onChange={(event) => setShape(event.target.value as Shape)}>
          {Object.entries(SHAPES).map(([value, { words }]) => (
            <option key={value} value={value}>
              {words}
            </option>
          ))}
        </select>
        <input
          className="input input-sm mono min-w-28 flex-1"
          aria-label="Address, or part of it"
          placeholder={SHAPES[shape].example}
          value={text}
          spellCheck={false}
          onChange={(event) => setText(event.target.value)}
        />
        <button type="submit" className="btn btn-sm btn-outline-ink" disabled={pattern === ''}>
          Add
        </button>
      </div>
      {pattern !== '' && (
        <p className="soft mt-1.5 text-fine">
          <span className="mono">
            {allow ? 'Allow' : 'Disallow'}: {pattern}
          </span>{' '}
          means {patternWords(pattern)}
        </p>
      )}
    </form>
  );
}
