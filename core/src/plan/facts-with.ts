import { QUANTITIES } from './catalogue';
import { FACTS, type FactKind } from './facts';
import type { Quantity } from './quantity';

/** What stands inboard is looked at where the first room reading of its height is taken. */
const ROOM = /^room\.in\.ride\.(\w+)\.(\w+)$/;

/**
 * Things to look at while a reading is taken, in walking order: what stands inboard beside its own reading, all
 * else of a heading with its last reading, and what has no reading beside it with the last of the stage.
 *
 * @example factsWith(quantity('room.in.ride.axle.left')) // [room.kind.axle.left]
 */
export function factsWith(q: Quantity): readonly FactKind[] {
  const room = ROOM.exec(q.id);
  if (room) return FACTS.filter((f) => f.id === `room.kind.${room[1] ?? ''}.${room[2] ?? ''}`);
  const stage = QUANTITIES.filter((other) => other.stage === q.stage);
  const lastOfGroup = stage.findLast((other) => other.group === q.group) === q;
  const lastOfStage = stage.at(-1) === q;
  const groups = new Set(stage.map((other) => other.group));
  return FACTS.filter(
    (f) =>
      f.stage === q.stage &&
      !f.id.startsWith('room.kind.') &&
      (groups.has(f.group) ? lastOfGroup && f.group === q.group : lastOfStage),
  );
}
