import type { Caption, Point, Shape, View } from '../../../drawing';
import { JOINT_NAMES, type JointId, type Verdict } from '../joints/choices';
import { joints } from '../joints/joints';
import { node, type Reads } from '../node';

/** Sizes that are drawn where nothing is read, mm. */
const USUAL = { body: 30, flange: 150, space: 70, seat: 18 } as const;
const FLANGE = 10;
const PILOT = 9;
const STUD = 32;
const SEAL = 10;
const HOUSING = 46;

const WORDS: Readonly<Record<Verdict, string>> = {
  fits: 'fits',
  work: 'fits with work',
  no: 'does not join',
  unknown: 'not known',
};

/** Both halves of a part that is round about the axle: from where to where, and its inner and outer diameter. */
interface Ring {
  readonly style: Shape['style'];
  readonly name: string;
  readonly at?: string;
  readonly along: readonly [number, number];
  readonly inside: number;
  readonly outside: number;
}

const halves = ({ style, name, at, along: [a, b], inside, outside }: Ring): readonly Shape[] =>
  [1, -1].map((s): Shape => ({
    kind: 'outline',
    style,
    name,
    ...(at === undefined ? {} : { at }),
    points: [
      [a, (s * inside) / 2],
      [b, (s * inside) / 2],
      [b, (s * outside) / 2],
      [a, (s * outside) / 2],
    ],
  }));

/**
 * The wheel’s end of the donor in section, housing-end face at u = 0, wheel face outboard to the right: shaft, bearing,
 * seal, flange, pilot and studs as they are read, each joint with its verdict. What is not read is dashed, at a usual size.
 */
export const endSectionView = node('endSection', (r): View => {
  const size = (id: Parameters<Reads['figure']>[0]) => r.figure(id)?.value;
  const space = size('donor.brakeSpace.left') ?? USUAL.space;
  const [journal, bore, width] = [size('donor.journal'), size('donor.bearingBore'), size('donor.bearingWidth')];
  const rim = size('donor.flangeRim') ?? USUAL.flange;
  const body = size('donor.shaftBody.left') ?? USUAL.body;
  const seat = width ?? USUAL.seat;
  const outer = Math.max(bore ?? 0, size('donor.tubeOd') ?? 0, 60) + 24;
  const end = space + PILOT + STUD;
  const shapes: Shape[] = [
    {
      kind: 'outline',
      style: size('donor.shaftBody.left') === undefined ? 'ghost' : 'shaft',
      name: 'shaft',
      points: box(-HOUSING - seat, space - FLANGE, body),
    },
    ...halves({
      style: 'casting',
      name: 'housing end',
      along: [-HOUSING - seat, 0],
      inside: bore ?? journal ?? body + 20,
      outside: outer,
    }),
    ...bearingShapes(r, seat),
    ...flangeShapes(r, { space, rim }),
    {
      kind: 'line',
      style: 'centreline',
      points: [
        [-HOUSING - seat - 8, 0],
        [end, 0],
      ],
    },
  ];
  const top = Math.max(outer, rim) / 2;
  return {
    title: 'Wheel’s end of the donor, in section',
    bounds: { left: -HOUSING - seat - 150, right: end + 130, top: top + 8, bottom: -top - 8 },
    shapes,
    dimensions: [],
    handles: [],
    captions: captionsOf(r, { space, seat, top }),
  };
});

const box = (a: number, b: number, diameter: number): readonly Point[] => [
  [a, -diameter / 2],
  [b, -diameter / 2],
  [b, diameter / 2],
  [a, diameter / 2],
];

function bearingShapes(r: Reads, seat: number): readonly Shape[] {
  const [journal, bore] = [r.figure('donor.journal')?.value, r.figure('donor.bearingBore')?.value];
  const [lip, hole] = [r.figure('donor.sealJournal')?.value, r.figure('donor.sealBore')?.value];
  // A clip’s axle has its seal outboard of the bearing, others inboard.
  const outboard = r.choice('retention') === 'cClip';
  const along = outboard ? ([-SEAL - seat, -SEAL] as const) : ([-seat, 0] as const);
  const sealed = outboard ? ([-SEAL, 0] as const) : ([-seat - SEAL, -seat] as const);
  return [
    ...(journal !== undefined && bore !== undefined
      ? halves({
          style: 'journal',
          name: 'wheel bearing',
          at: 'donor.journal',
          along,
          inside: journal,
          outside: bore,
        })
      : []),
    ...(lip !== undefined && hole !== undefined
      ? halves({
          style: 'caliper',
          name: 'seal',
          at: 'donor.sealJournal',
          along: sealed,
          inside: lip,
          outside: hole,
        })
      : []),
  ];
}

function flangeShapes(
  r: Reads,
  { space, rim }: { readonly space: number; readonly rim: number },
): readonly Shape[] {
  const [pilot, pcd, hole] = [
    r.figure('donor.pilot')?.value,
    r.figure('donor.flangePcd')?.value,
    r.figure('donor.flangeHole')?.value,
  ];
  const bore = r.figure('car.wheelBore')?.value;
  const read = r.figure('donor.flangeRim') !== undefined;
  return [
    {
      kind: 'outline',
      style: read ? 'flange' : 'ghost',
      name: read ? 'wheel flange' : 'wheel flange, its diameter is not read',
      at: 'donor.flangeRim',
      points: box(space - FLANGE, space, rim),
    },
    ...(pilot === undefined
      ? []
      : [
          {
            kind: 'outline' as const,
            style: 'flange' as const,
            name: 'pilot',
            at: 'donor.pilot',
            points: box(space, space + PILOT, pilot),
          },
        ]),
    ...(bore === undefined
      ? []
      : halves({
          style: 'ghost',
          name: 'wheel',
          at: 'car.wheelBore',
          along: [space, space + 14],
          inside: bore,
          outside: Math.max(bore + 60, (pcd ?? 0) + 30),
        })),
    ...(pcd === undefined
      ? []
      : [1, -1].map((s): Shape => ({
          kind: 'outline',
          style: 'rotor',
          name: 'stud',
          at: 'donor.flangePcd',
          points: box(space - FLANGE - 4, space + STUD, hole ?? 12).map(([u, v]): Point => [
            u,
            v + (s * pcd) / 2,
          ]),
        }))),
  ];
}

/** Joints beside the part they are at, with their sizes where both faces are read. */
function captionsOf(
  r: Reads,
  { space, seat, top }: { readonly space: number; readonly seat: number; readonly top: number },
): readonly Caption[] {
  const found = new Map(r.of(joints).map((j) => [j.id, j]));
  const word = (id: JointId, at: Point, anchor: Caption['anchor']): Caption => ({
    text: `${JOINT_NAMES[id]}: ${WORDS[found.get(id)?.verdict ?? 'unknown']}`,
    at,
    anchor,
  });
  const left = -HOUSING - seat - 12;
  const right = space + STUD + 12;
  return [
    word('bearing', [left, top * 0.62], 'end'),
    word('seal', [left, top * 0.3], 'end'),
    word('brakeBracket', [left, -top * 0.5], 'end'),
    word('spline', [left, -top * 0.16], 'end'),
    word('wheelPattern', [right, top * 0.72], 'start'),
    word('studNut', [right, top * 0.42], 'start'),
    word('wheelPilot', [right, top * 0.1], 'start'),
  ];
}
