import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { migrationFiles, refuseNewer } from './migrate';
import { createPool } from './pool';
import { startTrouble } from './start-trouble';

// Looks whether the database of the environment can be used, and says in one sentence why not.
const migrations = join(dirname(fileURLToPath(import.meta.url)), '../../migrations');
const pool = createPool(process.env['DATABASE_URL'] ?? '', pino({ level: 'silent' }));
try {
  const { rows } = await pool.query<{ may: boolean | null; reads: boolean }>(
    `select has_schema_privilege(current_schema(), 'create') as may,
            current_setting('transaction_read_only') = 'on' as reads`,
  );
  if (rows[0]?.reads) throw Object.assign(new Error('read only'), { code: '25006' });
  if (!rows[0]?.may) throw Object.assign(new Error('no rights'), { code: '42501' });
  await refuseNewer(pool, await migrationFiles(migrations));
} catch (error) {
  process.stderr.write(`${startTrouble(error)}\n`);
  process.exitCode = 1;
}
await pool.end();
