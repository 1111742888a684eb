import {
  bare,
  cellsRow,
  textCell,
  type Pen,
  type SheetDef,
  type SheetRow,
  type SheetSection,
} from '../../../stage';
import { CAUTIONS } from '../../sheets/cautions';
import { SUSPENSION_NAMES } from '../../driveline/names';
import type { Arm } from '../choices';
import { linksDecision } from '../decisions';
import { arms, sprung } from '../figures/arms';
import { armLoads, springLoads } from '../figures/loads';
import { dampers, springs } from '../figures/springs';
import { holding, type Member } from '../figures/held';
import { takenSpring } from '../figures/stock-springs';
import { aims } from '../figures/aims';
import { study } from '../figures/study';
import { ARM_NAMES, ARM_SIDE_NAMES } from '../names';
import type { Reads } from '../node';

const said = ({ kind }: Member): string => ARM_NAMES[kind];

/** The holes that are used, where a bracket has several. */
function holesOf(arm: Arm): string {
  const one = (end: 'a' | 'c', words: string) => {
    const count = arm[`${end}Holes`] ?? 1;
    return count > 1 ? `${words} ${arm[`${end}Use`] ?? arm[`${end}Read`] ?? 1} of ${count}` : '';
  };
  return [one('a', 'axle'), one('c', 'car')].filter(Boolean).join(', ') || 'one hole';
}

const note = (arm: Arm): string => `${ARM_NAMES[arm.kind]}, ${ARM_SIDE_NAMES[arm.side]}`;
/** The spring that was taken from the counter. */
function taken(r: Reads): string {
  const offer = r.of(takenSpring)?.offer;
  return offer ? `${offer.number}, ${offer.seller}` : '';
}
const WAYS = ['forward of the axle', 'left of the middle', 'above the ground'];

/** Ends at the axle, as they are listed or as their brackets stand. */
const axlePlaces = (r: Reads, { print }: Pen): readonly SheetRow[] =>
  Object.values(r.part('arms'))
    .filter(({ ax, bracket }) => ax !== undefined || bracket)
    .map((arm) =>
      cellsRow(
        arm.name,
        arm.bracket ? `${note(arm)}; as its bracket stands` : note(arm),
        [arm.ax, arm.ay, arm.az].map((v) => (v === undefined || arm.bracket ? textCell('–') : print(bare(v)))),
      ),
    );

/** Ends at the car, as they are listed. */
const carPlaces = (r: Reads, { print }: Pen): readonly SheetRow[] =>
  Object.values(r.part('arms')).map((arm) =>
    cellsRow(
      arm.name,
      note(arm),
      [arm.cx, arm.cy, arm.cz].map((v) => print(bare(v))),
    ),
  );

/** Springs and dampers by their lengths over the travel. */
const sprungSections = (r: Reads, { print }: Pen): readonly SheetSection[] => [
  {
    title: 'Springs and dampers',
    columns: ['at ride height', 'at full bump', 'at full droop'],
    rows: r
      .of(sprung)
      .map(({ member, ride, bump, droop }) =>
        cellsRow(member.name, `${said(member)}, eye to eye`, [print(ride), print(bump), print(droop)]),
      ),
  },
  {
    title: 'Springs and dampers in full roll, either way',
    columns: ['shortest', 'longest'],
    rows: r
      .of(sprung)
      .map(({ member, rollIn, rollOut }) =>
        cellsRow(member.name, `${said(member)}, eye to eye`, [print(rollIn), print(rollOut)]),
      ),
  },
];

function sections(r: Reads, pen: Pen): readonly SheetSection[] {
  const { print } = pen;
  const told = r.of(study);
  const room = r.of(dampers);
  return [
    {
      title: 'Links, eye to eye',
      columns: ['eye to eye', 'holes, from below', 'rod ends out of square'],
      rows: r
        .of(arms)
        .map(({ member, length, skew }) =>
          cellsRow(member.name, said(member), [print(length), textCell(holesOf(member.arm)), print(skew)]),
        ),
    },
    { title: 'Ends at the axle, car at ride height', columns: WAYS, rows: axlePlaces(r, pen) },
    { title: 'Ends at the car, car at ride height', columns: WAYS, rows: carPlaces(r, pen) },
    ...sprungSections(r, pen),
    {
      title: 'Springs as they are set',
      columns: ['own length at ride', 'adjuster and seats', 'left before solid'],
      rows: r
        .of(springs)
        .map((s) => cellsRow(s.of.member.name, taken(r), [print(s.ride), print(s.seat), print(s.left)])),
    },
    {
      title: 'Springs at the wheel',
      columns: ['motion ratio', 'rate at the wheel'],
      rows: r.of(springs).map((s) => cellsRow(s.of.member.name, '', [print(s.of.ratio), print(s.wheelRate)])),
    },
    {
      title: 'Dampers',
      columns: ['left before closed', 'left before drawn out'],
      rows: room.map((d) => cellsRow(d.of.member.name, '', [print(d.toClosed), print(d.toOpen)])),
    },
    {
      title: 'Set-up',
      columns: ['Value'],
      rows: r.of(holding).held
        ? [
            cellsRow('Axle centre above the ground', 'ride height', [print(r.figure('drive.axleHeight'))]),
            cellsRow('Anti-squat', 'at ride height', [print(told.antiSquat)]),
            cellsRow('Instant centre above the neutral line', '', [print(r.of(aims).neutral)]),
            cellsRow('Roll centre above the ground', '', [print(told.rollCentre)]),
            cellsRow('Pinion turned at full bump', 'nose up plus', [print(told['pinion.bump'])]),
            cellsRow('Pinion turned at full droop', 'nose up plus', [print(told['pinion.droop'])]),
            cellsRow('Left spring pushes more at launch', 'for even tyres; minus: the right one', [
              print(r.of(springLoads).preload),
            ]),
          ]
        : [],
    },
    {
      title: 'Loads without the project’s factor: pulls plus, pushes minus',
      columns: ['launch', 'braking', 'left bend', 'right bend'],
      rows: r
        .of(armLoads)
        .map(({ member, launch, braking, leftBend, rightBend }) =>
          cellsRow(member.name, said(member), [
            print(launch),
            print(braking),
            print(leftBend),
            print(rightBend),
          ]),
        ),
    },
  ];
}

/** Every link with its length and holes, springs and dampers as they are set. */
export const setUpSheet: SheetDef<Reads> = {
  id: 'suspension',
  title: 'Links and set-up',
  address: 'links-and-set-up',
  head: (r) => [
    ['Car', r.field('brief', 'vehicle') || '–'],
    ['Axle held by', SUSPENSION_NAMES[r.choice('suspension')]],
  ],
  sections,
  checks: ['motion'],
  decisions: [linksDecision],
  cautions: [
    'Set equal links with one bolt through both eyes. Tighten bushings only with the car’s weight on its wheels.',
    'Suspension brackets are structural: a qualified welder, and inspection before the car is driven.',
    ...CAUTIONS,
  ],
};
