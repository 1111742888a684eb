import type { RequestHandler } from 'express';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';

/** One structured line a request; health is quiet. Adds `request.log`. */
export function requestLog(logger: Logger): RequestHandler {
  return pinoHttp({
    logger,
    autoLogging: { ignore: (request) => request.url === '/api/health' },
    serializers: {
      req: (r: { id: unknown; method: string; url: string }) => ({ id: r.id, method: r.method, url: r.url }),
    },
  });
}
