import { readPlanFile, type PlanFile } from '@intervex/contract';
import packhorse from '../../../examples/tern-packhorse.json';
import stag from '../../../examples/tern-stag.json';
import tern from '../../../examples/tern.json';
import type { Pool } from '../db/pool';
import { withTransaction } from '../db/transaction';
import { addVariant, createProjectIn } from '../plans/service';
import { findVariant } from '../plans/queries';

const WHO = 'Lapwing Yard';

function planFileOf(data: unknown): PlanFile {
  const read = readPlanFile(data);
  if (!read.ok) throw new Error(`A demo plan is not valid: ${JSON.stringify(read.problems)}`);
  return read.file;
}

/**
 * Puts the demo project in, once in the life of a database: not again when it was removed or changed, and
 * never over anybody's data. One car, and a variant for each of three donors.
 *
 * @returns whether it was put in now
 */
export async function seedDemo(pool: Pool): Promise<boolean> {
  const [first, ...others] = [planFileOf(tern), planFileOf(stag), planFileOf(packhorse)];
  return withTransaction(pool, async (client) => {
    const { rowCount } = await client.query("insert into seeds (name) values ('tern') on conflict do nothing");
    if (!rowCount) return false;
    const { project, variant, plan } = first;
    const id = await createProjectIn(client, { name: project, variant, plan, who: WHO });
    const made = await findVariant(client, id);
    if (!made) throw new Error('The demo project is not there.');
    for (const other of others)
      await addVariant(client, {
        projectId: made.projectId,
        name: other.variant,
        plan: other.plan,
        who: WHO,
        kind: 'create',
      });
    return true;
  });
}
