import type { Caption, Point, Shape, View } from '../../../drawing';
import type { FigureUnit, Maybe } from '../../../measure';
import { bare, cellsRow, type Pen, type SheetDef, type SheetSection } from '../../../stage';
import { formatAngle } from '../../../units';
import { CAUTIONS } from '../../sheets/cautions';
import { SUSPENSION_NAMES } from '../../driveline/names';
import { linksDecision } from '../decisions';
import { solvedFrom, standing } from '../figures/study';
import type { Stand } from '../study';
import { node, type Reads } from '../node';
import { alongTravel, type AlongTravel } from '../travel';

/** Places of the table along the travel, and of the curves. */
const ROWS = 9;
const CURVE = 41;

const travels = new WeakMap<Stand, AlongTravel | undefined>();
/** The travel of a stand, worked out once. */
function travelOf(stand: Stand): AlongTravel | undefined {
  if (!travels.has(stand)) travels.set(stand, alongTravel(stand, 0, CURVE));
  return travels.get(stand);
}

const along = node('alongCurve', (r): AlongTravel | undefined => {
  const stands = r.of(standing);
  return stands && travelOf(stands.stand);
});

type Told = Exclude<keyof AlongTravel, 'heave'>;
const COLUMNS: readonly (readonly [key: Told, title: string, unit: FigureUnit])[] = [
  ['pinion', 'pinion, nose up +', 'rad'],
  ['forward', 'forward', 'mm'],
  ['left', 'to the left', 'mm'],
  ['steer', 'steers left', 'rad'],
  ['antiSquat', 'anti-squat', 'ratio'],
  ['rollCentre', 'roll centre', 'mm'],
  ['bind', 'links lack', 'mm'],
];

const TRAVEL = ['spring.bump', 'spring.droop'];
const CAR = ['brief.wheelbase', 'brief.cgHeight'];

/** A number of the travel, with all that it rests on. */
function figureAt(r: Reads, key: Told, unit: FigureUnit, i: number): Maybe {
  const stands = r.of(standing);
  return (
    stands &&
    solvedFrom(
      stands,
      {
        id: `travel.${key}.${i}`,
        label: 'Along the travel',
        unit,
        source: 'Solved: where the links let the axle go',
      },
      (stand) => travelOf(stand)?.[key][i] ?? Number.NaN,
      key === 'antiSquat' ? [...TRAVEL, ...CAR] : TRAVEL,
    )
  );
}

function sections(r: Reads, { print }: Pen): readonly SheetSection[] {
  const found = r.of(along);
  if (!found) return [];
  const step = (CURVE - 1) / (ROWS - 1);
  const table = (title: string, columns: readonly (typeof COLUMNS)[number][]): SheetSection => ({
    title,
    columns: columns.map(([, name]) => name),
    rows: Array.from({ length: ROWS }, (_, k) => {
      const i = k * step;
      const z = found.heave[i] ?? 0;
      return cellsRow(
        z === 0 ? 'ride height' : `${print(bare(Math.abs(z))).text} ${z > 0 ? 'up' : 'down'}`,
        '',
        columns.map(([key, , unit]) => print(figureAt(r, key, unit, i))),
      );
    }),
  });
  return [
    table('Where the axle goes, level', COLUMNS.slice(0, 3)),
    table('How it steers and squats', COLUMNS.slice(3, 5)),
    table('Where it rolls, and what its links lack', COLUMNS.slice(5)),
  ];
}

/** Height that every curve is drawn with, mm. */
const TALL = 60;

const told = (value: number, unit: FigureUnit): Pick<Caption, 'text' | 'length'> =>
  unit === 'mm'
    ? { text: '{}', length: value }
    : { text: unit === 'rad' ? formatAngle(value) : `${(100 * value).toFixed(1)} %` };

/** A curve along the heave, which is to scale; upward it fills its picture, with its ends said. */
function curveView(found: AlongTravel, [key, title, unit]: (typeof COLUMNS)[number]): View | undefined {
  const points = found.heave.flatMap((z, i): (readonly [number, number])[] => {
    const v = found[key][i];
    return v !== undefined && Number.isFinite(v) ? [[z, v]] : [];
  });
  const [first, last] = [points[0], points.at(-1)];
  if (!first || !last || points.length < 2) return undefined;
  const values = points.map(([, v]) => v);
  const [low, high] = [Math.min(...values), Math.max(...values)];
  const k = high > low ? TALL / (high - low) : 0;
  const at = ([z, v]: readonly [number, number]): Point => [z, (v - low) * k];
  const line = (name: string, style: Shape['style'], ends: readonly Point[]): Shape => ({
    kind: 'line',
    style,
    name,
    points: ends,
  });
  return {
    title: `${title.charAt(0).toUpperCase()}${title.slice(1)} along the heave, ride height at the dashed line`,
    bounds: { left: first[0] - 30, right: last[0] + 30, top: TALL + 12, bottom: -12 },
    shapes: [
      line('heave', 'axis', [
        [first[0], -4],
        [last[0], -4],
      ]),
      line('ride height', 'centreline', [
        [0, -4],
        [0, TALL + 4],
      ]),
      line(title, 'mark', points.map(at)),
    ],
    dimensions: [],
    handles: [],
    captions: [
      { ...told(first[1], unit), at: [first[0] - 3, at(first)[1]], anchor: 'end' },
      { ...told(last[1], unit), at: [last[0] + 3, at(last)[1]], anchor: 'start' },
    ],
  };
}

const curves = node('curves', (r): readonly View[] => {
  const found = r.of(along);
  return found ? COLUMNS.flatMap((column) => curveView(found, column) ?? []) : [];
});

/** What the axle does from droop to bump, as curves and as a table. */
export const travelSheet: SheetDef<Reads> = {
  id: 'travel',
  title: 'Along the travel',
  address: 'along-the-travel',
  views: curves,
  head: (r) => [
    ['Car', r.field('brief', 'vehicle') || '–'],
    ['Axle held by', SUSPENSION_NAMES[r.choice('suspension')]],
  ],
  sections,
  checks: ['motion'],
  decisions: [linksDecision],
  cautions: CAUTIONS,
};
