import {
  NO_CELL,
  row,
  SIDED,
  type Pen,
  type SheetCell,
  type SheetDef,
  type SheetHead,
  type SheetSection,
} from '../../../stage';
import { SIDES, type Side } from '../../../geometry';
import { withValue, type Figure } from '../../../measure';
import { USE_NAMES } from '../../brief/names';
import { RETENTION_NAMES } from '../../donor/names';
import { shafts } from '../../shafts/figures/shafts';
import { ROUTE_NAMES } from '../../shafts/names';
import { toBuy } from '../../shafts/shafts-stage';
import type { ShaftSource } from '../../shafts/shafts-result';
import { CAUTIONS } from '../../sheets/cautions';
import { cutDecisions } from '../decisions';
import { ends } from '../figures/ends';
import { marks as allMarks } from '../figures/marks';
import { school } from '../figures/schools';
import { learned, square, stand } from '../figures/stand';
import { float, tubes } from '../figures/tubes';
import { markDatum } from '../mark-places';
import { DATUM_NAMES, METHOD_NAMES, PHASE_NAMES, SCHOOL_NAMES } from '../names';
import { node, type Reads } from '../node';
import { clockName, type FaceSquare } from '../square-stage';
import { placeWord } from '../strip';
import { rearView } from '../views/rear';
import { standWords } from '../cut-checks';

const SOURCES: Readonly<Record<ShaftSource, string>> = {
  own: 'own stays',
  stockShort: 'stock short',
  stockPair: 'stock',
  new: 'new',
  shortened: 'own, shortened',
  other: 'to find',
};

function head(r: Reads, pen: Pen): SheetHead {
  const [plan, now] = [r.of(school), r.of(stand)];
  return [
    ['Car', r.field('brief', 'vehicle') || '–'],
    ['Donor', r.field('brief', 'donor') || '–'],
    ['Use', USE_NAMES[r.field('brief', 'use')]],
    ['Way to cut', SCHOOL_NAMES[r.choice('school')]],
    ['Method', METHOD_NAMES[r.choice('method')]],
    ['Marks from', datumText(r)],
    ['WMS width', pen.print(plan?.width).text],
    [standWords(now).length ? 'As it stands' : 'To expect', pen.print(now.width, true).text],
    ['Pinion', plan ? pinionText(plan.pinion, pen) : '–'],
    [
      'Shafts',
      `${RETENTION_NAMES[r.choice('retentionTo')]}, ${ROUTE_NAMES[r.choice('shaftRoute')].toLowerCase()}`,
    ],
    ['To buy', plan ? toBuy(r.of(shafts).needs, plan) : '–'],
  ];
}

/** From where marks are given; an end that comes off takes its face with it. */
function datumText(r: Reads): string {
  const datum = r.choice('datum');
  const from = markDatum(r.choice('method'), datum);
  return from === datum ? DATUM_NAMES[datum] : `${DATUM_NAMES[from]} (the housing end leaves with the end)`;
}

function pinionText(pinion: Figure, { print }: Pen): string {
  const place = placeWord(pinion.value);
  if (place === 'middle') return 'in the middle';
  const size = print(withValue(pinion, Math.abs(pinion.value))).text;
  return `${size} to the ${place} of the middle`;
}

