import hauler from '../../../examples/hauler.json';
import packhorse from '../../../examples/packhorse.json';
import triangulated from '../../../examples/packhorse-triangulated.json';
import tern from '../../../examples/tern.json';
import ladder from '../../../examples/tern-ladder.json';
import swapped from '../../../examples/tern-packhorse.json';
import stag from '../../../examples/tern-stag.json';
import { findQuantity, type Plan } from '../plan';
import { seededRandom } from '../numerics';
import { CUT_METHODS, MARK_DATUMS, SCHOOLS } from '../stages/cut/choices';
import { RETENTIONS } from '../stages/donor/choices';
import { AIMS } from '../stages/driveline/choices';
import { SPRING_SIDES } from '../stages/brackets/choices';
import { SPACERS } from '../stages/stance/choices';
import { pick } from './draws';
import { wholePlan } from './plans';

/** Every plan that is worked through, by name. */
export const WORKED: readonly (readonly [string, Plan])[] = Object.entries({
  hauler,
  packhorse,
  triangulated,
  tern,
  ladder,
  swapped,
  stag,
}).map(([name, file]) => [name, wholePlan(file.plan)] as const);

/**
 * A worked plan with three readings in a hundred left out, one or two read a little otherwise, and now and then another
 * choice: all stages are reached, and hardly any is whole. The same seed gives the same plan.
 */
export function nearlyWhole(seed: number): Plan {
  const random = seededRandom(seed);
  const [, base] = WORKED[seed % WORKED.length] as (typeof WORKED)[number];
  const readings = Object.fromEntries(
    Object.entries(base.readings).flatMap(([id, reading]) => {
      if (random() < 0.03) return [];
      // What is counted stays a count.
      if (random() > 0.02 || findQuantity(id)?.whole) return [[id, reading]];
      return [[id, { ...reading, repeats: reading.repeats.map((r) => ({ ...r, value: r.value * 1.004 })) }]];
    }),
  );
  const other = <T>(list: readonly T[], now: T): T => (random() < 0.08 ? pick(random, list) : now);
  const { choices } = base;
  return {
    ...base,
    readings,
    facts: Object.fromEntries(Object.entries(base.facts).filter(() => random() > 0.03)),
    choices: {
      ...choices,
      school: other(SCHOOLS, choices.school),
      method: other(CUT_METHODS, choices.method),
      datum: other(MARK_DATUMS, choices.datum),
      retentionTo: other(RETENTIONS, choices.retentionTo),
      aim: other(AIMS, choices.aim),
      spacer: other(SPACERS, choices.spacer),
      springsWanted: other(SPRING_SIDES, choices.springsWanted),
    },
  };
}
