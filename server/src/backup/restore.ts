import type { RestoreView } from '@intervex/contract';
import { PLAN_VERSION } from '@intervex/core';
import { createHash, type Hash } from 'node:crypto';
import type { Readable, Writable } from 'node:stream';
import { finished, pipeline } from 'node:stream/promises';
import { createGunzip } from 'node:zlib';
import { from as copyFrom } from 'pg-copy-streams';
import { extract } from 'tar-stream';
import { lockShape, migrateIn, migrationFiles } from '../db/migrate';
import type { Client, Pool } from '../db/pool';
import { withTransaction } from '../db/transaction';
import { Refused, refused } from '../http/refusal';
import { whyAway } from '../db/errors';
import { CHANNEL } from '../db/channel';
import { askWhomItRevives } from './revived';
import { DIGESTED, END, endSchema, HEAD, headSchema, LEFT_OUT, type BackupHead } from './format';

/** Schema that is filled before it takes the place of the present one. */
const INCOMING = 'incoming';
/** What was there before is kept under such a name. */
const ASIDE = 'aside_';
/** Largest file in a backup that is read into memory, bytes. */
const MOST_HEAD = 4 * 1024 * 1024;

/** When it is done, and whether it is meant that people and links come back that were ended here. */
interface Meant {
  readonly now?: Date;
  readonly revives?: boolean;
}

/** A file of the archive. */
type Entry = Readable & { readonly header: { readonly name: string } };

const wrong = (message: string, what: string, right = 'a backup as Intervex wrote it, whole'): Refused =>
  refused('invalid', `${message} Nothing was changed.`, [{ field: 'file', wrong: what, right }]);

/**
 * Puts a backup back: it is read whole into a place of its own first, and only then takes the place of what is there,
 * which is kept aside. What is wrong with it is found before anything is changed.
 *
 * @param folder with the migrations
 * @throws Refused that says what is wrong with the file, or whom it lets in again
 */
export function restoreBackup(
  pool: Pool,
  from: Readable,
  folder: string,
  { now = new Date(), revives = false }: Meant = {},
): Promise<RestoreView> {
  return withTransaction(pool, async (client) => {
    await lockShape(client);
    const { rows } = await client.query<{ name: string }>('select current_schema() as name');
    const here = rows[0]?.name ?? 'public';
    await client.query(`create schema ${INCOMING}`);
    await client.query(`set local search_path to ${INCOMING}`);
    const head = await fill(client, from, folder);
    const counts = await checked(client, head);
    const files = await migrationFiles(folder);
    await migrateIn(
      client,
      folder,
      files.filter((name) => !head.migrations.includes(name)),
    );
    await refuseNewerPlans(client);
    await client.query(`set local search_path to ${here}`);
    await askWhomItRevives(client, { here, incoming: INCOMING, meant: revives });
    const aside = await swap(client, here, INCOMING, now);
    await client.query('select pg_notify($1, $2)', [CHANNEL, JSON.stringify({ kind: 'restored' })]);
    return { madeAt: head.madeAt, ...counts, aside };
  });
}

/** Puts back what a restore set aside; what is there now is set aside instead. */
export function bringBackAside(
  pool: Pool,
  aside: string,
  folder: string,
  { now = new Date(), revives = false }: Meant = {},
): Promise<string> {
  return withTransaction(pool, async (client) => {
    await lockShape(client);
    if (!(await listAside(client)).includes(aside))
      throw refused('notFound', 'Nothing was set aside under this name.', [
        { field: 'aside', wrong: 'is not known', right: 'a name from the list' },
      ]);
    const { rows } = await client.query<{ name: string }>('select current_schema() as name');
    const here = rows[0]?.name ?? 'public';
    await askWhomItRevives(client, { here, incoming: aside, meant: revives });
    const now_ = await swap(client, here, aside, now);
    const { rows: ran } = await client.query<{ name: string }>('select name from migrations');
    const done = new Set(ran.map((r) => r.name));
    await migrateIn(
      client,
      folder,
      (await migrationFiles(folder)).filter((name) => !done.has(name)),
    );
    await client.query('select pg_notify($1, $2)', [CHANNEL, JSON.stringify({ kind: 'restored' })]);
    return now_;
  });
}

/** Names of what restores have set aside, newest first. */
export async function listAside(client: Pick<Pool, 'query'>): Promise<readonly string[]> {
  const { rows } = await client.query<{ name: string }>(
    `select nspname::text as name from pg_namespace where nspname like 'aside\\_%' order by nspname desc`,
  );
  return rows.map(({ name }) => name);
}

