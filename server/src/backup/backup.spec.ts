import type { DataView, RemovedView } from '@intervex/contract';
import { createReadStream, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { gunzipSync, gzipSync } from 'node:zlib';
import { pino } from 'pino';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createPool, type Pool } from '../db/pool';
import { migrate } from '../db/migrate';
import { seedDemo } from '../demo/seed';
import { emptyDatabase, MIGRATIONS, startHarness, type Harness } from '../testing/harness';
import { LEFT_OUT } from './format';
import { restoreBackup } from './restore';

const log = pino({ level: 'silent' });
let h: Harness;
let variant = '';
let project = '';
const pools: Pool[] = [];

const freshPool = async (): Promise<Pool> => {
  const pool = createPool(await emptyDatabase(), log);
  pools.push(pool);
  return pool;
};
/** All rows of all tables that a backup holds, as text, in an order of their own. */
async function rowsOf(pool: Pool): Promise<Readonly<Record<string, readonly string[]>>> {
  const { rows: tables } = await pool.query<{ name: string }>(
    "select tablename as name from pg_tables where schemaname = 'public' order by 1",
  );
  const all: Record<string, readonly string[]> = {};
  for (const { name } of tables.filter((t) => !LEFT_OUT.includes(t.name))) {
    const { rows } = await pool.query<{ row: string }>(`select t::text as row from ${name} t order by 1`);
    all[name] = rows.map((r) => r.row);
  }
  return all;
}
const backupFile = async (): Promise<string> => {
  const made = await h.call('POST', '/api/backups', {});
  expect(made.status).toBe(201);
  return join(h.backups.folder, made.json.file);
};

beforeAll(async () => {
  h = await startHarness();
  await seedDemo(h.pool);
  const made = await h.call('POST', '/api/projects', {
    name: 'Tab\tand \\ back',
    variant: 'Line',
    who: 'Ansa',
  });
  expect(made.status).toBe(400);
  const whole = (
    await h.call('POST', '/api/projects', { name: 'Penn «Hauler» \\N', variant: 'Ümläut', who: 'Ansa' })
  ).json;
  [variant, project] = [whole.id, whole.projectId];
  const noise = Buffer.from(
    Array.from({ length: 1200 * 900 * 3 }, (_, i) => (i * 7919 + ((i * i) % 251)) % 256),
  );
  const file = await sharp(noise, { raw: { width: 1200, height: 900, channels: 3 } })
    .jpeg()
    .toBuffer();
  for (let i = 0; i < 3; i += 1) await h.call('POST', '/api/photos', file, { 'content-type': 'image/jpeg' });
  const quote = { number: 'Q-1', price: 1, leadDays: 2, note: '' };
  await h.pool.query('insert into orders (variant_id, revision, content, quote) values ($1, 1, $2, $3)', [
    variant,
    '{}',
    JSON.stringify(quote),
  ]);
  await h.call('POST', '/api/people', { name: 'Tove', role: 'helper', password: 'a long password' });
});
afterAll(async () => {
  await h.close();
  await Promise.all(pools.map((p) => p.end()));
});

