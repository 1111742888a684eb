import { liveQuerySchema, type Listener } from '@intervex/contract';
import { createSession, type Session } from 'better-sse';
import { Router, type Request } from 'express';
import type { Logger } from 'pino';
import type { Pool } from '../db/pool';
import { admit, open } from '../http/doors';
import { asRefused, refused, valid, type Refused } from '../http/refusal';
import { asks, whoAsks, type Identity } from '../people/identity';
import { LISTENS } from '../people/matrix';
import type { LiveFeed } from './feed';
import { Followers } from './followers';
import { Line, type Listens } from './line';

/** A line that keeps proxies from closing a quiet stream, ms. */
const KEEP_ALIVE_MS = 25_000;
/** What the page waits before it comes back after a lost stream, ms. */
const RETRY_MS = 500;
/** Longest that a timer waits, ms. */
const MOST_WAIT_MS = 2 ** 31 - 1;

/** The streams of one server process. */
export interface LiveStreams {
  readonly router: Router;
  /** Lets pages listen to instruments. */
  instruments(listens: Listens): void;
  /** Ends all streams, so that the process can stop. */
  close(): void;
}

/** Begins to tell one page. */
type Begins = (line: Line) => void;

const noInstruments: Listens = () => Promise.reject(refused('unavailable', 'There are no instruments here.'));

/** One stream for all pages of a browser: new revisions, who is here, whether the database is, values of instruments. */
export function liveStreams(pool: Pool, feed: LiveFeed, log: Logger): LiveStreams {
  const followers = new Followers(pool, feed, log);
  const ends = new Set<() => void>();
  let instruments = noInstruments;

  /** Ends a stream when whose it is may no longer look, or the process stops. @returns says that it is gone */
  const whenGone = (session: Session, { key, until }: Identity, end: () => void): AbortSignal => {
    const gone = new AbortController();
    ends.add(end);
    const forget = feed.subscribe((news) => {
      if (news.kind === 'ended' && news.owner === key) end();
    });
    const left = until === undefined ? undefined : Math.min(Math.max(0, until - Date.now()), MOST_WAIT_MS);
    const over = left === undefined ? undefined : setTimeout(end, left).unref();
    session.once('disconnected', () => {
      gone.abort();
      forget();
      ends.delete(end);
      clearTimeout(over);
    });
    return gone.signal;
  };

  /** What a page asks for is looked at before it is told anything. @throws Refused */
  const looked = async (request: Request, listener: Listener): Promise<Begins> => {
    const { variant = '', instrument, who } = listener;
    await admit(instrument === undefined ? LISTENS.variant : LISTENS.instrument, whoAsks(request), variant);
    return instrument === undefined ? followers.admit(listener, asks(request, who)) : instruments(instrument);
  };

  const router = Router();
  open(router, 'GET /live', async (request, response) => {
    const { listens } = valid(liveQuerySchema, queryOf(request), 'query', true);
    const asked = await Promise.all(
      listens.map(async (listener) => {
        const found = await looked(request, listener).catch((error: unknown) => asRefused(error));
        return { to: listener.to, found };
      }),
    );
    // A question whether there is such a stream, not for the stream.
    if (request.method === 'HEAD') {
      response.type('text/event-stream').end();
      return;
    }
    const session = await createSession(request, response, { keepAlive: KEEP_ALIVE_MS, retry: RETRY_MS });
    if (!session.isConnected) return;
    const gone = whenGone(session, whoAsks(request), () => response.end());
    for (const { to, found } of asked) {
      const line = new Line(session, to, gone);
      if (isRefused(found)) line.push({ error: found.body.error, message: found.body.message }, 'refused');
      else found(line);
    }
  });
  return {
    router,
    instruments: (listens) => {
      instruments = listens;
    },
    close: () => {
      followers.close();
      for (const end of ends) end();
    },
  };
}

const isRefused = (found: Begins | Refused): found is Refused => typeof found !== 'function';

/** The query with its list read; what is no list is left for the check to refuse. */
function queryOf({ query }: Request): unknown {
  try {
    return { ...query, listens: JSON.parse(String(query['listens'])) as unknown };
  } catch {
    return query;
  }
}
