import type { PlaceId } from '../../../stage';
import { derive, type Figure, type Maybe } from '../../../measure';
import { track } from '../../stance/figures/stance';
import { node, type Reads } from '../node';

/** Where the centre of gravity is, by scales: mm, kg; left of the middle plus. */
interface Weighed {
  readonly mass: Maybe;
  readonly front: Maybe;
  readonly rear: Maybe;
  readonly fromRear: Maybe;
  readonly left: Maybe;
  /** Share of left front and right rear together. */
  readonly cross: Maybe;
  /** What is missing for the level readings, and for the height beside those. */
  readonly lacks: readonly PlaceId[];
  readonly lacksHeight: readonly string[];
}

const CORNERS = ['scales.leftFront', 'scales.rightFront', 'scales.leftRear', 'scales.rightRear'] as const;
const SUM = '({a} + {b} + {c} + {d})';

function corners(r: Reads): Readonly<Record<'a' | 'b' | 'c' | 'd', Figure>> | undefined {
  const [a, b, c, d] = CORNERS.map((id) => r.figure(id));
  return a && b && c && d ? { a, b, c, d } : undefined;
}

/** The car on four scales, level. */
export const weighed = node('weighed', (r): Weighed => {
  const all = corners(r);
  const [L, f, t] = [r.figure('brief.wheelbase'), r.figure('scales.trackFront'), r.of(track)];
  const say = (
    id: string,
    label: string,
    unit: Figure['unit'],
    formula: string,
    source: string,
    more: Readonly<Record<string, Maybe>> = {},
  ): Maybe =>
    all && Object.values(more).every((x) => x !== undefined)
      ? derive({
          id: `scales.${id}`,
          label,
          unit,
          formula,
          source,
          inputs: { ...all, ...(more as Readonly<Record<string, Figure>>) },
        })
      : undefined;
  return {
    mass: say('mass', 'Mass on the scales', 'kg', SUM, 'All four together'),
    front: say('front', 'Front axle on the scales', 'kg', '{a} + {b}', 'Both front scales'),
    rear: say('rear', 'Rear axle on the scales', 'kg', '{c} + {d}', 'Both rear scales'),
    fromRear: say(
      'fromRear',
      'Centre of gravity before the rear axle',
      'mm',
      `({a} + {b})·{L}/${SUM}`,
      'Moments about the rear wheels',
      { L },
    ),
    left: say(
      'left',
      'Centre of gravity left of the middle',
      'mm',
      `(({a} − {b})·{f} + ({c} − {d})·{t})/(2·${SUM})`,
      'Moments about the car’s middle',
      { f, t },
    ),
    cross: say('cross', 'Cross-weight', 'ratio', `({a} + {d})/${SUM}`, 'Left front and right rear, of all'),
    lacks: CORNERS.filter((id) => !r.figure(id)),
    lacksHeight: (
      ['scales.raisedRear', 'scales.raisedBy', 'drive.axleHeight', 'brief.wheelbase'] as const
    ).filter((id) => !r.figure(id)),
  };
});

/** What both rear wheels take for each mm that the body goes down, by a mass laid over the axle, N/mm. */
export const pressed = node('pressed', (r): Maybe => {
  const [m, d] = [r.figure('scales.pressed'), r.figure('scales.pressedBy')];
  return (
    m &&
    d &&
    derive({
      id: 'scales.rate',
      label: 'Rate of the rear, by the scales',
      unit: 'N/mm',
      formula: '{m}·9.80665/{d}',
      source: 'Weight laid over the axle by how far the body goes down: springs, bushings and bind together',
      inputs: { m, d },
    })
  );
});

/** Height of the centre of gravity above the ground, by what the rear scales gain with the front raised. */
export const height = node('height', (r): Maybe => {
  const all = corners(r);
  const [R, H, L, w] = [
    r.figure('scales.raisedRear'),
    r.figure('scales.raisedBy'),
    r.figure('brief.wheelbase'),
    r.figure('drive.axleHeight'),
  ];
  if (!all || !R || !H || !L || !w || H.value >= L.value) return undefined;
  return derive({
    id: 'scales.height',
    label: 'Centre of gravity above the ground, by scales',
    unit: 'mm',
    formula: `{w} + ({R} − {c} − {d})·{L}/(${SUM}·tan(asin({H}/{L})))`,
    source: 'Moments with the front raised: wheels’ centre, and what the rear scales gain over the slope',
    inputs: { ...all, R, H, L, w },
  });
});
