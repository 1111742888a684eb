import type { Logger } from 'pino';
import type { Pool } from '../db/pool';
import { headsOf } from '../plans/queries';
import type { LiveFeed, LiveNews } from './feed';
import type { Line } from './line';
import { whoIsHere, type People, type Present } from './presence';

/** Who is here is told again at most this often, ms. */
const TELL_EVERY_MS = 120;
/** Most pages told in one go; between two goes others are served. */
const MOST_AT_ONCE = 100;

/** One page’s stream, which tells each revision once and never an older one after a newer. */
export class Told {
  private newest = 0;

  constructor(
    private readonly line: Line,
    readonly present: Present,
  ) {}

  revision(revision: number, who: string): void {
    if (revision <= this.newest || !this.line.isOpen) return;
    this.newest = revision;
    this.push({ revision, who }, 'revision');
  }

  push(data: object, event: string): void {
    this.line.push(data, event);
  }
}

/** The streams of this process by the variant they follow; what is told to a room is looked up once. */
export class Rooms {
  private readonly rooms = new Map<string, Set<Told>>();
  private readonly pages = new Map<string, Present>();
  private open = 0;
  /** Variants in which somebody came or left, not told yet. */
  private readonly moved = new Set<string>();
  private timer: NodeJS.Timeout | undefined;
  private readonly stop: () => void;

  constructor(
    private readonly pool: Pool,
    feed: LiveFeed,
    private readonly log: Logger,
  ) {
    this.stop = feed.subscribe((news) => {
      this.hear(news);
    });
  }

  /** How many streams are open. */
  get size(): number {
    return this.open;
  }

  /** The stream of a page by the name it gave itself. */
  find(page: string): Present | undefined {
    return this.pages.get(page);
  }

  get all(): readonly Told[] {
    return [...this.rooms.values()].flatMap((room) => [...room]);
  }

  /** @returns how the page leaves again */
  enter(told: Told): () => void {
    const { variant } = told.present;
    const room = this.rooms.get(variant) ?? new Set<Told>();
    this.rooms.set(variant, room.add(told));
    this.open += 1;
    this.pages.set(told.present.page, told.present);
    this.tellHeads([told]);
    return () => {
      room.delete(told);
      this.open -= 1;
      if (this.pages.get(told.present.page) === told.present) this.pages.delete(told.present.page);
      if (room.size === 0 && this.rooms.get(variant) === room) this.rooms.delete(variant);
    };
  }

  close(): void {
    this.stop();
    clearTimeout(this.timer);
  }

  private hear(news: LiveNews): void {
    switch (news.kind) {
      case 'revision':
        void this.inTurn([...(this.rooms.get(news.variant) ?? [])], (told) => {
          told.revision(news.revision, news.who);
        });
        return;
      case 'listed':
        for (const told of this.rooms.get(news.variant) ?? []) told.push({}, 'listed');
        return;
      case 'presence':
        if (!this.rooms.has(news.variant)) return;
        this.moved.add(news.variant);
        this.timer ??= setTimeout(() => void this.tellPeople(), TELL_EVERY_MS).unref();
        return;
      case 'away':
      case 'back':
        void this.inTurn(this.all, (told) => {
          told.push({}, news.kind);
        });
        // After a gap pages are told where their plans stand, whatever they missed.
        if (news.kind === 'back') this.tellHeads(this.all);
        return;
      case 'ended':
        return;
      case 'restored':
        void this.inTurn(this.all, (told) => {
          told.push({}, 'restored');
        });
    }
  }

  private async tellPeople(): Promise<void> {
    const variants = [...this.moved];
    this.moved.clear();
    this.timer = undefined;
    try {
      const here = await whoIsHere(this.pool, variants);
      for (const variant of variants) {
        const people: People = here.get(variant) ?? { people: [], count: 0 };
        await this.inTurn([...(this.rooms.get(variant) ?? [])], (told) => {
          told.push(people, 'people');
        });
      }
    } catch (error) {
      this.log.debug({ err: error }, 'who is here could not be told');
    }
  }

  private tellHeads(all: readonly Told[]): void {
    headsOf(this.pool, [...new Set(all.map((t) => t.present.variant))]).then(
      (heads) =>
        this.inTurn(all, (told) => {
          const head = heads.get(told.present.variant);
          if (head) told.revision(head, '');
        }),
      (error: unknown) => {
        this.log.debug({ err: error }, 'where the plan stands could not be told');
      },
    );
  }

  private async inTurn(all: readonly Told[], tell: (told: Told) => void): Promise<void> {
    for (const [i, told] of all.entries()) {
      tell(told);
      if (i % MOST_AT_ONCE === MOST_AT_ONCE - 1) await new Promise((next) => setImmediate(next));
    }
  }
}
