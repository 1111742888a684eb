import { describe, expect, it } from 'vitest';
import { evaluate } from '../../evaluate/evaluate';
import { allFigures } from '../../evaluate/all-figures';
import { INSTRUMENTS, standardUncertainty } from '../../measure';
import type { Plan } from '../../plan';
import { reading, sheetFor, workedPlan } from '../../testing/plans';
import { arm, type At as P } from '../../testing/arms';
import { overTravel } from '../driveline/figures/band';
import { changes } from '../driveline/figures/travel';
import { pairLoads } from '../brackets/figures/links';
import { torque } from '../brief/figures/torque';
import type { Arm, Crank, Obstacle } from './choices';
import { armLoads, springLoads } from './figures/loads';
import { dampers, springs } from './figures/springs';
import { holding } from './figures/held';
import { leaf } from './figures/leaf';
import { rooms } from './figures/rooms';
import { height, weighed } from './figures/scales';
import { standing, study } from './figures/study';
import { allWays, holeRows } from './holes';

const DEGREE = Math.PI / 180;

const PARALLEL: Readonly<Record<string, Arm>> = {
  lower: arm('Lower link', 'lower', 'pair', [-6, 468, 243], [561, 462, 268]),
  upper: arm('Upper link', 'upper', 'pair', [-31, 428, 452], [379, 424, 428]),
  bar: arm('Bar', 'lateral', 'single', [-92, -431, 296], [-97, 437, 314]),
};
const TRIANGLE: Readonly<Record<string, Arm>> = {
  lower: arm('Lower link', 'lower', 'pair', [-14, 476, 258], [518, 458, 281]),
  upper: arm('Upper link', 'upper', 'pair', [-35, 118, 472], [272, 407, 436]),
  coil: arm('Coil-over', 'coilOver', 'pair', [6, 402, 360], [-40, 360, 705]),
};
const CAR = {
  'drive.axleHeight': reading('tape', 311),
  'brief.wheelbase': reading('tape', 2475),
  'brief.cgHeight': reading('chosen', 512),
  'spring.bump': reading('tape', 70),
  'spring.droop': reading('tape', 85),
  'stance.lean': reading('chosen', 1.8 * DEGREE),
};

interface More {
  readonly readings?: Readonly<Record<string, ReturnType<typeof reading>>>;
  readonly choices?: Partial<Plan['choices']>;
  readonly arms?: Readonly<Record<string, Arm>>;
  readonly cranks?: Readonly<Record<string, Crank>>;
  readonly obstacles?: Readonly<Record<string, Obstacle>>;
}
function planOf({ readings = {}, choices = {}, arms = PARALLEL, cranks = {}, obstacles = {} }: More): Plan {
  const plan = workedPlan({ ...CAR, ...readings }, { suspension: 'parallel', ...choices });
  return { ...plan, arms, cranks, obstacles };
}
const results = (more: More) => evaluate(planOf(more));
const check = (more: More, id: string) => results(more).checks.find((c) => c.id === id);

