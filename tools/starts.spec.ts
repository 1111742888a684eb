import { spawn } from 'node:child_process';
import {
  chmodSync,
  chownSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  renameSync,
  rmdirSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { freePort, startCluster } from './lib/cluster.mjs';
import { folderTrouble, programTrouble } from './lib/folder-trouble.mjs';
import { ROOT } from './lib/paths.mjs';

let folder = '';
let cluster: Awaited<ReturnType<typeof startCluster>>;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'intervex-starts-'));
  chmodSync(folder, 0o755);
  cluster = await startCluster(join(folder, 'good'), { throwAway: true });
  const client = new pg.Client({ connectionString: cluster.url });
  await client.connect();
  await client.query("create role guest login password 'guest'");
  await client.query('create database newer');
  await client.end();
  const newer = new pg.Client({ connectionString: at({ pathname: '/newer' }) });
  await newer.connect();
  await newer.query('create table migrations (name text primary key)');
  await newer.query("insert into migrations values ('0001_plans.sql'), ('9999_later.sql')");
  await newer.end();
});
afterAll(async () => {
  await cluster.stop();
  rmSync(folder, { recursive: true, force: true });
});

/** The good database’s address with something of it changed. */
function at(change: Partial<Pick<URL, 'username' | 'password' | 'hostname' | 'port' | 'pathname'>>): string {
  return Object.assign(new URL(cluster.url), change).href;
}

/** Runs the start command until it ends by itself. */
async function start(env: NodeJS.ProcessEnv): Promise<{ code: number | null; said: string }> {
  const all = {
    ...process.env,
    DATABASE_URL: '',
    PORT: String(await freePort()),
    INTERVEX_DATA_DIR: join(folder, 'own'),
    ...env,
  };
  const child = spawn(process.execPath, [join(ROOT, 'tools/start.mjs')], { env: all });
  let said = '';
  child.stdout.on('data', (part: Buffer) => (said += part.toString()));
  child.stderr.on('data', (part: Buffer) => (said += part.toString()));
  const code = await new Promise<number | null>((done) => child.once('close', done));
  return { code, said: said.trim() };
}

describe('a start that cannot be is one sentence with what to do', () => {
  it.each([
    [
      'nobody there',
      async () => at({ port: String(await freePort()) }),
      /nothing answers there\. Look at DATABASE_URL/,
    ],
    ['a wrong password', () => at({ password: 'wrong' }), /the password is wrong\. Set DATABASE_URL/],
    ['no such database', () => at({ pathname: '/none' }), /no database of that name/],
    [
      'no rights',
      () => at({ username: 'guest', password: 'guest' }),
      /may not make or change tables there\. Grant/,
    ],
    [
      'data of a newer build',
      () => at({ pathname: '/newer' }),
      /written by a newer Intervex: it knows 9999_later\.sql/,
    ],
    ['no address at all', () => 'nonsense', /DATABASE_URL|database/],
  ])('%s', async (_what, url, words) => {
    const { code, said } = await start({ DATABASE_URL: await url() });
    expect(said).toMatch(words);
    expect(said.split('\n')).toHaveLength(1);
    expect(said).not.toMatch(/ at .*:\d+:\d+/);
    expect(code).toBe(1);
  });

  it('a folder that is none', async () => {
    const file = join(folder, 'file');
    writeFileSync(file, 'kept');
    const { code, said } = await start({ INTERVEX_DATA_DIR: join(file, 'data') });
    expect([code, said]).toEqual([
      1,
      expect.stringMatching(/cannot be used: it is no folder\. Nothing in it was changed/),
    ]);
    expect(readFileSync(file, 'utf8')).toBe('kept');
  });

  it.runIf(process.getuid?.() === 0)('a database of another user, and one that is open to others', async () => {
    const own = join(folder, 'other');
    const made = await startCluster(own, { throwAway: true });
    await made.stop();
    const data = join(own, 'pg');
    const { uid, gid } = statSync(data);
    chownSync(data, 65534, 65534);
    const first = await start({ INTERVEX_DATA_DIR: own });
    expect(first.said).toMatch(/belongs to another user \(number 65534\).*chown -R postgres/);
    chownSync(data, uid, gid);
    chmodSync(data, 0o755);
    const second = await start({ INTERVEX_DATA_DIR: own });
    expect(second.said).toMatch(/open to others.*chmod 700/);
    chmodSync(data, 0o700);
    expect([first.code, second.code]).toEqual([1, 1]);
  });

  it('a database of another version', async () => {
    const own = join(folder, 'version');
    mkdirSync(own);
    const made = await startCluster(own, { throwAway: true });
    await made.stop();
    writeFileSync(join(own, 'pg/PG_VERSION'), '12\n');
    const { said } = await start({ INTERVEX_DATA_DIR: own });
    expect(said).toMatch(/made by PostgreSQL 12;.*apt-get install postgresql-12.*npm run restore/);
  });
});

