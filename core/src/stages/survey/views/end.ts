import { valuesOf } from '../../../stage';
import { node } from '../node';
import { bar, type Caption, type Point, type Shape, type View } from '../../../drawing';

/** How many times the lean is drawn larger than it is. */
export const LEAN_DRAWN = 15;
/** Size of the car as drawn while only its heights are known, mm. */
const HALF = 620;
const BODY = 520;
const USUAL_HEIGHT = 250;
const TYRE = { width: 190, diameter: 600 };
/** Between the middles of the two ends, mm. */
const APART = 1640;

/**
 * The car from behind at its front and rear end side by side, the left of the car at the left: sill heights
 * and the lean between them, drawn larger. Origin on the floor in the middle of the picture.
 */
export const endView = node('endView', (r): View => {
  const of = valuesOf(r);
  const ends = [
    {
      name: 'Front',
      middle: -APART / 2,
      left: of('level.height.leftFront'),
      right: of('level.height.rightFront'),
    },
    { name: 'Rear', middle: APART / 2, left: of('level.height.leftRear'), right: of('level.height.rightRear') },
  ];
  const drawn = ends.map((end) => drawEnd(end));
  return {
    title: `Car from behind at both ends, lean drawn ${LEAN_DRAWN} times`,
    bounds: { left: -APART / 2 - HALF - 110, right: APART / 2 + HALF + 110, top: 940, bottom: -170 },
    shapes: drawn.flatMap((d) => d.shapes),
    dimensions: [],
    handles: [],
    captions: [
      ...drawn.flatMap((d) => d.captions),
      { text: `lean drawn ${LEAN_DRAWN} times`, at: [0, -150], anchor: 'middle' },
    ],
  };
});

interface End {
  readonly name: string;
  readonly middle: number;
  readonly left: number | undefined;
  readonly right: number | undefined;
}

function drawEnd({ name, middle, left, right }: End): { shapes: Shape[]; captions: Caption[] } {
  const known = left !== undefined && right !== undefined;
  const mean = known ? (left + right) / 2 : USUAL_HEIGHT;
  const raise = known ? ((left - right) / 2) * LEAN_DRAWN : 0;
  const id = (side: string) => `level.height.${side}${name}`;
  const [sillLeft, sillRight]: [Point, Point] = [
    [middle - HALF, mean + raise],
    [middle + HALF, mean - raise],
  ];
  // The body is drawn square to its sills, small angles taken as shears.
  const shift = (raise / HALF) * BODY;
  const body: Point[] = [
    sillLeft,
    sillRight,
    [middle + HALF * 0.8 + shift, mean - raise + BODY],
    [middle - HALF * 0.8 + shift, mean + raise + BODY],
  ];
  const tyre = (u: number): Shape => ({
    kind: 'outline',
    style: 'ghost',
    points: bar(u - TYRE.width / 2, u + TYRE.width / 2, TYRE.diameter).map(([x, v]): Point => [
      x,
      v + TYRE.diameter / 2,
    ]),
  });
  // In rows of their own within the body: however narrow the picture is, no length runs into another.
  const sill = (value: number | undefined, at: Point, anchor: Caption['anchor']): Caption =>
    value === undefined ? { text: 'not read', at, anchor } : { text: '{}', length: value, at, anchor };
  return {
    shapes: [
      tyre(middle - HALF + TYRE.width / 2),
      tyre(middle + HALF - TYRE.width / 2),
      { kind: 'outline', style: known ? 'casting' : 'ghost', points: body },
      {
        kind: 'line',
        style: 'axis',
        points: [
          [middle - HALF - 90, 0],
          [middle + HALF + 90, 0],
        ],
      },
      { kind: 'line', style: 'mark', points: [[middle - HALF, 0], sillLeft], at: id('left') },
      { kind: 'line', style: 'mark', points: [[middle + HALF, 0], sillRight], at: id('right') },
      {
        kind: 'line',
        style: 'centreline',
        points: [
          [middle - HALF, mean],
          [middle + HALF, mean],
        ],
      },
    ],
    captions: [
      { text: name, at: [middle, 880], anchor: 'middle' },
      sill(left, [middle - HALF * 0.78, mean + BODY * 0.62], 'start'),
      sill(right, [middle + HALF * 0.82, mean + BODY * 0.2], 'end'),
    ],
  };
}
