import { randomUUID } from 'node:crypto';
import compression from 'compression';
import express from 'express';
import type { Express, Router } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { problemHandler, unknownPath } from './problemHandler.ts';

const JSON_LIMIT = '1mb';
const TABLE_LIMIT = '4mb'; // lists of the set-up come in as text

export interface AppParts {
  log: Logger;
  /** The API, under /api/v1. */
  api: Router;
  /** Long-lived streams, kept out of compression. */
  live: Router;
  /** Folder of the built web; `null` serves the API alone. */
  webFolder: string | null;
}

/** The whole HTTP face: security headers, request log, API, then the built web for every other path. */
export function createApp({ log, api, live, webFolder }: AppParts): Express {
  const app = express();
  app.disable('x-powered-by');
  app.disable('etag'); // answers change with every touch of the shop: working out a tag of each helps nobody
  app.use(
    pinoHttp({
      logger: log,
      genReqId: () => randomUUID(),
      autoLogging: {
        ignore: (req) => req.url === '/api/v1/health' || (req.url ?? '').startsWith('/assets/'),
      },
      serializers: {
        req: ({ id, method, url }: { id: string; method: string; url: string }) => ({ id, method, url }),
      },
    }),
  );
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          'style-src': ["'self'", "'unsafe-inline'"], // the component library writes style elements
          'img-src': ["'self'", 'data:', 'blob:'],
          'worker-src': ["'self'", 'blob:'],
          'upgrade-insecure-requests': null, // plain http on this machine
        },
      },
      strictTransportSecurity: false,
    }),
  );
  app.use('/api/v1', live);
  app.use(compression());
  app.use(
    '/api/v1',
    express.json({ limit: JSON_LIMIT }),
    express.text({ type: 'text/plain', limit: TABLE_LIMIT }),
    api,
    unknownPath,
  );
  if (webFolder !== null) serveWeb(app, webFolder);
  app.use(problemHandler(log));
  return app;
}

function serveWeb(app: Express, folder: string): void {
  app.use(
    '/assets',
    express.static(`${folder}/assets`, { immutable: true, maxAge: '1y', fallthrough: false }),
  );
  app.use(express.static(folder, { index: false }));
  app.get('/{*any}', (_req, res) => {
    res.set('Cache-Control', 'no-cache').sendFile('index.html', { root: folder });
  });
}
