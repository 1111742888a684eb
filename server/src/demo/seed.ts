import { readPlanFile } from '@intervex/contract';
import tern from '../../../examples/tern.json';
import type { Pool } from '../db/pool';
import { withTransaction } from '../db/transaction';
import { createProjectIn } from '../plans/service';

/**
 * Puts the demo project in, once in the life of a database: not again when it was removed or changed, and
 * never over anybody's data.
 *
 * @returns whether it was put in now
 */
export async function seedDemo(pool: Pool): Promise<boolean> {
  const read = readPlanFile(tern);
  if (!read.ok) throw new Error(`The demo plan is not valid: ${JSON.stringify(read.problems)}`);
  const { project, variant, plan } = read.file;
  return withTransaction(pool, async (client) => {
    const { rowCount } = await client.query("insert into seeds (name) values ('tern') on conflict do nothing");
    if (!rowCount) return false;
    await createProjectIn(client, { name: project, variant, plan, who: 'Lapwing Yard' });
    return true;
  });
}
