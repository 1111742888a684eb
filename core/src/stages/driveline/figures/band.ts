import { derive, greater, type Figure, type Maybe } from '../../../measure';
import { acceleration, lineAt } from '../line-at';
import { node } from '../node';
import { fastest, line } from './line';
import { runningSlope } from './slopes';

/** Torsional acceleration at both ends of what the pinion swings through; the worse of them. */
export const worstInBand = node('worstInBand', (r): Maybe => {
  const [known, slope, band, rpm] = [
    r.of(line).line,
    r.of(runningSlope),
    r.figure('drive.band'),
    r.of(fastest),
  ];
  if (!known || !slope || !band || !rpm) return undefined;
  const at = (end: 'up' | 'down'): Figure | undefined => {
    const swung = derive({
      id: `drive.swung.${end}`,
      label: `Pinion slope, swung ${end}`,
      unit: 'rad',
      formula: end === 'up' ? '{s} + {b}' : '{s} − {b}',
      source: 'Where it is while it drives, and what it swings by',
      inputs: { s: slope, b: band },
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
