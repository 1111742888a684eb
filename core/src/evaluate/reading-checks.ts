import { type Check, quantityName } from '../stage';
import { AGREEMENT_SPAN, halfResolutionOf, INSTRUMENTS, sized } from '../measure';
import { quantity, type Plan } from '../plan';
import type { Known } from './results';

/**
 * The same list as long as nothing of it changed.
 *
 * @returns takes a plan, what is known of it, and the quantities that were read otherwise since the last one; undefined
 * where it may be any
 */
export function checksOfReadings(): (
  plan: Plan,
  known: ReadonlyMap<string, Known>,
  edited: readonly string[] | undefined,
) => readonly Check[] {
  let last: readonly Check[] = [];
  return (plan, known, edited) => {
    const same = edited?.every((id) => !disagrees(known.get(id)) && !last.some((check) => check.at === id));
    if (!same) last = readingChecks(plan, known);
    return last;
  };
}

const disagrees = (known: Known | undefined): boolean => known?.summary?.agreement === 'disagree';

/** A stop for every reading whose repeats disagree: its mean is nobody’s reading, and what rests on it is held. */
function readingChecks(plan: Plan, known: ReadonlyMap<string, Known>): Check[] {
  const checks: Check[] = [];
  for (const id in plan.readings) {
    const summary = known.get(id)?.summary;
    if (!summary || !disagrees(known.get(id))) continue;
    const q = quantity(id);
    const instrument = INSTRUMENTS[plan.readings[id]?.instrument ?? q.instrument];
    const span = AGREEMENT_SPAN * halfResolutionOf(instrument.id, q.unit);
    const most = sized(span, q.unit, q.unit === 'mm' ? 2 : undefined);
    checks.push({
      id: `reading.${id}`,
      stage: q.stage,
      level: 'stop' as const,
      contradicts: [id],
      title: `${quantityName(q)}: the readings disagree`,
      figure: { value: summary.range, unit: q.unit, figureId: id },
      reason: `Repeats with the ${instrument.label} should lie within ${most} of each other.`,
      todo: 'Take another reading. Is the shaft pushed home, the tape straight, the burr off? Then remove the wrong one.',
      at: q.id,
    });
  }
  return checks;
}
