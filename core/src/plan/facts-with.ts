import type { FactKind, Quantity } from '../stage';
import { FACTS, QUANTITIES } from './catalogue';

/**
 * Things to look at while a reading is taken, in walking order: what stands beside its own reading, all
 * else of a heading with its last reading, and what has no reading beside it with the last of the stage.
 *
 * @example factsWith(quantity('room.in.ride.axle.left')) // [room.kind.axle.left]
 */
export function factsWith(q: Quantity): readonly FactKind[] {
  const beside = FACTS.filter((f) => f.beside === q.id);
  if (beside.length) return beside;
  const stage = QUANTITIES.filter((other) => other.stage === q.stage);
  const lastOfGroup = stage.findLast((other) => other.group === q.group) === q;
  const lastOfStage = stage.at(-1) === q;
  const groups = new Set(stage.map((other) => other.group));
  return FACTS.filter(
    (f) =>
      f.stage === q.stage &&
      f.beside === undefined &&
      (groups.has(f.group) ? lastOfGroup && f.group === q.group : lastOfStage),
  );
}
