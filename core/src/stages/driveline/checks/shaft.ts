import { sized, type Figure } from '../../../measure';
import { judge, type Check } from '../../../stage';
import { whips } from '../figures/motion';
import { shaftRoom } from '../figures/room';
import { slipJoint } from '../figures/travel';
import { node } from '../node';

const STAGE = 'driveline' as const;

/** Does a shaft whip, does its slip joint bottom or come apart? */
export const runs = node('runs', (r): readonly Check[] => {
  const all = r.of(whips);
  return all.map(({ share, critical, lacks }, i) => {
    const name = all.length === 1 ? 'Driveshaft' : i === 0 ? 'Front driveshaft' : 'Rear driveshaft';
    return judge({
      id: `drive.whip${i + 1}`,
      stage: STAGE,
      figure: share,
      way: 'atMost',
      limit: r.limit('drive.critical'),
      stop: { ...r.limit('drive.critical'), value: 1 },
      holds: `${name} stays below its critical speed`,
      fails: (level) =>
        level === 'stop' ? `${name} whips at its fastest` : `${name} comes near its critical speed`,
      unknown: `${name}’s critical speed: not known`,
      reason: critical
        ? `It whips at ${sized(critical.value, 'rpm')}. Near that a tube bends, and breaks.`
        : 'Near its critical speed a tube bends, and breaks.',
      todo: 'A larger tube, two shafts with a centre bearing, or a lower top speed.',
      at: i + 1 < all.length ? 'drive.frontOutside' : 'drive.outside',
      lacks: lacks.length ? lacks : share ? [] : ['drive.rpm'],
    });
  });
});

/** The slip joint over the axle’s travel. */
export const slips = node('slips', (r): readonly Check[] => {
  const { toBottom, beyondLeast, lacks } = r.of(slipJoint);
  const base = { stage: STAGE, way: 'atLeast' as const, stop: 0, lacks };
  return [
    judge({
      ...base,
      id: 'drive.toBottom',
      figure: toBottom,
      limit: r.limit('drive.bottomLeft'),
      holds: 'Slip joint does not bottom',
      fails: (level) =>
        level === 'stop' ? 'Slip joint bottoms within the travel' : 'Slip joint comes near its bottom',
      unknown: 'Slip joint’s room to bottom: not known',
      reason: 'A shaft that bottoms breaks the gearbox’s tail or the pinion’s bearing.',
      todo: 'A shorter driveshaft, or less travel.',
      at: 'drive.bottom',
    }),
    judge({
      ...base,
      id: 'drive.beyondLeast',
      figure: beyondLeast,
      limit: r.limit('drive.engagedLeft'),
      holds: 'Spline stays in mesh',
      fails: (level) =>
        level === 'stop' ? 'Spline comes out of what must stay' : 'Spline stays only just in mesh',
      unknown: 'Spline in mesh over the travel: not known',
      reason: 'A shaft that comes out of its spline falls on the road.',
      todo: 'A longer driveshaft or slip yoke, or less droop.',
      at: 'drive.engaged',
    }),
  ];
});

/** Floor and tunnel along the shaft. */
export const clears = node('clears', (r): readonly Check[] => {
  const { tunnel, over, lacks } = r.of(shaftRoom);
  const limit = r.limit('drive.clear');
  const checks: Check[] = over.map(({ id, name, gap }) =>
    judge({
      id: `drive.over.${id}`,
      stage: STAGE,
      figure: gap,
      way: 'atLeast',
      limit,
      stop: 0,
      holds: `Driveshaft clears ${name}`,
      fails: (level) => (level === 'stop' ? `Driveshaft meets ${name}` : `Driveshaft comes near ${name}`),
      unknown: lacks.length
        ? `Driveshaft under ${name}: not known`
        : `${name} lies over none of the shafts by its place: not looked at`,
      reason: 'With the axle at full bump the rear of the shaft rises most.',
      todo: 'Make room over the shaft, or lower the bump stop.',
      at: 'drive.outside',
      lacks,
    }),
  );
  return tunnel ? [...checks, tunnelCheck(tunnel, limit)] : checks;
});

function tunnelCheck(figure: Figure, limit: Parameters<typeof judge>[0]['limit']): Check {
  return judge({
    id: 'drive.tunnel',
    stage: STAGE,
    figure,
    way: 'atLeast',
    limit,
    stop: 0,
    holds: 'Driveshaft clears the tunnel’s sides',
    fails: (level) =>
      level === 'stop' ? 'Driveshaft is wider than the tunnel' : 'Driveshaft comes near the tunnel’s sides',
    unknown: '',
    reason: 'In the middle of the tunnel’s narrowest place.',
    todo: 'A smaller tube, or a wider tunnel.',
    at: 'line.tunnel',
  });
}
