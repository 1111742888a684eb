import { SIDES } from '../../../geometry';
import type { Figure } from '../../../measure';
import { bare, bothRow, SIDED, textCell, type Pen, type SheetDef, type SheetSection } from '../../../stage';
import { chosenPart } from '../../../stage';
import { using } from '../../shafts/figures/in-use';
import { orderHead } from '../../shafts/sheets/order';
import { CODES } from '../../sheets/cautions';
import { patternDecision, studsDecision } from '../decisions';
import { studs } from '../figures/hub-ends';
import { patterns } from '../figures/patterns';
import type { Reads } from '../node';
import { factOf, offerRow, patternText } from './parts';

type Id = Parameters<Reads['figure']>[0];

function sections(r: Reads, { print, fine }: Pen): readonly SheetSection[] {
  const use = using(r);
  const of = (id: Id) => fine(use(id));
  const held = r.of(studs);
  const { redrill } = r.of(patterns);
  return [
    {
      title: 'Studs and nuts',
      columns: SIDED,
      rows: [
        bothRow('Thread', '', textCell(factOf(r, 'new.studThread') ?? factOf(r, 'donor.studThread'))),
        bothRow('Seat', 'of nut and wheel', textCell(factOf(r, 'new.seat') ?? factOf(r, 'car.seat'))),
        bothRow('Studs in all', 'both sides', textCell(countText(use('car.wheelHoles')))),
        bothRow('Out of the flange', 'flange face to the stud’s end', of('stud.length')),
        bothRow('Knurl', 'over its ridges', of('stud.knurl')),
        bothRow('Hole it is pressed into', '', fine(use('redrill.hole') ?? use('donor.flangeHole'))),
        bothRow('Thread in the nut', '', print(held.engaged)),
        bothRow('Nut torque', 'dry', of('stud.torque')),
        bothRow('Clamp of one nut', '', print(held.clamp)),
        bothRow('Friction over the wheel’s torque', '', print(held.reserve)),
        ...offerRow(chosenPart(r.search('stud'))),
      ],
    },
    {
      title: 'Bearings and seals',
      columns: SIDED,
      rows: [
        bothRow('Bearing, inside', 'journal of the shaft', fine(use('new.journal') ?? use('donor.journal'))),
        bothRow('Bearing, outside', 'bore of the housing end', of('donor.bearingBore')),
        bothRow('Room for the bearing', 'depth to its shoulder', of('donor.bearingWidth')),
        ...offerRow(chosenPart(r.search('bearing'))),
        bothRow('Seal, inside', 'where its lip runs', of('donor.sealJournal')),
        bothRow('Seal, outside', 'bore it is pressed into', of('donor.sealBore')),
        ...offerRow(chosenPart(r.search('seal'))),
      ],
    },
    {
      title: 'Re-drill',
      columns: SIDED,
      rows: redrill
        ? [
            bothRow('New pattern', '', textCell(patternText(r))),
            bothRow('Clocking', 'first old hole to first new one', print(bare(redrill.clockRad, 'rad'))),
            bothRow('Least metal', redrill.nearest.what, print(bare(redrill.nearest.metal))),
            bothRow('May be drilled', redrill.reasons.join(' '), textCell(redrill.possible ? 'yes' : 'no')),
          ]
        : [],
    },
  ];
}

const countText = (holes: Figure | undefined): string | undefined =>
  holes ? String(SIDES.length * holes.value) : undefined;

/** Studs, nuts, bearings and seals to be bought. */
export const hubSheet: SheetDef<Reads> = {
  id: 'hubs',
  title: 'Stud and bearing list',
  address: 'stud-list',
  head: orderHead,
  sections,
  checks: ['hubs'],
  decisions: [patternDecision, studsDecision],
  cautions: [
    'New studs and nuts; tighten with a wrench, and again after the first drive.',
    'Never heat, bend or weld a stud.',
    CODES,
  ],
};