describe('a backup', () => {
  it('put back is equal row by row, whatever is written meanwhile', async () => {
    const before = await rowsOf(h.pool);
    expect(before['photos']).toHaveLength(3);
    expect(before['orders']).toHaveLength(1);
    // Written while others save: it holds one moment, and every row of that.
    let saving = true;
    const saver = (async () => {
      while (saving) await h.call('POST', '/api/projects', { name: 'Meanwhile', variant: 'A', who: 'Birk' });
    })();
    const moment = await backupFile();
    saving = false;
    await saver;
    const quiet = await backupFile();
    const after = await rowsOf(h.pool);
    const [one, two] = [await freshPool(), await freshPool()];
    const done = await restoreBackup(two, createReadStream(quiet), MIGRATIONS);
    expect(done.photos).toBe(3);
    const restored = await rowsOf(two);
    // The backup itself is noted after it was written.
    expect({ ...restored, audit: [] }).toEqual({ ...after, audit: [] });
    await restoreBackup(one, createReadStream(moment), MIGRATIONS);
    const then = await rowsOf(one);
    // Every project of that moment has its variant and its revision.
    expect(then['variants']).toHaveLength(then['plan_revisions']!.length);
    expect(then['photos']).toEqual(before['photos']);
    // What guards the rows, guards them again; what counts on, counts on.
    await expect(two.query('delete from plan_revisions')).rejects.toMatchObject({ code: '23001' });
    const { rows } = await two.query<{ id: string }>(
      "insert into audit (who, what) values ('a', 'b') returning id",
    );
    expect(Number(rows[0]?.id)).toBeGreaterThan(restored['audit']!.length);
  });

  it('takes the place of what is there, which is kept aside and can be brought back', async () => {
    const file = await backupFile();
    const later = (await h.call('POST', '/api/projects', { name: 'Made later', variant: 'A', who: 'Ansa' }))
      .json;
    const send = (query: string, body: Uint8Array) =>
      h.call('POST', `/api/restore${query}`, body, { 'content-type': 'application/octet-stream' });
    expect((await send('', readFileSync(file))).status).toBe(400);
    expect((await h.call('GET', `/api/variants/${later.id}`)).status).toBe(200);
    const done = await send('?sure=restore', readFileSync(file));
    expect(done.json).toMatchObject({ photos: 3 });
    expect((await h.call('GET', `/api/variants/${later.id}`)).status).toBe(404);
    const again = await h.call('GET', `/api/variants/${variant}`);
    expect(again.json.projectName).toBe('Penn «Hauler» \\N');
    const saved = await h.call('PUT', `/api/variants/${variant}/plan`, {
      baseRevision: 1,
      plan: { ...again.json.plan, brief: { ...again.json.plan.brief, vehicle: 'X' } },
      who: 'Ansa',
    });
    expect(saved.json.revision).toBe(2);
    const { aside } = (await h.call('GET', '/api/data')).json as DataView;
    expect(aside).toEqual([done.json.aside]);
    const back = await h.call('POST', `/api/restore?sure=restore&aside=${aside[0] ?? ''}`, {});
    expect(back.status).toBe(200);
    expect((await h.call('GET', `/api/variants/${later.id}`)).status).toBe(200);
    expect((await h.call('GET', `/api/variants/${variant}`)).json.revision).toBe(1);
  });

  it('asks before it lets in again whom this installation has ended since', async () => {
    await h.pool.query(
      `insert into people (name, role, password) values ('Wren', 'helper', 'a'), ('Orm', 'builder', 'b'), ('Una', 'helper', 'c')`,
    );
    await h.pool.query(
      `insert into devices (person_id, name, token, pin) select id, 'Una’s phone', '\\x01', 'x' from people where name = 'Una'`,
    );
    await h.pool.query(
      `insert into guest_links (variant_id, name, token, ends_at)
       values ($1, 'Grandad', '\\x02', now() + interval '1 day'), ($1, 'Club', '\\x03', now() + interval '1 day')`,
      [variant],
    );
    const file = readFileSync(await backupFile());
    await h.pool.query(`update people set removed_at = now() where name = 'Wren'`);
    await h.pool.query(`update people set role = 'helper' where name = 'Orm'`);
    await h.pool.query(`update people set password = 'd' where name = 'Una'`);
    await h.pool.query(`update devices set ended_at = now() where name = 'Una’s phone'`);
    await h.pool.query(`update guest_links set withdrawn_at = now() where name = 'Grandad'`);
    const send = (query: string) =>
      h.call('POST', `/api/restore${query}`, file, { 'content-type': 'application/octet-stream' });
    const told = async () =>
      (
        await h.pool.query<{ name: string; removed: boolean }>(
          `select name, removed_at is not null as removed from people where name in ('Wren', 'Orm', 'Una') order by name`,
        )
      ).rows;
    const before = await told();
    const asked = await send('?sure=restore');
    expect(asked).toMatchObject({ status: 409, json: { error: 'revives' } });
    const { problems } = asked.json as unknown as { problems: readonly { wrong: string }[] };
    expect(problems.map(({ wrong }) => wrong.replace('would come back: ', '')).sort()).toEqual([
      'Orm, builder, who is helper now',
      'Una, helper, whose old password works again',
      'Wren, helper, who was removed',
      'the device Una’s phone of Una, which was ended',
      'the guest link of Grandad, which was withdrawn',
    ]);
    expect(await told()).toEqual(before);
    expect((await send('?sure=restore&revives=perhaps')).status).toBe(400);
    const done = await send('?sure=restore&revives=yes');
    expect(done.status).toBe(200);
    expect((await told()).every(({ removed }) => !removed)).toBe(true);
    // And back: nobody comes again whom the present state does not know already.
    const { aside } = done.json as unknown as { aside: string };
    expect((await h.call('POST', `/api/restore?sure=restore&aside=${aside}`, {})).status).toBe(409);
    expect((await h.call('POST', `/api/restore?sure=restore&aside=${aside}&revives=yes`, {})).status).toBe(200);
    expect(await told()).toEqual(before);
    await h.pool.query(`delete from guest_links where name in ('Grandad', 'Club')`);
    await h.pool.query(`delete from devices where name = 'Una’s phone'`);
    await h.pool.query(`delete from people where name in ('Wren', 'Orm', 'Una')`);
  });

  it('that is broken, cut short, strange or newer is refused, and nothing is changed', async () => {
    const whole = readFileSync(await backupFile());
    const before = await rowsOf(h.pool);
    const tar = gunzipSync(whole);
    const headless = Buffer.from(tar);
    headless.write('nothing.json', 0, 'latin1');
    const changed = (from: string, to: string) => {
      const text = tar.toString('latin1');
      if (!text.includes(from) || from.length !== to.length) throw new Error(from);
      return gzipSync(Buffer.from(text.replace(from, to), 'latin1'));
    };
    const bad: readonly (readonly [string, Buffer])[] = [
      ['nothing', Buffer.alloc(0)],
      ['no archive', Buffer.from('not a backup at all, and rather longer than that')],
      ['half', whole.subarray(0, Math.floor(whole.length / 2))],
      ['its end missing', whole.subarray(0, whole.length - 20)],
      ['another archive', gzipSync(headless)],
      [
        'a bit changed',
        Buffer.concat([whole.subarray(0, 5000), Buffer.from([(whole[5000] ?? 0) ^ 255]), whole.subarray(5001)]),
      ],
      ['newer', changed('0001_plans.sql', '9999_plans.sql')],
      ['a row fewer', changed('"name": "people"', '"name": "peeple"')],
      // As many rows as before, and in one of them another name.
      ['a row changed', changed('Penn ', 'Fenn ')],
      ['another day', changed('"madeAt": "2', '"madeAt": "3')],
      ['no digests', changed('"tables":{"', '"tibles":{"')],
    ];
    for (const [what, body] of bad) {
      const answer = await h.call('POST', '/api/restore?sure=restore', body, {
        'content-type': 'application/octet-stream',
      });
      expect([what, answer.status]).toEqual([what, 400]);
      expect(answer.json.message).toContain('Nothing was changed');
    }
    expect(await rowsOf(h.pool)).toEqual(before);
  });

  it('of an earlier build is brought up to date', async () => {
    const earlier = await freshPool();
    const files = ['0001_plans.sql', '0002_live.sql'];
    for (const name of files) await earlier.query(readFileSync(join(MIGRATIONS, name), 'utf8'));
    await earlier.query(
      'create table migrations (name text primary key, at timestamptz not null default now())',
    );
    for (const name of files) await earlier.query('insert into migrations (name) values ($1)', [name]);
    await earlier.query("insert into projects (name) values ('Old')");
    const { writeBackup } = await import('./write');
    const path = join(h.backups.folder, 'old');
    const { createWriteStream } = await import('node:fs');
    await writeBackup(earlier, createWriteStream(path));
    const now = await freshPool();
    await restoreBackup(now, createReadStream(path), MIGRATIONS);
    expect(await migrate(now, MIGRATIONS)).not.toContain('0001_plans.sql');
    expect((await now.query('select strip from projects')).rowCount).toBe(1);
  });

  it('is not made where the disk is full or the folder shut, and says so', async () => {
    const file = join(h.backups.folder, '..', 'shut');
    writeFileSync(file, '');
    const { Backups } = await import('./backups');
    const shut = new Backups(h.pool, join(file, 'backups'), log);
    await expect(shut.make()).rejects.toBeDefined();
    expect(await shut.list()).toEqual([]);
    await expect(restoreBackup(h.pool, Readable.from([Buffer.from('x')]), MIGRATIONS)).rejects.toMatchObject({
      status: 400,
    });
  });

  it('is made every day by itself, and fourteen are kept', async () => {
    const { Backups } = await import('./backups');
    const { mkdirSync } = await import('node:fs');
    const folder = join(h.backups.folder, 'daily');
    mkdirSync(folder, { recursive: true });
    for (let day = 10; day < 26; day += 1)
      writeFileSync(join(folder, `intervex-2026-10-${day}T080000-daily.intervex-backup`), 'x');
    writeFileSync(join(folder, 'intervex-2026-01-01T080000.intervex-backup'), 'made by hand');
    const backups = new Backups(h.pool, folder, log);
    backups.begin();
    for (let i = 0; i < 1000 && (await backups.list()).length !== 15; i += 1)
      await new Promise((next) => setTimeout(next, 20));
    backups.end();
    const list = await backups.list();
    expect(list.filter((b) => b.daily)).toHaveLength(14);
    expect(list.at(-1)).toMatchObject({ daily: false });
    expect(Date.parse(list[0]?.at ?? '')).toBeGreaterThan(Date.now() - 60_000);
    // Not again on the same day.
    const { length } = await backups.list();
    backups.begin();
    await new Promise((next) => setTimeout(next, 100));
    backups.end();
    expect(await backups.list()).toHaveLength(length);
  });
});

