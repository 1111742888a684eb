import express, { type Express } from 'express';
import type { Schema } from 'joi';
import { body } from './refuse';

/** A stand-in’s application: JSON in, and the operator’s page at its root. */
export function operatedApp(page: string, limit = '10kb'): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(express.json({ limit }));
  app.get('/', (_request, response) => {
    response.type('html').send(page);
  });
  return app;
}

/**
 * Lets the operator read and set how a stand-in behaves, at `/modes`. A part of the modes changes that part.
 *
 * @returns the modes as they stand
 */
export function operatedModes<M extends object>(
  app: Express,
  schema: Schema<Partial<M>>,
  first: M,
): () => Readonly<M> {
  let modes = first;
  app.get('/modes', (_request, response) => {
    response.json(modes);
  });
  app.post('/modes', (request, response) => {
    const change = body(schema, request.body, response);
    if (!change) return;
    modes = { ...modes, ...change };
    response.json(modes);
  });
  return () => modes;
}
