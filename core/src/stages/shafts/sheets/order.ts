import type { Side } from '../../../geometry';
import type { Figure } from '../../../measure';
import {
  bare,
  bothRow,
  NO_CELL,
  row,
  SIDED,
  textCell,
  type Pen,
  type SheetCell,
  type SheetDef,
  type SheetHead,
  type SheetRow,
  type SheetSection,
} from '../../../stage';
import { demand } from '../../brief/figures/torque';
import { stand } from '../../cut/figures/stand';
import { RETENTION_NAMES } from '../../donor/names';
import { CODES } from '../../sheets/cautions';
import { using } from '../figures/in-use';
import { shafts, strength } from '../figures/shafts';
import { node, type Reads } from '../node';
import { shaftPartViews } from '../views/shaft';
import { shaftOrder, type ShaftLine, type ShaftOrder } from '../shaft-order';

type Id = Parameters<Reads['figure']>[0];

/** Lines that stand on top of what goes to a supplier. */
export const orderHead = (r: Reads): SheetHead => [
  ['Car', r.field('brief', 'vehicle') || '–'],
  ['Donor', r.field('brief', 'donor') || '–'],
  ['Retention', RETENTION_NAMES[r.choice('retentionTo')]],
  ['Wanted by', r.field('brief', 'finishBy') || '–'],
];

/** One side's shaft on the order; nothing where none is ordered. */
type OfLine = (pick: (line: ShaftLine) => SheetCell) => (side: Side) => SheetCell;

function sections(r: Reads, pen: Pen): readonly SheetSection[] {
  const order = r.of(shaftOrder);
  const of: OfLine = (pick) => (side) => {
    const found = order.lines.find((l) => l.side === side);
    return found ? pick(found) : { text: 'not ordered' };
  };
  const stock = order.lines.some((l) => l.part !== undefined);
  return [
    {
      title: 'Shafts',
      columns: SIDED,
      rows: [
        ...(stock ? stockRows(of) : []),
        ...lineRows(r, pen, of),
        ...endRows(r, pen, of),
        row('Gap left to the cross shaft', 'shaft fully home', (s) => pen.print(r.of(shafts).fit[s].gap)),
      ],
    },
    flangeSection(order, r, pen),
    {
      title: 'Each must carry',
      columns: SIDED,
      rows: [
        bothRow('Torque', 'at launch, one shaft', pen.print(r.of(demand))),
        row('Factor on yield', 'of the steel named', (s) => pen.print(r.of(strength).side[s].factor)),
      ],
    },
  ];
}

/** A size as ordered. Where it is a figure’s own value the figure comes along: its defaults, and what holds it. */
function size({ fine }: Pen, value: number | undefined, from?: Figure): SheetCell {
  if (value === undefined) return NO_CELL;
  return fine(from?.value === value ? from : bare(value));
}

const stockRows = (of: OfLine): SheetRow[] => {
  const part = of((l) => textCell(l.part));
  const seller = of((l) => textCell(l.seller));
  return [row('Part number', 'as its seller lists it', part), row('Seller', '', seller)];
};

/** Prints a size of a line, with the figure of the quantity it was taken from. */
const sizesOf =
  (r: Reads, pen: Pen, of: OfLine) =>
  (pick: (line: ShaftLine) => number | undefined, ...ids: readonly Id[]) =>
    of((line) => {
      const from = ids.map(using(r)).find((f) => f?.value === pick(line));
      return size(pen, pick(line), from);
    });

