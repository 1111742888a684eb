import { type InstrumentView } from '@intervex/contract';
import { deviceSchema, switchSchema } from '@intervex/contract/ports/bench';
import { createSession, type Session } from 'better-sse';
import { json, Router, type Request } from 'express';
import { setTimeout as sleep } from 'node:timers/promises';
import { open } from '../../http/doors';
import { refused, valid } from '../../http/refusal';
import type { WhenEnded } from '../../live/routes';
import { whoAsks } from '../../people/identity';
import { linesOf, listInstruments, press } from './client';

/** What is waited before an instrument that was lost is tried again, ms. */
const AGAIN_MS = 700;
const RETRY_MS = 500;

/**
 * Instruments on the bench: list, live values, zero and hold.
 *
 * @param url where the bench stands
 * @param whenEnded tells when somebody may no longer look
 */
export function instrumentRoutes(url: string | undefined, whenEnded: WhenEnded): Router {
  const router = Router();
  open(router, 'GET /instruments', async (_request, response) => {
    response.json(await listInstruments(url));
  });
  open(router, 'GET /instruments/:id/stream', async (request, response) => {
    const instrument = await known(url, request);
    // A question whether there is such a stream, not for the stream.
    if (request.method === 'HEAD') {
      response.type('text/event-stream').end();
      return;
    }
    const session = await createSession(request, response, { retry: RETRY_MS });
    const gone = new AbortController();
    const { key, until } = whoAsks(request);
    const end = () => response.end();
    const forget = whenEnded(key, end);
    const over = until === undefined ? undefined : setTimeout(end, Math.max(0, until - Date.now())).unref();
    session.once('disconnected', () => {
      gone.abort();
      forget();
      clearTimeout(over);
    });
    await follow(session, url ?? '', instrument, gone.signal);
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

async function known(url: string | undefined, request: Request): Promise<InstrumentView> {
  const { id } = valid(deviceSchema, request.params, 'address');
  const { instruments, trouble } = await listInstruments(url);
  const instrument = instruments.find((i) => i.id === id);
  if (instrument) return instrument;
  if (trouble) throw refused('unavailable', `The instrument cannot be heard: ${trouble}.`);
  throw refused('notFound', 'There is no such instrument.', [
    { field: 'id', wrong: 'is not known', right: 'an id from the list of instruments' },
  ]);
}

/** Hands lines on until the page is gone; a lost instrument is said once and tried again. */
async function follow(
  session: Session,
  url: string,
  instrument: InstrumentView,
  gone: AbortSignal,
): Promise<void> {
  while (!gone.aborted) {
    let why = 'its stream ended';
    try {
      for await (const line of linesOf(url, instrument, gone)) {
        if (!session.isConnected) return;
        if (line.ok) session.push(line.reading, 'value');
        else session.push({ wrong: line.wrong, right: line.right }, 'refused');
      }
    } catch (error) {
      if (error instanceof Error && error.name !== 'TypeError') why = error.message;
    }
    if (gone.aborted || !session.isConnected) return;
    session.push({ why }, 'lost');
    await sleep(AGAIN_MS, undefined, { signal: gone }).catch(() => undefined);
  }
}
