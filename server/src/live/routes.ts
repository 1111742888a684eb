import { liveQuerySchema } from '@intervex/contract';
import { createSession } from 'better-sse';
import { Router } from 'express';
import { randomUUID } from 'node:crypto';
import type { Logger } from 'pino';
import type { Pool } from '../db/pool';
import { open } from '../http/doors';
import { refused, valid } from '../http/refusal';
import { asks, whoAsks } from '../people/identity';
import { idOf } from '../plans/routes';
import { headsOf } from '../plans/queries';
import type { LiveFeed } from './feed';
import { PresenceWriter, seen } from './presence';
import { Rooms, Told } from './rooms';

/** How often pages that are open are noted as still there, ms. */
const SEEN_EVERY_MS = 20_000;
/** A line that keeps proxies from closing a quiet stream, ms. */
const KEEP_ALIVE_MS = 25_000;
/** What the page waits before it comes back after a lost stream, ms. */
const RETRY_MS = 500;
/** Longest that a timer waits, ms. */
const MOST_WAIT_MS = 2 ** 31 - 1;
/** Most streams of one process; a workshop has tens. */
const MOST_STREAMS = 5000;

export type WhenEnded = (owner: string, end: () => void) => () => void;

/** The streams of one server process. */
export interface LiveStreams {
  readonly router: Router;
  /**
   * Calls `end` once somebody may no longer look, in whatever process that was decided.
   *
   * @param owner what his streams stand under, as `Identity.key`
   * @returns how it is forgotten again
   */
  readonly whenEnded: WhenEnded;
  /** Ends all streams, so that the process can stop. */
  close(): void;
}

/** A stream per open page: new revisions, who is here, and whether the database is. */
export function liveStreams(pool: Pool, feed: LiveFeed, log: Logger): LiveStreams {
  const quiet = (error: unknown) => {
    log.debug({ err: error }, 'presence not written');
  };
  const rooms = new Rooms(pool, feed, log);
  const writer = new PresenceWriter(pool, quiet);
  const timer = setInterval(() => {
    seen(
      pool,
      rooms.all.map((t) => t.present.stream),
    ).catch(quiet);
  }, SEEN_EVERY_MS);
  timer.unref();
  const router = Router();
  open(router, 'GET /variants/:id/live', async (request, response) => {
    const variant = idOf(request);
    const query = valid(liveQuerySchema, request.query, 'query', true);
    if (!(await headsOf(pool, [variant])).has(variant)) throw noVariant();
    // A question whether there is such a stream, not for the stream.
    if (request.method === 'HEAD') {
      response.type('text/event-stream').end();
      return;
    }
    const who = asks(request, query.who);
    const { page } = query;
    const same = rooms.find(page);
    if (same && (same.variant !== variant || same.who !== who))
      throw refused('inUse', 'This page’s name is in use by another page.', [
        { field: 'page', wrong: 'is another open page’s', right: 'an id of its own for each page' },
      ]);
    if (rooms.size >= MOST_STREAMS) throw refused('unavailable', 'Too many pages are open just now.');
    const session = await createSession(request, response, { keepAlive: KEEP_ALIVE_MS, retry: RETRY_MS });
    if (!session.isConnected) return;
    const present = { stream: randomUUID(), page, variant, who };
    const { key, until } = whoAsks(request);
    const end = () => response.end();
    const ends =
      until === undefined ? undefined : setTimeout(end, Math.min(until - Date.now(), MOST_WAIT_MS)).unref();
    const leave = rooms.enter(new Told(session, present, key, end));
    session.once('disconnected', () => {
      leave();
      clearTimeout(ends);
      writer.leave(present);
    });
    writer.arrive(present);
  });
  return {
    router,
    whenEnded: (owner, end) =>
      feed.subscribe((news) => {
        if (news.kind === 'ended' && news.owner === owner) end();
      }),
    close: () => {
      clearInterval(timer);
      writer.close();
      rooms.close();
      for (const told of rooms.all) told.end();
    },
  };
}

const noVariant = () =>
  refused('notFound', 'There is no such variant.', [
    { field: 'id', wrong: 'is not known', right: 'an id from the list of projects' },
  ]);
