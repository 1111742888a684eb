import { createReadStream, createWriteStream } from 'node:fs';
import { rename, rm, stat } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { createPool } from '../db/pool';
import { startTrouble } from '../db/start-trouble';
import { Refused } from '../http/refusal';
import { restoreBackup } from './restore';
import { writeBackup } from './write';

/** `data.js backup FILE` and `data.js restore FILE [aside] [revive]`, for the command line. */
const [what, file, ...said] = process.argv.slice(2);
const migrations = join(dirname(fileURLToPath(import.meta.url)), '../migrations');
const say = (text: string) => process.stdout.write(`${text}\n`);
const pool = createPool(process.env['DATABASE_URL'] ?? '', pino({ level: 'silent' }));

try {
  if (!file) throw new Error('Name a file.');
  if (what === 'backup') await backup(file);
  else await restore(file);
} catch (error) {
  process.stderr.write(`${error instanceof Refused ? refusedText(error) : startTrouble(error)}\n`);
  process.exitCode = 1;
}
await pool.end();

function refusedText({ body }: Refused): string {
  return body.error === 'revives' ? `${body.message} Say “revive” too where that is meant.` : body.message;
}

async function backup(to: string): Promise<void> {
  const part = `${to}.part`;
  try {
    const head = await writeBackup(pool, createWriteStream(part, { mode: 0o600 }));
    await rename(part, to);
    const rows = head.tables.map((t) => `${t.rows} ${t.name}`).join(', ');
    say(`Everything is in ${to} (${Math.ceil((await stat(to)).size / 1024)} kB): ${rows}.`);
  } catch (error) {
    await rm(part, { force: true });
    throw error;
  }
}

async function restore(from: string): Promise<void> {
  await stat(from).catch(() => {
    throw new Error(`There is no file ${from}. Nothing was changed.`);
  });
  if ((await projects()) > 0 && !said.includes('aside'))
    throw new Error(
      'There are projects in this installation already. Nothing was changed. Say “-- FILE aside” to put the backup in their place; they are kept aside in the database.',
    );
  const done = await restoreBackup(pool, createReadStream(from), migrations, {
    revives: said.includes('revive'),
  });
  say(
    `Restored as of ${done.madeAt}: ${done.projects} projects, ${done.revisions} revisions, ${done.photos} photos.${done.aside ? ` What was there before is kept aside as ${done.aside}.` : ''}`,
  );
}

/** How many projects there are; none where there is no database of ours yet. */
async function projects(): Promise<number> {
  const { rows } = await pool.query<{ there: boolean }>("select to_regclass('projects') is not null as there");
  if (!rows[0]?.there) return 0;
  const { rows: all } = await pool.query<{ n: number }>('select count(*)::int as n from projects');
  return all[0]?.n ?? 0;
}
