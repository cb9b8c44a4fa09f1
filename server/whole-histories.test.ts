import { createHash } from 'node:crypto';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { mergeChange } from '../core/merge/index.ts';
import {
  broughtInManifest,
  canWait,
  compareWithRelease,
  fieldChanges,
  heldBack,
  hostingFrom,
  itemKey,
  ownBytes,
  shipments,
  written,
  type Held,
  type Manifest,
  type WorkingCopy,
} from '../core/release/index.ts';
import { all, applyChange, directivesKey, emptyDocument, invert, resolvePath, set, type Change, type SiteDocument } from '../core/site/index.ts';
import { pathAndQuery } from '../core/source/index.ts';
import type { Survey } from '../core/survey/index.ts';
import { runs } from '../core/testing/effort.ts';
import { planned, type Files } from '../core/testing/planned.ts';
import type { Fetch } from './fetching/index.ts';
import { StandInHost } from './stand-ins/host.ts';
import { StandInClock } from './stand-ins/clock.ts';
import { Store } from './stand-ins/store.ts';
import { expectEnginesAgree, expectNoDrift, NOW, ORIGIN, survey, type Site } from './testing/engines-agree.ts';

const HOST = new URL(ORIGIN).host;
const NOUNS = 'tapes linen leather grain vellum thread needle board hinge spine gilding press paste wheat ledger binding sewing marbling paper awl'.split(' ');
const hashOf = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');
const prose = (page: number, turn: number): string =>
  Array.from({ length: 24 }, (_, at) => NOUNS[(page * 7 + turn * 5 + at * (page + 2) + ((at * at) % 11)) % NOUNS.length]).join(' ') + ` ${page}-${turn}.`;
const page = (number: number, turn: number, paths: readonly string[]): string =>
  `<!doctype html><html lang=en><head><meta charset=utf-8><title>Page ${number}</title></head><body><h1>Page ${number}</h1><p>${prose(number, turn)}</p>${paths.map((path) => `<a href="/${path.replace('index.html', '')}">to</a>`).join(' ')}</body></html>`;

/** What the next version of a site is like: a seed of fates, one for each of its pages. */
type Fates = readonly ('stays' | 'rewritten' | 'moves' | 'goes')[];
/** One step of a story. */
type Step =
  | { readonly kind: 'change'; readonly change: (pages: readonly string[]) => Change; readonly said: string }
  | { readonly kind: 'undo' }
  | { readonly kind: 'release'; readonly dice: readonly number[] }
  | { readonly kind: 'again'; readonly which: number }
  | { readonly kind: 'version'; readonly fates: Fates; readonly adds: boolean };

const named = (said: string, change: (pages: readonly string[]) => Change): Step => ({ kind: 'change', change, said });
const ofPage = (field: string, make: (page: string) => Change): fc.Arbitrary<Step> =>
  fc.nat(20).map((pick) => named(`${field} ${pick}`, (pages) => make(pages[pick % pages.length] as string)));
const claim = (kind: 'tag' | 'file', name: string, content: string | null): Change =>
  all([
    set('claims', `x ${kind} ${name}`, 'kind', content === null ? null : kind),
    set('claims', `x ${kind} ${name}`, 'name', content === null ? null : name),
    set('claims', `x ${kind} ${name}`, 'content', content),
  ]);
