import compression from 'compression';
import express from 'express';
import type { Express, Router } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { requestLog } from '../log/index.ts';
import { door } from './door.ts';
import { problemHandler, unknownPath } from './problemHandler.ts';

export interface AppParts {
  log: Logger;
  /** Names, besides those of this machine itself, under which the server is reached. */
  hosts: readonly string[];
  /** The API, under /api/v1. */
  api: Router;
  /** Long-lived streams, kept out of compression. */
  live: Router;
  /** Folder of the built web; `null` serves the API alone. */
  webFolder: string | null;
}

/** The whole HTTP face: request log, security headers, the door, API, then the built web for every other path. */
export function createApp({ log, hosts, api, live, webFolder }: AppParts): Express {
  const app = express();
  app.disable('x-powered-by');
  app.disable('etag'); // answers change with every touch of the shop: working out a tag of each helps nobody
  app.use(requestLog(log));
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
  app.use(door(hosts));
  app.use('/api/v1', live);
  app.use(compression());
  app.use('/api/v1', api, unknownPath);
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
