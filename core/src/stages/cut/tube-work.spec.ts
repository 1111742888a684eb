import { inMm } from '../../testing/in-mm';
import { lookIn } from '../../testing/plans';
import { limitsOf } from '../../plan';
import { describe, expect, it } from 'vitest';
import { given, type Figure } from '../../measure';
import { RAD_PER_DEGREE } from '../../units';
import type { TubeItem } from './choices';
import { endsStage } from './ends-stage';
import { floatStage } from './float-stage';
import { learnedStage } from './learned-stage';
import { tubeChecks, type TubeChecksInput } from './tube-checks';
import { tubeStage, wantedTubes } from './tube-stage';
import type { MarksResult } from './marks-result';

const mm = (id: string, value: number, u = 0): Figure => given(id, id, value, u, 'mm', 'test');
const all = (values: Readonly<Record<string, number>>): Record<string, Figure> =>
  Object.fromEntries(
    Object.entries(values).map(([id, value]) => [
      id,
      given(id, id, value, 0, id === 'tube.yield' ? 'MPa' : id === 'float.holes' ? 'count' : 'mm', 'test'),
    ]),
  );

const ROUND = {
  'tube.bore.left.a': 76.18,
  'tube.bore.left.b': 76.2,
  'tube.bore.left.c': 76.21,
  'tube.od.left.a': 76.24,
  'tube.od.left.b': 76.27,
  'tube.od.left.d': 76.25,
  'tube.inside': 63.5,
  'tube.hub': 104,
  'tube.insert': 58,
  'tube.yield': 250,
};
const NONE = {
  wantedLeft: undefined,
  wantedRight: undefined,
  endLeft: undefined,
  endRight: undefined,
  gap: undefined,
  shrinkLeft: undefined,
  shrinkRight: undefined,
};
const BOTH = { left: true, right: true };
const NO_MARKS: MarksResult = {
  marks: { left: undefined, right: undefined },
  halfExpected: { left: undefined, right: undefined },
  widthExpected: undefined,
};

describe('new tubes', () => {
  const tubes = tubeStage({ ...NONE, figures: lookIn(all(ROUND)) });

  it('fit at both extremes: 0.03 to 0.09 by the readings across', () => {
    const fit = tubes.fit.left;
    expect(fit?.least.value).toBeCloseTo(76.24 - 76.21, 9);
    expect(fit?.most.value).toBeCloseTo(76.27 - 76.18, 9);
    expect(fit?.boreOval.value).toBeCloseTo(0.03, 9);
    expect(tubes.fit.right).toBeUndefined();
  });

  it('ask for a press force and strain the casting, by Lamé at the tightest', () => {
    // By hand for 0.09 at 76.18: joint 76.19667, hub ratio 3.317706, tube ratio 5.546756 (a separate script);
    // p = 0.09·206000/(76.19667·8.864462) = 27.44867; F = p·π·76.19667·58·0.12 = 45 731.6.
    expect(tubes.fit.left?.force?.value).toBeCloseTo(45731.6, 0);
    // Tube at its inside: 2·76.18²/(76.18² − 63.5²)·p = 179.8 over 250.
    expect(tubes.fit.left?.stress?.value).toBeCloseTo(0.719, 2);
  });

  it('are cut to the length wanted, plus what goes in, less end and gap, plus the pull', () => {
    const wanted = wantedTubes({
      tubeLeft: mm('T', 588),
      tubeRight: mm('T', 544.1),
      cutLeft: mm('c', 91),
      cutRight: mm('c', -12.4),
    });
    expect(wanted.left?.value).toBe(497);
    expect(wanted.right?.value).toBeCloseTo(556.5, 9);
    const cut = tubeStage({
      figures: lookIn(all(ROUND)),
      wantedLeft: wanted.left,
      wantedRight: wanted.right,
      endLeft: mm('e', 61.4),
      endRight: undefined,
      gap: mm('g', 2),
      shrinkLeft: mm('w', 0.8),
      shrinkRight: mm('w', 1.1),
    });
    expect(cut.piece.left?.value).toBeCloseTo(497 + 58 - 61.4 - 2 + 0.8, 9);
    expect(cut.piece.right).toBeUndefined();
    expect(cut.free.left?.value).toBeCloseTo(434.4, 9);
    // (76.24 + 76.27 + 76.25)/3.
    expect(cut.outside.left?.value).toBeCloseTo(76.25333, 4);
  });
});

