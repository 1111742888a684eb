import { isOpen, isUnknown, type Check } from '../checks';
import { clockName, isPlanned, markDatum, standWords, type FaceSquare } from '../stages/cut';
import { heldBy, type Contradicted, type Decision, type Results } from '../evaluate';
import { SIDES, type Side, type Sided } from '../geometry';
import { expandedUncertainty, type Assumed, type Figure } from '../measure';
import { inSentence, placeName, showAgainst, showValue, type Plan } from '../plan';
import { toBuy, type ShaftSource } from '../stages/shafts';
import { LIMITS, type LimitId } from '../checks';
import type { LengthUnit } from '../units';
import {
  CAUTIONS,
  DATUM_NAMES,
  METHOD_NAMES,
  PHASE_NAMES,
  RETENTION_NAMES,
  ROUTE_NAMES,
  SCHOOL_NAMES,
  USE_NAMES,
} from './words';

/** One cell of the sheet: the text as printed, and the figure behind it. */
export interface SheetCell {
  readonly text: string;
  readonly figure?: Figure;
  /** Why the figure is not printed: readings it rests on contradict each other. */
  readonly held?: string;
}

/** One row: an item with a value for each side. */
export interface SheetRow {
  readonly item: string;
  readonly note: string;
  readonly cells: Sided<SheetCell>;
}

export interface SheetSection {
  readonly title: string;
  /** What stands in the two columns of values where they are not the sides. */
  readonly columns?: readonly [string, string];
  readonly rows: readonly SheetRow[];
}

/** A check as the sheet prints it. */
export interface SheetCheck {
  readonly level: Check['level'];
  readonly title: string;
  readonly figure: string;
  readonly limit: string;
  readonly todo: string;
  /** Reason, who and when of an acceptance; empty otherwise. */
  readonly accepted: string;
  /** What it lacks, how near its limit it is, and what it assumes; empty where there is nothing to say. */
  readonly note: string;
}

/** Everything the cut sheet says, ready to print in one unit. */
export interface CutSheet {
  readonly head: readonly (readonly [label: string, value: string])[];
  readonly sections: readonly SheetSection[];
  readonly checks: readonly SheetCheck[];
  readonly accepted: readonly SheetCheck[];
  readonly limits: readonly string[];
  readonly lacks: readonly string[];
  /** Defaults that something on this sheet rests on: what, how much, why. */
  readonly assumed: readonly string[];
  readonly cautions: readonly string[];
  readonly notes: string;
}

const EMPTY: SheetCell = { text: '–' };
/** Stands behind a number that rests on a default; the row’s note says which. */
export const ASSUMED_MARK = '*';
const HELD = 'held';
const SOURCES: Readonly<Record<ShaftSource, string>> = {
  own: 'own stays',
  stockShort: 'stock short',
  stockPair: 'stock',
  new: 'new',
  shortened: 'own, shortened',
  other: 'to find',
};

/**
 * The cut sheet of a plan: the same words and numbers for page, paper and table.
 *
 * @param plan the plan
 * @param results its results
 * @param unit unit of every length
 */
export function cutSheet(plan: Plan, results: Results, unit: LengthUnit): CutSheet {
  const print = printer(unit, results.contradicted);
  const fine = finePrinter(unit, results.contradicted);
  const sections = [
    marksSection(plan, results, print),
    tubeSection(plan, results, print, fine),
    floatSection(plan, results, print, fine),
    learnedSection(results, print, fine),
    shaftSection(results, print),
    squareSection(results, print, fine),
  ].filter((s) => s.rows.length > 0);
  return {
    head: head(plan, results, print),
    sections,
    checks: results.checks.filter((c) => isOpen(c) || isUnknown(c)).map((c) => sheetCheck(c, unit)),
    accepted: results.checks.filter((c) => c.accepted).map((c) => sheetCheck(c, unit)),
    limits: limitLines(plan, unit),
    lacks: results.decisions.filter((d) => d.stage === 'cut').flatMap(decisionLine),
    assumed: assumedLines(sections, unit),
    cautions: CAUTIONS,
    notes: plan.brief.notes,
  };
}

/** What a decision still lacks, by name, or why it is held; nothing where it can be made. */
export function decisionLine({ label, lacks, held }: Decision): string[] {
  if (lacks.length) return [`${label}: ${lacks.map(placeName).join(', ')}`];
  return held === undefined ? [] : [`${label}: held. ${held}`];
}

/** Every default that a cell of these sections rests on, once each. */
export function assumedLines(sections: readonly SheetSection[], unit: LengthUnit): readonly string[] {
  const found = new Map<string, Assumed>();
  for (const { rows } of sections)
    for (const { cells } of rows)
      for (const side of SIDES)
        for (const a of Object.values(cells[side].figure?.assumed ?? {})) found.set(a.id, a);
  return [...found.values()].map((a) => `${a.label}: ${showValue(a.value, a.unit, unit)}, ${a.why}`);
}

