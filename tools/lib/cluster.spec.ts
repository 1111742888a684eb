import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { reachableFolder, startCluster } from './cluster.mjs';

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

  it('lets nobody in without the password', async () => {
    const cluster = await startCluster(folder);
    const open = new URL(cluster.url);
    open.password = 'guess';
    await expect(ask(open.href, 'select 1')).rejects.toMatchObject({ code: '28P01' });
    await cluster.stop();
  });

  it('stays where it was asked to be when the way there is open', () => {
    expect(reachableFolder(folder)).toEqual({ folder, moved: false });
  });
});
