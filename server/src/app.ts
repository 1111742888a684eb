import compression from 'compression';
import express, { Router, type Express } from 'express';
import serveCompressed from 'express-static-gzip';
import helmet from 'helmet';
import { extname, join } from 'node:path';
import type { Logger } from 'pino';
import type { Pool } from './db/pool';
import { open } from './http/doors';
import { entryOf } from './http/entry';
import { guard } from './http/guard';
import { isApi } from './http/is-api';
import { slowBodies } from './http/slow-bodies';
import { answerErrors, refused } from './http/refusal';
import { requestLog } from './http/request-log';
import type { LiveStreams } from './live/routes';
import { photoRoutes } from './photos/routes';
import { PORTS } from './ports';
import type { Addresses } from './ports/port';
import { planRoutes } from './plans/routes';
import { readingRoutes } from './readings/routes';
import { shapeRoutes } from './shapes/routes';
import { sheetRoutes } from './sheets/routes';
import { compareRoutes } from './compare/routes';
import type { WorkPool } from './work/pool';
import { dataRoutes } from './backup/routes';
import type { Backups } from './backup/backups';
import { authenticate } from './people/authenticate';
import { peopleRoutes } from './people/routes';
import type { Workshop } from './share/workshop';

interface AppParts {
  readonly pool: Pool;
  readonly log: Logger;
  readonly webRoot: string | undefined;
  /** Streams of live news; absent where none are wanted. */
  readonly live?: LiveStreams;
  /** Where what is outside stands; any may be absent. */
  readonly ports?: Addresses;
  /** Which start of the application this is; health tells it. */
  readonly instance?: string | undefined;
  /** The door to the workshop. */
  readonly workshop: Workshop;
  readonly backups: Backups;
  /** Folder with the migrations. */
  readonly migrations: string;
  /** Does what would keep others waiting. */
  readonly work: WorkPool;
}

/** Scripts and styles come from here alone; Angular Material sets styles inline. */
const SECURITY = {
  contentSecurityPolicy: {
    directives: {
      defaultSrc: ["'self'"],
      styleSrc: ["'self'", "'unsafe-inline'"],
      fontSrc: ["'self'"],
      imgSrc: ["'self'", 'data:'],
      objectSrc: ["'none'"],
      upgradeInsecureRequests: null,
    },
  },
  strictTransportSecurity: false,
};

/**
 * Over a network answers are packed; within this computer packing takes longer than it saves. It would hold a stream’s
 * news back until there is a block of it.
 */
const mayCompress: compression.CompressionFilter = (request, response) =>
  entryOf(request).shared &&
  !String(response.getHeader('content-type')).startsWith('text/event-stream') &&
  compression.filter(request, response);

/** Builds the application; listening is the caller's. */
export function createApp({ webRoot, ...parts }: AppParts): Express {
  const app = express();
  app.disable('x-powered-by');
  // An address in other letters is another address: rights and sessions stand under this one alone.
  app.enable('case sensitive routing');
  app.use(requestLog(parts.log), helmet(SECURITY), guard(), slowBodies(), compression({ filter: mayCompress }));
  app.use('/api', apiRoutes(parts));
  if (webRoot) app.use(page(webRoot));
  app.use((request) => {
    throw refused('notFound', `There is nothing at ${request.path.slice(0, 200)}.`);
  });
  app.use(answerErrors);
  return app;
}

function apiRoutes(parts: Omit<AppParts, 'webRoot'>): Router {
  const { pool, live, ports = {}, instance, work, workshop, backups, migrations } = parts;
  const api = Router();
  api.use((_request, response, next) => {
    response.set('Cache-Control', 'no-store');
    next();
  });
  open(api, 'GET /health', async (_request, response) => {
    await pool.query('select 1');
    response.json({ status: 'ok', database: 'ok', instance: instance ?? null });
  });
  api.use(authenticate(pool, workshop), peopleRoutes(pool, workshop), dataRoutes(pool, backups, migrations));
  if (live) api.use(live.router);
  // Those that take other bodies than JSON stand before the plans, which take nothing else.
  api.use(photoRoutes(pool, work), readingRoutes(pool, work), shapeRoutes(pool, work));
  for (const { id, routes, listens } of PORTS) {
    api.use(routes(pool, ports[id], work));
    if (listens) live?.instruments(listens(ports[id]));
  }
  api.use(compareRoutes(pool), planRoutes(pool, work), sheetRoutes(pool, work));
  return api;
}

/** The built page, its scripts as the build compressed them; every address without an extension gets it, and its router goes on from there. */
function page(root: string): Router {
  const router = Router();
  router.use(
    serveCompressed(root, {
      index: false,
      enableBrotli: true,
      serveStatic: { maxAge: '1y', immutable: true, setHeaders: freshPage },
    }),
  );
  router.get('/{*rest}', (request, response, next) => {
    if (extname(request.path) || isApi(request.path)) {
      next();
      return;
    }
    response.set('Cache-Control', 'no-cache').sendFile(join(root, 'index.html'));
  });
  return router;
}

/** A name that the build put a hash into, whatever letters that has: `chunk-6iPJf1bZ.js`. */
const HASHED = /-[\w-]{8}\.(js|css|woff2)(\.br)?$/;

/** Only files with a hash in their name may be kept for long. */
function freshPage(response: { setHeader: (name: string, value: string) => unknown }, path: string): void {
  if (!HASHED.test(path)) response.setHeader('Cache-Control', 'no-cache');
}
