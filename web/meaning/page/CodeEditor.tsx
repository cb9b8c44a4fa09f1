import { autocompletion, completionKeymap } from '@codemirror/autocomplete';
import { json } from '@codemirror/lang-json';
import { linter } from '@codemirror/lint';
import { EditorState, Compartment } from '@codemirror/state';
import { EditorView, keymap } from '@codemirror/view';
import { basicSetup } from 'codemirror';
import { useEffect, useRef } from 'react';
import { useAsync } from '../../ui/index.ts';
import { completer } from './completion.ts';
import { loadKnowledge, problemsIn, type Problem } from './knowledge.ts';

export type { Problem } from './knowledge.ts';

/** An editor of JSON-LD: completes types and properties with what they mean, checks as one types, and takes the page's values from chips. */
export function CodeEditor({
  value,
  chips,
  label,
  onChange,
  onProblems,
}: {
  readonly value: string;
  readonly chips: readonly { readonly label: string; readonly insert: string }[];
  readonly label: string;
  readonly onChange: (text: string) => void;
  readonly onProblems: (problems: readonly Problem[]) => void;
}) {
  const host = useRef<HTMLDivElement>(null);
  const view = useRef<EditorView>(undefined);
  const tell = useRef({ onChange, onProblems });
  useEffect(() => {
    tell.current = { onChange, onProblems };
  });
  const knowledge = useAsync(loadKnowledge, 'vocabulary');
  const known = knowledge.value;
  const helping = useRef(new Compartment());
  useEffect(() => {
    const editor = new EditorView({
      parent: host.current as HTMLDivElement,
      state: EditorState.create({
        doc: value,
        extensions: [
          basicSetup,
          json(),
          keymap.of(completionKeymap),
          EditorView.lineWrapping,
          EditorView.contentAttributes.of({ 'aria-label': label }),
          EditorView.updateListener.of((update) => {
            if (update.docChanged && !update.transactions.some((transaction) => transaction.isUserEvent('outside')))
              tell.current.onChange(update.state.doc.toString());
          }),
          helping.current.of([]),
        ],
      }),
    });
    view.current = editor;
    return () => editor.destroy();
    // The editor is made once; what it holds is taken over below.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  useEffect(() => {
    const editor = view.current;
    if (!editor || editor.state.doc.toString() === value) return;
    editor.dispatch({ changes: { from: 0, to: editor.state.doc.length, insert: value }, userEvent: 'outside' });
  }, [value]);
  useEffect(() => {
    const editor = view.current;
    if (!editor || !known) return;
    editor.dispatch({
      effects: helping.current.reconfigure([
        autocompletion({ override: [completer(known)], icons: false, interactionDelay: 0 }),
        linter(
          (one) => {
            const problems = problemsIn(one.state.doc.toString(), known);
            tell.current.onProblems(problems);
            return problems.map(({ from, to, words, grave }) => ({
              from,
              to: Math.min(to, one.state.doc.length),
              message: words,
              severity: grave ? 'error' : 'warning',
            }));
          },
          { delay: 250 },
        ),
      ]),
    });
  }, [known]);
  const put = (insert: string): void => {
    const editor = view.current;
    if (!editor) return;
    const { head } = editor.state.selection.main;
    editor.dispatch({ changes: { from: head, insert }, selection: { anchor: head + insert.length }, userEvent: 'input' });
    editor.focus();
  };
  return (
    <div>
      {chips.length > 0 && (
        <div className="mb-2 flex flex-wrap items-center gap-1.5" role="group" aria-label="What the page says">
          {chips.map(({ label: name, insert }) => (
            <button key={name} type="button" className="chip" onClick={() => put(insert)}>
              {name}
            </button>
          ))}
        </div>
      )}
      <div ref={host} className="panel code-editor" />
    </div>
  );
}