describe('a backup made while a clock stood wrong', () => {
  it('keeps no day from having its own', async () => {
    const { Backups } = await import('./backups');
    const { mkdirSync } = await import('node:fs');
    const folder = join(h.backups.folder, 'ahead');
    mkdirSync(folder, { recursive: true });
    for (const day of ['2099-01-01', '2026-13-45'])
      writeFileSync(join(folder, `intervex-${day}T080000-daily.intervex-backup`), 'x');
    const backups = new Backups(h.pool, folder, log);
    backups.begin();
    for (let i = 0; i < 1000 && (await backups.list()).length !== 3; i += 1)
      await new Promise((next) => setTimeout(next, 20));
    backups.end();
    expect(await backups.list()).toHaveLength(3);
    // And once a day it is.
    backups.begin();
    await new Promise((next) => setTimeout(next, 200));
    backups.end();
    expect(await backups.list()).toHaveLength(3);
  });
});

describe('the list of backups', () => {
  it('leaves out one that goes while they are looked through', async () => {
    const listed = async () => (await h.call('GET', '/api/data')).json as DataView;
    const { backups } = await listed();
    const gone = join(h.backups.folder, 'intervex-2026-02-03T041500-daily.intervex-backup');
    // Its name is there and the file is not, as between two looks.
    symlinkSync(join(h.backups.folder, 'nowhere'), gone);
    const now = await listed();
    rmSync(gone);
    expect(backups.length).toBeGreaterThan(0);
    expect(now.backups).toEqual(backups);
  });
});