describe('a parallel four-link with its bar', () => {
  const told = results({}).of(study);
  it('moves as its links let it', () => {
    expect(told['x.bump']?.value).toBeCloseTo(4.25391, 4);
    expect(told['y.bump']?.value).toBeCloseTo(1.65104, 4);
    expect((told['pinion.bump']?.value ?? 0) / DEGREE).toBeCloseTo(-2.524398, 5);
    expect(told['x.droop']?.value).toBeCloseTo(8.24543, 4);
    expect(told['y.droop']?.value).toBeCloseTo(6.35697, 4);
    expect((told['pinion.droop']?.value ?? 0) / DEGREE).toBeCloseTo(1.709516, 5);
    expect(told.antiSquat?.value).toBeCloseTo(0.796379, 5);
    expect(told.rollCentre?.value).toBeCloseTo(304.761, 2);
    expect(told.rollSteer?.value).toBeCloseTo(-0.0018337, 5);
  });

  it('turns about where its side view’s links meet', () => {
    // Both links in the side view: lines through (−6, 243), (561, 268) and (−31, 452), (379, 428).
    const [a, b] = [25 / 567, -24 / 410];
    const x = (452 - b * -31 - (243 - a * -6)) / (a - b);
    expect(told.icAlong?.value).toBeCloseTo(x, 0);
    expect(told.icHeight?.value).toBeCloseTo(243 + a * (x + 6), 0);
    expect(told.aboveNeutral?.value).toBeCloseTo(
      (told.icHeight?.value ?? 0) - (512 / 2475) * (told.icAlong?.value ?? 0),
      6,
    );
    // Half of a third of it: what the rear’s share of braking leaves.
    expect(told.antiLift?.value).toBeCloseTo(0.3 * 0.796379, 5);
  });

  it('binds in roll, by what its bushings bear', () => {
    const rolled = results({ readings: { 'motion.bush': reading('chosen', 4000) } }).of(study);
    const [force, lack] = [rolled.bindForce?.value ?? 0, rolled['bind.roll']?.value ?? 0];
    expect(lack).toBeGreaterThan(0.3);
    // Two bushings of 4000 in a row give 2000 N for a mm.
    expect(force).toBeGreaterThanOrEqual(2000 * lack - 1e-6);
    const softer = results({ readings: { 'motion.bush': reading('chosen', 2000) } }).of(study);
    expect((rolled.addedRoll?.value ?? 0) / (softer.addedRoll?.value ?? 1)).toBeCloseTo(2, 6);
  });

  it('knows how uncertain it is by its readings', () => {
    // Half a mm a tape: the heights of the links over their lengths say most of it.
    const figure = told.antiSquat;
    if (!figure) throw new Error('no anti-squat');
    expect(standardUncertainty(figure)).toBeGreaterThan(0.002);
    expect(standardUncertainty(figure)).toBeLessThan(0.05);
    const moved = results({
      arms: { ...PARALLEL, lower: { ...(PARALLEL['lower'] as Arm), cz: 269 } },
    }).of(study).antiSquat;
    const by = figure.contributions['arm.lower.cz'] ?? 0;
    const u = INSTRUMENTS.tape.halfResolution / Math.sqrt(3);
    expect(by / u).toBeCloseTo((moved?.value ?? 0) - figure.value, 2);
  });

  it('has a working that gives its value', () => {
    const working = told.rollCentre?.working;
    expect(working?.formula).toMatch(/^\{v\} \+ \{k_\d+\}/);
    expect(working?.inputs['v']?.value).toBe(told.rollCentre?.value);
  });

  it('says nothing of bump while the travel is not known', () => {
    const plan = planOf({});
    const { 'spring.bump': _, ...readings } = plan.readings;
    const without = evaluate({ ...plan, readings });
    expect(without.of(study)['pinion.bump']).toBeUndefined();
    expect(without.of(study).antiSquat?.value).toBeCloseTo(0.796379, 5);
    expect(without.checks.find((c) => c.id === 'motion.bind')).toMatchObject({
      level: 'unknown',
      lacks: ['spring.bump'],
    });
  });
});