/** Lets whoever writes finish, and gives the present place to another schema. */
async function swap(client: Client, here: string, incoming: string, now: Date): Promise<string> {
  const { rows } = await client.query<{ name: string }>(
    `select quote_ident(relname) as name from pg_class
      where relnamespace = $1::regnamespace and relkind = 'r' order by relname`,
    [here],
  );
  if (rows.length === 0) {
    // Nothing was there yet: nothing is to be kept.
    await client.query(`drop schema ${here}`);
    await client.query(`alter schema ${incoming} rename to ${here}`);
    return '';
  }
  await client.query(`lock table ${rows.map((r) => `${here}.${r.name}`).join(', ')} in access exclusive mode`);
  const aside = `${ASIDE}${now.toISOString().replace(/\D/g, '').slice(0, 17)}`;
  await client.query(`alter schema ${here} rename to ${aside}`);
  await client.query(`alter schema ${incoming} rename to ${here}`);
  return aside;
}

/** Reads the archive into the empty schema. */
async function fill(client: Client, from: Readable, folder: string): Promise<BackupHead> {
  const tar = extract();
  const unpacked = pipeline(from, createGunzip(), tar);
  // Looked at below, together with what is made of it.
  unpacked.catch(() => undefined);
  const filling = new Filling(client, folder);
  try {
    for await (const entry of tar as AsyncIterable<Entry>) await filling.take(entry);
    await unpacked;
  } catch (error) {
    tar.destroy();
    await filling.giveUp();
    throw asWrong(error);
  }
  return filling.end();
}

/** A table that is being filled. */
interface Copying {
  readonly table: string;
  readonly stream: Writable;
  /** Never done; fails where the database refuses a row. */
  readonly failed: Promise<never>;
}

/** Pours a piece into its table, as fast as the database takes it. */
async function pour(entry: Entry, { stream, failed }: Copying, digest: Hash): Promise<void> {
  for await (const chunk of entry as AsyncIterable<Buffer>) {
    digest.update(chunk);
    const taken = new Promise<void>((done, reject) => {
      stream.write(chunk, (error) => {
        if (error) reject(error);
        else done();
      });
    });
    await Promise.race([taken, failed]);
  }
}

/** What comes out of the archive, file by file. */
class Filling {
  private head: BackupHead | undefined;
  private whole = false;
  private copying: Copying | undefined;
  /** Of what stood first, and of each table’s rows as they came. */
  private first = '';
  private readonly digests = new Map<string, Hash>();

  constructor(
    private readonly client: Client,
    private readonly folder: string,
  ) {}

  async take(entry: Entry): Promise<void> {
    const { name } = entry.header;
    if (!this.head) {
      if (name !== HEAD) throw wrong('This is no backup.', 'does not begin as one');
      await this.begin(await textOf(entry));
      return;
    }
    if (name === END) {
      await this.closeTable();
      this.refuseChanged(this.head, await textOf(entry));
      this.whole = true;
      return;
    }
    const table = /^data\/([a-z_]+)\/\d+$/.exec(name)?.[1] ?? '';
    const known = this.head.tables.find((t) => t.name === table);
    if (!known)
      throw wrong('This backup holds something that is none of ours.', `holds “${name.slice(0, 60)}”`);
    if (this.copying?.table !== table) {
      await this.closeTable();
      const stream = this.client.query(copyFrom(`copy ${table} (${known.columns.join(', ')}) from stdin`));
      const failed = new Promise<never>((_done, reject) => stream.once('error', reject));
      failed.catch(() => undefined);
      this.copying = { table, stream, failed };
    }
    const digest = this.digests.get(table) ?? createHash('sha256');
    this.digests.set(table, digest);
    await pour(entry, this.copying, digest);
  }

  /** Each table as it was written, row by row: a count says nothing of what stands in them. */
  private refuseChanged({ version, tables }: BackupHead, text: string): void {
    // What was written before there were digests is held by its counts alone.
    if (version < DIGESTED) return;
    const { error, value } = endSchema.validate(parsed(text), { convert: false });
    if (error) throw wrong('This backup does not end as one.', error.message.slice(0, 200));
    const changed = tables.find(
      ({ name }) => value.tables[name] !== (this.digests.get(name) ?? createHash('sha256')).digest('hex'),
    );
    if (value.head !== this.first || changed)
      throw wrong(
        'This backup was changed after it was written.',
        `holds other rows of ${changed?.name ?? HEAD}`,
      );
  }

  async end(): Promise<BackupHead> {
    if (!this.head || !this.whole) throw wrong('This backup is cut short.', 'ends too soon');
    return this.head;
  }

