import type { LeftOut, PageEdit } from '../../core/page/index.ts';
import type { Analyst } from './analyst.ts';
import { outFiles, type LeftInFile } from './export-site.ts';

/** What cannot be made of sets of edits that were tried: a set stays the same value as long as nothing in it changes. */
const tried = new WeakMap<readonly PageEdit[], readonly LeftOut[]>();

/** What waits for release and cannot be written, found by making each page that waits as it would go out. */
export async function cannotGo(its: Analyst): Promise<readonly LeftInFile[]> {
  const pages = its.survey.releaseItems().filter(({ what, own, edits }) => what !== 'gone' && !own && edits.length > 0);
  const fresh = new Map(pages.flatMap(({ out, edits }) => (tried.has(edits) ? [] : [[out, edits] as const])));
  for await (const { path, left } of outFiles(its.bytesByHash, its.survey.workingCopy(), its.files, new Set(fresh.keys()))) {
    const edits = fresh.get(path);
    if (edits) tried.set(edits, left);
  }
  return pages.flatMap(({ out, edits }) => (tried.get(edits) ?? []).map((one) => ({ path: out, ...one })));
}
