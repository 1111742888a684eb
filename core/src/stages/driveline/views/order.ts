import { bar, type Dimension, type Shape, type View } from '../../../drawing';
import type { Figure } from '../../../measure';
import { atRest } from '../figures/motion';
import { datums } from '../figures/datums';
import { node, type Reads } from '../node';

const JOINT = 46;

/** Each driveshaft laid straight, between joint centres, with what its shop asks for. */
export const orderView = node('orderView', (r): readonly View[] => {
  const shafts = r.of(atRest)?.shafts ?? [];
  const turned = r.figure('drive.phase');
  return [
    ...shafts.map(({ length }, i) => viewOf(r, length, i, shafts.length)),
    ...(shafts.length && turned?.value ? [yokesView(turned)] : []),
  ];
});

const EYE = 46;

/** The last shaft’s yokes, seen from behind the car: the front one level, the rear one turned; plus is anticlockwise. */
function yokesView(turned: Figure): View {
  const [c, s] = [Math.cos(turned.value), Math.sin(turned.value)];
  const across = (style: 'ghost' | 'axis', [x, y]: readonly [number, number], name: string): Shape => ({
    kind: 'line',
    style,
    points: [
      [-EYE * x, -EYE * y],
      [EYE * x, EYE * y],
    ],
    name,
  });
  return {
    title: 'Yokes of the last shaft, seen from behind',
    bounds: { left: -5 * EYE, right: 5 * EYE, top: 1.4 * EYE, bottom: -1.6 * EYE },
    shapes: [
      { kind: 'circle', style: 'detail', centre: [0, 0], radius: EYE * 0.7, name: 'tube' },
      across('ghost', [1, 0], 'front yoke’s arm'),
      across('axis', [c, s], 'rear yoke’s arm'),
    ],
    dimensions: [],
    handles: [],
    captions: [
      { text: 'seen from behind', at: [0, -1.2 * EYE], anchor: 'middle' },
      { text: 'front yoke', at: [-1.3 * EYE, 0], anchor: 'end' },
      { text: 'rear yoke', at: [1.3 * EYE * c, 1.3 * EYE * s], anchor: 'start' },
    ],
  };
}

function viewOf(r: Reads, length: Figure, i: number, count: number): View {
  const last = i + 1 === count;
  const D = r.figure(last ? 'drive.outside' : 'drive.frontOutside')?.value ?? 64;
  const L = length.value;
  const { seal, flange } = r.of(datums);
  const [before, behind] = [i === 0 ? extra(seal, L) : 0, last ? extra(flange, L) : 0];
  const shapes: Shape[] = [
    { kind: 'outline', style: 'shaft', points: bar(JOINT, L - JOINT, D), name: 'tube' },
    ...[0, L].map((u): Shape => ({
      kind: 'circle',
      style: 'journal',
      centre: [u, 0],
      radius: JOINT / 2,
      name: 'joint',
    })),
    {
      kind: 'line',
      style: 'centreline',
      points: [
        [-before - 30, 0],
        [L + behind + 30, 0],
      ],
    },
  ];
  const dimension = (
    figure: Figure | undefined,
    from: number,
    to: number,
    row: number,
    name: string,
  ): Dimension[] =>
    figure
      ? [
          {
            id: `${figure.id}.${row}`,
            label: figure.label,
            name,
            from: [from, (Math.sign(row) * D) / 2],
            to: [to, (Math.sign(row) * D) / 2],
            row,
            value: figure.value,
            figureId: figure.id,
            fine: !figure.byTape,
          },
        ]
      : [];
  return {
    title: count > 1 ? (i === 0 ? 'Front driveshaft' : 'Rear driveshaft') : 'Driveshaft',
    bounds: { left: -before - 60, right: L + behind + 60, top: D, bottom: -D },
    shapes,
    dimensions: [
      ...dimension(length, 0, L, 1, 'centre to centre'),
      ...(i === 0 ? dimension(seal, -before, L, 2, 'seal to centre') : []),
      ...(last ? dimension(flange, 0, L + behind, -1, 'centre to flange') : []),
    ],
    handles: [],
    captions: [
      { text: 'front', at: [-before - 40, D * 0.7], anchor: 'start' },
      { text: 'rear', at: [L + behind + 40, D * 0.7], anchor: 'end' },
    ],
  };
}

const extra = (figure: Figure | undefined, L: number): number => (figure ? figure.value - L : 0);
