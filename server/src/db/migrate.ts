import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { Pool } from './pool';
import { withTransaction } from './transaction';

/** Lock that only one migrating process holds at a time. */
const LOCK = 4_300_001;

/**
 * Brings the database to the newest migration: numbered `.sql` files, each in its own transaction, each
 * once. Safe when two processes start together.
 *
 * @returns names of the migrations that ran now
 */
export async function migrate(pool: Pool, folder: string): Promise<readonly string[]> {
  const files = (await readdir(folder)).filter((name) => /^\d{4}_.*\.sql$/.test(name)).sort();
  const ran: string[] = [];
  for (const name of files) {
    const sql = await readFile(join(folder, name), 'utf8');
    const fresh = await withTransaction(pool, async (client) => {
      await client.query('select pg_advisory_xact_lock($1)', [LOCK]);
      await client.query(
        'create table if not exists migrations (name text primary key, at timestamptz not null default now())',
      );
      const done = await client.query('select 1 from migrations where name = $1', [name]);
      if (done.rowCount) return false;
      await client.query(sql);
      await client.query('insert into migrations (name) values ($1)', [name]);
      return true;
    });
    if (fresh) ran.push(name);
  }
  return ran;
}
