import { looksLikeProofFile, proofLosses, provingTags, type ProofLoss, type Proving } from '../../core/ownership/index.ts';
import { readPage } from '../../core/page/index.ts';
import { heldBack, hostingFrom, shipments, written, type Held, type Manifest, type WorkingCopy } from '../../core/release/index.ts';
import { addressOf, isPageFile } from '../../core/site/index.ts';
import { decodeBytes } from '../../core/source/index.ts';
import type { Analyst } from './analyst.ts';

/** Largest file that can be a proof, in octets. */
const LARGEST = 4_000;
/** Files that are looked into: nobody has so many at the root that are as small as a proof. The program's own come first. */
const MOST = 500;

/** What proves ownership in the releases that were looked at. */
const out = new WeakMap<Manifest, Promise<Proving>>();
function keep(manifest: Manifest, proving: Promise<Proving>): Promise<Proving> {
  out.set(manifest, proving);
  proving.catch(() => out.delete(manifest));
  return proving;
}

/** The proofs that stand out there and would be lost by a release of what goes. */
export async function proofsLost(its: Analyst, held: Held): Promise<readonly ProofLoss[]> {
  const last = its.manifest;
  if (last === undefined) return [];
  const now = heldBack(its.manifestFor(last.number + 1), last, held);
  const before = await (out.get(last) ?? keep(last, provingIn(last, its, undefined)));
  if (before.tags.length === 0 && Object.keys(before.files).length === 0) return [];
  const files = new Set(Object.keys(before.files));
  const audience = (copy: WorkingCopy): string => hostingFrom(copy.hosting ?? {}).audience;
  const after = await provingIn(now, its, files);
  return proofLosses(before, after, { hides: audience(last) === 'public' && audience(now) !== 'public', moves: goesTo(now) !== goesTo(last) });
}

/** The tags that prove ownership in the home page as it would go out. */
export async function provingNow(its: Analyst): Promise<Proving['tags']> {
  return (await provingIn(its.survey.workingCopy(), its, new Set())).tags;
}

/** The main address that pages are told to name where it is another than they came with. */
const goesTo = (copy: WorkingCopy): string | undefined =>
  Object.values(copy.files)
    .flatMap(({ edits }) => edits)
    .find((edit) => edit.kind === 'addresses')?.origin;

/** What proves ownership in a release: looked for everywhere, or only in `files`. */
async function provingIn(copy: WorkingCopy, its: Analyst, files: ReadonlySet<string> | undefined): Promise<Proving> {
  // Of most files their size tells that they are none, so that they need not be read.
  const large = new Set(its.files.flatMap(({ path, size }) => (size > LARGEST ? [path] : [])));
  const found: Record<string, string> = {};
  let tags: Proving['tags'] = [];
  let looked = 0;
  for (const shipment of shipments(copy)) {
    const { path } = shipment;
    const isHome = isPageFile(path) && addressOf(path) === '/';
    const isSmall = 'text' in shipment ? shipment.text.length <= LARGEST : !large.has(shipment.from);
    const isWanted = files === undefined ? isSmall && /^(?:\.well-known\/)?[^/]+$/.test(path) && looked < MOST : files.has(path);
    if (!isHome && !isWanted) continue;
    if (isWanted) looked++;
    const bytes = 'text' in shipment ? new TextEncoder().encode(shipment.text) : await its.bytesByHash(shipment.from, shipment.hash);
    if (bytes === undefined) continue;
    const sent = 'text' in shipment ? bytes : written(bytes, shipment.edits).bytes;
    if (isHome) {
      const reading = readPage(sent);
      tags = reading.ok ? provingTags(reading.facts) : [];
    }
    const text = isWanted && sent.length <= LARGEST ? decodeBytes(sent, 'utf-8') : undefined;
    if (text !== undefined && (files !== undefined || looksLikeProofFile(path, text))) found[path] = text;
  }
  return { tags, files: found };
}
