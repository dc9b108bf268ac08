import express, { type ErrorRequestHandler, type Express, type RequestHandler } from 'express';
import staticGzip from 'express-static-gzip';
import helmet from 'helmet';
import { randomBytes } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { Duplex } from 'node:stream';

const NONCE_PLACE = /__CSP_NONCE__/g;
const A_YEAR_MS = 365 * 24 * 3600 * 1000;
/** Files whose name changes with their content, and samples and fonts, which never change. */
const UNCHANGING = /(-[A-Z0-9]{8}\.(js|css)(\.gz)?|\.woff2|\.mp3)$/;

/** What a request that cannot be read as one gets, by what is wrong with it. */
const UNREADABLE: Readonly<Record<string, string>> = {
  HPE_HEADER_OVERFLOW: '431 Request Header Fields Too Large',
  ERR_HTTP_REQUEST_TIMEOUT: '408 Request Timeout',
};

/** Answers what is no request before the application sees it, and closes the line. */
export function refuseUnreadable(error: NodeJS.ErrnoException, line: Duplex): void {
  if (error.code === 'ECONNRESET' || !line.writable) return void line.destroy();
  const status = UNREADABLE[error.code ?? ''] ?? '400 Bad Request';
  line.end(`HTTP/1.1 ${status}\r\nX-Content-Type-Options: nosniff\r\nConnection: close\r\n\r\n`);
}

/** The names of this machine for itself. */
const OWN_NAMES: readonly string[] = ['localhost', '127.0.0.1', '[::1]'];

/**
 * Serves the built application from a folder, and nothing else: songs stay in the browser. Only requests for its own
 * host names are answered (a page elsewhere could point a name of its own here); `names` are others it goes by in the
 * network it is served to.
 */
export function createApp(folder: string, names: readonly string[] = []): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use((_request, response, next) => {
    response.setHeader('X-Content-Type-Options', 'nosniff');
    next();
  });
  app.use(onlyFor([...OWN_NAMES, ...names]));
  app.use(nonce, policy, readable);
  // What was packed when it was built is sent packed: nothing is packed anew for each who asks.
  app.use(
    staticGzip(folder, {
      index: false,
      serveStatic: {
        setHeaders: (response, path) => {
          response.setHeader(
            'Cache-Control',
            UNCHANGING.test(path) ? `public, max-age=${A_YEAR_MS / 1000}, immutable` : 'no-cache',
          );
        },
      },
    }),
  );
  app.get('/{*path}', async (request, response, next) => {
    // A missing file is missing; only addresses of views get the application.
    if (request.path.includes('.')) return next();
    // Read anew each time: a rebuilt application is served without a restart.
    const index = await readFile(join(folder, 'index.html'), 'utf8');
    response.setHeader('Cache-Control', 'no-cache');
    response.type('html').send(index.replace(NONCE_PLACE, String(response.locals['nonce'])));
  });
  app.use((_request, response) => {
    // The file may have gone with a build while its packed one was still known.
    response.removeHeader('Content-Encoding');
    response.status(404).type('text').send('There is nothing at this address.');
  });
  app.use(withoutStack);
  return app;
}

function onlyFor(names: readonly string[]): RequestHandler {
  const known = new Set(names.map((name) => name.toLowerCase()));
  return (request, response, next) => {
    const host = (request.headers.host ?? '').toLowerCase().replace(/:\d*$/, '');
    if (known.has(host)) return next();
    response.status(421).type('text').send('This server does not go by that name.');
  };
}

/** What is no address is refused here, in one place, before anything looks for a file by it. */
const readable: RequestHandler = (request, _response, next) => {
  try {
    decodeURIComponent(request.path);
    next();
  } catch {
    next({ status: 400 });
  }
};

/** An address that cannot be read is the sender's fault; whatever else went wrong, nothing of this machine is told. */
const withoutStack: ErrorRequestHandler = (
  error: { readonly status?: unknown },
  _request,
  response,
  next,
) => {
  if (response.headersSent) return next(error);
  const isTheirs = typeof error.status === 'number' && error.status >= 400 && error.status < 500;
  response
    .status(isTheirs ? 400 : 500)
    .type('text')
    .send(isTheirs ? 'This address cannot be read.' : 'The page could not be given. Try again.');
};

const nonce: RequestHandler = (_request, response, next) => {
  response.locals['nonce'] = randomBytes(16).toString('base64');
  next();
};

const policy: RequestHandler = (request, response, next) => {
  const own = "'self'";
  helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'none'"],
        // The engraver is WebAssembly, and its worker has this policy of its own.
        scriptSrc: request.path.startsWith('/engraver/') ? [own, "'wasm-unsafe-eval'"] : [own],
        styleSrc: [own, `'nonce-${String(response.locals['nonce'])}'`],
        // Element.style set by scripts is not an attribute in the page; this covers SVG exports only.
        fontSrc: [own, 'data:'],
        imgSrc: [own, 'data:'],
        // The pianist's own recording, from the browser's store.
        mediaSrc: [own, 'blob:'],
        connectSrc: [own],
        workerSrc: [own, 'blob:'],
        manifestSrc: [own],
        baseUri: [own],
        formAction: ["'none'"],
        frameAncestors: ["'none'"],
      },
    },
    // Served on the local machine without TLS.
    strictTransportSecurity: false,
  })(request, response, next);
};