describe('checks of tubes', () => {
  const check = (id: string, figures: Record<string, number>, more: Partial<TubeChecksInput> = {}) =>
    tubeChecks(
      {
        method: 'newTubes',
        to: 'boltIn',
        tubes: tubeStage({ ...NONE, figures: lookIn(all(figures)) }),
        float: { left: {}, right: {} },
        marks: NO_MARKS,
        items: {},
        shortened: BOTH,
        ...more,
      },
      limitsOf({}),
    ).find((c) => c.id === id);

  it('stop for an oval bore before anything is pressed', () => {
    const oval = check('tube.boreOval.left', { ...ROUND, 'tube.bore.left.c': 76.31 });
    expect(oval).toMatchObject({ level: 'stop', title: 'Left bore is oval' });
    expect(oval?.figure?.value).toBeCloseTo(0.13, 9);
    expect(oval?.todo).toContain('Do not press');
    expect(check('tube.boreOval.left', ROUND)?.level).toBe('ok');
  });

  it('stop for play and for too much of it', () => {
    expect(check('tube.fit.left', ROUND)?.level).toBe('ok');
    expect(check('tube.loose.left', { ...ROUND, 'tube.od.left.a': 76.2 })?.title).toContain('too loose');
    const tight = check('tube.fit.left', { ...ROUND, 'tube.od.left.b': 76.36 });
    expect(tight?.title).toContain('too tight');
    // 76.36 − 76.18 − 0.14.
    expect(inMm(tight?.todo)).toContain('Turn 0.04 mm off');
    expect(check('tube.stress.left', ROUND)?.level).toBe('stop');
    expect(check('tube.stress.left', { ...ROUND, 'tube.yield': 480 })?.level).toBe('ok');
  });

  it('compare with a tolerance: 0.14 against 0.14 passes', () => {
    // 76.34 − 76.20 is a little more than 0.14 in binary.
    const even = { 'tube.bore.left.a': 76.2, 'tube.bore.left.b': 76.2, 'tube.bore.left.c': 76.2 };
    const at = check('tube.fit.left', { ...ROUND, ...even, 'tube.od.left.b': 76.34 });
    expect(at?.figure?.value).toBeGreaterThan(0.14);
    expect(at?.level).toBe('ok');
  });

  it('do not know a fit of which too little was read', () => {
    const { 'tube.bore.left.a': _bore, ...two } = ROUND;
    expect(check('tube.fit.left', two)).toMatchObject({ level: 'unknown' });
    const { 'tube.hub': _hub, ...bare } = ROUND;
    expect(check('tube.force.left', bare)).toMatchObject({ level: 'unknown' });
  });

  it('stop a tube that is too short to be made', () => {
    const ends = { endLeft: mm('e', 60), gap: mm('g', 2), shrinkLeft: mm('w', 0.8) };
    const made = (wanted: number) =>
      tubeStage({ ...NONE, ...ends, wantedLeft: mm('T', wanted), figures: lookIn(all(ROUND)) });
    // −12.57 + 58 − 60 − 2 + 0.8.
    expect(made(-12.57).piece.left?.value).toBeCloseTo(-15.77, 9);
    expect(check('tube.piece.left', ROUND, { tubes: made(-12.57) })).toMatchObject({ level: 'stop' });
    expect(check('tube.piece.left', ROUND, { tubes: made(497) })?.level).toBe('ok');
    expect(check('tube.piece.left', ROUND)?.level).toBe('unknown');
  });

  it('say nothing of a press fit where none is made', () => {
    expect(check('tube.fit.left', ROUND, { method: 'slug' })).toBeUndefined();
  });
});

