import { derive, type Maybe } from '../../../measure';
import { node } from '../node';
import { atRest } from './motion';

/** Lengths from the gearbox’s seal and to the pinion’s flange, mm. */
export const datums = node(
  'datums',
  (r): { readonly seal: Maybe; readonly flange: Maybe; readonly change: Maybe } => {
    const shafts = r.of(atRest)?.shafts ?? [];
    const [first, last] = [shafts[0], shafts.at(-1)];
    const [e, f] = [r.figure('drive.seal'), r.figure('drive.flange')];
    const sum = (id: string, label: string, L: Maybe, more: Maybe) =>
      L && more
        ? derive({
            id,
            label,
            unit: 'mm',
            formula: '{L} + {e}',
            source: 'Joint to joint, and from the joint to the shop’s datum',
            inputs: { L, e: more },
          })
        : undefined;
    return {
      seal: sum('drive.fromSeal', 'Gearbox seal to joint centre', first?.length, e),
      flange: sum('drive.toFlange', 'Joint centre to pinion flange', last?.length, f),
      change: shafts.length === 1 ? changeOf(first?.length, r.figure('line.shaft')) : undefined,
    };
  },
);

/** What was read of the last driveshaft in the car, less what the plan has between its joints. */
export const asRead = node('asRead', (r): { readonly length: Maybe; readonly slope: Maybe } => {
  const shaft = r.of(atRest)?.shafts.at(-1);
  const off = (what: 'Length' | 'Slope', planned: Maybe): Maybe => {
    const read = r.figure(`drive.read${what}`);
    if (!read || !planned) return undefined;
    return derive({
      id: `drive.off${what}`,
      label: `${what} of the driveshaft, as read against the plan`,
      unit: planned.unit,
      formula: '{r} − {p}',
      source: 'Both are of the last driveshaft, joint to joint',
      inputs: { r: read, p: planned },
    });
  };
  return { length: off('Length', shaft?.length), slope: off('Slope', shaft?.slope) };
});

/** How much longer the new driveshaft is than the one in the car. */
const changeOf = (now: Maybe, was: Maybe): Maybe =>
  now &&
  was &&
  derive({
    id: 'drive.againstOld',
    label: 'Longer than the driveshaft in the car',
    unit: 'mm',
    formula: '{L} − {L_0}',
    source: 'New length less that of the shaft in the car, both from joint centre to joint centre',
    inputs: { L: now, L_0: was },
  });