describe('ladder bars', () => {
  const LADDER = {
    bar: arm('Ladder bar', 'ladder', 'pair', undefined, [835, 366, 352]),
    lateral: arm('Bar', 'lateral', 'single', [-88, 402, 288], [-84, -418, 301]),
  };
  const more: More = {
    arms: LADDER,
    choices: { suspension: 'ladder' },
    readings: {
      'drive.axleHeight': reading('tape', 304),
      'brief.wheelbase': reading('tape', 2410),
      'brief.cgHeight': reading('chosen', 486),
    },
  };
  it('turn the axle about their front pivots', () => {
    const told = results(more).of(study);
    // The middle of the axle goes round (835, 352) on √(835² + 48²).
    const [r, from] = [Math.hypot(835, 48), Math.atan2(-48, 835)];
    const to = Math.asin((-48 + 70) / r);
    expect(told['pinion.bump']?.value).toBeCloseTo(-(to - from), 6);
    expect(told['x.bump']?.value).toBeCloseTo(835 - r * Math.cos(to), 4);
    expect(told.antiSquat?.value).toBeCloseTo(2.090436, 5);
    expect(told.rollCentre?.value).toBeCloseTo(294.373, 2);
    expect(told.icAlong?.value).toBeCloseTo(835, 2);
    expect(told.icHeight?.value).toBeCloseTo(352, 2);
  });

  it('stand on the neutral line where their front pivot is put there', () => {
    const neutral = (486 * 835) / 2410;
    const on = results({
      ...more,
      arms: { ...LADDER, bar: arm('Ladder bar', 'ladder', 'pair', undefined, [835, 366, neutral]) },
    }).of(study);
    expect(on.aboveNeutral?.value).toBeCloseTo(0, 3);
    expect(on.antiSquat?.value).toBeCloseTo(1, 5);
  });
});

describe('leaf springs', () => {
  const more: More = {
    arms: {},
    choices: { suspension: 'leaf' },
    readings: {
      'leaf.front': reading('tape', 560),
      'leaf.rear': reading('tape', 710),
      'leaf.rate': reading('chosen', 23.5),
      'spring.spacing': reading('tape', 1010),
    },
  };
  it('turn the pinion as they rise, and swing on three quarters of their front half', () => {
    const told = results(more).of(study);
    expect((told['pinion.bump']?.value ?? 0) / DEGREE).toBeCloseTo(-0.0216156 * 70, 5);
    expect(told['x.bump']?.value).toBeCloseTo(420 - Math.sqrt(420 ** 2 - 70 ** 2), 3);
    expect(told['y.bump']?.value).toBeCloseTo(0, 6);
  });
  it('wind up under the launch', () => {
    const rear = {
      ...more.readings,
      'brief.front': reading('scale', 520),
      'brief.rear': reading('scale', 480),
      'brief.friction': reading('chosen', 1),
    };
    const found = results({ ...more, readings: rear });
    const thrust = found.of(pairLoads).thrust?.value ?? Number.NaN;
    const torqueNm = (thrust * 311) / 1000;
    expect((found.of(leaf)?.windUp?.value ?? 0) / DEGREE).toBeCloseTo((0.0064791 * torqueNm) / 2, 2);
  });
});

