import express from 'express';
import type { AddressInfo } from 'node:net';
import { createServer, type Server } from 'node:http';
import { afterEach, expect, it } from 'vitest';
import { listenFrom } from './listen';

const open: Server[] = [];
const taken = async (port = 0): Promise<number> => {
  const server = createServer().listen(port, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  open.push(server);
  return (server.address() as AddressInfo).port;
};

afterEach(() => {
  for (const server of open.splice(0)) server.close();
});

it('takes the next port where one is in use, and says so', async () => {
  const port = await taken();
  const said: string[] = [];
  const had = await listenFrom(express(), port, '127.0.0.1', (words) => said.push(words));
  open.push(had.server);
  expect(had.port).toBeGreaterThan(port);
  expect((had.server.address() as AddressInfo).port).toBe(had.port);
  expect(said[0]).toBe(`Port ${port} is in use; trying ${port + 1}.`);
  expect(said).toHaveLength(had.port - port);
});

it('takes the port asked for where it is free, without a word', async () => {
  const port = await taken();
  open.splice(0).forEach((server) => server.close());
  const said: string[] = [];
  const had = await listenFrom(express(), port, '127.0.0.1', (words) => said.push(words));
  open.push(had.server);
  expect([had.port, said]).toEqual([port, []]);
});

it('fails where the address is not one of this computer', async () => {
  await expect(listenFrom(express(), 0, '203.0.113.7', () => undefined)).rejects.toThrow();
});
