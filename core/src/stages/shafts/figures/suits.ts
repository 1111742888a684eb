import { bySide, type Sided } from '../../../geometry';
import { canDrill } from '../../hubs/can-drill';
import { node } from '../node';
import type { StockSuits } from '../shaft-checks';
import { refusedAsSaid, unsaidSizes } from '../stock-pairs';
import { taken } from './in-use';
import { shaftWanted } from './pair-question';

/** How each shaft taken from stock suits the axle as it stands by now. */
export const stockSuits = node('stockSuits', (r): Sided<StockSuits | undefined> => {
  const pair = r.of(taken);
  if (!pair) return { left: undefined, right: undefined };
  const wanted = r.of(shaftWanted);
  const drills = canDrill(wanted);
  return bySide((side) => ({
    number: pair[side].number,
    refused: refusedAsSaid(pair[side], wanted, drills),
    unsaid: unsaidSizes(pair[side], wanted),
  }));
});