export type Printer = (figure: Figure | undefined, withU?: boolean) => SheetCell;

/** A cell of a figure that may be printed: nothing while it is not known, `held` while its readings contradict. */
function cellOf(
  figure: Figure | undefined,
  contradicted: Contradicted,
  text: (f: Figure) => string,
): SheetCell {
  if (!figure) return EMPTY;
  const held = heldBy(figure, contradicted);
  if (held !== undefined) return { text: HELD, held };
  const mark = Object.keys(figure.assumed).length ? ASSUMED_MARK : '';
  return { text: text(figure) + mark, figure };
}

/** Prints what is turned or ground: to a hundredth of a millimetre, or a tenth of a thousandth of an inch. */
export const finePrinter =
  (unit: LengthUnit, contradicted: Contradicted = {}): Printer =>
  (figure) =>
    cellOf(figure, contradicted, (f) =>
      showValue(
        f.value,
        f.unit,
        unit === 'mm' ? 'mm' : 'in',
        f.unit === 'mm' ? (unit === 'mm' ? 2 : 4) : undefined,
      ),
    );

/** Prints figures in one unit; with U, the uncertainty follows. */
export const printer =
  (unit: LengthUnit, contradicted: Contradicted = {}): Printer =>
  (figure, withU = false) =>
    cellOf(figure, contradicted, (f) => {
      const text = showValue(f.value, f.unit, unit);
      if (!withU) return text;
      // An uncertainty is a decimal, also beside a fraction.
      return `${text} ± ${showValue(expandedUncertainty(f), f.unit, unit === 'frac' ? 'in' : unit)}`;
    });

function head(plan: Plan, results: Results, print: Printer): CutSheet['head'] {
  const school = results.schools.find((s) => s.school === plan.choices.school);
  const planned = school && isPlanned(school) ? school : undefined;
  return [
    ['Car', plan.brief.vehicle || '–'],
    ['Donor', plan.brief.donor || '–'],
    ['Use', USE_NAMES[plan.brief.use]],
    ['Way to cut', SCHOOL_NAMES[plan.choices.school]],
    ['Method', METHOD_NAMES[plan.choices.method]],
    ['Marks from', datumText(plan)],
    ['WMS width', print(planned?.width).text],
    [standWords(results.stand).length ? 'As it stands' : 'To expect', print(results.stand.width, true).text],
    ['Pinion', planned ? pinionText(planned.pinion, print) : '–'],
    [
      'Shafts',
      `${RETENTION_NAMES[plan.choices.retentionTo]}, ${ROUTE_NAMES[plan.choices.shaftRoute].toLowerCase()}`,
    ],
    ['To buy', planned ? toBuy(results.shafts.needs, planned) : '–'],
  ];
}

/** From where marks are given; an end that comes off takes its face with it. */
function datumText({ choices: { method, datum } }: Plan): string {
  const from = markDatum(method, datum);
  return from === datum ? DATUM_NAMES[datum] : `${DATUM_NAMES[from]} (the housing end leaves with the end)`;
}

function pinionText(pinion: Figure, print: Printer): string {
  if (Math.abs(pinion.value) < 0.05) return 'in the middle';
  const size = print({ ...pinion, value: Math.abs(pinion.value) }).text;
  return `${size} to the ${pinion.value > 0 ? 'left' : 'right'} of the middle`;
}

/** One row; its note names the defaults that its numbers rest on. */
export function row(item: string, note: string, of: (side: Side) => SheetCell): SheetRow {
  const cells = { left: of('left'), right: of('right') };
  const labels = SIDES.flatMap((side) => Object.values(cells[side].figure?.assumed ?? {}).map((a) => a.label));
  const assumed = labels.length
    ? `${ASSUMED_MARK} assumed: ${[...new Set(labels)].join(', ').toLowerCase()}`
    : '';
  return { item, note: [note, assumed].filter(Boolean).join('; '), cells };
}

