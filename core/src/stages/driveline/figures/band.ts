import { derive, greater, most, type Figure, type Maybe } from '../../../measure';
import { acceleration, lineAt, lineTo, type LineAt } from '../line-at';
import { node } from '../node';
import { axleTravel } from './axle-travel';
import { fastest, line } from './line';
import { runningSlope } from './slopes';

/** The driveline while it drives where the links take the axle, at one end of its travel. */
export interface LineOver {
  readonly end: string;
  readonly words: string;
  readonly at: LineAt;
}

/** The driveline while it drives at every end of the travel; none while the suspension’s motion is not known. */
export const overTravel = node('overTravel', (r): readonly LineOver[] => {
  const [known, travel] = [r.of(line).line, r.of(axleTravel)];
  if (!known || !travel) return [];
  return travel.driving.map(({ end, words, ...pinion }) => ({
    end,
    words,
    at: lineTo(known, pinion, `.${end}`),
  }));
});

/** What the pinion swings by: as far as its links turn it over the travel, until that is known as said. */
const band = node('band', (r): Maybe => {
  const travel = r.of(axleTravel);
  if (!travel) return r.figure('drive.band');
  const turned = travel.turned.map((figure) =>
    derive({
      id: `${figure.id}.size`,
      label: figure.label,
      unit: 'rad',
      formula: '|{p}|',
      source: 'Either way',
      inputs: { p: figure },
    }),
  );
  return most(
    {
      id: 'drive.swing',
      label: 'Pinion swings by, over the travel',
      unit: 'rad',
      source: 'As far as the links turn it, at either end of the travel, level and rolled',
    },
    turned,
  );
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
