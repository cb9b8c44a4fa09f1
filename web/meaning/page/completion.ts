import type { Completion, CompletionContext, CompletionResult } from '@codemirror/autocomplete';
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
    const isClosed = text.charAt(context.pos) === '"';
    const end = isClosed ? '' : quote === '' ? '"' : '"';
    if (location.isAtPropertyKey) {
      const type = typeAround(text, context.pos);
      const own = type === undefined ? [] : vocabulary.propertiesOf(type);
      const keys = ['@type', '@id', '@context', '@graph'];
      const options = [...keys, ...own].map((name): Completion => ({
        label: name,
        info: meanings.properties[name] ?? KEYWORDS[name] ?? '',
        apply: `${quote}${name}${end}${isClosed ? '' : ': '}`,
        boost: keys.includes(name) ? 1 : 0,
      }));
      return { from, options, validFor: /^[\w@]*$/ };
    }
    if (property === '@type') {
      const options = vocabulary.types().map((name): Completion => ({ label: name, info: meanings.types[name] ?? '', apply: `${quote}${name}${end}` }));
      return { from, options, validFor: /^\w*$/ };
    }
    if (property === '@context') return { from, options: [{ label: 'https://schema.org', apply: `${quote}https://schema.org${end}` }], validFor: /^[\w:/.]*$/ };
    const members = (vocabulary.property(property ?? '')?.is ?? []).filter((one) => vocabulary.isEnumeration(one)).flatMap((one) => vocabulary.members(one));
    if (members.length === 0) return null;
    return {
      from,
      options: members.map((name): Completion => ({ label: name, info: meanings.types[name] ?? '', apply: `${quote}https://schema.org/${name}${end}` })),
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
