import { pino } from 'pino';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { emptyDatabase } from '../testing/harness';
import { createPool, type Client, type Pool } from './pool';
import { withTransaction } from './transaction';

let pool: Pool;
beforeAll(async () => {
  pool = createPool(await emptyDatabase(), pino({ level: 'silent' }));
  await pool.query('create table marks (side text primary key, mm double precision not null)');
});
afterAll(() => pool.end());

const insert = (client: Client, side: string, mm: number) =>
  client.query('insert into marks values ($1, $2)', [side, mm]);
const count = async () =>
  Number((await pool.query<{ n: string }>('select count(*) as n from marks')).rows[0]?.n);

describe('transaction', () => {
  it('keeps all or nothing', async () => {
    await withTransaction(pool, (client) => insert(client, 'left', 202.3));
    expect(await count()).toBe(1);
    const half = withTransaction(pool, async (client) => {
      await insert(client, 'right', 214.1);
      await insert(client, 'left', 203.9);
    });
    await expect(half).rejects.toMatchObject({ code: '23505' });
    expect(await count()).toBe(1);
  });

  it('gives its connection back whatever happens', async () => {
    for (let i = 0; i < 25; i += 1)
      await withTransaction(pool, () => Promise.reject(new Error('thrown'))).catch(() => undefined);
    expect(pool.idleCount).toBe(pool.totalCount);
    expect(pool.waitingCount).toBe(0);
  });

  it('tries a serialization failure again, few times', async () => {
    let tries = 0;
    const failing = Object.assign(new Error('again'), { code: '40001' });
    const done = await withTransaction(pool, () => {
      tries += 1;
      return tries < 3 ? Promise.reject(failing) : Promise.resolve('in');
    });
    expect(done).toBe('in');
    tries = -9;
    await expect(withTransaction(pool, () => Promise.reject(failing))).rejects.toBe(failing);
  });

  it('does not hand on a connection that broke', async () => {
    const lost = withTransaction(pool, async (client) => {
      const { rows } = await client.query<{ pid: number }>('select pg_backend_pid() as pid');
      await pool.query('select pg_terminate_backend($1)', [rows[0]?.pid]);
      await client.query('select 1');
    });
    await expect(lost).rejects.toBeDefined();
    expect(await count()).toBe(1);
  });
});