function marksSection(plan: Plan, results: Results, print: Printer): SheetSection {
  const { marks } = results.marks;
  const { stand } = results;
  const school = results.schools.find((s) => s.school === plan.choices.school);
  if (!school || !isPlanned(school) || plan.choices.method === 'newTubes')
    return { title: 'Marks and lengths', rows: [] };
  const from = `from the ${DATUM_NAMES[markDatum(plan.choices.method, plan.choices.datum)]}`;
  const endOff = plan.choices.method === 'endOff';
  const work = { shorten: '', leave: 'no cut', widen: 'metal missing' };
  const done = (side: Side) => stand.by[side] === 'tacked' || stand.by[side] === 'welded';
  /** Marks of a side that is tacked are no instruction any more: the metal is cut. */
  const before = (of: (side: Side) => SheetCell) => (side: Side) =>
    done(side) ? { text: 'cut made' } : of(side);
  const cut = (side: Side) => {
    if (school.work[side] === 'shorten') return print(school.cut[side]);
    const cell = print(school.cut[side]);
    return cell.held === undefined && cell.figure
      ? { text: work[school.work[side]], figure: cell.figure }
      : cell;
  };
  const left = endOff
    ? [
        row(
          'Tube left on the casting',
          'a length, from the casting face',
          before((s) => print(marks[s]?.left)),
        ),
      ]
    : [];
  return {
    title: 'Marks and lengths',
    rows: [
      row('Cut', 'shorter by', cut),
      row(
        'Inner mark',
        `${from}; blade outboard of it`,
        before((s) => print(marks[s]?.inner.fromDatum)),
      ),
      row(
        endOff ? 'Outer mark: end comes off' : 'Outer mark',
        `${from}; blade inboard of it`,
        before((s) => print(marks[s]?.outer.fromDatum)),
      ),
      ...left,
      row(
        'Between the marks',
        'both kerfs inside',
        before((s) => print(marks[s]?.spacing)),
      ),
      row(
        'Slug that falls out',
        'measured loose',
        before((s) => print(marks[s]?.slug)),
      ),
      row('Blade kerf', 'allowed for', () => print(results.known['cut.kerf']?.figure)),
      row('Root gap', 'between the edges', () => print(results.known['cut.gap']?.figure)),
      row('Tube after tacking', 'casting to housing end', (s) => print(marks[s]?.tubeTacked, true)),
      row(
        'Tube after welding',
        stand.tube.left || stand.tube.right ? 'casting to housing end, as it stands' : 'casting to housing end',
        (s) => print(stand.tube[s] ?? marks[s]?.tubeWelded ?? unchanged(results, school.work[s], s), true),
      ),
      row('Half after welding', 'pinion axis to WMS', (s) => print(stand.half[s], true)),
    ],
  };
}

/** A tube that is not cut stays as the donor has it. */
const unchanged = ({ known }: Results, work: string, side: Side): Figure | undefined =>
  work === 'leave' ? known[`donor.tube.${side}`]?.figure : undefined;

function tubeSection(plan: Plan, { tubes, known }: Results, print: Printer, fine: Printer): SheetSection {
  const title = 'New tubes';
  if (plan.choices.method !== 'newTubes') return { title, rows: [] };
  const hold: SheetCell = { text: 'hold point' };
  return {
    title,
    rows: [
      row('Cut the tube to', 'insertion in it, end piece and gap off', (s) => print(tubes.piece[s], true)),
      row('Into the casting', 'mark it all round: it cannot be drawn back', () =>
        print(known['tube.insert']?.figure),
      ),
      row('Loosest', 'smallest tube in largest bore', (s) => fine(tubes.fit[s]?.least)),
      row('Tightest', 'largest tube in smallest bore', (s) => fine(tubes.fit[s]?.most)),
      row('Bore out of round', 'read across at four places', (s) => fine(tubes.fit[s]?.boreOval)),
      row('Press force', 'at the tightest', (s) => print(tubes.fit[s]?.force)),
      row('Stress over yield', 'of casting and tube', (s) => print(tubes.fit[s]?.stress)),
      row('Stop halfway', 'measure what stands out, and square, before the last third', () => hold),
      row('Weld tube to casting', 'before it is straightened; ends last', () => hold),
    ],
  };
}

function floatSection(
  plan: Plan,
  { float, known, ends }: Results,
  print: Printer,
  fine: Printer,
): SheetSection {
  const title = 'Full-float ends';
  if (plan.choices.retentionTo !== 'fullFloat') return { title, rows: [] };
  return {
    title,
    rows: [
      row('Plug turned to', 'smallest bore less the play', (s) => fine(float[s].plug)),
      row('Comes off the plug', 'in diameter', (s) => fine(float[s].turnOff)),
      row('Camber built in', 'plus leans out at the top', (s) => print(known[`float.camber.${s}`]?.figure)),
      row('Toe built in', 'plus is toe-in', (s) => print(known[`float.toe.${s}`]?.figure)),
      row('Drive spline out of line', 'what camber and toe ask of it', (s) => print(float[s].angle)),
      row('Plug-weld holes', 'from the tube’s end to their middle', (s) => print(float[s].holeFrom)),
      row('Hole to hole', 'round the outside, off the seam', (s) => print(float[s].holeStep)),
      row('WMS moves out', 'against the donor’s flange', (s) => print(ends.moved[s])),
    ],
  };
}

