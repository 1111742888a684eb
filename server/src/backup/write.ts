import { createHash } from 'node:crypto';
import { once } from 'node:events';
import type { Writable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createGzip } from 'node:zlib';
import { to as copyTo } from 'pg-copy-streams';
import { pack, type Pack } from 'tar-stream';
import type { Client, Pool } from '../db/pool';
import {
  END,
  FORMAT,
  HEAD,
  LEFT_OUT,
  PIECE,
  VERSION,
  type BackupEnd,
  type BackupHead,
  type TableHead,
} from './format';

/**
 * Writes all there is into one file, as it stood at one moment, while others go on working.
 *
 * @returns what stands first in the file
 */
export async function writeBackup(pool: Pool, to: Writable, now = new Date()): Promise<BackupHead> {
  const client = await pool.connect();
  try {
    await client.query('begin isolation level repeatable read read only');
    const head = await headOf(client, now);
    const tar = pack();
    const written = pipeline(tar, createGzip({ level: 6 }), to);
    // Whatever ends first tells the other: a full disk, or a database that went away.
    await Promise.all([
      written,
      fill(tar, client, head).catch((error: unknown) => {
        tar.destroy(error instanceof Error ? error : new Error('The backup was cut off.'));
        throw error;
      }),
    ]);
    await client.query('commit');
    client.release();
    return head;
  } catch (error) {
    client.release(error instanceof Error ? error : true);
    throw error;
  }
}

async function fill(tar: Pack, client: Client, head: BackupHead): Promise<void> {
  const first = Buffer.from(`${JSON.stringify(head, null, 2)}\n`);
  await put(tar, HEAD, first);
  const tables: Record<string, string> = {};
  for (const table of head.tables) tables[table.name] = await copyOut(tar, client, table);
  const end: BackupEnd = { whole: true, head: createHash('sha256').update(first).digest('hex'), tables };
  await put(tar, END, Buffer.from(`${JSON.stringify(end)}\n`));
  tar.finalize();
}

/** Writes a table’s rows. @returns their digest */
async function copyOut(tar: Pack, client: Client, { name, columns }: TableHead): Promise<string> {
  const digest = createHash('sha256');
  const rows = client.query(copyTo(`copy ${name} (${columns.join(', ')}) to stdout`));
  let held: Buffer[] = [];
  let size = 0;
  let n = 0;
  const flush = async () => {
    if (size === 0) return;
    n += 1;
    await put(tar, `data/${name}/${String(n).padStart(6, '0')}`, Buffer.concat(held));
    held = [];
    size = 0;
  };
  for await (const chunk of rows as AsyncIterable<Buffer>) {
    held.push(chunk);
    digest.update(chunk);
    size += chunk.length;
    if (size >= PIECE) await flush();
  }
  await flush();
  return digest.digest('hex');
}

/** Puts a file into the archive, and waits while nobody takes it. */
async function put(tar: Pack, name: string, bytes: Buffer): Promise<void> {
  const gone = new AbortController();
  await Promise.race([
    new Promise<void>((done, failed) => {
      tar.entry({ name, size: bytes.length }, bytes, (error) => {
        if (error) failed(error);
        else done();
      });
    }),
    once(tar, 'close', { signal: gone.signal }).then(() => {
      throw new Error('The backup was cut off.');
    }),
  ]).finally(() => {
    gone.abort();
  });
}

/** The tables in an order in which each one’s rows find those that they point at. */
async function headOf(client: Client, now: Date): Promise<BackupHead> {
  const { rows: tables } = await client.query<{ name: string; columns: string[] }>(
    `select c.relname as name,
            array_agg(a.attname::text order by a.attnum) filter (where a.attgenerated = '') as columns
       from pg_class c join pg_attribute a on a.attrelid = c.oid and a.attnum > 0 and not a.attisdropped
      where c.relnamespace = current_schema()::regnamespace and c.relkind = 'r'
      group by c.relname order by c.relname`,
  );
  const { rows: arrows } = await client.query<{ from: string; to: string }>(
    `select f.relname as from, t.relname as to from pg_constraint k
       join pg_class f on f.oid = k.conrelid join pg_class t on t.oid = k.confrelid
      where k.contype = 'f' and k.connamespace = current_schema()::regnamespace`,
  );
  const kept = tables.filter(({ name }) => !LEFT_OUT.includes(name));
  const counted: TableHead[] = [];
  for (const { name, columns } of inOrder(kept, arrows)) {
    const { rows } = await client.query<{ n: string }>(`select count(*) as n from ${name}`);
    counted.push({ name, columns, rows: Number(rows[0]?.n ?? 0) });
  }
  const { rows: ran } = await client.query<{ name: string }>('select name from migrations order by name');
  const migrations = ran.map(({ name }) => name);
  return { format: FORMAT, version: VERSION, madeAt: now.toISOString(), migrations, tables: counted };
}

function inOrder<T extends { readonly name: string }>(
  tables: readonly T[],
  arrows: readonly { readonly from: string; readonly to: string }[],
): readonly T[] {
  const done: T[] = [];
  const visit = (table: T, above: readonly string[]) => {
    if (done.includes(table) || above.includes(table.name)) return;
    for (const { from, to } of arrows)
      if (from === table.name)
        for (const other of tables) if (other.name === to) visit(other, [...above, from]);
    done.push(table);
  };
  for (const table of tables) visit(table, []);
  return done;
}
