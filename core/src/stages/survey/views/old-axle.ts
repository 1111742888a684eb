import { valuesOf, type QuantityIdOf } from '../../../stage';
import { node } from '../node';
import type { survey } from '../words';
import { SIDES, type Side } from '../../../geometry';
import { bar, type Dimension, type Shape, type View } from '../../../drawing';

type SurveyId = QuantityIdOf<typeof survey>;

const USUAL_TUBE = 70;
const FLANGE = 10;
/** Half-width of the drawing while nothing is measured, mm. */
const EMPTY_HALF = 700;

/** The car's axle as surveyed, from behind, origin on the car's centreline. */
export const surveyView = node('oldAxleView', (r): View => {
  const of = valuesOf(r);
  const od = of('survey.tubeOd') ?? USUAL_TUBE;
  const [left, right] = [of('survey.left'), of('survey.right')];
  const tall = od * 2.4;
  const pinion = of('survey.pinion');
  const gearbox = of('survey.gearbox');
  const reach = { left: -(left ?? EMPTY_HALF), right: right ?? EMPTY_HALF };
  const shapes: Shape[] = [
    {
      kind: 'outline',
      style: left && right ? 'tube' : 'ghost',
      points: bar(reach.left, reach.right, od),
      at: 'survey.tubeOd',
    },
    { kind: 'circle', style: 'casting', centre: [-(pinion ?? 0), 0], radius: od * 1.5, at: 'survey.pinion' },
    {
      kind: 'line',
      style: 'centreline',
      points: [
        [0, -tall],
        [0, tall],
      ],
    },
    ...SIDES.map((side): Shape => {
      const at = side === 'left' ? reach.left : reach.right;
      const style = of(`survey.${side}`) === undefined ? 'ghost' : 'flange';
      return {
        kind: 'outline',
        style,
        points: bar(at, at + (side === 'left' ? FLANGE : -FLANGE), od * 2.2),
        at: `survey.${side}`,
      };
    }),
  ];
  if (pinion !== undefined)
    shapes.push({
      kind: 'line',
      style: 'axis',
      points: [
        [-pinion, -20],
        [-pinion, 20],
      ],
      at: 'survey.pinion',
    });
  if (gearbox !== undefined)
    shapes.push({
      kind: 'circle',
      style: 'mark',
      centre: [-gearbox, 0],
      radius: od * 0.45,
      at: 'survey.gearbox',
    });
  return {
    title: 'Rear view, axle in the car',
    bounds: { top: tall, bottom: -tall, ...reach },
    shapes,
    dimensions: dimensions(of, od),
    handles: [],
    captions: [
      { text: 'car centreline', at: [0, -tall], anchor: (pinion ?? gearbox ?? 0) > 0 ? 'start' : 'end' },
      { text: 'LEFT', at: [reach.left * 0.7, tall * 0.6], anchor: 'middle' },
      { text: 'RIGHT', at: [reach.right * 0.7, tall * 0.6], anchor: 'middle' },
    ],
  };
});

type Known = (id: SurveyId) => number | undefined;

function dimensions(of: Known, od: number): Dimension[] {
  const list: Dimension[] = [];
  const half = (side: Side) => {
    const value = of(`survey.${side}`);
    if (value === undefined) return;
    const to = side === 'left' ? -value : value;
    const id = `survey.${side}` as const;
    list.push({
      id,
      label: `Centreline to ${side} WMS`,
      from: [Math.min(0, to), od],
      to: [Math.max(0, to), od],
      row: 1,
      value,
      figureId: id,
      quantityId: id,
    });
  };
  SIDES.forEach(half);
  const [L, R, W] = [of('survey.left'), of('survey.right'), of('survey.width')];
  if (L !== undefined && R !== undefined && W !== undefined)
    list.push({
      id: 'survey.width',
      label: 'WMS width',
      from: [-L, od],
      to: [R, od],
      row: 2,
      value: W,
      figureId: 'survey.width',
      quantityId: 'survey.width',
    });
  const place = (id: SurveyId, name: string, label: string, row: number) => {
    const value = of(id);
    if (value !== undefined)
      list.push({
        id,
        name,
        label,
        from: [0, -od],
        to: [-value, -od],
        row,
        value,
        figureId: id,
        quantityId: id,
        signed: true,
      });
  };
  place('survey.pinion', 'pinion', 'Pinion axis from centreline', -1);
  place('survey.gearbox', 'gearbox', 'Gearbox output from centreline', -2);
  return list;
}
