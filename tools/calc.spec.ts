import { CALCULATIONS } from '@intervex/core/calc';
import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { format, resolveConfig } from 'prettier';
import { describe, expect, it } from 'vitest';
import { answerTo, type CalcAnswer } from './calc-answer';
import { calcPage } from './calc-page';
import { ROOT } from './lib/paths.mjs';

const ask = (name: string, input: object) => answerTo([name], JSON.stringify(input));
const exampleOf = (name: string) => CALCULATIONS.find((c) => c.name === name)?.example as object;
const answerOf = (name: string, input: object): Record<string, number> => {
  const answer = ask(name, input);
  if (!answer.ok) throw new Error(answer.message);
  return JSON.parse(answer.json) as Record<string, number>;
};
const messageOf = (answer: CalcAnswer): string => (answer.ok ? '' : answer.message);

describe('calculations from the command line', () => {
  it('work out a driveline', () => {
    const gives = answerOf('driveline', {
      axes: [{ slopeDeg: 3 }, { slopeDeg: 1.2, planDeg: 0 }, { slopeDeg: 2.5 }],
      rpm: 5500,
    });
    expect(gives['jointsDeg']).toEqual([expect.closeTo(1.8, 6), expect.closeTo(1.3, 6)]);
    expect(gives['equivalentDeg']).toBeCloseTo(1.245, 3);
    expect(gives['torsional']).toBeCloseTo(156.6, 1);
    expect(gives['inertia']).toBeCloseTo(327.4, 1);
  });

  it('work out a critical speed, and pinion slopes of places written either way', () => {
    expect(answerOf('critical-speed', exampleOf('critical-speed'))['rpm']).toBeCloseTo(7319, 0);
    const rows = { ...exampleOf('pinion-slopes'), shaftFrom: [0, 0, 0], shaftTo: [-1200, 0, -25] };
    const [one, other] = [
      answerOf('pinion-slopes', exampleOf('pinion-slopes')),
      answerOf('pinion-slopes', rows),
    ];
    expect(one).toEqual(other);
    expect(one['bestDeg']).toBeCloseTo(3, 6);
    const lowered = answerOf('pinion-slopes', { ...rows, school: 'preset', presetDeg: 4 });
    expect(lowered['bestDeg']).toBeCloseTo(-1, 6);
  });

  it('carry a bracket over, bend a U-bolt, cut saddle and notch, weigh a weld', () => {
    const over = answerOf('carry-over', exampleOf('carry-over'));
    expect(over['fromCentreMm']).toBeCloseTo(396.5, 6);
    expect(over['fromNewCastingMm']).toBeCloseTo(280.52, 6);
    const bolt = exampleOf('u-bolt');
    expect(answerOf('u-bolt', bolt)['developedMm']).toBeCloseTo(379.84, 2);
    // Sharp corners would take 2 × 88.9 over the tube; each of 12 mm saves 0.4292 of it.
    expect(answerOf('u-bolt', { ...bolt, bend: 'square', cornerMm: 12 })['arcMm']).toBeCloseTo(167.5, 1);
    expect(messageOf(ask('u-bolt', { ...bolt, bend: 'square' }))).toMatch(
      /cornerMm: is missing.*6\.35 to 44\.45/,
    );
    expect(answerOf('saddle', exampleOf('saddle'))['depthMm']).toBeCloseTo(5.671, 3);
    expect(messageOf(ask('saddle', { radiusMm: 20, halfWidthMm: 21 }))).toMatch(/halfWidthMm: is wider/);
    // 60°, inside radius 15.85, 8 beside: at the top u = 8, √(38.1² − 64)/sin 60 + 15.85/tan 60.
    const notch = answerOf('notch', exampleOf('notch'));
    expect(notch['depthMm']).toEqual([
      expect.closeTo(43.013 + 9.151, 2),
      expect.closeTo(34.308, 3),
      expect.closeTo(43.013 - 9.151, 2),
      expect.closeTo(43.05, 3),
    ]);
    expect(messageOf(ask('notch', { ...exampleOf('notch'), offsetMm: 20 }))).toMatch(
      /offsetMm: takes the branch past/,
    );
    expect(answerOf('weld-group', { ...exampleOf('weld-group'), at: [30, 0, 0] })['throatMPa']).toBeCloseTo(
      21.213,
      3,
    );
    const line = { runs: [{ fromMm: [0, 0], toMm: [30, 0], legMm: 5 }], force: [0, 0, 900], at: [15, 10, 0] };
    expect(messageOf(ask('weld-group', line))).toMatch(/runs: bear no moment/);
  });

  it.each([
    ['no name', [], '{}', /Say which calculation/],
    ['a name there is not', ['drive'], '{}', /There is no calculation “drive”\. There are: driveline, /],
    ['no JSON', ['driveline'], '{"axes":', /no JSON/],
    ['nothing', ['driveline'], '', /no JSON/],
    ['a list', ['shim-kit'], '[1]', /input: must be of type object/],
    ['no number', ['shim-kit'], '{"wantedMm":"1","kitMm":[]}', /wantedMm: must be a number/],
    [
      'a backlash of five millimetres and a negative shim',
      ['gear-advice'],
      JSON.stringify({
        trials: [
          {
            pinionShimMm: -1,
            ringSideMm: 2,
            otherSideMm: 2,
            backlashMm: [5, 0.2, 0.2],
            drive: { along: 0, across: 0 },
            coast: { along: 0, across: 2 },
          },
        ],
      }),
      /pinionShimMm: .*at least 0[^]*backlashMm\[0\]: .*at most 2[^]*coast\.across: .*at most 1/,
    ],
    [
      'a negative shim',
      ['shim-kit'],
      '{"wantedMm":1,"kitMm":[0.1,-0.1]}',
      /kitMm\[1\]: .*right would be: at least 0.005/,
    ],
    [
      'a joint bent too far',
      ['driveline'],
      '{"axes":[{"slopeDeg":40},{"slopeDeg":-6}],"rpm":100}',
      /axes: must not bend joint 1 beyond 45°/,
    ],
    [
      'a tube thicker than itself',
      ['critical-speed'],
      '{"outsideMm":50,"wallMm":26,"lengthMm":900}',
      /wallMm: .*half/,
    ],
  ])('refuse %s with a message', (_, args, input, says) => {
    expect(messageOf(answerTo(args, input))).toMatch(says);
  });

  it('print JSON, or end with exit code 2 and say why', () => {
    const calc = (input: string) =>
      spawnSync('npm', ['run', '-s', 'calc', '--', 'shim-kit'], { cwd: ROOT, encoding: 'utf8', input });
    const good = calc('{"wantedMm":0.7,"kitMm":[0.4,0.3,0.2]}');
    expect(good.status).toBe(0);
    expect(JSON.parse(good.stdout)).toEqual({ best: [0.4, 0.3], offMm: expect.closeTo(0, 9) as number });
    const bad = calc('{"wantedMm":-1,"kitMm":[]}');
    expect(bad.status).toBe(2);
    expect(bad.stdout).toBe('');
    expect(bad.stderr).toMatch(/wantedMm: must be greater than or equal to 0; right would be: at least 0/);
  });

  it.each([
    [
      'a curve that repeats a speed',
      {
        curve: [
          { rpm: 900, torqueNm: 9 },
          { rpm: 900, torqueNm: 8 },
        ],
      },
      /curve: must rise/,
    ],
    [
      'a curve below zero',
      {
        curve: [
          { rpm: 900, torqueNm: 9 },
          { rpm: 990, torqueNm: -8 },
        ],
      },
      /curve\[1\]\.torqueNm/,
    ],
    ['no distance', { distanceM: 0 }, /distanceM: .*at least 1/],
    ['a hundred kilometres', { distanceM: 100_000 }, /distanceM: .*at most 20000/],
    ['no coupling', { clutchRpm: undefined }, /clutchRpm: is required/],
    ['a change above the limit', { shiftRpm: 7100 }, /shiftRpm: must not be above/],
    ['a launch above the change', { clutchRpm: 6700 }, /clutchRpm: must be below/],
  ])('a run with %s is refused', (_, part, says) => {
    const answer = ask('straight-line-run', { ...exampleOf('straight-line-run'), ...part });
    expect(messageOf(answer)).toMatch(says);
  });
});

