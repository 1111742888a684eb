import type { Express, Response } from 'express';
import Joi from 'joi';
import { setTimeout as sleep } from 'node:timers/promises';
import { operatedApp, operatedModes } from '../operated';
import { body } from '../refuse';
import { DIFFICULTIES, type Difficulty, type Shims } from './gear-set';
import { NotNow, type GearSets } from './gear-sets';

/** How the bench behaves. */
interface Modes {
  /** Waits this long before it answers, ms. */
  readonly slowMs: number;
  /** Answers everything with 503. */
  readonly failing: boolean;
  /** Answers with something that is no gear set. */
  readonly nonsense: boolean;
  /** Seed of every set that is begun from now on; 0 takes any. */
  readonly seed: number;
}

const modesSchema = Joi.object<Partial<Modes>>({
  slowMs: Joi.number().integer().min(0).max(60_000),
  failing: Joi.boolean(),
  nonsense: Joi.boolean(),
  seed: Joi.number()
    .integer()
    .min(0)
    .max(2 ** 31 - 1),
});
const beginSchema = Joi.object<{ difficulty: Difficulty }>({
  difficulty: Joi.string()
    .valid(...DIFFICULTIES)
    .required(),
});
const shim = (most: number) => Joi.number().min(0).max(most).required();
const shimsSchema = Joi.object<Shims>({ pinionShim: shim(8), ringSide: shim(12), otherSide: shim(12) });

/** Gear sets over HTTP: begin, try, open; and the operator’s side of it. */
export function gearSetApp(sets: GearSets, page: string): Express {
  const app = operatedApp(page);
  const modes = operatedModes<Modes>(app, modesSchema, {
    slowMs: 0,
    failing: false,
    nonsense: false,
    seed: 0,
  });
  app.get('/shelf', (_request, response) => {
    response.json(sets.all().map(({ id }) => sets.find(id)));
  });
  app.use(async (_request, response, next) => {
    const { slowMs, failing, nonsense } = modes();
    if (slowMs > 0) await sleep(slowMs);
    if (failing) response.status(503).json({ error: 'unavailable' });
    else if (nonsense) response.json({ id: 7, trials: 'many' });
    else next();
  });
  app.post('/sets', (request, response) => {
    const wanted = body(beginSchema, request.body, response);
    if (wanted) response.status(201).json(sets.begin(wanted.difficulty, modes().seed || undefined));
  });
  app.get('/sets/:id', (request, response) => {
    answer(response, () => sets.find(request.params.id));
  });
  app.post('/sets/:id/trials', (request, response) => {
    const shims = body(shimsSchema, request.body, response);
    if (shims) answer(response, () => sets.attempt(request.params.id, shims));
  });
  app.post('/sets/:id/open', (request, response) => {
    answer(response, () => sets.open(request.params.id));
  });
  app.post('/sets/:id/what-if', (request, response) => {
    const shims = body(shimsSchema, request.body, response);
    if (shims) answer(response, () => sets.whatIf(request.params.id, shims));
  });
  return app;
}

function answer(response: Response, find: () => object | undefined): void {
  try {
    const found = find();
    if (found) response.json(found);
    else response.status(404).json({ error: 'notFound' });
  } catch (error) {
    if (!(error instanceof NotNow)) throw error;
    response.status(422).json({ error: 'notNow', message: error.message });
  }
}
