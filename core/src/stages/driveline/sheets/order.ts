import type { Maybe } from '../../../measure';
import { cellsRow, textCell, type Pen, type SheetDef, type SheetRow, type SheetSection } from '../../../stage';
import { joints as mating } from '../../donor/joints/joints';
import { CODES } from '../../sheets/cautions';
import { lengthDecision, slopeDecision } from '../decisions';
import { datums } from '../figures/datums';
import { fastest } from '../figures/line';
import { atRest, driving, whips } from '../figures/motion';
import { slipJoint } from '../figures/travel';
import { node, type Reads } from '../node';
import { orderView } from '../views/order';

const NAMES = [['Driveshaft'], ['Front driveshaft', 'Rear driveshaft']] as const;

/** Lengths between a shop’s own datums. */
function lengthRows(r: Reads, { print }: Pen): readonly SheetRow[] {
  const shafts = r.of(atRest)?.shafts ?? [];
  const names = NAMES[shafts.length > 1 ? 1 : 0];
  return [
    ...shafts.map((s, i) =>
      cellsRow(names[i] ?? '', 'joint centre to joint centre, at ride', [print(s.length, true)]),
    ),
    ...(shafts.length
      ? [
          cellsRow('Gearbox seal to joint centre', 'front shaft’s rear joint where there are two', [
            print(r.of(datums).seal, true),
          ]),
          cellsRow('Against the shaft in the car', 'plus is longer', [print(r.of(datums).change, true)]),
          cellsRow('Joint centre to pinion flange', 'last shaft, its front joint to the flange’s face', [
            print(r.of(datums).flange, true),
          ]),
        ]
      : []),
  ];
}

function sections(r: Reads, pen: Pen): readonly SheetSection[] {
  const { print, fine } = pen;
  const run = r.of(driving) ?? r.of(atRest);
  const { shorter, longer, toBottom, beyondLeast } = r.of(slipJoint);
  const flange = r.of(mating).find((j) => j.id === 'pinionFlange');
  const one = (item: string, note: string, figure: Maybe) => cellsRow(item, note, [print(figure)]);
  return [
    { title: 'Lengths', columns: ['Length'], rows: lengthRows(r, pen) },
    {
      title: 'Tube and speed',
      columns: ['Value'],
      rows: [
        cellsRow('Tube outside', '', [fine(r.figure('drive.outside'))]),
        cellsRow('Wall', '', [fine(r.figure('drive.wall'))]),
        ...(r.choice('pieces') === 'two'
          ? [
              cellsRow('Front tube outside', '', [fine(r.figure('drive.frontOutside'))]),
              cellsRow('Front tube wall', '', [fine(r.figure('drive.frontWall'))]),
              one('Centre bearing moves by', 'to either side', r.figure('drive.centre.play')),
            ]
          : []),
        one('At its fastest', '', r.of(fastest)),
        ...r
          .of(whips)
          .map(({ critical }, i) =>
            one(
              `Critical speed, ${(NAMES[r.choice('pieces') === 'two' ? 1 : 0][i] ?? '').toLowerCase()}`,
              'tube held at its ends',
              critical,
            ),
          ),
        one(
          'Yokes turned',
          'rear against front, seen from behind: anticlockwise is plus',
          r.figure('drive.phase'),
        ),
      ],
    },
    {
      title: 'Joints',
      columns: ['Value'],
      rows: [
        ...(run?.joints ?? []).map((joint, i) => one(`Joint ${i + 1}`, 'working angle while it drives', joint)),
        cellsRow('Joint at the gearbox', '', [textCell(r.choice('aim') === 'cv' ? 'turns evenly' : 'cross')]),
      ],
    },
    {
      title: 'Slip',
      columns: ['Value'],
      rows: [
        one('Left to bottom', 'at ride', r.figure('drive.bottom')),
        one('In mesh', 'at ride', r.figure('drive.engaged')),
        one('Shaft changes by', 'at its shortest', shorter),
        one('Shaft changes by', 'at its longest', longer),
        one('Left to bottom', 'at its shortest', toBottom),
        one('Beyond the least', 'at its longest', beyondLeast),
      ],
    },
    {
      title: 'Pinion flange',
      columns: ['Value'],
      rows: [
        one('Bolts', '', r.figure('donor.pinionBolts')),
        cellsRow('Bolt circle', '', [fine(r.figure('donor.pinionPcd'))]),
        cellsRow('Pilot', '', [fine(r.figure('donor.pinionPilot'))]),
        cellsRow('Against the driveshaft’s flange', flange?.computed.why ?? '', [
          textCell(flange && WORDS[flange.verdict]),
        ]),
      ],
    },
  ];
}

const WORDS = { fits: 'fits', work: 'fits with work', no: 'does not fit', unknown: 'not known' } as const;

/** All that a driveshaft shop asks. */
export const driveshaftSheet: SheetDef<Reads> = {
  id: 'driveshaft',
  title: 'Driveshaft order',
  address: 'driveshaft-order',
  head: (r) => [
    ['Car', r.field('brief', 'vehicle') || '–'],
    ['Donor', r.field('brief', 'donor') || '–'],
    ['Pieces', r.choice('pieces') === 'two' ? 'two, with a centre bearing' : 'one'],
    ['Wanted by', r.field('brief', 'finishBy') || '–'],
  ],
  sections,
  views: node('orderViews', (r) => r.of(orderView)),
  checks: ['driveline'],
  decisions: [slopeDecision, lengthDecision],
  cautions: [
    'Lengths are at ride height, the car loaded as used. Tell the shop which datum each is from.',
    'A new shaft is balanced with its joints in; new bolts, tightened with a wrench.',
    'Fit a hoop round the front of the shaft where the rules or the power ask for it.',
    CODES,
  ],
};