describe('a data folder that somebody or a full disk damaged', () => {
  let own = '';
  beforeAll(async () => {
    own = join(folder, 'damaged');
    await (await startCluster(own, { throwAway: true })).stop();
  });

  it.each([
    [
      'empty',
      '',
      /postmaster\.pid .*is empty\. Nothing was changed\. No database runs there: remove that file/,
    ],
    [
      'garbled',
      'k\u0000x\nq',
      /postmaster\.pid .*cannot be read\. Nothing was changed\. No database runs there/,
    ],
  ])('names a note of the running server that is %s', async (_what, text, words) => {
    const file = join(own, 'pg/postmaster.pid');
    writeFileSync(file, text);
    const { code, said } = await start({ INTERVEX_DATA_DIR: own });
    expect([code, said]).toEqual([1, expect.stringMatching(words)]);
    expect(readFileSync(file, 'utf8')).toBe(text);
    rmSync(file);
  });

  it('names a note that is garbled while the server runs', async () => {
    const running = await startCluster(own, { throwAway: true });
    const file = join(own, 'pg/postmaster.pid');
    const kept = readFileSync(file);
    writeFileSync(file, '');
    const { said } = await start({ INTERVEX_DATA_DIR: own });
    expect(said).toMatch(
      new RegExp(`Process ${running.pid} runs there: end it \\(kill -INT ${running.pid}\\)`),
    );
    expect(running.alive()).toBe(true);
    writeFileSync(file, kept);
    await running.stop();
  });

  it.each(['database-password', 'database.log', 'pg/PG_VERSION', 'pg/pg_hba.conf', 'pg/postmaster.pid'])(
    'names a folder in the place of the file %s',
    async (name) => {
      const [file, aside] = [join(own, name), join(folder, 'aside')];
      const there = existsSync(file);
      if (there) renameSync(file, aside);
      mkdirSync(file);
      const { code, said } = await start({ INTERVEX_DATA_DIR: own });
      expect([code, said]).toEqual([1, expect.stringContaining(`${name} is a folder, and should be a file.`)]);
      rmdirSync(file);
      if (there) renameSync(aside, file);
    },
  );

  it('names a file in the place of a folder', async () => {
    const other = join(folder, 'filed');
    mkdirSync(other);
    writeFileSync(join(other, 'pg'), 'kept');
    const { code, said } = await start({ INTERVEX_DATA_DIR: other });
    expect([code, said]).toEqual([1, expect.stringContaining('pg is a file, and should be a folder.')]);
    expect(readFileSync(join(other, 'pg'), 'utf8')).toBe('kept');
  });
});

describe('what the system and the database say', () => {
  it.each([
    ['EROFS', 'it can only be read'],
    ['ENOSPC', 'its disk is full'],
    ['EACCES', 'this user may not write there'],
  ])('%s', (code, words) => {
    const said = folderTrouble(Object.assign(new Error('x'), { code }), '/data') as Error;
    expect(said.message).toContain(words);
    const other = new Error('x');
    expect(folderTrouble(other, '/data')).toBe(other);
  });
  it.each([
    ['initdb: error: could not write file: No space left on device', 'its disk is full'],
    ['2027-03-20 FATAL:  could not create lock file: Read-only file system', 'it can only be read'],
    ['2027-03-20 FATAL:  data directory has wrong ownership', 'may not write there'],
    [
      '2027-03-20 PANIC:  could not locate a valid checkpoint record\nLOG: end',
      'could not locate a valid checkpoint record',
    ],
  ])('%s', (told, words) => {
    const { message } = programTrouble(told, '/data', 'The database did not start') as Error;
    expect(message).toContain(words);
    expect(message.split('\n')).toHaveLength(1);
  });
});
