import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { createApp, refuseUnreadable } from './app';
import { listenFrom } from './listen';

const DEFAULT_PORT = 4310;
const folder = fileURLToPath(new URL('../dist/app', import.meta.url));
const port = Number(process.env['PORT'] ?? DEFAULT_PORT);
/** For those who serve it to their own network: the address to listen on, and the names it goes by there. */
const address = process.env['LISTEN'] ?? '127.0.0.1';
const names = (process.env['HOST_NAMES'] ?? '').split(',').filter(Boolean);

if (!existsSync(folder)) {
  console.error('The application is not built yet: run npm start, which builds it first.');
  process.exitCode = 1;
} else {
  try {
    const had = await listenFrom(createApp(folder, names), port, address, console.log);
    had.server.on('clientError', refuseUnreadable);
    console.log(`Joined Hands is at http://localhost:${had.port}`);
  } catch (error) {
    const reason = error instanceof Error ? error.message : String(error);
    console.error(
      `The server could not start on port ${port}: ${reason}. Choose another: PORT=4400 npm start`,
    );
    process.exitCode = 1;
  }
}
