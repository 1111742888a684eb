import { SIDES, type Side } from '../../geometry';
import { quantities } from './headings';

/** Shortest and longest end piece, mm. */
export const END_PIECE = [5, 600] as const;

const cutting = quantities('saw', { instrument: 'caliper', datum: 'none' });

function cutSide(side: Side) {
  const mark = quantities(`${side}Tube`, {
    side,
    instrument: 'chosen',
    datum: 'casting face',
    byTape: true,
  });
  return [
    mark(`cut.mark.${side}`, 'First mark', 'Casting face to the inner scribe mark of the slug.', [0, 1200]),
    mark(`cut.endPiece.${side}`, 'End piece', 'Housing-end face to the end piece’s prepared edge.', END_PIECE, {
      instrument: 'caliper',
      byTape: false,
      datum: 'housing-end face',
    }),
  ];
}

/** The saw, the marks, the weld. */
export const CUT = [
  quantities('pinion')(
    'cut.pinion',
    'Pinion wanted at',
    'From the middle of the WMS width, plus to the left.',
    [-400, 400],
    {
      instrument: 'chosen',
      datum: 'middle of the WMS width',
      byTape: true,
    },
  ),
  ...SIDES.flatMap(cutSide),
  cutting('cut.kerf', 'Blade kerf', 'Width of the slot this blade cuts, from a trial cut.', [0.2, 8], {
    belongs: 'car',
    fallback: { value: 1.6, off: 0.5, why: 'a usual thin disc, measure yours' },
  }),
  cutting('cut.gap', 'Root gap', 'Gap left between the edges for the weld.', [0, 8], {
    instrument: 'straightedge',
    belongs: 'car',
    fallback: { value: 2, off: 0.05, why: 'a usual root gap, set with a feeler' },
  }),
  cutting(
    'cut.shrink',
    'Weld shrinkage',
    'How much shorter one butt gets, measured on your own weld.',
    [0, 5],
    {
      belongs: 'car',
      fallback: { value: 0.8, off: 0.5, why: 'default until this welder has measured' },
    },
  ),
  cutting(
    'cut.pull',
    'Shrinkage of the next weld',
    'What this welder’s welds on this axle have pulled: reckoned with on a side that is not tacked yet.',
    [0, 5],
    { instrument: 'rule' },
  ),
  cutting(
    'shaft.spline',
    'New shaft’s spline length',
    'Full-depth spline to ask the shaft maker for.',
    [10, 250],
    { instrument: 'chosen' },
  ),
  cutting(
    'shaft.step',
    'Round shaft length to',
    'Step the shaft maker works to; 0 orders the exact length.',
    [0, 5],
    {
      instrument: 'chosen',
      belongs: 'car',
      fallback: { value: 0.5, why: 'a usual order step' },
    },
  ),
];