describe('what is welded to the tube', () => {
  const at = (id: string, value: number) => mm(id, value);
  const mark = (value: number) => ({
    fromCasting: at('x', value),
    fromDatum: at('x', value),
    blade: 'inboard' as const,
  });
  const marks = {
    ...NO_MARKS,
    marks: { left: { inner: mark(202), outer: mark(294.2) }, right: undefined },
  } as unknown as MarksResult;
  const check = (item: Omit<TubeItem, 'side' | 'name'>) =>
    tubeChecks(
      {
        method: 'slug',
        to: 'boltIn',
        tubes: tubeStage({ ...NONE, figures: lookIn({}) }),
        float: { left: {}, right: {} },
        marks,
        items: { perch: { side: 'left', name: 'the perch', ...item } },
        shortened: BOTH,
      },
      limitsOf({}),
    ).find((c) => c.id === 'cut.item.perch');

  it.each([
    [{ from: 372, to: 441 }, 'ok', 77.8],
    [{ from: 330, to: 400 }, 'stop', 35.8],
    [{ from: 100, to: 171 }, 'stop', 31],
    // The blade runs through it.
    [{ from: 280, to: 350 }, 'stop', -14.2],
  ] as const)('is %o: %s, %d mm', (item, level, left) => {
    expect(check(item)?.level).toBe(level);
    expect(check(item)?.figure?.value).toBeCloseTo(left, 9);
  });

  it('is in nobody’s way where it goes with the slug', () => {
    expect(check({ from: 220, to: 270 })).toMatchObject({
      level: 'ok',
      title: expect.stringMatching(/ goes off with the left slug$/) as string,
      todo: '',
    });
  });
});

describe('other ends', () => {
  const input = {
    from: 'cClip',
    to: 'boltIn',
    halfLeft: mm('H', 792),
    halfRight: mm('H', 741.5),
    shaftLeft: mm('L', 775.4),
    shaftRight: mm('L', 724.7),
    spaceLeft: mm('B', 76),
    spaceRight: mm('B', 75.9),
    newSpace: mm('B', 63.5),
    floatShift: mm('s', 21.4),
  } as const;

  it('move the WMS, and half and shaft with it', () => {
    const ends = endsStage(input);
    expect(ends.moved.left?.value).toBeCloseTo(-12.5, 9);
    expect(ends.half.left?.value).toBeCloseTo(779.5, 9);
    expect(ends.shaft.right?.value).toBeCloseTo(712.3, 9);
    expect(ends.space.right?.value).toBeCloseTo(63.5, 9);
  });

  it('of a full-float hub stand out by its shift', () => {
    expect(endsStage({ ...input, to: 'fullFloat' }).half.right?.value).toBeCloseTo(762.9, 9);
  });

  it('leave all as it is where nothing changes', () => {
    const { half, changed } = endsStage({ ...input, to: 'cClip', newSpace: undefined });
    expect([half.left, changed]).toEqual([input.halfLeft, false]);
  });

  it('count a typed brake space although the retention stays: other housing ends', () => {
    const ends = endsStage({ ...input, from: 'boltIn', to: 'boltIn', newSpace: mm('B', 63.5) });
    expect(ends.half.left?.value).toBeCloseTo(779.5, 9);
    expect(ends.changed).toBe(true);
  });

  it('know nothing that rests on ends whose size is not known', () => {
    const bolt = endsStage({ ...input, newSpace: undefined });
    expect([bolt.half.left, bolt.shaft.right, bolt.space.left]).toEqual([undefined, undefined, undefined]);
    expect(bolt.lacks.left).toEqual({
      half: ['convert.space'],
      shaft: ['convert.space'],
      ends: ['convert.space'],
    });
    const float = endsStage({ ...input, to: 'fullFloat', floatShift: undefined });
    expect(float.lacks.right.half).toEqual(['float.shift']);
    expect(endsStage({ ...input, spaceLeft: undefined }).lacks.left.half).toEqual(['donor.brakeSpace.left']);
    expect(endsStage({ ...input, halfLeft: undefined }).lacks.left.half).toEqual(['donor.half.left']);
  });
});