const said = (what: string, change: Change): Step => named(what, () => change);
const step: fc.Arbitrary<Step> = fc.oneof(
  { weight: 2, arbitrary: ofPage('title', (one) => set('pages', one, 'title', 'Mended books')) },
  { weight: 2, arbitrary: ofPage('description', (one) => set('pages', one, 'description', 'What we mend, and how.')) },
  ofPage('no title', (one) => set('pages', one, 'title', null)),
  ofPage('kept out', (one) => set('pages', one, 'intent', 'out')),
  ofPage('canonical', (one) => set('pages', one, 'canonical', 'self')),
  // Two pages at one address are told by themselves, and held by a property of their own.
  ofPage('ending', (one) => set('pages', one, 'ending', one === 'index.html' ? null : `to-${one.replace(/\W/g, '')}`)),
  ofPage('no ending', (one) => set('pages', one, 'ending', null)),
  ofPage('nofollow', (one) => set('directives', directivesKey(`page:${one}`), 'follow', 'no')),
  fc.constantFrom(
    said('a tag', claim('tag', 'plinth-site', 'a1b2c3d4e5')),
    said('no tag', claim('tag', 'plinth-site', null)),
    said('a file', claim('file', 'plinth12.html', 'plinth-site: plinth12.html')),
    said('no file', claim('file', 'plinth12.html', null)),
    said('a file over a page', claim('file', 'p1/index.html', 'plinth-site: plinth12.html')),
    said('a snippet', set('snippets', 's', 'code', '<script async src="https://stats.example/s.js"></script>')),
    said('no snippet', set('snippets', 's', 'code', null)),
    said('a key', set('facts', '', 'noticeKey', '0123456789abcdef')),
    said('no key', set('facts', '', 'noticeKey', null)),
    said('a map', set('sitemap', '', 'on', true)),
    said('no map', set('sitemap', '', 'on', null)),
    said('a page for people', set('sitemap', '', 'page', true)),
    said('rules for the server', set('facts', '', 'serverFile', true)),
    said('robots.txt', set('robots', '', 'text', 'User-agent: *\nDisallow: /p2/\n')),
    said('no robots.txt', set('robots', '', 'text', null)),
    said('closed', set('siteSwitch', '', 'open', false)),
    said('open', set('siteSwitch', '', 'open', null)),
    said('a draft', set('visitors', '', 'audience', 'draft')),
    said('public', set('visitors', '', 'audience', null)),
    said('gone', set('redirects', 'p3/index.html', 'gone', true)),
    said('a redirect', set('redirects', 'p4/index.html', 'to', '/p1/')),
    said('ends', set('redirects', 'p4/index.html', 'ends', true)),
  ),
  { weight: 3, arbitrary: fc.constant<Step>({ kind: 'undo' }) },
  { weight: 5, arbitrary: fc.array(fc.nat(9), { minLength: 1, maxLength: 8 }).map((dice): Step => ({ kind: 'release', dice })) },
  { weight: 1, arbitrary: fc.nat(5).map((which): Step => ({ kind: 'again', which })) },
  {
    weight: 2,
    arbitrary: fc
      .record({
        fates: fc.array(fc.constantFrom('stays' as const, 'stays' as const, 'rewritten' as const, 'moves' as const, 'goes' as const), {
          minLength: 8,
          maxLength: 8,
        }),
        adds: fc.boolean(),
      })
      .map((version): Step => ({ kind: 'version', ...version })),
  },
);

/** A step in words, for a story that ends badly. */
function told(step: Step): string {
  if (step.kind === 'change') return step.said;
  if (step.kind === 'release') return `release ${step.dice.join('')}`;
  if (step.kind === 'again') return `release ${step.which} again`;
  if (step.kind === 'version') return `a version: ${step.fates.join(' ')}${step.adds ? ' and one more' : ''}`;
  return step.kind;
}

let folder: string;
let store: Store;
let host: StandInHost;
let server: ReturnType<StandInHost['server']>;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'histories-'));
  store = new Store(folder);
  host = new StandInHost(store, new StandInClock(store, () => NOW));
  await host.open();
  server = host.server();
});
afterAll(async () => {
  await server.close();
  await rm(folder, { recursive: true, force: true });
});

/** The host's own answers, over its own server, redirects followed as a crawler does. */
const fetch: Fetch = async (address) => {
  const redirects: string[] = [];
  for (let url = new URL(address); ;) {
    const answer = await server.inject({ url: pathAndQuery(url), headers: { host: url.host, 'x-forwarded-proto': url.protocol.slice(0, -1) } });
    const to = answer.headers.location;
    if (to === undefined || redirects.length > 5) {
      const headers = Object.fromEntries(Object.entries(answer.headers).map(([name, value]) => [name, [value].flat().map(String)]));
      return { ok: true, status: answer.statusCode, headers, bytes: new Uint8Array(answer.rawPayload), redirects, hops: [], milliseconds: 1 };
    }
    url = new URL(to, url);
    redirects.push(url.href);
  }
};

/** A site and its owner, through everything that they do. */
class Story {
  files: Files;
  document: SiteDocument = applyChange(emptyDocument(), set('facts', '', 'mainAddress', ORIGIN));
  /** A site that is brought in counts as live as it is. */
  last: Manifest;
  readonly releases: Manifest[] = [];
  /** Every file that ever was, by its hash. */
  readonly bytes = new Map<string, Uint8Array>();
  private readonly done: { readonly inverse: Change; readonly files: Files }[] = [];
  private one: Survey;
  private turn = 1;
  private versions = 1;

