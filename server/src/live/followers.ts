import type { Listener } from '@intervex/contract';
import { randomUUID } from 'node:crypto';
import type { Logger } from 'pino';
import type { Pool } from '../db/pool';
import { refused } from '../http/refusal';
import { headsOf } from '../plans/queries';
import type { LiveFeed } from './feed';
import type { Line } from './line';
import { PresenceWriter, seen } from './presence';
import { Rooms, Told } from './rooms';

/** How often pages that are open are noted as still there, ms. */
const SEEN_EVERY_MS = 20_000;
/** Most pages that follow by one process; a workshop has tens. */
const MOST_PAGES = 5000;

/** Pages that follow a variant: what they are told, and that the others know of them. */
export class Followers {
  private readonly rooms: Rooms;
  private readonly writer: PresenceWriter;
  private readonly timer: NodeJS.Timeout;

  constructor(
    private readonly pool: Pool,
    feed: LiveFeed,
    log: Logger,
  ) {
    const quiet = (error: unknown) => {
      log.debug({ err: error }, 'presence not written');
    };
    this.rooms = new Rooms(pool, feed, log);
    this.writer = new PresenceWriter(pool, quiet);
    this.timer = setInterval(() => {
      const streams = this.rooms.all.map(({ present }) => present.stream);
      seen(pool, streams).catch(quiet);
    }, SEEN_EVERY_MS);
    this.timer.unref();
  }

  /**
   * Looks whether a page can follow a variant.
   *
   * @param who name beside the page
   * @returns how it begins to, on a line, until that is gone
   * @throws Refused where there is no such variant, the page’s name is another’s, or too many are open
   */
  async admit({ to, variant = '' }: Listener, who: string): Promise<(line: Line) => void> {
    if (!(await headsOf(this.pool, [variant])).has(variant))
      throw refused('notFound', 'There is no such variant.', [
        { field: 'variant', wrong: 'is not known', right: 'an id from the list of projects' },
      ]);
    const same = this.rooms.find(to);
    if (same && (same.variant !== variant || same.who !== who))
      throw refused('inUse', 'This page’s name is in use by another page.', [
        { field: 'to', wrong: 'is another open page’s', right: 'an id of its own for each page' },
      ]);
    if (this.rooms.size >= MOST_PAGES) throw refused('unavailable', 'Too many pages are open just now.');
    return (line) => {
      const present = { stream: randomUUID(), page: to, variant, who };
      const leave = this.rooms.enter(new Told(line, present));
      line.gone.addEventListener('abort', () => {
        leave();
        this.writer.leave(present);
      });
      this.writer.arrive(present);
    };
  }

  close(): void {
    clearInterval(this.timer);
    this.writer.close();
    this.rooms.close();
  }
}
