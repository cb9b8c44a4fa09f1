import { pickedCompletion, type Completion, type CompletionContext, type CompletionResult } from '@codemirror/autocomplete';
import type { EditorView } from '@codemirror/view';
import { getLocation } from 'jsonc-parser';
import type { Knowledge } from './knowledge.ts';

/** Offers what can stand where the cursor is: a type, a property of the type around, a member of an enumeration. */
export function completer({ vocabulary, meanings }: Knowledge): (context: CompletionContext) => CompletionResult | null {
  return (context) => {
    const text = context.state.doc.toString();
    const word = context.matchBefore(/"?[\w@]*/);
    if (!word || (word.from === word.to && !context.explicit)) return null;
    const location = getLocation(text, context.pos);
    const property = [...location.path].reverse().find((part): part is string => typeof part === 'string');
    const from = word.text.startsWith('"') ? word.from + 1 : word.from;
    const quote = word.text.startsWith('"') ? '' : '"';
    if (location.isAtPropertyKey) {
      const type = typeAround(text, context.pos);
      const own = type === undefined ? [] : vocabulary.propertiesOf(type);
      const keys = ['@type', '@id', '@context', '@graph'];
      const options = [...keys, ...own].map((name): Completion => ({
        label: name,
        info: meanings.properties[name] ?? KEYWORDS[name] ?? '',
        apply: putting(`${quote}${name}": `),
        boost: keys.includes(name) ? 1 : 0,
      }));
      return { from, options, validFor: /^[\w@]*$/ };
    }
    if (property === '@type') {
      const options = vocabulary.types().map((name): Completion => ({ label: name, info: meanings.types[name] ?? '', apply: putting(`${quote}${name}"`) }));
      return { from, options, validFor: /^\w*$/ };
    }
    if (property === '@context')
      return { from, options: [{ label: 'https://schema.org', apply: putting(`${quote}https://schema.org"`) }], validFor: /^[\w:/.]*$/ };
    const members = (vocabulary.property(property ?? '')?.is ?? []).filter((one) => vocabulary.isEnumeration(one)).flatMap((one) => vocabulary.members(one));
    if (members.length === 0) return null;
    return {
      from,
      options: members.map((name): Completion => ({ label: name, info: meanings.types[name] ?? '', apply: putting(`${quote}https://schema.org/${name}"`) })),
      validFor: /^\w*$/,
    };
  };
}

const KEYWORDS: Readonly<Record<string, string>> = {
  '@type': 'What the thing is: a type of the vocabulary.',
  '@id': 'The address by which the thing is named elsewhere.',
  '@context': 'Whose words these are: https://schema.org.',
  '@graph': 'Several things in one block.',
};

/** The type of the object that a place lies in, as far as it is written. */
function typeAround(text: string, at: number): string | undefined {
  let depth = 0;
  for (let place = at - 1; place >= 0; place--) {
    const sign = text[place];
    if (sign === '}') depth++;
    else if (sign === '{' && depth-- === 0) {
      const end = closing(text, place);
      return /"@type"\s*:\s*"(\w+)"/.exec(outermost(text.slice(place + 1, end)))?.[1];
    }
  }
  return undefined;
}

function closing(text: string, open: number): number {
  let depth = 0;
  for (let place = open; place < text.length; place++) {
    if (text[place] === '{') depth++;
    else if (text[place] === '}' && --depth === 0) return place;
  }
  return text.length;
}

/** A text without what stands in braces inside it. */
function outermost(text: string): string {
  let depth = 0;
  let kept = '';
  for (const sign of text) {
    if (sign === '{') depth++;
    if (depth === 0) kept += sign;
    if (sign === '}' && depth > 0) depth--;
  }
  return kept;
}

/** Puts a word in with its quotes; the one that the editor closed by itself is taken along, and what follows is written behind it. */
function putting(insert: string): (view: EditorView, completion: Completion, from: number, to: number) => void {
  return (view, completion, from, to) => {
    const closed = view.state.sliceDoc(to, to + 1) === '"';
    const behind = view.state.sliceDoc(to + (closed ? 1 : 0), to + 3);
    const text = behind.startsWith(':') ? insert.replace(/: $/, '') : insert;
    view.dispatch({
      changes: { from, to: to + (closed ? 1 : 0), insert: text },
      selection: { anchor: from + text.length },
      annotations: pickedCompletion.of(completion),
      userEvent: 'input.complete',
    });
  };
}
