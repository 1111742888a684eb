import { readPlanFile, type PlanFile } from '@intervex/contract';
import hauler from '../../../examples/hauler.json';
import packhorseTriangulated from '../../../examples/packhorse-triangulated.json';
import packhorse from '../../../examples/packhorse.json';
import ternLadder from '../../../examples/tern-ladder.json';
import ternPackhorse from '../../../examples/tern-packhorse.json';
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

/** Demo projects by the names under which they are remembered: one car each, a variant for each way of doing it. */
const PROJECTS: readonly (readonly [name: string, files: readonly [unknown, ...unknown[]]])[] = [
  ['tern', [tern, stag, ternPackhorse, ternLadder]],
  ['packhorse', [packhorse, packhorseTriangulated]],
  ['hauler', [hauler]],
];

/**
 * Puts the demo projects in, each once in the life of a database: not again when it was removed or changed, and
 * never over anybody's data.
 *
 * @returns how many were put in now
 */
export async function seedDemo(pool: Pool): Promise<number> {
  let made = 0;
  // One after the other: the first stays first on the list.
  for (const [name, [first, ...others]] of PROJECTS)
    if (await seedProject(pool, name, planFileOf(first), others.map(planFileOf))) made += 1;
  return made;
}

const seedProject = (
  pool: Pool,
  name: string,
  { project, variant, plan }: PlanFile,
  others: readonly PlanFile[],
): Promise<boolean> =>
  withTransaction(pool, async (client) => {
    const { rowCount } = await client.query('insert into seeds (name) values ($1) on conflict do nothing', [
      name,
    ]);
    if (!rowCount) return false;
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
