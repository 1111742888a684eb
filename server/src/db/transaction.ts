import { isRetryable } from './errors';
import type { Client, Pool } from './pool';

/** How often a transaction is tried when the database asks for it. */
const TRIES = 3;

/**
 * Runs `work` in one transaction and releases its connection whatever happens. Serialization failures and
 * deadlocks are tried again, a few times.
 */
export async function withTransaction<T>(pool: Pool, work: (client: Client) => Promise<T>): Promise<T> {
  for (let attempt = 1; ; attempt += 1) {
    try {
      return await once(pool, work);
    } catch (error) {
      if (attempt >= TRIES || !isRetryable(error)) throw error;
    }
  }
}

async function once<T>(pool: Pool, work: (client: Client) => Promise<T>): Promise<T> {
  const client = await pool.connect();
  let broken: Error | undefined;
  // A connection that dies between statements reports it as an event, which must not end the process.
  const onError = (error: Error) => {
    broken = error;
  };
  client.on('error', onError);
  try {
    await client.query('begin');
    const result = await work(client);
    await client.query('commit');
    return result;
  } catch (error) {
    await client.query('rollback').catch((failed: Error) => {
      broken = failed;
    });
    throw error;
  } finally {
    client.off('error', onError);
    client.release(broken);
  }
}
