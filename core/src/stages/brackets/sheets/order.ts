import { cellsRow, textCell, type SheetDef, type SheetSection } from '../../../stage';
import { CAUTIONS } from '../../sheets/cautions';
import { placesDecision } from '../decisions';
import { order } from '../figures/order';
import { places } from '../figures/places';
import type { Reads } from '../node';

function sections(r: Reads): readonly SheetSection[] {
  const done = r.part('weldSteps');
  return [
    {
      title: 'In this order',
      columns: ['hold point', 'done'],
      rows: r
        .of(order)
        .map((step, i) =>
          cellsRow(`${i + 1}. ${step.what}`, step.why, [
            textCell(step.hold ? 'HOLD: read and compare' : ''),
            textCell(done[step.id] && !step.unread?.length ? done[step.id] : undefined),
          ]),
        ),
    },
  ];
}

/** In which order all that is on the axle is tacked, tried and welded. */
export const orderSheet: SheetDef<Reads> = {
  id: 'weldOrder',
  title: 'Weld order',
  address: 'weld-order',
  bench: true,
  head: (r) => [
    ['Car', r.field('brief', 'vehicle') || '–'],
    ['Donor', r.field('brief', 'donor') || '–'],
    ['Perches', r.choice('perchesWelded') === 'last' ? 'welded last' : 'welded first'],
  ],
  sections: (r, { print }) => [
    ...sections(r),
    {
      title: 'Readings after tack and weld, from the casting face',
      columns: ['as planned', 'as read', 'state'],
      rows: r
        .of(places)
        .filter((p) => p.item.hold === 'welded')
        .map((p) =>
          cellsRow(p.item.name, '', [
            print(p.planned ? p.planned.fromCasting : p.fromCasting),
            print(p.planned ? p.fromCasting : undefined),
            textCell(p.item.made?.by),
          ]),
        ),
    },
  ],
  checks: ['brackets'],
  decisions: [placesDecision],
  cautions: [
    'Tack only, until the axle was under the car at ride height and was cycled. A qualified welder does the structural welds.',
    ...CAUTIONS,
  ],
};