/** Expected against read; nothing while nothing was read after the work. */
function learnedSection({ learned, known }: Results, print: Printer, fine: Printer): SheetSection {
  const title = 'After tacking and welding';
  const { tackedOff, weldedOff, pull, shrink } = learned;
  if (!SIDES.some((s) => tackedOff[s] ?? weldedOff[s] ?? pull[s])) return { title, rows: [] };
  return {
    title,
    rows: [
      row('Tube tacked', 'read', (s) => print(known[`after.tacked.${s}`]?.figure)),
      row('Against expected', 'plus is longer', (s) => fine(tackedOff[s])),
      row('Tube welded', 'read', (s) => print(known[`after.welded.${s}`]?.figure)),
      row('Against expected', 'plus is longer', (s) => fine(weldedOff[s])),
      row('This weld pulled', 'tacked less welded', (s) => fine(pull[s])),
      row('Reckon the next butt with', 'mean of these welds', () => fine(shrink)),
    ],
  };
}

function shaftSection(results: Results, print: Printer): SheetSection {
  const { needs, fit } = results.shafts;
  if (!SIDES.some((s) => needs[s])) return { title: 'Shafts', rows: [] };
  const source = (side: Side): SheetCell => {
    const need = needs[side];
    return need ? { text: SOURCES[need.source] } : EMPTY;
  };
  return {
    title: 'Shafts',
    rows: [
      row('Shaft', 'where from', source),
      row('Length', 'wheel face to inner end', (s) => print(needs[s]?.fitted)),
      row('Length needed', 'before rounding', (s) => print(needs[s]?.needed)),
      row('Spline engaged, fully home', 'of the side gear’s spline', (s) => print(fit[s].engagedMin)),
      row('Spline engaged, fully out', 'of the side gear’s spline', (s) => print(fit[s].engagedMax)),
      row('Gap to the cross shaft', 'shaft fully home', (s) => print(fit[s].gap)),
    ],
  };
}

function squareSection(results: Results, print: Printer, fine: Printer): SheetSection {
  const latest = results.square.latest;
  const phases = SIDES.flatMap((s) =>
    latest[s] ? [`${s} ${PHASE_NAMES[latest[s].phase].toLowerCase()}`] : [],
  );
  if (phases.length === 0) return { title: 'Squareness', rows: [] };
  const far = (face: FaceSquare | undefined): SheetCell =>
    face ? { text: clockName(face.farthestRad) } : EMPTY;
  return {
    title: `Squareness, ${phases.join(', ')}`,
    rows: [
      row('Tilt', 'of the end face', (s) => print(latest[s]?.tilt, true)),
      row('Open or close at the tube', 'tilt across the tube’s outside', (s) => fine(latest[s]?.mend)),
      row('Stands farthest out', 'on the face', (s) => far(latest[s])),
      row('Camber', 'plus leans out at the top', (s) => print(latest[s]?.camber)),
      row('Toe', 'plus is toe-in', (s) => print(latest[s]?.toe)),
    ],
  };
}

export function sheetCheck(check: Check, unit: LengthUnit): SheetCheck {
  const { figure, limit, accepted } = check;
  return {
    level: check.level,
    title: check.title,
    figure: figure ? showAgainst(figure.value, limit?.value, figure.unit, unit) : '',
    limit: limit ? showAgainst(limit.value, limit.value, limit.unit, unit) : '',
    todo: check.todo,
    accepted: accepted ? `${accepted.reason} (${accepted.who}, ${accepted.at.slice(0, 10)})` : '',
    note: checkNote(check, unit),
  };
}

function checkNote({ lacks = [], within, assumed = [], figure }: Check, unit: LengthUnit): string {
  const said = [
    lacks.length ? `Missing: ${lacks.map(placeName).join(', ')}.` : '',
    within !== undefined && figure
      ? `Nearer its limit than the readings can tell: ± ${showAgainst(within, within, figure.unit, unit === 'frac' ? 'in' : unit)}.`
      : '',
    assumed.length
      ? `Assumed: ${assumed.map((a) => `${inSentence(a.label)} ${showValue(a.value, a.unit, unit)}`).join(', ')}.`
      : '',
  ];
  return said.filter(Boolean).join(' ');
}

export function limitLines(plan: Plan, unit: LengthUnit): string[] {
  return Object.entries(plan.limits).map(([id, change]) => {
    const limit = LIMITS[id as LimitId];
    const show = (v: number) => showAgainst(v, limit.fallback, limit.unit, unit);
    return `${limit.label}: ${show(change.value)} instead of ${show(limit.fallback)}. ${change.reason}`;
  });
}
