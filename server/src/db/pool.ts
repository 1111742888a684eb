import pg from 'pg';
import type { Logger } from 'pino';

export type Pool = pg.Pool;
export type Client = pg.PoolClient;

/** A pool that outlives a restart of the database: broken idle connections are logged and replaced. */
export function createPool(connectionString: string, log: Logger): Pool {
  const pool = new pg.Pool({
    connectionString,
    max: 10,
    connectionTimeoutMillis: 3000,
    idleTimeoutMillis: 10_000,
  });
  pool.on('error', (error) => {
    log.warn({ err: error }, 'idle database connection lost');
  });
  // From its first moment on: the database may say goodbye in the same breath as it says that it is ready.
  pool.on('connect', (client) => {
    client.on('error', (error: Error) => {
      log.debug({ err: error }, 'database connection lost');
    });
  });
  return pool;
}
