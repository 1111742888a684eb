import type { RequestHandler } from 'express';
import type { Logger, LoggerOptions } from 'pino';
import { pinoHttp } from 'pino-http';

/** How an error is written down: what it is and where, never the values it was about. */
export function plainError(error: unknown): object {
  if (!(error instanceof Error)) return { type: typeof error };
  const code = 'code' in error && typeof error.code === 'string' ? error.code : undefined;
  const at = (error.stack ?? '').split('\n').filter((line) => /^\s+at /.test(line));
  // What the database says of an error repeats what was sent.
  const message = 'severity' in error || 'body' in error ? undefined : error.message;
  return { type: error.name, code, message, at };
}

/** Options of every log: errors without values. */
export const LOG_OPTIONS: LoggerOptions = { serializers: { err: plainError } };

/** One structured line a request, without what it asks for by name; health is quiet. Adds `request.log`. */
export function requestLog(logger: Logger): RequestHandler {
  return pinoHttp({
    logger,
    wrapSerializers: false,
    autoLogging: { ignore: (request) => request.url === '/api/health' },
    serializers: {
      err: plainError,
      req: (r: { id?: unknown; method?: string; url?: string }) => ({
        id: r.id,
        method: r.method,
        path: (r.url ?? '').split('?')[0]?.slice(0, 300),
      }),
      res: (r: { statusCode?: number }) => ({ status: r.statusCode }),
    },
  });
}
