import { derive } from '../../measure';
import { judgeFact, type Check } from '../../stage';
import { brakes, lines, studs } from './figures/hub-ends';
import { patterns } from './figures/patterns';
import { hubsChecks } from './hubs-checks';
import { node } from './node';

/** A stud cannot stand out of its flange further than it is long. */
export const studWhole = node('studWhole', (r): readonly Check[] => {
  const [out, whole] = [r.figure('stud.length'), r.figure('stud.whole')];
  if (!out || !whole) return [];
  const left = derive({
    id: 'stud.within',
    label: 'Stud within its flange',
    unit: 'mm',
    formula: '{L} − {o}',
    source: 'Its whole length, less what stands out',
    inputs: { L: whole, o: out },
  });
  return [
    judgeFact({
      id: 'stud.whole',
      stage: 'hubs',
      rests: { 'stud.length': out, 'stud.whole': whole },
      fault:
        left.value <= 0
          ? {
              level: 'stop',
              title: 'Stud stands out further than it is long',
              todo: 'Read both again: flange face to the end, and the loose stud from under its head.',
              contradicts: ['stud.length', 'stud.whole'],
            }
          : undefined,
      figure: left,
      holds: 'Stud is longer than it stands out',
      unknown: '',
      reason: 'What is left lies in the flange: its knurl and head hold there.',
      at: 'stud.length',
    }),
  ];
});

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
