import { CHANNEL } from '../db/channel';
import type { Pool } from '../db/pool';

/** A page that was not seen for this long is gone, s. */
const GONE_AFTER_S = 50;
/** Changes within this time are written at once, ms. */
const GATHER_MS = 60;
/** After a write that failed it is tried again after this, ms. */
const AGAIN_MS = 1000;
/** Most names in one message; beyond them only their number is told. */
const MOST_NAMES = 24;

/** A page that has a variant open. */
export interface Present {
  /** Named by the server. */
  readonly stream: string;
  readonly page: string;
  readonly variant: string;
  readonly who: string;
}

/** Who has a variant open: some of the names, and how many pages in all. */
export interface People {
  readonly people: readonly string[];
  readonly count: number;
}

/** Writes who comes and goes: whatever happens within a moment is one statement and one message a variant. */
export class PresenceWriter {
  private readonly came = new Map<string, Present>();
  private readonly left = new Map<string, Present>();
  private timer: NodeJS.Timeout | undefined;
  private writing = false;
  private closed = false;

  constructor(
    private readonly pool: Pool,
    private readonly failed: (error: unknown) => void,
  ) {}

  arrive(present: Present): void {
    this.came.set(present.stream, present);
    this.soon(GATHER_MS);
  }

  leave(present: Present): void {
    // Came and went within the moment: nobody need hear of it.
    if (!this.came.delete(present.stream)) this.left.set(present.stream, present);
    this.soon(GATHER_MS);
  }

  close(): void {
    this.closed = true;
    clearTimeout(this.timer);
  }

  private soon(ms: number): void {
    if (this.timer || this.writing || this.closed) return;
    this.timer = setTimeout(() => void this.write(), ms);
    this.timer.unref();
  }

  private async write(): Promise<void> {
    this.timer = undefined;
    const [came, left] = [[...this.came.values()], [...this.left.values()]];
    if (came.length + left.length === 0) return;
    this.came.clear();
    this.left.clear();
    this.writing = true;
    let pause = GATHER_MS;
    try {
      await write(this.pool, came, left);
    } catch (error) {
      this.failed(error);
      pause = AGAIN_MS;
      // Whoever left meanwhile did not come; what was to be forgotten still is.
      for (const one of came) if (!this.left.delete(one.stream)) this.came.set(one.stream, one);
      for (const one of left) this.left.set(one.stream, one);
    }
    this.writing = false;
    if (this.came.size + this.left.size > 0) this.soon(pause);
  }
}

async function write(pool: Pool, came: readonly Present[], left: readonly Present[]): Promise<void> {
  const variants = [...new Set([...came, ...left].map((p) => p.variant))];
  await pool.query(
    `with gone as (delete from presence where stream_id = any($1::uuid[])),
          here as (insert into presence (stream_id, page_id, variant_id, who)
                   select * from unnest($2::uuid[], $3::uuid[], $4::uuid[], $5::text[])
                   on conflict (stream_id) do nothing)
     select pg_notify($6, json_build_object('kind', 'presence', 'variant', v)::text) from unnest($7::uuid[]) as v`,
    [
      left.map((p) => p.stream),
      came.map((p) => p.stream),
      came.map((p) => p.page),
      came.map((p) => p.variant),
      came.map((p) => p.who),
      CHANNEL,
      variants,
    ],
  );
}

/** Notes that pages are still there. What died without a word is forgotten. */
export async function seen(pool: Pool, streams: readonly string[]): Promise<void> {
  if (streams.length)
    await pool.query('update presence set seen_at = now() where stream_id = any($1)', [streams]);
  await pool.query('delete from presence where seen_at < now() - make_interval(secs => $1)', [GONE_AFTER_S]);
}

/** Who has each of these variants open now, a page counted once, by name. */
export async function whoIsHere(pool: Pool, variants: readonly string[]): Promise<ReadonlyMap<string, People>> {
  const { rows } = await pool.query<{ variant_id: string; count: number; people: string[] }>(
    `select variant_id, count(*)::int as count, (array_agg(who order by who, page_id))[1:$3] as people
       from (select distinct on (variant_id, page_id) variant_id, page_id, who from presence
              where variant_id = any($1::uuid[]) and seen_at > now() - make_interval(secs => $2)
              order by variant_id, page_id, seen_at desc) as pages
      group by variant_id`,
    [variants, GONE_AFTER_S, MOST_NAMES],
  );
  return new Map(rows.map(({ variant_id, count, people }) => [variant_id, { people, count }]));
}