describe('what was taken off the lists', () => {
  const removed = async () => (await h.call('GET', '/api/removed')).json as readonly RemovedView[];

  it('can be seen and brought back: projects, variants, photos', async () => {
    const second = (await h.call('POST', '/api/variants', { name: 'Second', copyOf: variant, who: 'Ansa' }))
      .json.id;
    expect((await h.call('DELETE', `/api/variants/${second}`)).status).toBe(204);
    expect(await removed()).toContainEqual(
      expect.objectContaining({ id: second, kind: 'variant', name: 'Penn «Hauler» \\N, Second' }),
    );
    expect((await h.call('POST', `/api/removed/${second}/bring-back`, {})).status).toBe(204);
    expect((await h.call('GET', `/api/variants/${second}`)).status).toBe(200);
    expect((await h.call('DELETE', `/api/projects/${project}`)).status).toBe(204);
    expect((await h.call('GET', `/api/variants/${variant}`)).status).toBe(410);
    expect((await h.call('POST', `/api/removed/${project}/bring-back`, {})).status).toBe(204);
    expect((await h.call('GET', `/api/variants/${variant}`)).status).toBe(200);
    const { rows } = await h.pool.query<{ id: string }>('select id from photos limit 1');
    const photo = rows[0]?.id ?? '';
    expect((await h.call('DELETE', `/api/photos/${photo}`)).status).toBe(204);
    expect((await h.call('GET', `/api/photos/${photo}`)).status).toBe(404);
    expect((await h.call('DELETE', `/api/photos/${photo}`)).status).toBe(404);
    expect((await h.call('POST', `/api/removed/${photo}/bring-back`, {})).status).toBe(204);
    expect((await h.call('GET', `/api/photos/${photo}`)).status).toBe(200);
    expect(await removed()).toEqual([]);
  });

  it('is not listed after ninety days, but stays in the database', async () => {
    const made = (await h.call('POST', '/api/projects', { name: 'Long ago', variant: 'A', who: 'Ansa' })).json;
    await h.pool.query("update projects set removed_at = now() - interval '91 days' where id = $1", [
      made.projectId,
    ]);
    expect(await removed()).toEqual([]);
    expect((await h.call('POST', `/api/removed/${made.projectId}/bring-back`, {})).status).toBe(404);
    expect((await h.pool.query('select 1 from plan_revisions where variant_id = $1', [made.id])).rowCount).toBe(
      1,
    );
  });
});