describe('how an axle moves, from the command line', () => {
  const pair = ([x, y, z]: readonly number[]) => [
    [x, y, z],
    [x, -(y ?? 0), z],
  ];
  const links = (axle: readonly number[], chassis: readonly number[]) =>
    pair(axle).map((a, i) => ({ axle: a, chassis: pair(chassis)[i] }));
  const close = (value: number, digits: number): number => expect.closeTo(value, digits) as number;

  it('gives poses of four links and a bar, and what each link lacks', () => {
    const gives = answerOf('solid-axle', {
      ...exampleOf('solid-axle'),
      poses: [
        { z: -85, rollDeg: 0 },
        { z: 25, rollDeg: 1.8 },
      ],
    }) as unknown as { poses: object[]; antiSquatPercent: number; rollCentreMm: number; rollSteer: number };
    expect(gives.poses[0]).toMatchObject({
      x: close(8.24543, 4),
      y: close(6.35697, 4),
      pitchDeg: close(-1.709516, 5),
      yawDeg: close(-0.00839, 5),
      status: 'bind',
    });
    expect(gives.poses[1]).toMatchObject({
      linkErrorMm: [-0.77519, 0.76885, 0.85753, -0.84464, -0.00013].map((v) => close(v, 4)),
    });
    expect(gives).toMatchObject({
      antiSquatPercent: close(79.6379, 3),
      rollCentreMm: close(304.761, 2),
      rollSteer: close(-0.0018337, 5),
    });
  });

  it('gives ladder bars as points that are held fore and aft and up', () => {
    const pins = [366, -366].map((y) => ({
      axle: [835, y, 352],
      chassis: [835, y, 352],
      directions: ['x', 'z'],
    }));
    const gives = answerOf('solid-axle', {
      axleCentre: [0, 0, 304],
      links: [{ axle: [-88, 402, 288], chassis: [-84, -418, 301] }],
      pins,
      wheelbase: 2410,
      cgHeight: 486,
      poses: [{ z: 70, rollDeg: 0 }],
    }) as unknown as { poses: object[]; antiSquatPercent: number };
    expect(gives.poses[0]).toMatchObject({
      x: close(-1.08911, 4),
      y: close(-2.44377, 4),
      pitchDeg: close(4.797304, 5),
    });
    expect(gives.antiSquatPercent).toBeCloseTo(209.0436, 3);
  });

  it('turns a crank on the car as one on the axle turns: its bars keep their lengths', () => {
    const watt = {
      pivot: [-90, 4, 309],
      arm: [
        [-90, 11, 371],
        [-90, -6, 243],
      ],
      chassis: [
        [-94, 421, 380],
        [-88, -398, 237],
      ],
    };
    for (const on of ['axle', 'car']) {
      const gives = answerOf('solid-axle', {
        axleCentre: [0, 0, 305],
        links: [...links([-14, 476, 258], [518, 466, 281]), ...links([-35, 418, 472], [292, 408, 436])],
        watt: { ...watt, on },
        wheelbase: 2450,
        cgHeight: 505,
        poses: [
          { z: 0, rollDeg: 0 },
          { z: 55, rollDeg: 0 },
        ],
      }) as unknown as { poses: { crankDeg: number; linkErrorMm: number[]; status: string }[] };
      expect(gives.poses[0]).toMatchObject({ crankDeg: close(0, 9), status: 'exact' });
      expect(Math.abs(gives.poses[1]?.crankDeg ?? 0)).toBeGreaterThan(0.01);
      expect(gives.poses[1]?.linkErrorMm.slice(4).every((e) => Math.abs(e) < 0.01)).toBe(true);
    }
  });

  it('gives loads, leaf springs and the centre of gravity', () => {
    expect(answerOf('link-loads', exampleOf('link-loads'))).toMatchObject({
      links: [-8742.51, -9029.04, 6723.12, 6708.94].map((v) => close(v, 2)),
      springs: [2962.66, 1927.46].map((v) => close(v, 2)),
    });
    expect(answerOf('leaf', { frontMm: 640, rearMm: 640, rateNPerMm: 31 })).toMatchObject({
      pitchDegPerMm: 0,
      windUpDegPerNm: close(0.0045123, 7),
      windUpRiseMmPerNm: close(0, 9),
    });
    expect(answerOf('centre-of-gravity', exampleOf('centre-of-gravity'))).toMatchObject({
      massKg: 988,
      fromRearMm: close(1285.0962, 3),
    });
  });

  it.each([
    [
      'a link of no length',
      { links: [{ axle: [0, 0, 0], chassis: [0.2, 0, 0] }] },
      /links: has a link of no length: 1/,
    ],
    ['a link without its other end', { links: [{ axle: [0, 0, 0] }] }, /links\[0\]\.chassis/],
    ['a place of two numbers', { axleCentre: [0, 0] }, /axleCentre/],
    ['no wheelbase', { wheelbase: 0 }, /wheelbase/],
    [
      'a direction that is none',
      { pins: [{ axle: [0, 0, 0], chassis: [0, 0, 0], directions: ['w'] }] },
      /directions/,
    ],
  ])('refuses %s by its field', (_, part, says) => {
    expect(messageOf(ask('solid-axle', { ...exampleOf('solid-axle'), ...part }))).toMatch(says);
  });
});

describe('docs/calc.md', () => {
  it('is what the code says', async () => {
    const file = join(ROOT, 'docs/calc.md');
    const made = await format(calcPage(), { ...(await resolveConfig(file)), filepath: file });
    expect(readFileSync(file, 'utf8')).toBe(made);
  });

  it('tells an example of each that is what it gives', () => {
    for (const c of CALCULATIONS) expect(c.run(c.example as never)).not.toBeNull();
    expect(CALCULATIONS).toHaveLength(15);
  });
});