function marksSection(r: Reads, { print }: Pen): SheetSection {
  const { marks } = r.of(allMarks);
  const now = r.of(stand);
  const [plan, method] = [r.of(school), r.choice('method')];
  if (!plan || method === 'newTubes') return { title: 'Marks and lengths', columns: SIDED, rows: [] };
  const from = `from the ${DATUM_NAMES[markDatum(method, r.choice('datum'))]}`;
  const endOff = method === 'endOff';
  // An axle that nothing is cut of has no marks, slug, kerf or gap.
  const sawn = SIDES.some((side) => plan.work[side] === 'shorten');
  const work = { shorten: '', leave: 'no cut', widen: 'metal missing' };
  const done = (side: Side) => now.by[side] === 'tacked' || now.by[side] === 'welded';
  /** Marks of a side that is tacked are no instruction any more: the metal is cut. */
  const before = (of: (side: Side) => SheetCell) => (side: Side) =>
    done(side) ? { text: 'cut made' } : of(side);
  const cut = (side: Side) => {
    if (plan.work[side] === 'shorten') return print(plan.cut[side]);
    const cell = print(plan.cut[side]);
    return cell.held === undefined && cell.figure ? { text: work[plan.work[side]], figure: cell.figure } : cell;
  };
  // Nobody saws at the first mark while the second is held: what contradicts itself may be off on either.
  const first = (side: Side, figure: Figure | undefined): SheetCell => {
    const second = print(marks[side]?.outer.fromDatum);
    return second.held === undefined ? print(figure) : second;
  };
  const left = endOff
    ? [
        row(
          'Tube left on the casting',
          'a length, from the casting face',
          before((s) => first(s, marks[s]?.left)),
        ),
      ]
    : [];
  return {
    title: 'Marks and lengths',
    columns: SIDED,
    rows: [
      row('Cut', 'shorter by', cut),
      ...(sawn
        ? [
            row(
              'Inner mark',
              `${from}; blade outboard of it`,
              before((s) => first(s, marks[s]?.inner.fromDatum)),
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
            row('Blade kerf', 'allowed for', () => print(r.figure('cut.kerf'))),
            row('Root gap', 'between the edges', () => print(r.figure('cut.gap'))),
          ]
        : []),
      row('Tube after tacking', 'casting to housing end', (s) => print(marks[s]?.tubeTacked, true)),
      row(
        'Tube after welding',
        now.tube.left || now.tube.right ? 'casting to housing end, as it stands' : 'casting to housing end',
        (s) => print(now.tube[s] ?? marks[s]?.tubeWelded ?? unchanged(r, plan.work[s], s), true),
      ),
      row('Half after welding', 'pinion axis to WMS', (s) => print(now.half[s], true)),
    ],
  };
}

/** A tube that is not cut stays as the donor has it. */
const unchanged = (r: Reads, work: string, side: Side): Figure | undefined =>
  work === 'leave' ? r.figure(`donor.tube.${side}`) : undefined;

function tubeSection(r: Reads, { print, fine }: Pen): SheetSection {
  const { piece, fit } = r.of(tubes);
  const title = 'New tubes';
  if (r.choice('method') !== 'newTubes') return { title, columns: SIDED, rows: [] };
  const hold: SheetCell = { text: 'hold point' };
  return {
    title,
    columns: SIDED,
    rows: [
      row('Cut the tube to', 'insertion in it, end piece and gap off', (s) => print(piece[s], true)),
      row('Into the casting', 'mark it all round: it cannot be drawn back', () =>
        print(r.figure('tube.insert')),
      ),
      row('Loosest', 'smallest tube in largest bore', (s) => fine(fit[s]?.least)),
      row('Tightest', 'largest tube in smallest bore', (s) => fine(fit[s]?.most)),
      row('Bore out of round', 'read across at four places', (s) => fine(fit[s]?.boreOval)),
      row('Press force', 'at the tightest', (s) => print(fit[s]?.force)),
      row('Stress over yield', 'of casting and tube', (s) => print(fit[s]?.stress)),
      row('Stop halfway', 'measure what stands out, and square, before the last third', () => hold),
      row('Weld tube to casting', 'before it is straightened; ends last', () => hold),
    ],
  };
}

function floatSection(r: Reads, { print, fine }: Pen): SheetSection {
  const made = r.of(float);
  const title = 'Full-float ends';
  if (r.choice('retentionTo') !== 'fullFloat') return { title, columns: SIDED, rows: [] };
  return {
    title,
    columns: SIDED,
    rows: [
      row('Plug turned to', 'smallest bore less the play', (s) => fine(made[s].plug)),
      row('Comes off the plug', 'in diameter', (s) => fine(made[s].turnOff)),
      row('Camber built in', 'plus leans out at the top', (s) => print(r.figure(`float.camber.${s}`))),
      row('Toe built in', 'plus is toe-in', (s) => print(r.figure(`float.toe.${s}`))),
      row('Drive spline out of line', 'what camber and toe ask of it', (s) => print(made[s].angle)),
      row('Plug-weld holes', 'from the tube’s end to their middle', (s) => print(made[s].holeFrom)),
      row('Hole to hole', 'round the outside, off the seam', (s) => print(made[s].holeStep)),
      row('WMS moves out', 'against the donor’s flange', (s) => print(r.of(ends).moved[s])),
    ],
  };
}

/** Expected against read; nothing while nothing was read after the work. */
function learnedSection(r: Reads, { print, fine }: Pen): SheetSection {
  const title = 'After tacking and welding';
  const { tackedOff, weldedOff, pull, shrink } = r.of(learned);
  if (!SIDES.some((s) => tackedOff[s] ?? weldedOff[s] ?? pull[s])) return { title, columns: SIDED, rows: [] };
  return {
    title,
    columns: SIDED,
    rows: [
      row('Tube tacked', 'read', (s) => print(r.figure(`after.tacked.${s}`))),
      row('Against expected', 'plus is longer', (s) => fine(tackedOff[s])),
      row('Tube welded', 'read', (s) => print(r.figure(`after.welded.${s}`))),
      row('Against expected', 'plus is longer', (s) => fine(weldedOff[s])),
      row('This weld pulled', 'tacked less welded', (s) => fine(pull[s])),
      row('Reckon the next butt with', 'mean of these welds', () => fine(shrink)),
    ],
  };
}

function shaftSection(r: Reads, { print }: Pen): SheetSection {
  const { needs, fit } = r.of(shafts);
  if (!SIDES.some((s) => needs[s])) return { title: 'Shafts', columns: SIDED, rows: [] };
  const source = (side: Side): SheetCell => {
    const need = needs[side];
    return need ? { text: SOURCES[need.source] } : NO_CELL;
  };
  return {
    title: 'Shafts',
    columns: SIDED,
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

function squareSection(r: Reads, { print, fine }: Pen): SheetSection {
  const { latest } = r.of(square);
  const phases = SIDES.flatMap((s) =>
    latest[s] ? [`${s} ${PHASE_NAMES[latest[s].phase].toLowerCase()}`] : [],
  );
  if (phases.length === 0) return { title: 'Squareness', columns: SIDED, rows: [] };
  const far = (face: FaceSquare | undefined): SheetCell =>
    face ? { text: clockName(face.farthestRad) } : NO_CELL;
  return {
    title: `Squareness, ${phases.join(', ')}`,
    columns: SIDED,
    rows: [
      row('Tilt', 'of the end face', (s) => print(latest[s]?.tilt, true)),
      row('Open or close at the tube', 'tilt across the tube’s outside', (s) => fine(latest[s]?.mend)),
      row('Stands farthest out', 'on the face', (s) => far(latest[s])),
      row('Camber', 'plus leans out at the top', (s) => print(latest[s]?.camber)),
      row('Toe', 'plus is toe-in', (s) => print(latest[s]?.toe)),
    ],
  };
}

const SECTIONS = [
  marksSection,
  tubeSection,
  floatSection,
  learnedSection,
  shaftSection,
  squareSection,
] as const;

/** What the saw and the welder work by. */
export const cutSheet: SheetDef<Reads> = {
  id: 'cut',
  title: 'Cut sheet',
  address: 'cut-sheet',
  bench: true,
  views: node('cutSheetViews', (r) => [r.of(rearView)]),
  head,
  sections: (r, pen) => SECTIONS.map((section) => section(r, pen)),
  decisions: cutDecisions,
  cautions: CAUTIONS,
  notes: node('sheetNotes', (r) => r.field('brief', 'notes')),
};
