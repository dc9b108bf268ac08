import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { request, type Server } from 'node:http';
import { type AddressInfo, connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createApp, refuseUnreadable } from './app';

const folder = mkdtempSync(join(tmpdir(), 'jh-server-'));
let server: Server;
let origin = '';

beforeAll(async () => {
  writeFileSync(join(folder, 'index.html'), '<jh-root ngCspNonce="__CSP_NONCE__"></jh-root>');
  writeFileSync(join(folder, 'main-ABCDEFGH.js'), '1');
  for (const name of ['packed', 'gone']) {
    writeFileSync(join(folder, `${name}-ABCDEFGH.js`), 'plain');
    writeFileSync(join(folder, `${name}-ABCDEFGH.js.gz`), gzipSync('packed'));
  }
  server = createApp(folder, ['piano.home']).listen(0, '127.0.0.1');
  server.on('clientError', refuseUnreadable);
  await new Promise((resolve) => server.once('listening', resolve));
  origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => {
  server.close();
  rmSync(folder, { recursive: true });
});

describe('the server', () => {
  it('gives every view the page with a nonce of its own under a strict policy', async () => {
    const [a, b] = [await fetch(`${origin}/`), await fetch(`${origin}/song/x`)];
    const nonces = [await a.text(), await b.text()].map((text) => /ngCspNonce="([^"]+)"/.exec(text)?.[1]);
    expect(nonces[0]).not.toBe(nonces[1]);
    const policy = a.headers.get('content-security-policy') ?? '';
    expect(policy).toContain(`'nonce-${nonces[0]}'`);
    expect(policy).toContain("default-src 'none'");
    expect(policy).not.toContain('unsafe');
  });

  it('gives nothing for files there are not, and lets no answer be taken for something else', async () => {
    for (const path of ['/.git/config', '/song/.env', '/package.json', '/a.b/c', '/main.js.map'])
      expect([path, (await fetch(`${origin}${path}`)).status]).toEqual([path, 404]);
    expect((await fetch(`${origin}/song/x/tune`)).status).toBe(200);
    const strange = await new Promise<string>((resolve) => {
      const line = connect((server.address() as AddressInfo).port, '127.0.0.1');
      line.on('data', (data) => resolve(String(data)));
      line.write(`GET / HTTP/1.1\r\nHost: localhost\r\nX: ${'x'.repeat(20_000)}\r\n\r\n`);
    });
    expect(strange).toMatch(/^HTTP\/1.1 431 [^]*nosniff/);
  });

  it('answers five hundred who ask at once', async () => {
    const asked = await Promise.all(Array.from({ length: 500 }, () => fetch(`${origin}/main-ABCDEFGH.js`)));
    expect(asked.filter(({ status }) => status === 200)).toHaveLength(500);
  });

  it('caches what never changes and nothing else', async () => {
    expect((await fetch(`${origin}/main-ABCDEFGH.js`)).headers.get('cache-control')).toContain('immutable');
    expect((await fetch(`${origin}/`)).headers.get('cache-control')).toBe('no-cache');
  });

  it('sends what was packed when it was built, as the script it is; plain to who cannot unpack', async () => {
    const asked = (encoding: string): Promise<Response> =>
      fetch(`${origin}/packed-ABCDEFGH.js`, { headers: { 'accept-encoding': encoding } });
    const [packed, plain] = [await asked('gzip'), await asked('identity')];
    expect(packed.headers.get('content-encoding')).toBe('gzip');
    expect(packed.headers.get('content-type')).toMatch(/javascript/);
    expect(packed.headers.get('cache-control')).toContain('immutable');
    expect(await packed.text()).toBe('packed');
    expect(plain.headers.get('content-encoding')).toBeNull();
    expect(await plain.text()).toBe('plain');
  });

  it('says plainly that a script has gone with a new build, though it was packed before', async () => {
    for (const name of ['gone-ABCDEFGH.js', 'gone-ABCDEFGH.js.gz']) rmSync(join(folder, name));
    const gone = await fetch(`${origin}/gone-ABCDEFGH.js`);
    expect([gone.status, gone.headers.get('content-encoding')]).toEqual([404, null]);
    expect(await gone.text()).toBe('There is nothing at this address.');
  });

  it('says so when a file is missing', async () => {
    const missing = await fetch(`${origin}/nothing.js`);
    expect(missing.status).toBe(404);
    expect(await missing.text()).toBe('There is nothing at this address.');
  });

  /** A request as it goes over the wire: fetch would mend it first. */
  const raw = (path: string, host: string): Promise<{ status: number; body: string }> =>
    new Promise((resolve, reject) => {
      const { port } = server.address() as AddressInfo;
      const asked = request({ port, host: '127.0.0.1', path, headers: { host } }, (response) => {
        let body = '';
        response.setEncoding('utf8');
        response.on('data', (text: string) => (body += text));
        response.on('end', () => resolve({ status: response.statusCode ?? 0, body }));
      });
      asked.on('error', reject);
      asked.end();
    });

  it.each(['/%', '/%E0%A4%A', '/song/%ff%fe', '/samples/%c0%ae%c0%ae/x.mp3'])(
    'answers the malformed address %s plainly, without paths or stack',
    async (path) => {
      expect(await raw(path, 'localhost')).toEqual({ status: 400, body: 'This address cannot be read.' });
    },
  );

  it.each(['/../server/main.ts', '/..%2f..%2fpackage.json', '/%2e%2e/%2e%2e/etc/passwd'])(
    'gives nothing outside its folder: %s',
    async (path) => {
      const { body } = await raw(path, 'localhost');
      expect(body).not.toMatch(/root:|"workspaces"|createApp/);
    },
  );

  it('answers to its own names only', async () => {
    const status = async (host: string): Promise<number> => (await raw('/', host)).status;
    expect(await status('localhost:4310')).toBe(200);
    expect(await status('127.0.0.1')).toBe(200);
    expect(await status('[::1]:80')).toBe(200);
    expect(await status('Piano.Home:4310')).toBe(200);
    expect(await status('elsewhere.example')).toBe(421);
    expect(await status('localhost.elsewhere.example')).toBe(421);
  });
});
