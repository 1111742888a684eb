import { readdir, readFile } from 'node:fs/promises';
import { PLAN_VERSION } from '@intervex/core';
import { join } from 'node:path';
import type { Client, Pool } from './pool';
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
  const files = await migrationFiles(folder);
  await refuseNewer(pool, files);
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

/** The migrations there are, oldest first. */
export const migrationFiles = async (folder: string): Promise<readonly string[]> =>
  (await readdir(folder)).filter((name) => /^\d{4}_.*\.sql$/.test(name)).sort();

/** The data are of a newer build: nothing of them is touched. */
export class NewerData extends Error {}

const newer = (why: string): string =>
  `The data were written by a newer Intervex: ${why}. Nothing was changed. Start the newer one, or restore a backup of this one’s into another folder.`;

/** @throws NewerData where the database knows migrations, or holds plans, that this build does not know */
export async function refuseNewer(pool: Pool, files: readonly string[]): Promise<void> {
  const unknown = (await ranBefore(pool)).filter((name) => !files.includes(name));
  const [first] = unknown;
  if (first !== undefined) throw new NewerData(newer(`it knows ${first.slice(0, 60)}, and this one does not`));
  const plan = await newestPlan(pool);
  if (plan > PLAN_VERSION)
    throw new NewerData(newer(`it holds plans of version ${plan}, and this one knows ${PLAN_VERSION}`));
}

/** The newest version of the plan that stands in the database; 0 where there is none. */
async function newestPlan(pool: Pool): Promise<number> {
  const { rows } = await pool.query<{ there: boolean }>(
    `select count(*) > 0 as there from pg_attribute
      where attrelid = to_regclass('plan_revisions') and attname = 'plan_version'`,
  );
  if (!rows[0]?.there) return 0;
  const { rows: found } = await pool.query<{ newest: number | null }>(
    'select max(plan_version)::int as newest from plan_revisions',
  );
  return found[0]?.newest ?? 0;
}

async function ranBefore(pool: Pool): Promise<readonly string[]> {
  const { rows } = await pool.query<{ there: boolean }>(
    "select to_regclass('migrations') is not null as there",
  );
  if (!rows[0]?.there) return [];
  return (await pool.query<{ name: string }>('select name from migrations order by name')).rows.map(
    (r) => r.name,
  );
}

/**
 * Runs migrations inside a transaction of the caller’s, on the schema that it looks at.
 *
 * @param names those to run, in order; those that ran before are left out by the caller
 */
export async function migrateIn(client: Client, folder: string, names: readonly string[]): Promise<void> {
  await client.query(
    'create table if not exists migrations (name text primary key, at timestamptz not null default now())',
  );
  for (const name of names) {
    await client.query(await readFile(join(folder, name), 'utf8'));
    await client.query('insert into migrations (name) values ($1) on conflict do nothing', [name]);
  }
}

/** Lock that whoever changes the shape of the database holds. */
export const lockShape = (client: Client): Promise<unknown> =>
  client.query('select pg_advisory_xact_lock($1)', [LOCK]);
