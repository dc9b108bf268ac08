import type { Express } from 'express';
import { createServer, type Server } from 'node:http';

/** So many ports are tried, one after the other. */
const MOST_TRIED = 20;

/**
 * Serves an application on a port, or on the next that is free: `say` is told of each that is in use. Fails where none of
 * twenty is free, or the address is not one of this computer.
 */
export async function listenFrom(
  app: Express,
  port: number,
  address: string,
  say: (words: string) => void,
): Promise<{ readonly server: Server; readonly port: number }> {
  for (let tried = port; ; tried++) {
    const server = createServer(app);
    try {
      await new Promise<void>((resolve, reject) => {
        server.once('error', reject);
        server.listen(tried, address, resolve);
      });
      return { server, port: tried };
    } catch (error) {
      const isInUse = (error as NodeJS.ErrnoException).code === 'EADDRINUSE';
      if (!isInUse || tried - port + 1 >= MOST_TRIED || tried >= 65_535) throw error;
      say(`Port ${tried} is in use; trying ${tried + 1}.`);
    }
  }
}
