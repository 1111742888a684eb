import type { PlaceId } from '../../../stage';
import { derive, type Figure, type Maybe } from '../../../measure';
import { acceleration, lineAt, type LineAt } from '../line-at';
import { node } from '../node';
import { fastest, line } from './line';
import { runningSlope, setSlope } from './slopes';

/** The driveline at rest, its pinion as it is set. */
export const atRest = node('atRest', (r): LineAt | undefined => {
  const [known, slope] = [r.of(line).line, r.of(setSlope)];
  return known && slope ? lineAt(known, slope, '') : undefined;
});

/** The driveline while it drives. */
export const driving = node('driving', (r): LineAt | undefined => {
  const [known, slope] = [r.of(line).line, r.of(runningSlope)];
  return known && slope ? lineAt(known, slope, '.run') : undefined;
});

/** Accelerations while it drives at its fastest, rad/s². */
export interface Shaking {
  readonly torsional?: Figure;
  /** Of each shaft, by the joints before it and by those behind it. */
  readonly drive: readonly Figure[];
  readonly coast: readonly Figure[];
}

export const shaking = node('shaking', (r): Shaking => {
  const [run, known, rpm] = [r.of(driving), r.of(line).line, r.of(fastest)];
  if (!run || !known || !rpm) return { drive: [], coast: [] };
  const of = (id: string, label: string, from?: number, to?: number): Maybe =>
    acceleration(
      run,
      { rpm, phase: known.phase, even: known.even },
      {
        id,
        label,
        ...(from === undefined ? {} : { from }),
        ...(to === undefined ? {} : { to }),
      },
    );
  const torsional = of('drive.torsional', 'Torsional acceleration of the pinion');
  return {
    ...(torsional ? { torsional } : {}),
    drive: run.shafts.flatMap(
      (_, i) =>
        of(`drive.inertia${i + 1}`, `Inertia acceleration of driveshaft ${i + 1}, driving`, 0, i + 1) ?? [],
    ),
    coast: run.shafts.flatMap(
      (_, i) => of(`drive.coast${i + 1}`, `Inertia acceleration of driveshaft ${i + 1}, coasting`, i + 1) ?? [],
    ),
  };
});

/** What a shaft’s tube is, and when it whips. */
export interface Whip {
  readonly critical?: Figure;
  /** Its fastest over that. */
  readonly share?: Figure;
  readonly lacks: readonly PlaceId[];
}

/** Critical speed of each shaft, from the gearbox. */
export const whips = node('whips', (r): readonly Whip[] => {
  const [rest, rpm] = [r.of(atRest), r.of(fastest)];
  const count = r.choice('pieces') === 'two' ? 2 : 1;
  return Array.from({ length: count }, (_, i) => {
    const front = i + 1 < count;
    const ids = front
      ? (['drive.frontOutside', 'drive.frontWall'] as const)
      : (['drive.outside', 'drive.wall'] as const);
    const [D, t] = ids.map((id) => r.figure(id));
    const L = rest?.shafts[i]?.length;
    const lacks = ids.filter((id) => !r.figure(id));
    if (!D || !t || !L) return { lacks };
    const critical = derive({
      id: `drive.critical${i + 1}`,
      label: `Critical speed of driveshaft ${i + 1}`,
      unit: 'rpm',
      formula: '60·π/2·5132.6·√({D}² + ({D} − 2·{t})²)/4·1000/({L}·{L})',
      source: 'First bending of a steel tube held at its ends, √(E/ρ) 5132.6 m/s; lengths in mm',
      inputs: { D, t, L },
    });
    if (!rpm) return { critical, lacks };
    const share = derive({
      id: `drive.whip${i + 1}`,
      label: `Fastest over critical speed, driveshaft ${i + 1}`,
      unit: 'ratio',
      formula: '{n}/{n_c}',
      source: 'How near it comes to whipping',
      inputs: { n: rpm, n_c: critical },
    });
    return { critical, share, lacks };
  });
});
