import { isOpen, isUnknown, type StageId } from '../checks';
import type { Results } from '../evaluate';
import { SIDES, type Side } from '../geometry';
import { turnSense } from '../stages/hubs';
import { given, type Figure } from '../measure';
import { chosenPart, factText, type PartOffer, type Plan } from '../plan';
import { shaftOrder, type ShaftLine, type ShaftOrder } from '../stages/shafts';
import type { LengthUnit } from '../units';
import { CAUTIONS, RETENTION_NAMES } from './words';
import {
  assumedLines,
  decisionLine,
  limitLines,
  finePrinter,
  printer,
  row,
  sheetCheck,
  type CutSheet,
  type Printer,
  type SheetCell,
  type SheetRow,
  type SheetSection,
} from './cut-sheet';

/** Sheets that go to a supplier. */
export const ORDER_SHEETS = ['shafts', 'brakes', 'hubs'] as const;
export type OrderSheetId = (typeof ORDER_SHEETS)[number];

export const ORDER_SHEET_NAMES: Readonly<Record<OrderSheetId, string>> = {
  shafts: 'Shaft order',
  brakes: 'Brake order',
  hubs: 'Stud and bearing list',
};

const NONE: SheetCell = { text: '–' };
const text = (value: string | undefined): SheetCell => (value ? { text: value } : NONE);
/** One value for both sides stands once, on the left. */
const both = (item: string, note: string, cell: SheetCell) => row(item, note, () => cell);

const CAUTION_OF: Readonly<Record<OrderSheetId, readonly string[]>> = {
  shafts: [
    'Lengths run from the wheel face to the inner end. Tell the maker which datum they are from.',
    'Measure every shaft that arrives before it is accepted; a shaft that is too long pushes the bearing out.',
  ],
  brakes: [
    'Brakes are tested before the road: pedal, parking brake, and every joint for leaks under pressure.',
    'New fluid, new seals and new copper or nuts where the maker asks for them.',
  ],
  hubs: [
    'New studs and nuts; tighten with a wrench, and again after the first drive.',
    'Never heat, bend or weld a stud.',
  ],
};

/**
 * What a supplier asks on the phone, ready to print in one unit.
 *
 * @param unit unit of every length
 */
export function orderSheet(id: OrderSheetId, plan: Plan, results: Results, unit: LengthUnit): CutSheet {
  const { contradicted } = results;
  const pen = { print: printer(unit, contradicted), fine: finePrinter(unit, contradicted) };
  const sections = SECTIONS[id](plan, results, pen).filter((s) => s.rows.length > 0);
  const stages: readonly StageId[] = id === 'shafts' ? ['shafts', 'cut'] : ['hubs'];
  const checks = results.checks.filter((c) => stages.includes(c.stage));
  return {
    head: [
      ['Car', plan.brief.vehicle || '–'],
      ['Donor', plan.brief.donor || '–'],
      ['Retention', RETENTION_NAMES[plan.choices.retentionTo]],
      ['Wanted by', plan.brief.finishBy || '–'],
    ],
    sections,
    checks: checks.filter((c) => isOpen(c) || isUnknown(c)).map((c) => sheetCheck(c, unit)),
    accepted: checks.filter((c) => c.accepted).map((c) => sheetCheck(c, unit)),
    limits: limitLines(plan, unit),
    lacks: lacksOf(id, plan, results),
    assumed: assumedLines(sections, unit),
    cautions: [...CAUTION_OF[id], CAUTIONS.at(-1) ?? ''],
    notes: '',
  };
}

function lacksOf(id: OrderSheetId, plan: Plan, results: Results): readonly string[] {
  if (id === 'shafts') return shaftOrder(plan, results).lacks;
  const decisions = id === 'brakes' ? ['brakes'] : ['studs', 'pattern'];
  return results.decisions.filter((d) => decisions.includes(d.id)).flatMap(decisionLine);
}

