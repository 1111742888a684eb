import pg from 'pg';
import type { Logger } from 'pino';
import { CHANNEL } from '../db/channel';

/** What happens to a variant, as every server process hears it. */
export type LiveNews =
  | { readonly kind: 'revision'; readonly variant: string; readonly revision: number; readonly who: string }
  | { readonly kind: 'presence'; readonly variant: string }
  /** It was taken off the lists, or brought back. */
  | { readonly kind: 'listed'; readonly variant: string }
  /** Somebody may no longer look: what he has open is ended. */
  | { readonly kind: 'ended'; readonly owner: string }
  /** All data were put back from a backup. */
  | { readonly kind: 'restored' }
  /** The database went away, or is back: whatever happened meanwhile has not been heard. */
  | { readonly kind: 'away' }
  | { readonly kind: 'back' };

type Hears = (news: LiveNews) => void;

const FIRST_PAUSE_MS = 200;
const MOST_PAUSE_MS = 3000;

/**
 * Hears what other processes and pages changed, over one connection of its own, and hands it on. A lost
 * connection is made again; who listens is told that news may have been missed.
 */
export class LiveFeed {
  private readonly hearers = new Set<Hears>();
  private client: pg.Client | undefined;
  private closed = false;
  private away = false;

  constructor(
    private readonly connectionString: string,
    private readonly log: Logger,
  ) {}

  /** Begins to listen; goes on trying in the background where the database is away. */
  async start(): Promise<void> {
    await this.connect(FIRST_PAUSE_MS);
  }

  /** Calls `hears` with all news until the returned function is called. */
  subscribe(hears: Hears): () => void {
    this.hearers.add(hears);
    return () => {
      this.hearers.delete(hears);
    };
  }

  get isAway(): boolean {
    return this.away;
  }

  async close(): Promise<void> {
    this.closed = true;
    await this.client?.end().catch(() => undefined);
  }

  private async connect(pause: number): Promise<void> {
    const client = new pg.Client({ connectionString: this.connectionString, connectionTimeoutMillis: 3000 });
    client.on('notification', ({ payload }) => {
      this.hear(payload);
    });
    let lost = false;
    const onLost = () => {
      if (lost || this.closed) return;
      lost = true;
      this.setAway(true);
      setTimeout(() => void this.connect(Math.min(pause * 2, MOST_PAUSE_MS)), pause);
    };
    client.on('error', onLost);
    client.on('end', onLost);
    try {
      await client.connect();
      await client.query(`listen ${CHANNEL}`);
      this.client = client;
      if (this.closed) await client.end();
      if (this.away) this.setAway(false);
    } catch (error) {
      this.log.debug({ err: error }, 'live feed cannot listen yet');
      onLost();
    }
  }

  private hear(payload: string | undefined): void {
    const news = readNews(payload);
    if (!news) return;
    for (const hears of this.hearers) hears(news);
  }

  private setAway(away: boolean): void {
    if (this.away === away) return;
    this.away = away;
    for (const hears of this.hearers) hears({ kind: away ? 'away' : 'back' });
  }
}

/** Reads a notification; undefined for what is none of ours. */
export function readNews(
  payload: string | undefined,
): Exclude<LiveNews, { kind: 'away' | 'back' }> | undefined {
  try {
    const news = JSON.parse(payload ?? '') as Partial<{
      kind: string;
      variant: string;
      revision: number;
      who: string;
      owner: string;
    }>;
    if (news.kind === 'restored') return { kind: 'restored' };
    if (news.kind === 'ended' && typeof news.owner === 'string') return { kind: 'ended', owner: news.owner };
    if (typeof news.variant !== 'string') return undefined;
    if (news.kind === 'presence' || news.kind === 'listed') return { kind: news.kind, variant: news.variant };
    if (news.kind !== 'revision' || typeof news.revision !== 'number') return undefined;
    return { kind: 'revision', variant: news.variant, revision: news.revision, who: String(news.who ?? '') };
  } catch {
    return undefined;
  }
}