function lineRows(r: Reads, pen: Pen, of: OfLine): SheetRow[] {
  const length = (side: Side) => of(() => pen.print(r.of(shafts).needs[side]?.fitted))(side);
  const mm = sizesOf(r, pen, of);
  const said = (pick: (l: ShaftLine) => string) => of((l) => textCell(pick(l)));
  return [
    row('Length', 'wheel face to inner end', length),
    row(
      'Spline',
      'teeth and diametral pitch',
      said((l) => l.spline),
    ),
    row(
      'Spline length',
      'full depth, from the inner end',
      mm((l) => l.splineLength, 'shaft.spline'),
    ),
    row(
      'Bearing journal',
      'ground',
      mm((l) => l.journal, 'new.journal', 'donor.journal'),
    ),
    row(
      'Seal journal',
      'where the seal’s lip runs',
      mm((l) => l.sealJournal, 'donor.sealJournal'),
    ),
    row(
      'Spline, outside',
      'over the tops of the teeth',
      mm((l) => l.splineMajor, 'donor.splineMajor'),
    ),
    row(
      'Tolerance of the length',
      'either way; what comes is held to it',
      mm((l) => l.lengthOff),
    ),
    row(
      'Tolerance of the journal',
      'either way; what comes is held to it',
      mm((l) => l.journalOff),
    ),
    row(
      'Smallest body',
      'between spline and journal',
      mm((l) => l.body, 'shaft.body'),
    ),
    row(
      'Material',
      'heat-treated as the maker does',
      said((l) => l.material),
    ),
    row(
      'Inner end',
      'chamfered, deburred',
      said((l) => l.innerEnd),
    ),
  ];
}

/** What the way of holding the shaft asks of its ends. */
function endRows(r: Reads, pen: Pen, of: OfLine): SheetRow[] {
  const retentionTo = r.choice('retentionTo');
  const mm = sizesOf(r, pen, of);
  const shoulder = row(
    'Bearing shoulder',
    'wheel face to what the bearing is pressed against',
    mm((l) => l.shoulder, 'shaft.shoulder'),
  );
  const groove = [
    row(
      'Clip groove',
      'inner end to its outer wall',
      mm((l) => l.clipPlace, 'shaft.clipPlace'),
    ),
    row(
      'Clip groove, width',
      'between its walls',
      mm((l) => l.clipWidth, 'shaft.clipWidth'),
    ),
    row(
      'Clip groove, diameter',
      'at its floor',
      mm((l) => l.clipDiameter, 'shaft.clipDiameter'),
    ),
  ];
  return [...(retentionTo === 'fullFloat' ? [] : [shoulder]), ...(retentionTo === 'cClip' ? groove : [])];
}

function flangeSection({ flange }: ShaftOrder, r: Reads, pen: Pen): SheetSection {
  const use = using(r);
  return {
    title: 'Flange',
    columns: SIDED,
    rows: [
      bothRow('Studs', 'count', textCell(flange.holes === undefined ? undefined : String(flange.holes))),
      bothRow('Circle', 'through the stud centres', size(pen, flange.pcd, use('car.wheelPcd'))),
      bothRow('Stud hole', 'for the knurl', size(pen, flange.hole, use('donor.flangeHole'))),
      bothRow('Stud thread', '', textCell(flange.thread)),
      bothRow('Flange diameter', 'outside', size(pen, flange.rim, use('donor.flangeRim'))),
      bothRow('Flange thickness', 'at the studs', size(pen, flange.thick, r.figure('shaft.flange'))),
      bothRow('Pilot', 'the register the wheel sits on', size(pen, flange.pilot)),
      row('Brake space', 'housing-end face to wheel face', (s) => pen.fine(r.of(stand).space[s])),
    ],
  };
}

/** What a shaft maker asks. */
export const shaftSheet: SheetDef<Reads> = {
  id: 'shafts',
  title: 'Shaft order',
  address: 'shaft-order',
  views: shaftPartViews,
  data: { order: shaftOrder },
  head: orderHead,
  sections,
  checks: ['shafts', 'cut'],
  lacks: node('orderLacks', (r) => r.of(shaftOrder).lacks),
  cautions: [
    'Lengths run from the wheel face to the inner end. Tell the maker which datum they are from.',
    'Measure every shaft that arrives before it is accepted; a shaft that is too long pushes the bearing out.',
    CODES,
  ],
};
