import { ENGINES } from '../../core/engines/index.ts';
import { givenFor, proofFileFault, readPiece, type GivenFor, type ProofPiece, type Proving, type ReadPiece } from '../../core/ownership/index.ts';
import { all, claimId, set, type Change, type SiteDocument } from '../../core/site/index.ts';

/** The program's own engines by what owners call them. */
export const KNOWN: Readonly<Record<string, string>> = Object.fromEntries(ENGINES.map(({ id, name }) => [name.toLowerCase(), id]));

/** What a paste for an engine is; a code alone is taken for a tag only where it is known what the engine's tag is called. */
export function readFor(engine: string, pasted: string, host: string): ReadPiece {
  const own = KNOWN[engine.trim().toLowerCase()];
  return readPiece(pasted, { host, tagName: own === undefined ? undefined : `${own}-proof` });
}

/** The same, but that a file is refused which would stand over something, or is no proof. `has` tells whether the site has a file of its name. */
export function placeable(read: ReadPiece, has: boolean): ReadPiece {
  const fault = read.ok && read.piece.kind === 'file' ? proofFileFault(read.piece, () => has) : undefined;
  return fault !== undefined && read.ok ? { ok: false, reason: fault, found: read.piece.name } : read;
}

/** What is worth knowing before a proof is placed. */
export type BeforePlacing =
  | { readonly what: 'given-for'; readonly given: GivenFor }
  /** The very tag stands in the page already. */
  | { readonly what: 'there' }
  /** Another tag of the name stands there; both stay. */
  | { readonly what: 'beside'; readonly content: string }
  /** By its name the tag is another engine's than the one that is said. */
  | { readonly what: 'other-engine'; readonly name: string };

/** What speaks up before a proof is placed. `tags` are the proofs in the home page as it would go out. */
export function beforePlacing(
  pasted: string,
  piece: ProofPiece,
  { engine, host, tags }: { readonly engine: string; readonly host: string; readonly tags: Proving['tags'] },
): readonly BeforePlacing[] {
  const given = givenFor(pasted, piece, host);
  const named = piece.kind === 'tag' ? tags.filter(({ name }) => name === piece.name) : [];
  const isThere = named.some(({ content }) => content === piece.content);
  const [other] = named;
  const theirs = Object.entries(KNOWN).find(([, id]) => piece.kind === 'tag' && piece.name === `${id}-proof` && KNOWN[engine.trim().toLowerCase()] !== id);
  return [
    ...(given ? [{ what: 'given-for' as const, given }] : []),
    ...(isThere ? [{ what: 'there' as const }] : other ? [{ what: 'beside' as const, content: other.content }] : []),
    ...(theirs ? [{ what: 'other-engine' as const, name: ENGINES.find(({ id }) => id === theirs[1])?.name ?? theirs[0] }] : []),
  ];
}

/** Under which key a proof is kept. */
export const proofKey = (engine: string, { kind, name }: ProofPiece): string => claimId(engine, kind, name, KNOWN);

/** Ways of which one name can have only one: a second takes the place of the first. Of tags and texts each stays: it may be another person's. */
const ONE_OF_A_NAME: readonly ProofPiece['kind'][] = ['file', 'cname'];

/** Under which key a proof goes, beside those that are placed; and whether it takes the place of another. */
export function placeFor(claims: SiteDocument['tables']['claims'], engine: string, piece: ProofPiece): { readonly key: string; readonly replaces: boolean } {
  const first = proofKey(engine, piece);
  const isFree = (key: string): boolean => !claims[key]?.content || claims[key].content === piece.content;
  if (ONE_OF_A_NAME.includes(piece.kind)) return { key: first, replaces: !isFree(first) };
  let key = first;
  for (let more = 2; !isFree(key); more++) key = `${first} ${more}`;
  return { key, replaces: false };
}

/** The change that places a proof. `at` is when, in ISO 8601. */
export function placeProof(claims: SiteDocument['tables']['claims'], engine: string, piece: ProofPiece, at: string): Change {
  const { key } = placeFor(claims, engine, piece);
  return all([
    set('claims', key, 'engine', engine.trim()),
    set('claims', key, 'kind', piece.kind),
    set('claims', key, 'name', piece.name),
    set('claims', key, 'content', piece.content),
    set('claims', key, 'at', at),
  ]);
}