/** How values are printed: as read, or to the hundredth where something is turned, ground or pressed. */
interface Pen {
  readonly print: Printer;
  readonly fine: Printer;
}
type Make = (plan: Plan, results: Results, pen: Pen) => readonly SheetSection[];
/** What is known of a quantity: of a part that was taken from stock, its own size. */
const known = ({ known: all, inUse }: Results, id: string): Figure | undefined =>
  id in inUse ? inUse[id] : all[id]?.figure;

/** One side's shaft on the order; nothing where none is ordered. */
type OfLine = (pick: (line: ShaftLine) => SheetCell) => (side: Side) => SheetCell;

const shafts: Make = (plan, results, pen) => {
  const order = shaftOrder(plan, results);
  const of: OfLine = (pick) => (side) => {
    const found = order.lines.find((l) => l.side === side);
    return found ? pick(found) : { text: 'not ordered' };
  };
  const stock = order.lines.some((l) => l.part !== undefined);
  return [
    {
      title: 'Shafts',
      rows: [
        ...(stock ? stockRows(of) : []),
        ...lineRows(results, pen, of),
        ...endRows(plan, results, pen, of),
        row('Gap left to the cross shaft', 'shaft fully home', (s) => pen.print(results.shafts.fit[s].gap)),
      ],
    },
    flangeSection(order, results, pen),
    {
      title: 'Each must carry',
      rows: [
        both('Torque', 'at launch, one shaft', pen.print(results.brief.demand)),
        row('Factor on yield', 'of the steel named', (s) => pen.print(results.strength.side[s].factor)),
      ],
    },
  ];
};

/** A size as ordered. Where it is a figure’s own value the figure comes along: its defaults, and what holds it. */
function size({ fine }: Pen, value: number | undefined, from?: Figure): SheetCell {
  if (value === undefined) return NONE;
  return fine(from?.value === value ? from : { ...BARE, value });
}

const stockRows = (of: OfLine): SheetRow[] => {
  const part = of((l) => text(l.part));
  const seller = of((l) => text(l.seller));
  return [row('Part number', 'as its seller lists it', part), row('Seller', '', seller)];
};

/** Prints a size of a line, with the figure of the quantity it was taken from. */
const sizesOf =
  (results: Results, pen: Pen, of: OfLine) =>
  (pick: (line: ShaftLine) => number | undefined, ...ids: readonly string[]) =>
    of((line) => {
      const from = ids.map((id) => known(results, id)).find((f) => f?.value === pick(line));
      return size(pen, pick(line), from);
    });