  constructor(private readonly name: string) {
    const paths = ['index.html', ...Array.from({ length: 5 }, (_, at) => `p${at + 1}/index.html`)];
    this.files = { ...Object.fromEntries(paths.map((path, at) => [path, page(at, 0, paths)])), 'robots.txt': 'User-agent: *\nDisallow:\n' };
    this.last = broughtInManifest(survey(this.site, this.document).manifestFor(0, NOW), new Set());
    this.one = this.surveyed();
  }

  get site(): Site {
    return new Map(Object.entries(this.files).map(([path, text]) => [path, new TextEncoder().encode(text)]));
  }
  get pages(): readonly string[] {
    return Object.keys(this.files).filter((path) => path.endsWith('.html'));
  }
  get survey(): Survey {
    return this.one;
  }

  private surveyed(): Survey {
    for (const bytes of this.site.values()) this.bytes.set(hashOf(bytes), bytes);
    return survey(this.site, this.document, this.last);
  }

  private say(change: Change, files = this.files): void {
    this.done.push({ inverse: invert(this.document, change), files: this.files });
    this.document = applyChange(this.document, change);
    if (files === this.files) this.one.update(this.document, change);
    else {
      this.files = files;
      this.one = this.surveyed();
    }
  }

  async take(step: Step): Promise<void> {
    if (step.kind === 'change') this.say(step.change(this.pages));
    else if (step.kind === 'undo') this.undo();
    else if (step.kind === 'version') this.newVersion(step.fates, step.adds);
    else if (step.kind === 'again') {
      const earlier = this.releases[step.which % Math.max(1, this.releases.length)];
      if (earlier) await this.out({ ...earlier, number: this.releases.length + 1 });
    } else await this.release(step.dice);
  }

  private undo(): void {
    const before = this.done.pop();
    if (!before) return;
    this.document = applyChange(this.document, before.inverse);
    if (before.files === this.files) this.one.update(this.document, before.inverse);
    else {
      this.files = before.files;
      this.one = this.surveyed();
    }
  }

  private newVersion(fates: Fates, adds: boolean): void {
    const turn = ++this.turn;
    const old = this.pages;
    const goes = new Map(old.map((path, at) => [path, path === 'index.html' ? 'stays' : (fates[at % fates.length] as string)]));
    const to = (path: string): string => (goes.get(path) === 'moves' ? `v${turn}/${path}` : path);
    const fresh = adds ? [`n${turn}/index.html`] : [];
    const stays = old.filter((path) => goes.get(path) !== 'goes');
    const paths = [...stays.map(to), ...fresh];
    const texts = stays.map((path): readonly [string, string] => {
      const [, number = '0', was = '0'] = /<h1>Page (\d+)<.*? \d+-(\d+)\.<\/p>/.exec(this.files[path] as string) ?? [];
      return [to(path), page(Number(number), goes.get(path) === 'rewritten' ? turn : Number(was), paths)];
    });
    const files: Files = {
      ...Object.fromEntries(texts),
      ...Object.fromEntries(fresh.map((path) => [path, page(100 + turn, turn, paths)])),
      'robots.txt': this.files['robots.txt'] as string,
    };
    const plan = planned(this.files, files, this.document, this.versions++);
    // Of pages that are gone every second leads home.
    const redirects = Object.fromEntries(plan.pages.gone.flatMap(({ id }, at) => (at % 2 === 0 ? [[id, '/']] : [])));
    this.say(mergeChange(this.document, plan, { theirs: new Set(plan.conflicts.filter((_, at) => at % 2 === 0).map(({ key }) => key)), redirects }), files);
  }

  /** Releases with some of it held back, by dice. */
  private async release(dice: readonly number[]): Promise<void> {
    const held: Record<string, Held[string]> = {};
    const items = this.one.releaseItems();
    for (const [at, item] of items.entries()) {
      if (!canWait(item) || this.releases.length === 0) continue;
      const roll = dice[at % dice.length] as number;
      const keys = fieldChanges(item.edits, item.before).map(({ key }) => key);
      if (roll < 2) held[itemKey(item)] = 'whole';
      else if (roll === 2 && keys.length > 1 && item.what === 'changed' && !item.source) held[itemKey(item)] = [keys[0] as string];
    }
    await this.out(heldBack(this.one.manifestFor(this.releases.length + 1, NOW), this.last, held));
    // What waits is what was held back, and nothing else.
    expect(this.one.releaseItems().map(itemKey).sort()).toEqual(Object.keys(held).sort());
  }