describe('loads', () => {
  const more: More = {
    arms: TRIANGLE,
    choices: { suspension: 'triangulated', shaftTurns: 'counter' },
    readings: {
      'drive.axleHeight': reading('tape', 305),
      'brief.front': reading('scale', 513),
      'brief.rear': reading('scale', 475),
      'brief.friction': reading('chosen', 1.1),
      'brief.axleRatio': reading('chosen', 3.7),
      'wheel.et': reading('chosen', 20),
      'wheel.rim': reading('chosen', 6),
      'motion.unsprung': reading('scale', 95),
    },
  };
  it('hold the axle: forces and moments of all of it come to nothing', () => {
    const found = results(more);
    const [N, loads, push] = [
      found.of(torque).rearLoad?.value ?? Number.NaN,
      found.of(armLoads),
      found.of(springLoads),
    ];
    const X = 1.1 * N;
    // Fore and aft: what the links push forward with is what the tyres push with.
    const end = (side: 1 | -1, a: P, c: P) => {
      const d = [c[0] - a[0], side * (c[1] - a[1]), c[2] - a[2]] as const;
      const l = Math.hypot(...d);
      return d.map((v) => v / l) as unknown as P;
    };
    const ways = [
      end(1, [-14, 476, 258], [518, 458, 281]),
      end(-1, [-14, 476, 258], [518, 458, 281]),
      end(1, [-35, 118, 472], [272, 407, 436]),
      end(-1, [-35, 118, 472], [272, 407, 436]),
    ];
    const forces = loads.map(({ launch }) => launch?.value ?? Number.NaN);
    const along = ways.reduce((sum, w, i) => sum + w[0] * (forces[i] ?? 0), 0);
    expect(along).toBeCloseTo(-X, 3);
    const up = ways.reduce((sum, w, i) => sum + w[2] * (forces[i] ?? 0), 0);
    const springsDown = push.loads.reduce((sum, { launch }) => sum + (launch?.value ?? 0), 0);
    expect(N + up - springsDown - 95 * 9.80665).toBeCloseTo(0, 3);
    // Under braking every lower link is pulled the other way.
    for (const { member, launch, braking } of loads)
      if (member.kind === 'lower') {
        expect(launch?.value).toBeLessThan(0);
        expect(braking?.value).toBeGreaterThan(0);
      }
  });

  it('ask for preload on the side that the driveshaft lifts', () => {
    expect(results(more).of(springLoads).preload?.value).toBeGreaterThan(50);
    const other = results({ ...more, choices: { ...more.choices, shaftTurns: 'clockwise' } }).of(springLoads);
    expect(other.preload?.value).toBeLessThan(-50);
    const unsaid = results({ ...more, choices: { ...more.choices, shaftTurns: 'unsaid' } }).of(springLoads);
    expect(Object.keys(unsaid.preload?.assumed ?? {})).toContain('motion.shaftWay');
  });

  it('make a small bolt fail and a larger one pass', () => {
    const bolted = (bolt: number) =>
      check(
        { ...more, arms: { ...TRIANGLE, lower: { ...(TRIANGLE['lower'] as Arm), bolt } } },
        'arm.lower.left.shear',
      )?.level;
    expect(bolted(4)).toBe('stop');
    expect(bolted(16)).toBe('ok');
  });

  it('are not known without what carries the car', () => {
    const { coil: _, ...arms } = TRIANGLE;
    const found = results({ ...more, arms });
    expect(found.of(armLoads).every(({ launch }) => launch === undefined)).toBe(true);
    expect(found.checks.find((c) => c.id === 'motion.springs')?.level).toBe('unknown');
  });
});

describe('springs and dampers', () => {
  const more: More = {
    arms: TRIANGLE,
    choices: { suspension: 'triangulated' },
    readings: {
      'drive.axleHeight': reading('tape', 305),
      'brief.rear': reading('scale', 475),
      'motion.unsprung': reading('scale', 95),
      'coil.rate': reading('chosen', 30),
      'coil.free': reading('tape', 320),
      'coil.solid': reading('caliper', 150),
      'damper.closed': reading('tape', 300),
      'damper.open': reading('tape', 440),
    },
  };
  it('are as long as their places have them', () => {
    const [found] = results(more).of(springs);
    if (!found) throw new Error('no spring');
    const value = (figure: { readonly value: number } | undefined) => figure?.value ?? Number.NaN;
    const ride = Math.hypot(46, 42, 345);
    const i = value(found.of.ratio);
    expect(value(found.of.ride)).toBeCloseTo(ride, 6);
    // Straight up by a mm, the end comes 345 / ride nearer; the axle’s turn and shift add little.
    expect(i).toBeCloseTo(345 / ride, 1);
    expect(value(found.load)).toBeCloseTo((190 * 9.80665) / i, 6);
    expect(value(found.wheelRate)).toBeCloseTo(30 * i * i, 6);
    expect(value(found.frequency)).toBeCloseTo(Math.sqrt((30_000 * i * i) / 190) / (2 * Math.PI), 6);
    expect(value(found.ride)).toBeCloseTo(320 - (190 * 9.80665) / i / 30, 6);
  });
  it('say when they end before the travel does', () => {
    const [first] = results(more).of(dampers);
    expect(first?.toClosed?.value).toBeCloseTo((first?.of.rollIn?.value ?? 0) - 300, 6);
    expect(check(more, 'arm.coil.left.closed')?.level).toBe('stop');
    const shorter = { ...more, readings: { ...more.readings, 'damper.closed': reading('tape', 230) } };
    expect(check(shorter, 'arm.coil.left.closed')?.level).toBe('ok');
    const { 'damper.closed': _, ...readings } = more.readings ?? {};
    expect(check({ ...more, readings }, 'arm.coil.left.closed')).toMatchObject({
      level: 'unknown',
      lacks: ['damper.closed'],
    });
  });
});