describe('full-float ends', () => {
  const rad = (id: string, degrees: number) => given(id, id, degrees * RAD_PER_DEGREE, 0, 'rad', 'test');
  const figures = {
    ...all({
      'float.bore.left.a': 63.52,
      'float.bore.left.b': 63.47,
      'float.bore.left.c': 63.58,
      'float.play': 0.05,
      'float.plug': 64.2,
      'float.depth': 70,
      'float.holes': 4,
    }),
    'float.camber.left': rad('c', -0.5),
    'float.toe.left': rad('t', 0.2),
  };
  const { left } = floatStage({
    figures: lookIn(figures),
    tubeOd: { left: mm('D', 76.2), right: undefined },
    tubeWall: undefined,
  });

  it('turn their plug to the smallest bore', () => {
    expect(left.plug?.value).toBeCloseTo(63.42, 9);
    expect(left.turnOff?.value).toBeCloseTo(0.78, 9);
  });

  it('put the drive spline out of line by camber and toe together', () => {
    // √(0.5² + 0.2²)° to a ten-thousandth.
    expect((left.angle?.value ?? 0) / RAD_PER_DEGREE).toBeCloseTo(0.5385, 3);
  });

  it('place the plug-weld holes evenly', () => {
    expect(left.holeStep?.value).toBeCloseTo(59.847, 3);
    expect(left.holeFrom?.value).toBe(35);
  });

  it('are checked: a crooked spline, a plug with play', () => {
    const checks = (float: ReturnType<typeof floatStage>) =>
      tubeChecks(
        {
          method: 'slug',
          to: 'fullFloat',
          tubes: tubeStage({ ...NONE, figures: lookIn({}) }),
          float,
          marks: NO_MARKS,
          items: {},
          shortened: BOTH,
        },
        limitsOf({}),
      ).map((c) => `${c.level} ${c.id}`);
    expect(
      checks(
        floatStage({
          figures: lookIn(figures),
          tubeOd: { left: undefined, right: undefined },
          tubeWall: undefined,
        }),
      ),
    ).toEqual(['caution float.angle.left', 'unknown float.angle.right']);
    const small = { ...figures, 'float.plug': mm('p', 63.3) };
    expect(
      checks(
        floatStage({
          figures: lookIn(small),
          tubeOd: { left: undefined, right: undefined },
          tubeWall: undefined,
        }),
      ),
    ).toContain('stop float.plug.left');
  });
});

describe('what a weld pulled', () => {
  const wanted = {
    wantedLeft: mm('x', 497),
    wantedRight: undefined,
    shrinkLeft: mm('w', 0.8),
    shrinkRight: mm('w', 0.8),
  };

  it('is learned from tacked less welded, the mean of both sides', () => {
    const learned = learnedStage({
      ...wanted,
      tackedLeft: mm('t', 498.1),
      weldedLeft: mm('w', 496.8),
      tackedRight: mm('t', 504.3),
      weldedRight: mm('w', 503.4),
    });
    expect(learned.pull.left?.value).toBeCloseTo(1.3, 9);
    expect(learned.shrink?.value).toBeCloseTo(1.1, 9);
    // 498.1 − (497 + 0.8) and 496.8 − 497.
    expect(learned.tackedOff.left?.value).toBeCloseTo(0.3, 9);
    expect(learned.weldedOff.left?.value).toBeCloseTo(-0.2, 9);
    expect(learned.weldedOff.right).toBeUndefined();
  });

  it('is not known before both are read', () => {
    const learned = learnedStage({
      ...wanted,
      tackedLeft: mm('t', 498.1),
      weldedLeft: undefined,
      tackedRight: undefined,
      weldedRight: undefined,
    });
    expect(learned.shrink).toBeUndefined();
  });
});
