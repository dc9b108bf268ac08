import compression from 'compression';
import express,{ type Express,type RequestHandler } from 'express';
import helmet from 'helmet';
import { randomBytes } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';

const NONCE_PLACE = /__CSP_NONCE__/g;
const A_YEAR_MS = 365 * 24 * 3600 * 1000;
/** Files whose name changes with their content, and samples and fonts, which never change. */
const UNCHANGING = /(-[A-Z0-9]{8}\.(js|css)|\.woff2|\.mp3)$/;

/** Serves the built application from a folder, and nothing else: songs stay in the browser. */
export function createApp(folder: string): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(nonce, policy);
  app.use(compression());
  app.use(
    express.static(folder, {
      index: false,
      setHeaders: (response, path) => {
        response.setHeader(
          'Cache-Control',
          UNCHANGING.test(path) ? `public, max-age=${A_YEAR_MS / 1000}, immutable` : 'no-cache',
        );
      },
    }),
  );
  app.get('/{*path}', async (request, response, next) => {
    // A missing file is missing; only addresses of views get the application.
    if (/\.\w+$/.test(request.path)) return next();
    // Read anew each time: a rebuilt application is served without a restart.
    const index = await readFile(join(folder, 'index.html'), 'utf8');
    response.setHeader('Cache-Control', 'no-cache');
    response.type('html').send(index.replace(NONCE_PLACE, String(response.locals['nonce'])));
  });
  return app;
}

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
        scriptSrc: [own],
        styleSrc: [own, `'nonce-${String(response.locals['nonce'])}'`],
        // Element.style set by scripts is not an attribute in the page; this covers SVG exports only.
        fontSrc: [own, 'data:'],
        imgSrc: [own, 'data:'],
        mediaSrc: [own],
        connectSrc: [own],
        workerSrc: [own, 'blob:'],
        baseUri: [own],
        formAction: ["'none'"],
        frameAncestors: ["'none'"],
      },
    },
    // Served on the local machine without TLS.
    strictTransportSecurity: false,
  })(request, response, next);
};