describe('what is in the way', () => {
  const link = { ...(PARALLEL['lower'] as Arm), outside: 30 };
  const point = (z: number): Obstacle => ({ name: 'Pipe', kind: 'point', x: 277, y: 465, z });
  it('is met where the travel takes a link to it', () => {
    // The link’s middle stands at about 255 above the ground; its tube reaches 15 up from there.
    const at = (z: number) => results({ arms: { ...PARALLEL, lower: link }, obstacles: { pipe: point(z) } });
    const [high] = at(340).of(rooms);
    expect(high?.asked?.z).toBeGreaterThan(40);
    const [low] = at(150).of(rooms);
    expect(low?.asked?.z).toBeLessThan(-40);
    expect(low?.body).toBe('Lower link, left');
    expect(at(300).checks.find((c) => c.id === 'obstacle.pipe')?.level).toBe('stop');
  });
  it('is not clear while wheels or tubes are not known', () => {
    expect(check({ obstacles: { pipe: point(900) } }, 'obstacle.pipe')?.level).toBe('unknown');
  });
});

describe('scales', () => {
  const more: More = {
    readings: {
      'scales.leftFront': reading('scale', 262),
      'scales.rightFront': reading('scale', 251),
      'scales.leftRear': reading('scale', 231),
      'scales.rightRear': reading('scale', 244),
      'scales.trackFront': reading('tape', 1320),
      'wheel.et': reading('chosen', 20),
      'wheel.rim': reading('chosen', 6),
      'drive.axleHeight': reading('tape', 305),
    },
  };
  it('say where the centre of gravity is', () => {
    const found = results(more).of(weighed);
    expect(found.fromRear?.value).toBeCloseTo(1285.0962, 3);
    expect(found.cross?.value).toBeCloseTo(506 / 988, 9);
    expect(results(more).of(height)).toBeUndefined();
  });
  it('and its height goes before what the brief was told', () => {
    const slope = Math.asin(402 / 2475);
    const rear = 475 + (988 * (540 - 305) * Math.tan(slope)) / 2475;
    const raised = {
      ...more,
      readings: {
        ...more.readings,
        'scales.raisedRear': reading('scale', rear),
        'scales.raisedBy': reading('tape', 402),
      },
    };
    const found = results(raised);
    expect(found.of(height)?.value).toBeCloseTo(540, 6);
    expect(found.of(study).antiSquat?.value).toBeCloseTo((0.796379 * 512) / 540, 2);
    const wrong = { ...raised, readings: { ...raised.readings, 'scales.raisedRear': reading('scale', 900) } };
    expect(check(wrong, 'scales.height')?.level).toBe('stop');
    expect(results(wrong).of(study).antiSquat?.value).toBeCloseTo((0.796379 * 512) / 512, 2);
  });
  it('stop what rests on them where the brief says otherwise', () => {
    const found = check(
      { ...more, readings: { ...more.readings, 'brief.rear': reading('scale', 560) } },
      'scales.rear',
    );
    expect(found).toMatchObject({
      level: 'stop',
      contradicts: ['scales.leftRear', 'scales.rightRear', 'brief.rear'],
    });
  });
});

