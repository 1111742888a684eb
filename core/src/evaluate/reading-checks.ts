import { type Check, quantityName } from '../stage';
import { AGREEMENT_SPAN, halfResolutionOf, INSTRUMENTS, showValue } from '../measure';
import { quantity, type Plan } from '../plan';
import type { Known } from './results';

/** A stop for every reading whose repeats disagree: its mean is nobody’s reading, and what rests on it is held. */
export function readingChecks(plan: Plan, known: Readonly<Record<string, Known>>): Check[] {
  const checks: Check[] = [];
  for (const id in plan.readings) {
    const summary = known[id]?.summary;
    if (!summary || summary.agreement !== 'disagree') continue;
    const q = quantity(id);
    const instrument = INSTRUMENTS[plan.readings[id]?.instrument ?? q.instrument];
    const span = AGREEMENT_SPAN * halfResolutionOf(instrument.id, q.unit);
    const most = showValue(span, q.unit, 'mm', q.unit === 'mm' ? 2 : undefined);
    checks.push({
      id: `reading.${id}`,
      stage: q.stage,
      level: 'stop' as const,
      contradicts: [id],
      title: `${quantityName(q)}: the readings disagree`,
      figure: { value: summary.range, unit: q.unit, figureId: id },
      reason: `Repeats with the ${instrument.label} should lie within ${most} of each other.`,
      todo: 'Take another reading. Is the shaft pushed home, the tape straight, the burr off? Then remove the wrong one.',
      at: id,
    });
  }
  return checks;
}
