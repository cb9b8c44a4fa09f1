import type { PageFacts } from '../page/index.ts';
import type { FilePath } from '../source/index.ts';
import { proofFileFault } from './file-fault.ts';
import { isUsualMeta, tellsCrawlers } from './metas.ts';

/** A proof that a release would take away, or put out of an engine's reach. */
export interface ProofLoss {
  readonly kind: 'tag' | 'file';
  /** The tag's name, or the file's path. */
  readonly name: string;
  /** `removed`: it is no more; `altered`: something else stands under its name; `hidden`: visitors are kept out; `elsewhere`: the site goes to another address. */
  readonly why: 'removed' | 'altered' | 'hidden' | 'elsewhere';
}

/** What stands out there, or will: what the home page says in its head, and the files by which ownership is proved. */
export interface Proving {
  /** Content of each tag that may prove ownership, by name; several may have one name. */
  readonly tags: readonly { readonly name: string; readonly content: string }[];
  /** Text of each file that may prove ownership, by path. */
  readonly files: Readonly<Record<FilePath, string>>;
}

/** Names of metas that hold a code which is for the page's own programs, and proves nothing. */
const FOR_PROGRAMS = /csrf|xsrf|token|nonce|build|revision|commit|version|session|fingerprint/i;
const CODE = /^(?=.*[a-z0-9])[\w+/=.-]{10,300}$/i;

/** The tags of a page that may prove ownership: metas in the head by an engine's own name, with a code. */
export function provingTags(facts: PageFacts): Proving['tags'] {
  return facts.metas.flatMap(({ name, property, content, inHead }) =>
    inHead && name !== undefined && property === undefined && content !== undefined && isProof(name, content.trim()) ? [{ name, content: content.trim() }] : [],
  );
}

const isProof = (name: string, content: string): boolean => !isUsualMeta(name) && !FOR_PROGRAMS.test(name) && !tellsCrawlers(content) && CODE.test(content);

/** Whether a file is likely a proof that somebody put there: small, at the root or in `.well-known`, and saying its own name, or one code and hardly a word. */
export function looksLikeProofFile(path: FilePath, text: string): boolean {
  if (!/^(?:\.well-known\/)?[\w-]{6,}\.(?:html?|txt|xml|json)$/.test(path)) return false;
  if (proofFileFault({ name: path, content: text }, () => false) !== undefined) return false;
  const own = path.replace(/^.*\//, '').replace(/\.\w+$/, '');
  const words = text
    .replace(/<[^>]*>/g, ' ')
    .trim()
    .split(/\s+/);
  const says = words.length <= 3 && words.some((word) => /^[\w+/=.:-]{16,}$/.test(word));
  // A key that change notices go with says its own name and no more.
  return text.trim() !== own && (says || (words.length <= 3 && text.includes(own)));
}

/** What is lost between what stands out there and what goes out. Each by its first reason. */
export function proofLosses(before: Proving, now: Proving, { hides, moves }: { readonly hides: boolean; readonly moves: boolean }): readonly ProofLoss[] {
  const reach = hides ? ('hidden' as const) : moves ? ('elsewhere' as const) : undefined;
  const tags = before.tags.flatMap(({ name, content }): readonly ProofLoss[] => {
    const named = now.tags.filter((tag) => tag.name === name);
    const stands = named.some((tag) => tag.content === content);
    // Of several under one name another may be an agency's, which stays.
    const why = !stands ? (named.length === 0 || before.tags.filter((tag) => tag.name === name).length > 1 ? 'removed' : 'altered') : reach;
    return why === undefined ? [] : [{ kind: 'tag', name, why }];
  });
  const files = Object.entries(before.files).flatMap(([path, text]): readonly ProofLoss[] => {
    const is = now.files[path];
    const why = is === undefined ? 'removed' : is !== text ? 'altered' : reach;
    return why === undefined ? [] : [{ kind: 'file', name: path, why }];
  });
  return [...tags, ...files];
}
