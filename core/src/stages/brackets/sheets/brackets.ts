import {
  bare,
  cellsRow,
  textCell,
  weldRow,
  type Pen,
  type SheetDef,
  type SheetRow,
  type SheetSection,
} from '../../../stage';
import { CAUTIONS } from '../../sheets/cautions';
import { placesDecision } from '../decisions';
import { newFlat } from '../figures/frame';
import { perchOff } from '../figures/perches';
import { places, type PlacedBracket } from '../figures/places';
import { BRACKET_DATUM_NAMES, EDGE_NAMES, HOLD_NAMES, KIND_NAMES, SIDE_NAMES } from '../names';
import { rearView } from '../views/axle';
import { leftMap, rightMap } from '../views/map';
import { node, type Reads } from '../node';

/** From what a place follows, in words. */
const FROM = {
  made: 'as read after the work',
  place: 'as chosen',
  kit: 'by its kit',
  old: 'carried over from the old axle',
  car: 'by its pickup points on the car',
} as const;

function rowOf(p: PlacedBracket, { print }: Pen): SheetRow {
  const said = [
    KIND_NAMES[p.item.kind],
    SIDE_NAMES[p.item.side],
    EDGE_NAMES[p.item.edge],
    p.by ? FROM[p.by] : '',
  ];
  const cells = [print(p.fromCasting), print(p.fromEnd), print(p.gauge)];
  return (p.item.hold === 'welded' ? weldRow : cellsRow)(p.item.name, said.filter(Boolean).join(', '), cells);
}

function sections(r: Reads, pen: Pen): readonly SheetSection[] {
  const all = r.of(places);
  const { print } = pen;
  const of = (side: 'left' | 'right' | 'across') => all.filter((p) => p.item.side === side);
  const columns = ['from the casting face', 'from the housing end', 'gauge on its face, zero on the flat'];
  return [
    ...(['left', 'right', 'across'] as const).map((side): SheetSection => ({
      title:
        side === 'across'
          ? 'All across the axle, from its left faces'
          : `${side === 'left' ? 'Left' : 'Right'} tube`,
      columns,
      rows: of(side).map((p) => rowOf(p, pen)),
    })),
    {
      title: 'From the car, and round the tube',
      columns: ['from the centreline, left +', 'clock, top 0, front +'],
      rows: all.map((p) => cellsRow(p.item.name, EDGE_NAMES[p.item.edge], [print(p.y), print(p.clock)])),
    },
    {
      title: 'Sizes',
      columns: ['along', 'round', 'off the skin'],
      rows: all.map(({ item }) =>
        cellsRow(item.name, `${KIND_NAMES[item.kind]}, ${HOLD_NAMES[item.hold]}`, [
          print(bare(item.wide)),
          print(bare(item.round)),
          print(item.high === undefined ? undefined : bare(item.high)),
        ]),
      ),
    },
    {
      title: 'As read on the old axle',
      columns: ['distance', 'from', 'clock'],
      rows: all.flatMap(({ item }) =>
        item.old
          ? [
              cellsRow(item.name, EDGE_NAMES[item.edge], [
                print(bare(item.old.at)),
                textCell(BRACKET_DATUM_NAMES[item.old.datum]),
                print(item.old.clock === undefined ? undefined : bare(item.old.clock, 'rad')),
              ]),
            ]
          : [],
      ),
    },
    {
      title: 'Angles',
      columns: ['front higher +'],
      rows: [
        cellsRow('Flat of the casting in the car', 'what the gauge is zeroed on', [print(r.of(newFlat))]),
        ...all.flatMap((p) =>
          r.of(perchOff)[p.id]
            ? [weldRow(`${p.item.name}, wedge`, 'off what the pinion wants', [print(r.of(perchOff)[p.id])])]
            : [],
        ),
      ],
    },
  ];
}

/** Every bracket by its datum, distance and angle. */
export const bracketSheet: SheetDef<Reads> = {
  id: 'brackets',
  title: 'Bracket sheet',
  address: 'bracket-sheet',
  bench: true,
  views: node('sheetViews', (r) => [r.of(rearView), r.of(leftMap), r.of(rightMap)].flatMap((v) => v ?? [])),
  head: (r) => [
    ['Car', r.field('brief', 'vehicle') || '–'],
    ['Donor', r.field('brief', 'donor') || '–'],
  ],
  sections,
  checks: ['brackets'],
  decisions: [placesDecision],
  cautions: [
    'Welds on axles and suspension are structural: a qualified welder, and inspection. Seals and bearings out; earth on the part itself.',
    ...CAUTIONS,
  ],
};
