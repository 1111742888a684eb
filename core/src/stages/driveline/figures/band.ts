import { derive, greater, type Figure, type Maybe } from '../../../measure';
import { acceleration, lineAt, type Line, type LineAt } from '../line-at';
import { node } from '../node';
import { axleTravel, type AxleAt } from './axle-travel';
import { fastest, line } from './line';
import { runningSlope } from './slopes';

/** Ends of the travel. */
const ENDS = [
  { end: 'bump', words: 'at full bump', travel: 'spring.bump', sign: '+' },
  { end: 'droop', words: 'at full droop', travel: 'spring.droop', sign: '−' },
] as const;
type End = (typeof ENDS)[number];

/** The driveline with its axle up or down, forward, and its pinion turned as the links turn it. */
export interface LineOver {
  readonly end: 'bump' | 'droop';
  readonly words: string;
  readonly at: LineAt;
}

function moved(known: Line, slope: Figure, z: Figure, { end, words, sign }: End, axle: AxleAt): LineOver {
  const of = (id: string, label: string, formula: string, inputs: Readonly<Record<string, Figure>>) =>
    derive({
      id: `drive.${end}.${id}`,
      label: `${label}, ${words}`,
      unit: id === 'slope' ? 'rad' : 'mm',
      formula,
      source: 'Where the links take the axle',
      inputs,
    });
  const forward = (place: Line['gearbox'], id: string): Line['gearbox'] => ({
    ...place,
    along: of(id, place.along.label, '{a} − {x}', { a: place.along, x: axle.forward }),
  });
  const then: Line = {
    ...known,
    axleHeight: of('height', known.axleHeight.label, `{H} ${sign} {z}`, { H: known.axleHeight, z }),
    gearbox: forward(known.gearbox, 'gearbox'),
    ...(known.centre ? { centre: forward(known.centre, 'centre') } : {}),
  };
  const turned = of('slope', 'Pinion slope', '{s} + {δ}', { s: slope, δ: axle.turned });
  return { end, words, at: lineAt(then, turned, `.${end}`) };
}

/** The driveline while it drives at both ends of the travel; none while the suspension’s motion is not known. */
export const overTravel = node('overTravel', (r): readonly LineOver[] => {
  const [known, slope, travel] = [r.of(line).line, r.of(runningSlope), r.of(axleTravel)];
  if (!known || !slope || !travel) return [];
  return ENDS.flatMap((end) => {
    const z = r.figure(end.travel);
    return z ? [moved(known, slope, z, end, travel[end.end])] : [];
  });
});

/** What the pinion swings by: as far as its links turn it over the travel, until that is known as said. */
const band = node('band', (r): Maybe => {
  const travel = r.of(axleTravel);
  if (!travel) return r.figure('drive.band');
  return derive({
    id: 'drive.swing',
    label: 'Pinion swings by, over the travel',
    unit: 'rad',
    formula: 'max(|{b}|, |{d}|)',
    source: 'As far as the links turn it, at full bump or full droop',
    inputs: { b: travel.bump.turned, d: travel.droop.turned },
  });
});

/** Torsional acceleration at both ends of what the pinion swings through; the worse of them. */
export const worstInBand = node('worstInBand', (r): Maybe => {
  const [known, slope, swing, rpm] = [r.of(line).line, r.of(runningSlope), r.of(band), r.of(fastest)];
  if (!known || !slope || !swing || !rpm) return undefined;
  const at = (end: 'up' | 'down'): Figure | undefined => {
    const swung = derive({
      id: `drive.swung.${end}`,
      label: `Pinion slope, swung ${end}`,
      unit: 'rad',
      formula: end === 'up' ? '{s} + {b}' : '{s} − {b}',
      source: 'Where it is while it drives, and what it swings by',
      inputs: { s: slope, b: swing },
    });
    return acceleration(
      lineAt(known, swung, `.${end}`),
      { rpm, phase: known.phase, even: known.even },
      {
        id: `drive.torsional.${end}`,
        label: `Torsional acceleration, pinion swung ${end}`,
      },
    );
  };
  return greater(at('up'), at('down'));
});
