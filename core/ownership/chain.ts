import type { PageFacts } from '../page/index.ts';
import type { RecordAnswer } from '../site/index.ts';
import type { ProofPiece } from './piece.ts';

/** How something that was looked at stands: as it has to be, not so, worth knowing, or not known. */
export type StepState = 'good' | 'bad' | 'note' | 'unknown';

/** One thing that was really looked at before an engine looks, and what was found. */
export type ProofStep = { readonly state: StepState } & (
  | { readonly step: 'answers'; readonly status: number | undefined }
  /** The host leads to another. */
  | { readonly step: 'leads-away'; readonly to: string }
  /** Where the name leads; another address beside the host's own takes a part of the visits. */
  | { readonly step: 'addresses'; readonly found: readonly string[]; readonly right: string }
  | { readonly step: 'in-head'; readonly where: 'head' | 'body' | 'nowhere' }
  | { readonly step: 'to-the-letter'; readonly found: string }
  | { readonly step: 'once'; readonly count: number }
  | { readonly step: 'file-text'; readonly found: string }
  | { readonly step: 'file-type'; readonly type: string }
  /** What one name server says. */
  | { readonly step: 'record'; readonly server: string; readonly found: readonly string[]; readonly failed: RecordAnswer['failed'] }
  /** What resolvers that asked before may hold still, until then (ISO). */
  | { readonly step: 'held'; readonly values: readonly string[]; readonly until: string }
  /** It stands at another name than it is meant for. */
  | { readonly step: 'misplaced'; readonly at: string }
);

/** A code without what copying does to it: blanks and capitals. */
const bare = (text: string): string => text.replace(/\s+/g, '').toLowerCase();

/** What a page says of a tag: that it stands there once, in the head, and to the letter. */
export function tagSteps(facts: PageFacts | undefined, { name, content }: ProofPiece): ProofStep[] {
  const named = (facts?.metas ?? []).filter((meta) => meta.name === name.toLowerCase());
  const exact = named.filter((meta) => meta.content?.trim() === content);
  const inHead = exact.filter((meta) => meta.inHead);
  if (exact.length > 0) {
    const letter = inHead[0] ?? exact[0];
    return [
      { step: 'in-head', state: inHead.length > 0 ? 'good' : 'bad', where: inHead.length > 0 ? 'head' : 'body' },
      // White space around a code is forgiven by some engines only.
      { step: 'to-the-letter', state: letter?.content === content ? 'good' : 'note', found: letter?.content ?? '' },
      { step: 'once', state: exact.length === 1 ? 'good' : 'note', count: exact.length },
    ];
  }
  // The nearest there is: the same but for how it is spelt, else any of its name.
  const near =
    named.find((meta) => bare(meta.content ?? '') === bare(content)) ?? named.find((meta) => content.startsWith((meta.content ?? '').slice(0, 6))) ?? named[0];
  if (near === undefined) return [{ step: 'in-head', state: 'bad', where: 'nowhere' }];
  return [
    { step: 'in-head', state: near.inHead ? 'good' : 'bad', where: near.inHead ? 'head' : 'body' },
    { step: 'to-the-letter', state: 'bad', found: near.content ?? '' },
  ];
}

/** Types under which a file of an ending is expected. */
const TYPES: Readonly<Record<string, RegExp>> = {
  html: /^text\/html\b/i,
  htm: /^text\/html\b/i,
  txt: /^text\/plain\b/i,
  xml: /^(?:application|text)\/xml\b/i,
  json: /^application\/json\b/i,
};

/** What the host sends of a file: its octets as text, and the type it says. */
export function fileSteps(text: string, type: string, { name, content }: ProofPiece): ProofStep[] {
  const lineEnd = /\r?\n$/;
  const same = text === content;
  const state = same ? 'good' : text.replace(lineEnd, '') === content.replace(lineEnd, '') ? 'note' : 'bad';
  const wanted = TYPES[/\.(\w+)$/.exec(name)?.[1]?.toLowerCase() ?? ''];
  return [
    { step: 'file-text', state, found: text.slice(0, 200) },
    { step: 'file-type', state: wanted === undefined || wanted.test(type) ? 'good' : 'note', type },
  ];
}

/** What one name server says of a record. */
export function recordStep(server: string, answer: RecordAnswer, { kind, content }: ProofPiece): ProofStep {
  const found = answer.found ?? [];
  // A name is the same with a dot behind it; a text counts to the letter, but for white space that panels put around it.
  const plain = (value: string): string => (kind === 'cname' ? value.replace(/\.$/, '').toLowerCase() : value.trim());
  const state = answer.failed === 'no-answer' ? 'unknown' : found.some((value) => plain(value) === plain(content)) ? 'good' : 'bad';
  return { step: 'record', state, server, found: found.slice(0, 10).map((value) => value.slice(0, 200)), failed: answer.failed };
}