describe('what does not hold an axle', () => {
  it('is named', () => {
    const { bar: _, ...loose } = PARALLEL;
    expect(results({ arms: loose }).of(holding).wants).toEqual(['a lateral bar, or a crank with two bars']);
    expect(check({ arms: loose }, 'motion.held')?.level).toBe('unknown');
    // Its links lie a degree off straight: a lateral bar is all that would hold it sideways.
    expect(check({ arms: loose, choices: { suspension: 'own' } }, 'motion.barely')?.level).toBe('caution');
    const straight = {
      lower: arm('Lower link', 'lower', 'pair', [-6, 468, 243], [561, 468, 268]),
      upper: arm('Upper link', 'upper', 'pair', [-31, 428, 452], [379, 428, 428]),
    };
    expect(check({ arms: straight, choices: { suspension: 'own' } }, 'motion.free')?.level).toBe('stop');
    // Links of 40 mm do not reach through 70 of bump.
    const short = { ...PARALLEL, upper: arm('Upper link', 'upper', 'pair', [-31, 428, 452], [9, 424, 452]) };
    const far = check({ arms: short }, 'motion.reach');
    expect(far).toMatchObject({ level: 'stop' });
    expect(far?.reason).toMatch(/^(Upper|Lower) link, (left|right) would have to be/);
    const low = { ...PARALLEL, lower: { ...(PARALLEL['lower'] as Arm), cz: -12 } };
    expect(check({ arms: low }, 'arm.lower.floor')?.level).toBe('stop');
    const mixed = { ...PARALLEL, extra: arm('Left link', 'lower', 'left', [0, -400, 250], [500, -400, 260]) };
    expect(check({ arms: mixed }, 'arm.extra.side')?.level).toBe('caution');
  });
});

describe('holes', () => {
  const holed = { ...(PARALLEL['upper'] as Arm), cHoles: 3, cRead: 2, cUse: 2, cStepX: 2, cStepZ: 22 };
  const waysOf = (found: ReturnType<typeof results>) => {
    const { held } = found.of(holding);
    if (!held) throw new Error('not held');
    return allWays(held, holeRows(found.plan.arms));
  };
  it('are all tried, and the one in use comes to what stands', () => {
    const found = results({ arms: { ...PARALLEL, upper: holed } });
    const ways = waysOf(found);
    expect(ways.map(({ holes }) => holes)).toEqual([[1], [2], [3]]);
    expect(ways[1]?.antiSquat).toBeCloseTo(found.of(study).antiSquat?.value ?? Number.NaN, 9);
    const other = results({ arms: { ...PARALLEL, upper: { ...holed, cUse: 3 } } }).of(study);
    expect(ways[2]?.antiSquat).toBeCloseTo(other.antiSquat?.value ?? Number.NaN, 9);
    const moved = results({ arms: { ...PARALLEL, upper: { ...holed, cRead: 1, cUse: 1, cx: 381, cz: 450 } } });
    expect(moved.of(study).antiSquat?.value).toBeCloseTo(other.antiSquat?.value ?? Number.NaN, 9);
  });

  it('are held to what the study is: the worst of bump, droop and roll either way', () => {
    const found = results({ arms: { ...PARALLEL, upper: holed } });
    const [, used] = waysOf(found);
    const told = found.of(study);
    const worst = Math.max(...(['bump', 'droop', 'roll'] as const).map((at) => told[`bind.${at}`]?.value ?? 0));
    expect(used?.bind).toBeCloseTo(worst, 9);
    expect(used?.pinion).toBeCloseTo(Math.abs(told['pinion.bump']?.value ?? 0), 9);
  });

  it('say nothing of bind and pinion where the links do not let the axle go so far', () => {
    // 69 long from hole 1, and 85 of droop; nothing else holds the nose, so that no bushing has to give.
    const short = arm('Upper link', 'upper', 'pair', [-35, 118, 472], [18, 161, 460], {
      cHoles: 2,
      cRead: 1,
      cUse: 1,
      cStepX: 100,
      cStepZ: 0,
    });
    const [near, far] = waysOf(
      results({ arms: { ...TRIANGLE, upper: short }, choices: { suspension: 'triangulated' } }),
    );
    expect([near?.bind, near?.pinion]).toEqual([Number.NaN, Number.NaN]);
    expect(Number.isFinite(near?.antiSquat)).toBe(true);
    expect(far?.pinion).toBeGreaterThan(0);
  });
});

