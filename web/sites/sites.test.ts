import { describe, expect, it } from 'vitest';
import { readList } from '../../core/ledger/index.ts';
import { OutsideError } from '../outside/index.ts';
import { afterFailure } from './crawl-failure.ts';
import { leftOut, siteOfList } from './listed.ts';
import { fromArchive, fromFolder, fromInput, fromInside } from './picking.ts';

const list = (text: string) => readList(new TextEncoder().encode(text));

describe('a list of addresses', () => {
  it('is a site by the name of its host, with a file a page', () => {
    const site = siteOfList(list('https://a.example/\nhttps://a.example/about\nhttps://a.example/prices'));
    expect(site).toMatchObject({ kind: 'list', name: 'a.example' });
    expect(site?.kind === 'list' && site.files).toHaveLength(3);
  });
  it('of paths has a name of ours, and one of nothing is no site', () => {
    expect(siteOfList(list('/\n/about'))).toMatchObject({ name: 'My site' });
    expect(siteOfList(list(''))).toBeUndefined();
    expect(siteOfList(list('just some words that are no address'))).toBeUndefined();
  });
  it('says what it leaves out, and nothing where all is taken', () => {
    expect(leftOut(list('https://a.example/\nhttps://a.example/about'))).toEqual([]);
    const told = leftOut(
      list('https://a.example/\nhttps://a.example/\nhttps://b.example/\nhttps://b.example/x\nhttps://a.example/logo.png\nhttps://a.example/about'),
    );
    expect(told).toEqual(['addresses of another site, b.example (2)', 'one that stood there before', expect.stringContaining('one line')]);
  });
});

describe('a crawl that cannot be looked at', () => {
  const view = { id: 'x', state: 'running' } as never;
  it.each([
    ['the server is away for a moment: asked again', new OutsideError('no-server', 'Away.'), 'Away.', true],
    ['the server was started anew: it can be begun again', new OutsideError('not-found', 'Nothing.'), 'was started anew', false],
    ['it was refused', new OutsideError('private-address', 'Not allowed.'), 'Not allowed.', false],
    ['something else', new Error('Odd.'), 'Odd.', false],
  ])('%s', (_, error, failure, goesOn) => {
    const after = afterFailure(error, view);
    expect(after.failure).toContain(failure);
    expect(after.view).toEqual(goesOn ? view : undefined);
    // Another view, so that it is looked at again.
    expect(after.view).not.toBe(view);
  });
});

interface Inside {
  readonly [name: string]: string | FileSystemDirectoryHandle;
}
/** A folder as the browser hands it over. */
function folder(name: string, inside: Inside): FileSystemDirectoryHandle {
  return {
    kind: 'directory',
    name,
    async *values() {
      for (const [entry, what] of Object.entries(inside))
        yield typeof what === 'string' ? { kind: 'file', name: entry, getFile: async () => new File([what], entry) } : { ...what, name: entry };
    },
  } as unknown as FileSystemDirectoryHandle;
}

describe('what is picked', () => {
  it('as a folder is all files below it, with their paths, but not what tools keep there', async () => {
    const bringing = await fromFolder(
      folder('site', {
        'index.html': 'a',
        '.git': folder('', { HEAD: 'x' }),
        node_modules: folder('', { 'x.html': 'x' }),
        a: folder('', { b: folder('', { 'c.html': 'c' }) }),
      }),
    );
    expect(bringing).toMatchObject({ kind: 'files', name: 'site' });
    expect(bringing.kind === 'files' && bringing.files.map(({ path }) => path)).toEqual(['index.html', 'a/b/c.html']);
  });
  it('through the input is named by its folder', () => {
    const file = Object.assign(new File(['a'], 'index.html'), { webkitRelativePath: 'my-site/index.html' });
    expect(fromInput([file] as unknown as FileList)).toMatchObject({ kind: 'files', name: 'my-site', files: [{ path: 'my-site/index.html' }] });
    expect(fromInput([] as unknown as FileList)).toMatchObject({ name: 'site', files: [] });
  });
  it('inside of a ZIP or a folder is found again by its path', async () => {
    const zip = new File([new Uint8Array([80, 75])], 'outer.zip');
    const outer = await fromArchive(zip);
    expect(outer).toMatchObject({ kind: 'archive', name: 'outer.zip' });
    expect(await fromInside(outer, 'a/inner.zip')).toMatchObject({ kind: 'archive', name: 'inner.zip', inside: 'a/inner.zip', file: zip });
    const files = fromInput([Object.assign(new File(['x'], 'inner.zip'), { webkitRelativePath: 'site/a/inner.zip' })] as unknown as FileList);
    expect(await fromInside(files, 'a/inner.zip')).toMatchObject({ kind: 'archive', name: 'inner.zip' });
    expect(await fromInside(files, 'gone.zip')).toBeUndefined();
  });
});
