import { type InstrumentView } from '@intervex/contract';
import { deviceSchema, switchSchema } from '@intervex/contract/ports/bench';
import { json, Router } from 'express';
import { setTimeout as sleep } from 'node:timers/promises';
import { open } from '../../http/doors';
import { refused, valid } from '../../http/refusal';
import type { Line, Listens } from '../../live/line';
import { linesOf, listInstruments, press } from './client';

/** What is waited before an instrument that was lost is tried again, ms. */
const AGAIN_MS = 700;

/**
 * Instruments on the bench: list, zero and hold.
 *
 * @param url where the bench stands
 */
export function instrumentRoutes(url: string | undefined): Router {
  const router = Router();
  open(router, 'GET /instruments', async (_request, response) => {
    response.json(await listInstruments(url));
  });
  for (const key of ['zero', 'hold'] as const)
    open(router, `POST /instruments/:id/${key}`, json({ limit: '1kb' }), async (request, response) => {
      const { id } = valid(deviceSchema, request.params, 'address');
      const { on } = valid(switchSchema, request.body, 'request');
      if (!url || !(await press(url, id, key, on)))
        throw refused('unavailable', 'The instrument does not answer. Nothing was changed.');
      response.status(204).end();
    });
  return router;
}

/**
 * Lets pages listen to the instruments of a bench.
 *
 * @param url where the bench stands
 */
export const listensTo =
  (url: string | undefined): Listens =>
  async (id) => {
    const instrument = await known(url, id);
    return (line) => void follow(line, url ?? '', instrument);
  };

async function known(url: string | undefined, id: string): Promise<InstrumentView> {
  const { instruments, trouble } = await listInstruments(url);
  const instrument = instruments.find((i) => i.id === id);
  if (instrument) return instrument;
  if (trouble) throw refused('unavailable', `The instrument cannot be heard: ${trouble}.`);
  throw refused('notFound', 'There is no such instrument.', [
    { field: 'instrument', wrong: 'is not known', right: 'an id from the list of instruments' },
  ]);
}

/** Hands values on until the page is gone; a lost instrument is said once and tried again. */
async function follow(line: Line, url: string, instrument: InstrumentView): Promise<void> {
  const { gone } = line;
  while (!gone.aborted) {
    let why = 'its stream ended';
    try {
      for await (const read of linesOf(url, instrument, gone)) {
        if (gone.aborted) return;
        if (read.ok) line.push(read.reading, 'value');
        else line.push({ wrong: read.wrong, right: read.right }, 'unread');
      }
    } catch (error) {
      if (error instanceof Error && error.name !== 'TypeError') why = error.message;
    }
    if (gone.aborted) return;
    line.push({ why }, 'lost');
    await sleep(AGAIN_MS, undefined, { signal: gone }).catch(() => undefined);
  }
}
