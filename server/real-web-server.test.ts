import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync } from 'node:fs';
import { chmod, mkdir, mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { request, type IncomingHttpHeaders } from 'node:http';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { SLOW } from '../core/testing/effort.ts';
import { serverBlockLines } from '../core/release/index.ts';
import { addressOf } from '../core/site/index.ts';
import { plainAddress } from '../core/source/index.ts';

/** The web server whose rules `.htaccess` is written in, from Debian's package; without it nothing is tried here. */
const SERVER = '/usr/sbin/apache2';
const MODULES = '/usr/lib/apache2/modules';

/** Everything a path can hold that means something to a server, to its configuration or to a regular expression; and letters of the world. */
const ODD = [
  ...` !"#$%&'()*+,-.:;<=>@[\\]^_\`{|}~`,
  ...['ü', 'é', 'ß', 'Ω', '日本', 'я', 'ا', '€', '😀', '$1', '$0', '%20', '%2F', '%{HOST}', '\\1', '"x"', "it's", 'a&b', 'a=b', 'a;b', '(a)', '[a]', '{2}'],
  ...['^a$', 'a|b', '.*', '#x', '##', '  ', '""', '\\\\', 'C:\\x', '<If>', '</If>', '%{', '${x}', '!x', '-x', '100% "gold" #1'],
];
const redirects = ODD.map((odd, at) => ({ odd, from: addressOf(`old-${at}-${odd}-x/index.html`), to: addressOf(`new-${at}-${odd}-y/index.html`) }));
const headers = ODD.map((odd, at) => ({ id: `h${at}`, path: `kept-${at}-${odd}-z`, match: 'contains' as const, values: [`noindex, max-snippet:${at}`] }));

async function freePort(): Promise<number> {
  return new Promise((done) => {
    const one = createServer().listen(0, '127.0.0.1', () => {
      const address = one.address();
      one.close(() => done(typeof address === 'object' && address ? address.port : 0));
    });
  });
}
let folder: string;
let port: number;
let server: ChildProcess | undefined;
/** Asks for a path as it is written here, to the letter. */
const answer = (path: string): Promise<{ readonly status: number | undefined; readonly headers: IncomingHttpHeaders }> =>
  new Promise((done, failed) => {
    const asked = request({ host: '127.0.0.1', port, path }, (response) => {
      response.resume().on('end', () => done({ status: response.statusCode, headers: response.headers }));
    });
    asked.on('error', failed).end();
  });

/** The address that is gone beside one that leads on. */
const gonePlace = (from: string): string => `/gone${from}`;

describe.skipIf(!existsSync(SERVER))('the rules in .htaccess, read by the server they are for', SLOW, () => {
  beforeAll(async () => {
    folder = await mkdtemp(join(tmpdir(), 'web-server-'));
    port = await freePort();
    await mkdir(join(folder, 'site'));
    await writeFile(join(folder, 'site', 'index.html'), 'home');
    // A server adds headers to what it has.
    for (const { path } of headers) {
      const file = join(folder, 'site', `${path}.pdf`);
      await mkdir(dirname(file), { recursive: true });
      await writeFile(file, 'a file');
    }
    await writeFile(
      join(folder, 'site', '.htaccess'),
      serverBlockLines({ redirects, headers: headers as never, leads: undefined, gone: redirects.map(({ from }) => gonePlace(from)) }),
    );
    const modules = ['mpm_event', 'authz_core', 'alias', 'dir', 'headers', 'rewrite'].map((name) => `LoadModule ${name}_module ${MODULES}/mod_${name}.so`);
    await writeFile(
      join(folder, 'server.conf'),
      [
        `ServerRoot "${folder}"`,
        `Listen 127.0.0.1:${port}`,
        'ServerName localhost',
        `PidFile "${folder}/pid"`,
        `ErrorLog "${folder}/error.log"`,
        ...modules,
        ...(process.getuid?.() === 0 ? ['User www-data', 'Group www-data'] : []),
        'AllowEncodedSlashes NoDecode',
        `DocumentRoot "${folder}/site"`,
        `<Directory "${folder}/site">`,
        'AllowOverride All',
        'Require all granted',
        '</Directory>',
        '',
      ].join('\n'),
    );
    // It serves as another user.
    await chmod(folder, 0o755);
    server = spawn(SERVER, ['-f', join(folder, 'server.conf'), '-D', 'FOREGROUND'], { stdio: 'ignore' });
    for (;;) {
      if ((await answer('/').catch(() => undefined)) !== undefined) break;
      if (server.exitCode !== null) throw new Error(await readFile(join(folder, 'error.log'), 'utf8').catch(() => 'the server did not start'));
      await new Promise((next) => setTimeout(next, 50));
    }
  });
  afterAll(async () => {
    const gone = server && server.exitCode === null ? new Promise((done) => server?.once('exit', done)) : undefined;
    server?.kill('SIGTERM');
    await gone;
    await rm(folder, { recursive: true, force: true });
  });

  it('is read as a whole: no line of it is an error', async () => {
    const { status } = await answer('/');
    expect([
      status,
      await readFile(join(folder, 'error.log'), 'utf8').then((log) => log.split('\n').filter((line) => /:(?:error|alert)\]/.test(line))),
    ]).toEqual([200, []]);
  });
  it.each(redirects)('$odd leads on to the same letters', async ({ from, to }) => {
    const { status, headers: told } = await answer(from);
    const led = String(told['location'] ?? '').replace(/^http:\/\/[^/]*/, '');
    // Two spellings of one address are the same (RFC 3986, 6.2.2); a query or a part behind # would be another.
    expect([status, plainAddress(led)]).toEqual([301, plainAddress(to)]);
  });
  it.each(redirects)('$odd, with a word before it, is gone for good where that is said', async ({ from }) => {
    expect((await answer(gonePlace(from))).status).toBe(410);
  });
  it.each(headers)('$path gets its header, and no other', async ({ path, values }) => {
    const { headers: told } = await answer(addressOf(`${path}.pdf`));
    expect(told['x-robots-tag']).toEqual(values[0]);
  });
});
