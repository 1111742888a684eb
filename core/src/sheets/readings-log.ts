import type { Results } from '../evaluate';
import {
  expandedUncertainty,
  INSTRUMENTS,
  type FigureUnit,
  type Reading,
  showFigure,
  showUncertainty,
} from '../measure';
import { QUANTITIES, type Plan } from '../plan';
import type { LengthUnit } from '../units';
import { quantityName } from '../stage';

/** One reading in the log, ready to show. */
export interface LogRow {
  readonly id: string;
  readonly name: string;
  readonly heading: string;
  readonly unit: FigureUnit;
  /** Mean with its unit, and its uncertainty (k = 2); empty for a choice. */
  readonly value: string;
  readonly uncertainty: string;
  readonly repeats: number;
  readonly agreement: 'single' | 'agree' | 'disagree' | 'chosen';
  readonly instrument: string;
  readonly datum: string;
  /** Who read last, and when; empty where it was not noted. */
  readonly who: string;
  readonly at: string;
  readonly note: string;
}

/** Every reading of a plan, in walking order. */
export function readingsLog(plan: Plan, results: Results, unit: LengthUnit): readonly LogRow[] {
  return QUANTITIES.flatMap((q) => {
    const reading = plan.readings[q.id];
    const known = results.known.get(q.id);
    if (!reading || !known) return [];
    const chosen = reading.instrument === 'chosen';
    const digits = q.unit === 'mm' && unit === 'mm' ? 2 : undefined;
    return [
      {
        id: q.id,
        name: quantityName(q),
        heading: q.heading,
        unit: q.unit,
        value: showFigure(known.figure, unit, digits),
        uncertainty: chosen ? '' : showUncertainty(expandedUncertainty(known.figure), q.unit, unit, digits),
        repeats: reading.repeats.length,
        agreement: chosen ? 'chosen' : (known.summary?.agreement ?? 'single'),
        instrument: INSTRUMENTS[reading.instrument].label,
        datum: reading.datum ?? '',
        ...lastRead(reading),
        note: reading.note ?? '',
      },
    ];
  });
}

/** Who read last, and when; empty where it was not noted. */
function lastRead({ repeats }: Reading): { who: string; at: string } {
  const last = repeats.findLast((r) => r.at !== undefined || r.who !== undefined);
  return { who: last?.who ?? '', at: last?.at ?? '' };
}
