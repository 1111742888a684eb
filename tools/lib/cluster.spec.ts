import { spawn } from 'node:child_process';
import { once } from 'node:events';
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { isRunning, reachableFolder, startCluster } from './cluster.mjs';

let folder = '';
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'intervex-cluster-'));
});
afterAll(() => {
  rmSync(folder, { recursive: true, force: true });
});

async function ask(url: string, sql: string): Promise<unknown> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  const { rows } = await client.query<Record<string, unknown>>(sql);
  await client.end();
  return rows[0] && Object.values(rows[0])[0];
}

describe('database cluster', () => {
  it('is made once, keeps its data over a stop, and takes over one that still runs', async () => {
    const first = await startCluster(folder);
    expect(first.alive()).toBe(true);
    await ask(first.url, 'create table kept as select 57.375 as inches');
    const again = await startCluster(folder);
    expect(again.pid).toBe(first.pid);
    await again.stop();
    expect(first.alive()).toBe(false);
    const next = await startCluster(folder);
    expect(next.pid).not.toBe(first.pid);
    expect(await ask(next.url, 'select inches::float from kept')).toBe(57.375);
    await next.stop();
  });

  it('comes back on the same port after it was killed, with fsync on', async () => {
    const cluster = await startCluster(folder);
    process.kill(cluster.pid, 'SIGKILL');
    const back = await cluster.restart();
    expect(back.port).toBe(cluster.port);
    expect(await ask(back.url, 'show fsync')).toBe('on');
    expect(await ask(back.url, 'show listen_addresses')).toBe('127.0.0.1');
    await back.stop();
  });

  it('is started again when it is killed while it starts', async () => {
    // In a process of its own, for this one stands still while it asks whether the database is up.
    const loop =
      'n=0; while [ $n -lt 4 ]; do if kill -9 "$(head -1 "$0")"; then n=$((n+1)); echo; fi; sleep 0.02; done';
    const killer = spawn('sh', ['-c', loop, join(folder, 'pg/postmaster.pid')], {
      stdio: ['ignore', 'pipe', 'ignore'],
    });
    const over = once(killer, 'close');
    let killed = 0;
    killer.stdout.on('data', (lines: Buffer) => (killed += lines.length));
    const cluster = await startCluster(folder, { throwAway: true });
    killer.kill('SIGKILL');
    await over;
    expect(killed).toBeGreaterThan(0);
    const back = cluster.alive() ? cluster : await cluster.restart();
    expect(await ask(back.url, 'select 1')).toBe(1);
    await back.stop();
  });

  it('leaves nothing running where the start is given up', async () => {
    const given = new AbortController();
    const starting = startCluster(folder, { signal: given.signal });
    given.abort(new Error('given up'));
    await expect(starting).rejects.toThrow('given up');
    expect(isRunning(folder)).toBe(false);
  });

  it('lets nobody in without the password', async () => {
    const cluster = await startCluster(folder);
    const open = new URL(cluster.url);
    open.password = 'guess';
    await expect(ask(open.href, 'select 1')).rejects.toMatchObject({ code: '28P01' });
    await cluster.stop();
  });

  it.each([
    ['PG_VERSION', /PG_VERSION is missing.*one line, the version/s],
    ['pg_hba.conf', /pg_hba\.conf is missing.*from a backup/s],
    ['postgresql.conf', /postgresql\.conf is missing/],
    ['global/pg_control', /global\/pg_control is missing.*backup/s],
  ])('says what is missing where %s is gone, and touches nothing', async (name, words) => {
    const data = join(folder, 'pg');
    const aside = join(folder, 'aside');
    renameSync(join(data, name), aside);
    const before = readdirSync(data).sort();
    await expect(startCluster(folder)).rejects.toThrow(words);
    expect(readdirSync(data).sort()).toEqual(before);
    renameSync(aside, join(data, name));
    const cluster = await startCluster(folder);
    expect(await ask(cluster.url, 'select inches::float from kept')).toBe(57.375);
    await cluster.stop();
  });

  it('says which version made a folder that is not of the one here', async () => {
    const file = join(folder, 'pg/PG_VERSION');
    const was = readFileSync(file, 'utf8');
    writeFileSync(file, '9.6\n');
    await expect(startCluster(folder)).rejects.toThrow(/made by PostgreSQL 9\.6; version \d+ is installed/);
    writeFileSync(file, was);
  });

  it.each([
    ['missing', (file: string) => rmSync(file)],
    ['empty', (file: string) => writeFileSync(file, '')],
    ['another', (file: string) => writeFileSync(file, 'guess\n')],
  ])('sets its password anew where the file is %s; the data stays', async (_what, spoil) => {
    const file = join(folder, 'database-password');
    const before = readFileSync(file, 'utf8');
    spoil(file);
    const cluster = await startCluster(folder);
    expect(await ask(cluster.url, 'select inches::float from kept')).toBe(57.375);
    expect(readFileSync(file, 'utf8')).not.toBe(before);
    await cluster.stop();
  });

  it('sets it anew also where the database still runs from a start that was killed', async () => {
    const left = await startCluster(folder);
    rmSync(join(folder, 'database-password'));
    const cluster = await startCluster(folder);
    expect(left.alive()).toBe(false);
    expect(await ask(cluster.url, 'select inches::float from kept')).toBe(57.375);
    await cluster.stop();
  });

  it('is made whole after a start that was cut off while it was made', async () => {
    const other = mkdtempSync(join(tmpdir(), 'intervex-cut-'));
    mkdirSync(join(other, 'pg-making-x1/base'), { recursive: true });
    writeFileSync(join(other, 'pg-making-x1/PG_VERSION'), '15\n');
    writeFileSync(join(other, 'database-password'), 'of the one that was cut off\n');
    const cluster = await startCluster(other);
    expect(await ask(cluster.url, 'select 1')).toBe(1);
    expect(readdirSync(other).filter((name) => name.startsWith('pg-making'))).toEqual([]);
    await cluster.stop();
    rmSync(other, { recursive: true, force: true });
  });

  it('has no data folder before it is whole: killed while it is made, it is made again', async () => {
    const other = mkdtempSync(join(tmpdir(), 'intervex-killed-'));
    const start = `import('${join(import.meta.dirname, 'cluster.mjs')}').then((m) => m.startCluster(process.argv[1]))`;
    const child = spawn(process.execPath, ['-e', start, other], { stdio: 'ignore' });
    const gone = new Promise((done) => child.once('exit', done));
    const making = () => readdirSync(other).some((name) => name.startsWith('pg-making'));
    while (!making()) await new Promise((done) => setTimeout(done, 5));
    child.kill('SIGKILL');
    await gone;
    expect(existsSync(join(other, 'pg'))).toBe(false);
    const cluster = await startCluster(other);
    expect(await ask(cluster.url, 'select 1')).toBe(1);
    await cluster.stop();
    rmSync(other, { recursive: true, force: true, maxRetries: 5, retryDelay: 200 });
  });

  it('stays where it was asked to be when the way there is open', () => {
    expect(reachableFolder(folder)).toEqual({ folder, moved: false });
  });
});
