import type { ServerOptions } from 'node:http';
import type { RequestHandler } from 'express';
import { refused } from './refusal';

/** Headers that are not whole by then are cut off, ms. */
const HEADERS_MS = 8000;
/** A body has this long, ms, … */
const BODY_MS = 10_000;
/** … and longer only as far as it brings this much a second: a large photo over a weak network. */
const BYTES_A_SECOND = 50_000;
const LOOK_EVERY_MS = 500;

/** How long a server lets a connection take over its headers, and stay open without a request. */
export const PATIENCE: ServerOptions = {
  headersTimeout: HEADERS_MS,
  connectionsCheckingInterval: 1000,
  // Bodies are watched by `slowBodies`, which knows a large one from a slow one.
  requestTimeout: 0,
  keepAliveTimeout: 5000,
};

/** Cuts off who sends a body too slowly. */
export function slowBodies(): RequestHandler {
  return (request, response, next) => {
    if (request.headers['content-length'] === undefined && request.headers['transfer-encoding'] === undefined) {
      next();
      return;
    }
    const { socket } = request;
    const [began, before] = [Date.now(), socket.bytesRead];
    const timer = setInterval(() => {
      const allowed = BODY_MS + ((socket.bytesRead - before) / BYTES_A_SECOND) * 1000;
      if (request.complete || Date.now() - began <= allowed) return;
      clearInterval(timer);
      if (!response.headersSent) {
        const { body } = refused('invalid', 'The body comes too slowly. Nothing was changed.', [
          { field: 'body', wrong: 'did not arrive in time', right: 'the whole body at once' },
        ]);
        response.set('Connection', 'close').status(408).json(body);
      }
      setTimeout(() => socket.destroy(), LOOK_EVERY_MS).unref();
    }, LOOK_EVERY_MS);
    const done = () => {
      clearInterval(timer);
    };
    request.once('end', done);
    request.once('close', done);
    next();
  };
}