describe('what earlier stages asked', () => {
  it('Stance takes the links’ own shift instead of the bar’s estimate', () => {
    const figures = allFigures(results({}));
    expect(figures.get('motion.outward.droop.left')?.value).toBeCloseTo(6.35697, 4);
    expect(figures.get('motion.outward.droop.right')?.value).toBeCloseTo(-6.35697, 4);
  });
  it('the slip joint takes where the pinion really goes', () => {
    const line = {
      'drive.along': reading('tape', 1500),
      'drive.height': reading('tape', 330),
      'survey.gearbox': reading('tape', 0),
      'angle.gearbox': reading('angleGauge', -3 * DEGREE),
      'drive.nose': reading('tape', 240),
      'drive.drop': reading('caliper', 0),
      'drive.slope': reading('chosen', 2 * DEGREE),
      'drive.rpm': reading('chosen', 5200),
    };
    const found = results({ readings: line, choices: { aim: 'parallel' } });
    const [bump] = found.of(changes);
    // By coordinates: the joint before and after.
    const [x, z, p] = [4.25391, 70, -2.524398 * DEGREE];
    const s = 2 * DEGREE;
    const at = (slope: number, dx: number, dz: number) => [
      dx + 240 * Math.cos(slope),
      311 + dz + 240 * Math.sin(slope),
    ];
    const [rest, up] = [at(s, 0, 0), at(s + p, x, z)] as [number[], number[]];
    const long = ([a = 0, b = 0]: number[]) => Math.hypot(1500 - a, 330 - b);
    expect(bump?.value).toBeCloseTo(long(up) - long(rest), 1);
    expect(Object.keys(bump?.assumed ?? {})).not.toContain('drive.straight');
    // The shaft’s slope and the pinion’s by those coordinates: the joint between them.
    const joint = found.of(overTravel)[0]?.at.joints[1]?.value;
    const shaft = Math.atan2(330 - (up[1] ?? 0), 1500 - (up[0] ?? 0));
    expect(joint).toBeCloseTo(Math.abs(s + p - shaft), 2);
    expect(found.of(standing)?.stand.poses.bump?.pose.status).toBe('bind');
  });
});

describe('its sheets', () => {
  const found = results({
    arms: { ...TRIANGLE, lower: { ...(TRIANGLE['lower'] as Arm), cHoles: 3, cUse: 2 } },
    choices: { suspension: 'triangulated' },
  });
  it('list links eye to eye with their holes, and what is assumed', () => {
    const sheet = sheetFor('suspension', found);
    const [links] = sheet.sections;
    // √(532² + 18² + 23²); the used hole is one up by nothing.
    expect(links?.rows[0]).toMatchObject({ item: 'Lower link, left' });
    expect(links?.rows[0]?.cells.map(({ text }) => text).slice(0, 2)).toEqual(['532.8 mm', 'car 2 of 3']);
    const { 'brief.cgHeight': _, ...readings } = found.plan.readings;
    const usual = sheetFor('suspension', evaluate({ ...found.plan, readings }));
    expect(sheet.assumed).toEqual([]);
    expect(usual.assumed.join()).toMatch(/Centre of gravity/);
  });
  it('tell the travel from droop to bump', () => {
    const [table] = sheetFor('travel', found).sections;
    expect(table?.rows.map(({ item }) => item)[0]).toBe('85.0 mm down');
    expect(table?.rows.map(({ item }) => item)[8]).toBe('70.0 mm up');
    expect(table?.rows[8]?.cells[0]?.text).toBe(
      `${((found.of(study)['pinion.bump']?.value ?? 0) / DEGREE).toFixed(2)}°`.replace('-', '−'),
    );
  });
  it('say nothing while nothing is held', () => {
    const empty = results({ arms: {}, choices: { suspension: 'unsaid' } });
    expect(sheetFor('suspension', empty).lacks.join()).toMatch(/what holds the axle/);
    expect(sheetFor('travel', empty).sections).toEqual([]);
  });
});
