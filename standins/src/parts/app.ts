import type { Express } from 'express';
import Joi from 'joi';
import { setTimeout as sleep } from 'node:timers/promises';
import { operatedApp, operatedModes } from '../operated';
import { body } from '../refuse';
import { KINDS, type Part, type PartKind } from './part';

/** How the counter behaves. */
interface Modes {
  /** Waits this long before it answers, ms. */
  readonly slowMs: number;
  /** Answers everything with 503. */
  readonly failing: boolean;
  /** Nothing is in stock. */
  readonly outOfStock: boolean;
}

const modesSchema = Joi.object<Partial<Modes>>({
  slowMs: Joi.number().integer().min(0).max(60_000),
  failing: Joi.boolean(),
  outOfStock: Joi.boolean(),
});

interface Query {
  readonly kind: PartKind;
  readonly within: number;
  readonly limit: number;
  readonly [dimension: string]: unknown;
}

const querySchema = Joi.object<Query>({
  kind: Joi.string()
    .valid(...KINDS)
    .required(),
  within: Joi.number().min(0).max(1000).default(5),
  limit: Joi.number().integer().min(1).max(10_000).default(10_000),
}).pattern(/^[a-zA-Z]{1,30}$/, Joi.number());

/** The parts counter over HTTP: search by kind and dimensions; and the operator’s side of it. */
export function counterApp(parts: readonly Part[], page: string): Express {
  const app = operatedApp(page);
  const modes = operatedModes<Modes>(app, modesSchema, { slowMs: 0, failing: false, outOfStock: false });
  app.get('/parts', async (request, response) => {
    const { slowMs, failing, outOfStock } = modes();
    if (slowMs > 0) await sleep(slowMs);
    if (failing) {
      response.status(503).json({ error: 'unavailable' });
      return;
    }
    const query = body(querySchema, request.query, response);
    if (!query) return;
    const { kind, within, limit, ...dimensions } = query;
    const ofKind = parts.filter((p) => p.kind === kind);
    const near = ofKind.filter((p) =>
      Object.entries(dimensions).every(
        ([name, value]) => Math.abs((p.size[name] ?? Infinity) - Number(value)) <= within,
      ),
    );
    const offers = near.slice(0, limit).map((p) => (outOfStock ? { ...p, stock: 0 } : p));
    response.json({ kind, total: ofKind.length, offers });
  });
  return app;
}
