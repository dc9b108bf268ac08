import { mkdtempSync,rmSync,writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll,beforeAll,describe,expect,it } from 'vitest';
import { createApp } from './app';

const folder = mkdtempSync(join(tmpdir(), 'jh-server-'));
let server: Server;
let origin = '';

beforeAll(async () => {
  writeFileSync(join(folder, 'index.html'), '<jh-root ngCspNonce="__CSP_NONCE__"></jh-root>');
  writeFileSync(join(folder, 'main-ABCDEFGH.js'), '1');
  server = createApp(folder).listen(0, '127.0.0.1');
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

  it('caches what never changes and nothing else', async () => {
    expect((await fetch(`${origin}/main-ABCDEFGH.js`)).headers.get('cache-control')).toContain('immutable');
    expect((await fetch(`${origin}/`)).headers.get('cache-control')).toBe('no-cache');
  });

  it('says so when a file is missing', async () => {
    expect((await fetch(`${origin}/nothing.js`)).status).toBe(404);
  });
});