  private async out(manifest: Manifest): Promise<void> {
    const files = [];
    for (const [path, bytes] of this.madeFrom(manifest)) {
      const hash = hashOf(bytes);
      await store.keepBytes(hash, bytes);
      files.push({ path, hash, size: bytes.length });
    }
    const { audience, headers, gone } = hostingFrom(manifest.hosting ?? {});
    await host.release(HOST, {
      number: manifest.number,
      origin: ORIGIN,
      files,
      headers: headers.map(({ path, match, values }) => ({ path, match, values: [...values] })),
      audience,
      gone: [...gone],
    });
    this.last = manifest;
    this.releases.push(manifest);
    this.one.released(manifest, this.document);
    await this.expectOut();
  }

  /** The bytes of all that goes out. */
  private madeFrom(copy: WorkingCopy): Map<string, Uint8Array> {
    return new Map(
      shipments(copy).map((one) => {
        if ('text' in one) return [one.path, ownBytes(one.path, one.text)];
        const { bytes, left } = written(this.bytes.get(one.hash) as Uint8Array, one.edits);
        if (left.length > 0) throw new Error(`${this.name}: ${one.path} was not written: ${left[0]?.reason}`);
        return [one.path, bytes];
      }),
    );
  }

  /** Every address that there ever was, or could be, answers as the last release says. */
  private async expectOut(): Promise<void> {
    const copy = this.last;
    const made = this.madeFrom(copy);
    const { audience, gone } = hostingFrom(copy.hosting ?? {});
    const ever = new Set(this.releases.flatMap((release) => shipments(release).map(({ path }) => path)));
    for (const path of ever) {
      // As common servers do, this one hands its own rules to nobody.
      if (path.startsWith('.')) continue;
      const answer = await server.inject({ url: `/${path}`, headers: { host: HOST, 'x-forwarded-proto': 'https' } });
      const isGone = resolvePath(`/${path}`, (file) => gone.includes(file)).kind !== 'nothing';
      const there = made.get(path);
      const wanted = audience === 'draft' ? 404 : there ? 200 : isGone ? 410 : 404;
      expect([path, answer.statusCode]).toEqual([path, wanted]);
      if (wanted === 200) expect(Buffer.compare(answer.rawPayload, Buffer.from(there as Uint8Array))).toBe(0);
    }
  }

  /** All goes out: nothing waits, the host has what the screens show, and the engines find what they promise. */
  async end(): Promise<void> {
    await this.out(this.one.manifestFor(this.releases.length + 1, NOW));
    expect(this.one.releaseItems()).toEqual([]);
    expect(compareWithRelease(this.one.workingCopy(), this.last)).toEqual([]);
    // A survey that knows nothing of how it came about sees the same.
    const anew = this.surveyed();
    expect(anew.workingCopy()).toEqual(this.one.workingCopy());
    expect(anew.rows().map(({ id, address, state, realities }) => ({ id, address, state, realities }))).toEqual(
      this.one.rows().map(({ id, address, state, realities }) => ({ id, address, state, realities })),
    );
    expect(this.one.rows().filter((row) => row.pending)).toEqual([]);
    await expectNoDrift(this.site, this.one, this.document, fetch);
    await expectEnginesAgree(this.one, fetch);
  }
}

it(
  'through edits, proofs, snippets, removals, new versions, undo and releases of all sorts the host has what the screens say, and engines find it',
  { timeout: 600_000 },
  async () => {
    let stories = 0;
    await fc.assert(
      fc.asyncProperty(fc.array(step, { minLength: 3, maxLength: 16 }), async (steps) => {
        const story = new Story(`story ${stories++}`);
        try {
          for (const one of steps) await story.take(one);
          await story.end();
        } catch (error) {
          throw new Error(steps.map(told).join('; '), { cause: error });
        }
      }),
      { numRuns: runs(300) },
    );
  },
);
