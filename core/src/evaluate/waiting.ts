import { waitsFor, type Decision, type OpenChoice } from '../stage';
import { STAGES } from '../stages';
import type { Results } from './results';

/**
 * Decisions that wait for each choice that may still change: those whose figures are true of it.
 *
 * @example waiting(results).gearbox // the pinion’s slope, the driveshaft’s length
 */
export function waiting({ of, decisions }: Results): Readonly<Record<OpenChoice, readonly Decision[]>> {
  const bits = new Map(
    STAGES.flatMap(({ contents }) =>
      (contents.decisions ?? []).map(
        ({ id, rests }) =>
          [id, (rests ? of(rests) : []).reduce((sum, figure) => sum | (figure?.waits ?? 0), 0)] as const,
      ),
    ),
  );
  const waits = (choice: OpenChoice) =>
    decisions.filter(({ id }) => ((bits.get(id) ?? 0) & waitsFor([choice])) !== 0);
  return {
    rideHeight: waits('rideHeight'),
    springs: waits('springs'),
    load: waits('load'),
    gearbox: waits('gearbox'),
    tyre: waits('tyre'),
  };
}