  /** Lets the database’s copy end, so that the transaction can be taken back. */
  async giveUp(): Promise<void> {
    const stream = this.copying?.stream;
    this.copying = undefined;
    if (!stream || stream.destroyed || stream.writableEnded) return;
    stream.destroy();
    await finished(stream).catch(() => undefined);
  }

  private async begin(text: string): Promise<void> {
    this.first = createHash('sha256').update(text).digest('hex');
    const { error, value } = headSchema.validate(parsed(text), { convert: false });
    if (error) throw wrong('This is no backup that is known here.', error.message.slice(0, 200));
    const files = await migrationFiles(this.folder);
    const newer = value.migrations.filter((name) => !files.includes(name));
    if (newer.length)
      throw wrong(
        'This backup was written by a newer Intervex.',
        `needs ${newer[0] ?? ''}`,
        'a newer Intervex',
      );
    await migrateIn(this.client, this.folder, value.migrations);
    await this.refuseStrange(value);
    // What is put back was told and checked when it was written.
    for (const { name } of value.tables) await this.client.query(`alter table ${name} disable trigger user`);
    this.head = value;
  }

  /** Only tables and columns that those migrations made, and none of the moment. */
  private async refuseStrange({ tables }: BackupHead): Promise<void> {
    const { rows } = await this.client.query<{ table: string; column: string }>(
      `select c.relname as table, a.attname as column from pg_class c
         join pg_attribute a on a.attrelid = c.oid and a.attnum > 0 and not a.attisdropped
        where c.relnamespace = current_schema()::regnamespace and c.relkind = 'r'`,
    );
    const there = new Set(rows.map((r) => `${r.table}.${r.column}`));
    for (const { name, columns } of tables) {
      const strange = LEFT_OUT.includes(name) ? [name] : columns.filter((c) => !there.has(`${name}.${c}`));
      if (strange[0] !== undefined)
        throw wrong('This backup holds something that is none of ours.', `holds ${name}.${strange[0]}`);
    }
  }

  private async closeTable(): Promise<void> {
    const copying = this.copying;
    this.copying = undefined;
    if (!copying) return;
    copying.stream.end();
    await Promise.race([finished(copying.stream), copying.failed]);
  }
}

/** Counts against what the backup says of itself, sets what counts on, and brings the data up to date. */
async function checked(client: Client, head: BackupHead): Promise<Omit<RestoreView, 'madeAt' | 'aside'>> {
  const rows = new Map<string, number>();
  for (const { name, rows: wanted } of head.tables) {
    const { rows: found } = await client.query<{ n: string }>(`select count(*) as n from ${name}`);
    const n = Number(found[0]?.n ?? 0);
    if (n !== wanted) throw wrong('This backup is not whole.', `holds ${n} of ${wanted} rows of ${name}`);
    rows.set(name, n);
    await client.query(`alter table ${name} enable trigger user`);
  }
  const { rows: identities } = await client.query<{ table: string; column: string }>(
    `select table_name as table, column_name as column from information_schema.columns
      where table_schema = current_schema() and is_identity = 'YES'`,
  );
  for (const { table, column } of identities)
    await client.query(
      `select setval(pg_get_serial_sequence('${table}', '${column}'), greatest(1, (select coalesce(max(${column}), 0) + 1 from ${table})), false)`,
    );
  return {
    projects: rows.get('projects') ?? 0,
    revisions: rows.get('plan_revisions') ?? 0,
    photos: rows.get('photos') ?? 0,
  };
}

async function refuseNewerPlans(client: Client): Promise<void> {
  const { rows } = await client.query<{ newest: number | null }>(
    'select max(plan_version)::int as newest from plan_revisions',
  );
  const newest = rows[0]?.newest ?? 0;
  if (newest > PLAN_VERSION)
    throw wrong(
      'This backup was written by a newer Intervex.',
      `holds plans of version ${newest}`,
      'a newer Intervex',
    );
}

async function textOf(entry: Entry): Promise<string> {
  const parts: Buffer[] = [];
  let size = 0;
  for await (const part of entry as AsyncIterable<Buffer>) {
    size += part.length;
    if (size > MOST_HEAD) throw wrong('This is no backup.', 'begins with too large a file');
    parts.push(part);
  }
  return Buffer.concat(parts).toString('utf8');
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

/** Whatever unpacking, reading and copying say, it is the file that is wrong, unless the database went away. */
function asWrong(error: unknown): unknown {
  if (error instanceof Refused || whyAway(error) !== undefined) return error;
  return wrong('This backup is cut short or damaged.', 'cannot be unpacked whole');
}
