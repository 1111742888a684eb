import { brakes, lines, studs } from './figures/hub-ends';
import { patterns } from './figures/patterns';
import { hubsChecks } from './hubs-checks';
import { node } from './node';

export const holds = node('holds', (r) =>
  hubsChecks(
    {
      typed: {
        flange: { holes: r.figure('donor.flangeHoles'), pcd: r.figure('donor.flangePcd') },
        wheel: { holes: r.figure('car.wheelHoles'), pcd: r.figure('car.wheelPcd') },
        rotor: { holes: undefined, pcd: undefined },
      },
      spacer: r.choice('spacer'),
      patterns: r.of(patterns),
      route: r.choice('pattern'),
      studs: r.of(studs),
      brakes: r.of(brakes),
      lines: r.of(lines),
      written: r.part('lines'),
    },
    r.limit,
  ),
);
