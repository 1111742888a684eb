import {
  bare,
  bothRow,
  NO_CELL,
  row,
  SIDED,
  textCell,
  type Pen,
  type SheetDef,
  type SheetSection,
} from '../../../stage';
import { chosenPart } from '../../../stage';
import { stand } from '../../cut/figures/stand';
import { using } from '../../shafts/figures/in-use';
import { shaftOrder } from '../../shafts/shaft-order';
import { orderHead } from '../../shafts/sheets/order';
import { CODES } from '../../sheets/cautions';
import { brakesDecision } from '../decisions';
import { brakes } from '../figures/hub-ends';
import type { Reads } from '../node';
import { lineSections } from './bends';
import { brakeStackViews } from '../views/brake-stack';
import { factOf, offerRow, patternText } from './parts';

type Id = Parameters<Reads['figure']>[0];

function sections(r: Reads, pen: Pen): readonly SheetSection[] {
  const { print, fine } = pen;
  const use = using(r);
  const of = (id: Id) => fine(use(id));
  const b = r.of(brakes);
  const verdict = r.verdict('brakes');
  const made = r.of(shaftOrder);
  const pilot = made.lines.length > 0 ? made.flange.pilot : use('donor.pilot')?.value;
  return [
    {
      title: 'What the supplier asks',
      columns: SIDED,
      rows: [
        row('Brake space', 'housing-end face to wheel face', (s) => fine(r.of(stand).space[s])),
        bothRow('Bearing outside', 'what the bracket goes over', of('donor.bearingBore')),
        bothRow('Housing end, holes across', 'centres, level', of('donor.endWide')),
        bothRow('Housing end, holes upright', 'centres, upright', of('donor.endHigh')),
        bothRow('Flange diameter', 'the rotor goes over it', of('donor.flangeRim')),
        bothRow('Pilot', 'the rotor sits on it', pilot === undefined ? NO_CELL : fine(bare(pilot))),
        bothRow('Wheel', 'studs and circle', textCell(patternText(r))),
        bothRow('Rim inside', 'where the brake sits', of('rim.inside')),
        bothRow('Parking brake', 'what the cable pulls', textCell(cableText(r))),
        bothRow('Line thread', 'at the body', textCell(factOf(r, 'car.hoseThread'))),
      ],
    },
    {
      title: 'Rotor and caliper',
      columns: SIDED,
      rows: [
        bothRow('Rotor', 'diameter', of('rotor.diameter')),
        bothRow('Rotor thickness', '', of('rotor.thick')),
        bothRow('Hat offset', 'mounting face to the rotor’s middle, inward', of('rotor.offset')),
        row('Rotor’s middle', 'from the housing-end face', (s) => fine(b.rotor[s])),
        row('Shim under the bracket', 'minus wants metal off', (s) => fine(b.shim[s])),
        bothRow('Arm of the brake', 'hub to the middle of the pad', print(b.radius)),
        bothRow('Rotor’s edge to the rim', '', print(b.rim)),
        bothRow('Hose left at droop', '', print(b.hose)),
        ...(verdict
          ? [
              bothRow(
                'Decided',
                verdict.reason,
                textCell(verdict.verdict === 'bigger' ? 'for the rotor' : 'for spares'),
              ),
            ]
          : []),
        ...offerRow(chosenPart(r.search('brakeKit'))),
      ],
    },
    ...lineSections(r, pen),
  ];
}

const cableText = (r: Reads): string | undefined => factOf(r, 'new.cable') ?? factOf(r, 'car.cable');

/** What a brake supplier asks. */
export const brakeSheet: SheetDef<Reads> = {
  id: 'brakes',
  title: 'Brake order',
  address: 'brake-order',
  views: brakeStackViews,
  head: orderHead,
  sections,
  checks: ['hubs'],
  decisions: [brakesDecision],
  cautions: [
    'Brakes are tested before the road: pedal, parking brake, and every joint for leaks under pressure.',
    'New fluid, new seals and new copper or nuts where the maker asks for them.',
    CODES,
  ],
};
