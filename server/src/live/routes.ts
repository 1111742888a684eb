import { liveQuerySchema } from '@intervex/contract';
import { createSession, type Session } from 'better-sse';
import { Router, type Response } from 'express';
import type { Logger } from 'pino';
import type { Pool } from '../db/pool';
import { valid } from '../http/refusal';
import { idOf } from '../plans/routes';
import { readVariant } from '../plans/service';
import type { LiveFeed, LiveNews } from './feed';
import { arrive, leave, seen, whoIsHere } from './presence';

/** How often pages that are open are noted as still there, ms. */
const SEEN_EVERY_MS = 20_000;
/** A line that keeps proxies from closing a quiet stream, ms. */
const KEEP_ALIVE_MS = 25_000;
/** What the page waits before it comes back after a lost stream, ms. */
const RETRY_MS = 500;

/** The streams of one server process. */
export interface LiveStreams {
  readonly router: Router;
  /** Ends all streams, so that the process can stop. */
  close(): void;
}

/** A stream per open page: new revisions, who is here, and whether the database is. */
export function liveStreams(pool: Pool, feed: LiveFeed, log: Logger): LiveStreams {
  const open = new Map<string, Response>();
  const timer = setInterval(() => {
    seen(pool, [...open.keys()]).catch((error: unknown) => {
      log.debug({ err: error }, 'presence not written');
    });
  }, SEEN_EVERY_MS);
  timer.unref();
  const router = Router();
  router.get('/variants/:id/live', async (request, response) => {
    const id = idOf(request);
    const { who, page } = valid(liveQuerySchema, request.query, 'query', true);
    await readVariant(pool, id);
    const session = await createSession(request, response, { keepAlive: KEEP_ALIVE_MS, retry: RETRY_MS });
    open.set(page, response);
    const quiet = (work: Promise<unknown>) => {
      work.catch((error: unknown) => {
        log.debug({ err: error }, 'live stream');
      });
    };
    const told = new Told(session);
    // Subscribed first, then told what stands now: nothing falls between.
    const stop = feed.subscribe(id, (news) => {
      quiet(tell(told, news, pool, id));
    });
    session.once('disconnected', () => {
      stop();
      open.delete(page);
      quiet(leave(pool, page, id));
    });
    quiet(arrive(pool, page, id, who));
    quiet(pushHead(told, pool, id));
  });
  return {
    router,
    close: () => {
      clearInterval(timer);
      for (const response of open.values()) response.end();
    },
  };
}

/** One page's stream, which tells each revision once and never an older one after a newer. */
class Told {
  private newest = 0;

  constructor(readonly session: Session) {}

  revision(revision: number, who: string): void {
    if (revision <= this.newest || !this.session.isConnected) return;
    this.newest = revision;
    this.session.push({ revision, who }, 'revision', String(revision));
  }
}

async function tell(told: Told, news: LiveNews, pool: Pool, id: string): Promise<void> {
  const { session } = told;
  if (!session.isConnected) return;
  if (news.kind === 'revision') told.revision(news.revision, news.who);
  else if (news.kind === 'presence') session.push({ people: await whoIsHere(pool, id) }, 'people');
  else session.push({}, news.kind);
  // After a gap the page is told where the plan stands, whatever it missed.
  if (news.kind === 'back') await pushHead(told, pool, id);
}

async function pushHead(told: Told, pool: Pool, id: string): Promise<void> {
  told.revision((await readVariant(pool, id)).revision, '');
}