function lineRows(results: Results, pen: Pen, of: OfLine): SheetRow[] {
  const length = (side: Side) => of(() => pen.print(results.shafts.needs[side]?.fitted))(side);
  const mm = sizesOf(results, pen, of);
  const said = (pick: (l: ShaftLine) => string) => of((l) => text(pick(l)));
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
function endRows({ choices: { retentionTo } }: Plan, results: Results, pen: Pen, of: OfLine): SheetRow[] {
  const mm = sizesOf(results, pen, of);
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

function flangeSection({ flange }: ShaftOrder, results: Results, pen: Pen): SheetSection {
  return {
    title: 'Flange',
    rows: [
      both('Studs', 'count', text(flange.holes === undefined ? undefined : String(flange.holes))),
      both('Circle', 'through the stud centres', size(pen, flange.pcd, known(results, 'car.wheelPcd'))),
      both('Stud hole', 'for the knurl', size(pen, flange.hole, known(results, 'donor.flangeHole'))),
      both('Stud thread', '', text(flange.thread)),
      both('Pilot', 'the register the wheel sits on', size(pen, flange.pilot)),
      row('Brake space', 'housing-end face to wheel face', (s) => pen.fine(results.stand.space[s])),
    ],
  };
}

const offerRow = (offer: PartOffer | undefined) =>
  offer
    ? [both(offer.name, `${offer.seller}, ${offer.leadDays} days`, text(`${offer.number}, ${offer.price}`))]
    : [];

const brakes: Make = (plan, results, { print, fine }) => {
  const of = (id: string) => fine(known(results, id));
  const { brakes: b } = results.hubs;
  const verdict = plan.verdicts.brakes;
  const made = shaftOrder(plan, results);
  const pilot = made.lines.length > 0 ? made.flange.pilot : known(results, 'donor.pilot')?.value;
  return [
    {
      title: 'What the supplier asks',
      rows: [
        row('Brake space', 'housing-end face to wheel face', (s) => fine(results.stand.space[s])),
        both('Bearing outside', 'what the bracket goes over', of('donor.bearingBore')),
        both('Housing end, holes across', 'centres, level', of('donor.endWide')),
        both('Housing end, holes upright', 'centres, upright', of('donor.endHigh')),
        both('Flange diameter', 'the rotor goes over it', of('donor.flangeRim')),
        both('Pilot', 'the rotor sits on it', pilot === undefined ? NONE : fine({ ...BARE, value: pilot })),
        both('Wheel', 'studs and circle', text(patternText(results))),
        both('Rim inside', 'where the brake sits', of('rim.inside')),
        both('Parking brake', 'what the cable pulls', text(cableText(plan))),
        both('Line thread', 'at the body', text(factOf(plan, 'car.hoseThread'))),
      ],
    },
    {
      title: 'Rotor and caliper',
      rows: [
        both('Rotor', 'diameter', of('rotor.diameter')),
        both('Rotor thickness', '', of('rotor.thick')),
        both('Hat offset', 'mounting face to the rotor’s middle, inward', of('rotor.offset')),
        row('Rotor’s middle', 'from the housing-end face', (s) => fine(b.rotor[s])),
        row('Shim under the bracket', 'minus wants metal off', (s) => fine(b.shim[s])),
        both('Arm of the brake', 'hub to the middle of the pad', print(b.radius)),
        both('Rotor’s edge to the rim', '', print(b.rim)),
        both('Hose left at droop', '', print(b.hose)),
        ...(verdict
          ? [
              both(
                'Decided',
                verdict.reason,
                text(verdict.verdict === 'bigger' ? 'for the rotor' : 'for spares'),
              ),
            ]
          : []),
        ...offerRow(chosenPart(plan.searches.brakeKit)),
      ],
    },
    ...lineSections(plan, results, print),
  ];
};

const factOf = ({ facts }: Plan, id: string): string | undefined => {
  const fact = facts[id];
  return fact ? factText(id, fact.value) : undefined;
};
const cableText = (plan: Plan): string | undefined => factOf(plan, 'new.cable') ?? factOf(plan, 'car.cable');

function patternText(results: Results): string | undefined {
  const [n, pcd] = [known(results, 'car.wheelHoles'), known(results, 'car.wheelPcd')];
  return n && pcd ? `${n.value} × ${pcd.value.toFixed(1)} mm` : undefined;
}

/** A bend table a line: where each bend begins, and how far line and bender are turned. */
function lineSections(plan: Plan, results: Results, print: Printer): readonly SheetSection[] {
  return Object.entries(plan.lines).flatMap(([id, line]): SheetSection[] => {
    const bent = results.hubs.lines[id];
    if (!bent?.ok) return [];
    const { bends, cut, stock, last } = bent.table;
    const mm = (value: number) => print({ ...BARE, value });
    const degrees = (value: number) => print({ ...BARE, unit: 'rad', value });
    const cells = (item: string, note: string, left: SheetCell, right: SheetCell) => ({
      item,
      note,
      cells: { left, right },
    });
    return [
      {
        title: `${line.name}: marks`,
        columns: ['Mark from the start', 'Straight before it'],
        rows: [
          ...bends.map((b, i) =>
            cells(
              `Bend ${i + 1}`,
              'start: the cut end nearest point 1; where the bend begins',
              mm(b.mark),
              mm(b.straight),
            ),
          ),
          cells('Last straight', 'after the last bend', NONE, mm(last)),
        ],
      },
      {
        title: `${line.name}: bends`,
        columns: ['Bend by', 'Its plane turned'],
        rows: [
          ...bends.map((b, i) =>
            cells(
              `Bend ${i + 1}`,
              i === 0 ? 'the plane from which the next turn counts' : TURN_NOTE,
              degrees(b.angle),
              i === 0 ? NONE : turn(b.rotation, degrees),
            ),
          ),
          cells('Radius of every bend', 'to the middle of the line, not to its inside', mm(line.radius), NONE),
        ],
      },
      {
        title: `${line.name}: length`,
        columns: ['Cut to', 'Nearest ready-made'],
        rows: [
          cells('Both flares in it', '', mm(cut), stock === undefined ? text('none long enough') : mm(stock)),
        ],
      },
    ];
  });
}

/** What is turned against what, and from where it is seen. */
const TURN_NOTE = 'plane of this bend against the bend before, seen from the start looking along the line';

/** Below this a turn is none, rad. */
const NO_TURN = 0.0005;

/** A turn as its size and its sense; a bare sign could be read two ways. */
function turn(rotation: number, degrees: (value: number) => SheetCell): SheetCell {
  if (Math.abs(rotation) < NO_TURN) return { text: 'none' };
  const cell = degrees(Math.abs(rotation));
  return { ...cell, text: `${cell.text} ${turnSense(rotation)}` };
}

const BARE: Figure = given('', '', 0, 0, 'mm', '');

const hubs: Make = (plan, results, { print, fine }) => {
  const of = (id: string) => fine(known(results, id));
  const { studs, patterns } = results.hubs;
  const { redrill } = patterns;
  return [
    {
      title: 'Studs and nuts',
      rows: [
        both('Thread', '', text(factOf(plan, 'new.studThread') ?? factOf(plan, 'donor.studThread'))),
        both('Seat', 'of nut and wheel', text(factOf(plan, 'new.seat') ?? factOf(plan, 'car.seat'))),
        both('Studs in all', 'both sides', text(countText(known(results, 'car.wheelHoles')))),
        both('Out of the flange', 'flange face to the stud’s end', of('stud.length')),
        both('Knurl', 'over its ridges', of('stud.knurl')),
        both(
          'Hole it is pressed into',
          '',
          fine(known(results, 'redrill.hole') ?? known(results, 'donor.flangeHole')),
        ),
        both('Thread in the nut', '', print(studs.engaged)),
        both('Nut torque', 'dry', of('stud.torque')),
        both('Clamp of one nut', '', print(studs.clamp)),
        both('Friction over the wheel’s torque', '', print(studs.reserve)),
        ...offerRow(chosenPart(plan.searches.stud)),
      ],
    },
    {
      title: 'Bearings and seals',
      rows: [
        both(
          'Bearing, inside',
          'journal of the shaft',
          fine(known(results, 'new.journal') ?? known(results, 'donor.journal')),
        ),
        both('Bearing, outside', 'bore of the housing end', of('donor.bearingBore')),
        both('Room for the bearing', 'depth to its shoulder', of('donor.bearingWidth')),
        ...offerRow(chosenPart(plan.searches.bearing)),
        both('Seal, inside', 'where its lip runs', of('donor.sealJournal')),
        both('Seal, outside', 'bore it is pressed into', of('donor.sealBore')),
        ...offerRow(chosenPart(plan.searches.seal)),
      ],
    },
    {
      title: 'Re-drill',
      rows: redrill
        ? [
            both('New pattern', '', text(patternText(results))),
            both(
              'Clocking',
              'first old hole to first new one',
              print({ ...BARE, unit: 'rad', value: redrill.clockRad }),
            ),
            both('Least metal', redrill.nearest.what, print({ ...BARE, value: redrill.nearest.metal })),
            both('May be drilled', redrill.reasons.join(' '), text(redrill.possible ? 'yes' : 'no')),
          ]
        : [],
    },
  ];
};

const countText = (holes: Figure | undefined): string | undefined =>
  holes ? String(SIDES.length * holes.value) : undefined;

const SECTIONS: Readonly<Record<OrderSheetId, Make>> = { shafts, brakes, hubs };
