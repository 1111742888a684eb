import { inMm } from '../../testing/in-mm';
import { lookIn } from '../../testing/plans';
import { limitsOf } from '../../plan';
import { describe, expect, it } from 'vitest';
import { given, type Figure, type FigureUnit } from '../../measure';
import { brakeStage } from './brake-stage';
import { hubsChecks } from './hubs-checks';
import type { HubsChecksInput } from './checks-input';
import { patternStage, type PatternInput } from './pattern-stage';
import { retentionWays } from './retention';
import { studStage, threadOf, type StudInput } from './stud-stage';

const is = (id: string, value: number, unit: FigureUnit = 'mm'): Figure =>
  given(id, id, value, 0, unit, 'test');
const all = (values: Readonly<Record<string, number>>): Record<string, Figure> =>
  Object.fromEntries(Object.entries(values).map(([id, value]) => [id, is(id, value)]));

const FLANGE = {
  'donor.flangeHoles': 5,
  'donor.flangePcd': 120.02,
  'donor.flangeHole': 14,
  'donor.flangeRim': 158.4,
  'donor.pilot': 72.6,
  'car.wheelHoles': 5,
  'car.wheelPcd': 108.04,
  'jig.drill': 5,
  'jig.play': 0.1,
};
const pattern = (values: Readonly<Record<string, number>> = {}, more: Partial<PatternInput> = {}) =>
  patternStage({
    patterns: {},
    keepOuts: {},
    jig: 'ring',
    limits: { agree: 0.4, ligament: 6, ligamentShare: 0.5, edgeShare: 1.25 },
    figures: lookIn(all({ ...FLANGE, ...values })),
    stud: 12,
    ...more,
  });

describe('patterns of the hub', () => {
  it('re-drills 5×120 to 5×108 and makes the jig for it', () => {
    const { redrill, jig, same } = pattern();
    expect(same).toBe(false);
    expect(redrill?.possible).toBe(true);
    expect(((redrill?.clockRad ?? 0) * 180) / Math.PI).toBeCloseTo(36, 4);
    // (108.04 − 72.6)/2 to the pilot.
    expect(redrill?.toPilot).toBeCloseTo(17.72, 9);
    expect(jig?.width).toBeCloseTo(158.4, 9);
  });

  it('makes no jig for what cannot be drilled, and says why it cannot be made', () => {
    const refused = pattern({ 'donor.flangeHoles': 6, 'donor.flangePcd': 139.7, 'car.wheelPcd': 120.65 });
    expect(refused.redrill?.nearest.metal).toBeCloseTo(-2.3, 2);
    expect(refused.jig).toBeUndefined();
    const bare = Object.fromEntries(Object.entries(FLANGE).filter(([id]) => id !== 'donor.pilot'));
    expect(pattern({}, { figures: lookIn(all(bare)) }).jigProblem).toContain('its pilot');
    // Three old holes between four new ones leave enough metal, but nothing steps round.
    const step = pattern(
      { 'donor.flangeHoles': 3, 'car.wheelHoles': 4, 'donor.flangeHole': 8.2 },
      { jig: 'step' },
    );
    expect(step.jigProblem).toContain('steps round 3 studs');
  });

  it('needs nothing drilled where both are the same', () => {
    expect(pattern({ 'car.wheelPcd': 119.9 })).toMatchObject({ same: true, redrill: undefined });
    expect(pattern({}, { figures: lookIn({}) })).toMatchObject({ same: undefined, face: undefined });
  });

  it('names the reading that no regular pattern explains', () => {
    const chords = [63.48, 102.75, 66.9].map((distance, i) => ({
      steps: i === 1 ? 2 : 1,
      distance,
      over: 'centres' as const,
    }));
    const [wheel] = pattern({}, { patterns: { wheel: { holes: 5, chords } } }).faces;
    expect(wheel?.fit?.off).toBe(2);
    expect(inMm(wheel?.problem)).toContain('Reading 3 gives a circle of 113.82 mm');
    const two = pattern({}, { patterns: { wheel: { holes: 5, chords: chords.slice(1) } } }).faces[0];
    expect(two?.problem).toContain('read a third pair');
    const wild = [63.48, 102.75, 66.9, 71.2].map((distance, i) => ({
      steps: i === 1 ? 2 : 1,
      distance,
      over: 'centres' as const,
    }));
    expect(pattern({}, { patterns: { wheel: { holes: 5, chords: wild } } }).faces[0]?.problem).toContain(
      'No regular pattern of 5',
    );
    const bad = pattern(
      {},
      { patterns: { rotor: { holes: 4, chords: [{ steps: 7, distance: 70, over: 'centres' }] } } },
    );
    expect(bad.faces[0]).toMatchObject({
      face: 'rotor',
      problem: expect.stringContaining('1 to 3 steps') as string,
    });
  });
});

const STUDS: StudInput = {
  thread: 'M12x1.5',
  frontThread: 'M12x1.5',
  seat: 'cone',
  wheelSeat: 'cone',
  studClass: '10.9',
  spacer: 'none',
  adapterFloor: undefined,
  adapterNut: undefined,
  adapterStud: undefined,
  flangeStuds: is('N', 5, 'count'),
  flangePcd: is('c', 120),
  length: is('l', 38.2),
  hat: is('h', 6.1),
  pad: is('p', 11.4),
  nut: is('n', 26),
  knurl: is('k', 14.04),
  hole: is('d', 13.92),
  torque: is('T', 110, 'Nm'),
  spacerThick: is('t', 5),
  studs: is('N', 5, 'count'),
  pcd: is('c', 108),
  demand: is('D', 1100, 'Nm'),
};

describe('studs', () => {
  it('are read from their names', () => {
    expect(threadOf('M14x1.5')).toEqual({ diameter: 14, pitch: 1.5 });
    expect(threadOf('7/16-20')?.diameter).toBeCloseTo(11.1125, 9);
    expect(threadOf('7/16-20')?.pitch).toBeCloseTo(1.27, 9);
    expect(threadOf('1/2')).toBeUndefined();
  });

  it('carry what is left beyond hat and pad, less a plain spacer', () => {
    expect(studStage(STUDS).engaged?.value).toBeCloseTo(20.7, 9);
    expect(studStage(STUDS).share?.value).toBeCloseTo(1.725, 9);
    expect(studStage({ ...STUDS, spacer: 'plain' }).engaged?.value).toBeCloseTo(15.7, 9);
    expect(studStage({ ...STUDS, spacer: 'plain', spacerThick: undefined }).engaged).toBeUndefined();
    expect(studStage({ ...STUDS, nut: is('n', 14.2) }).engaged?.value).toBeCloseTo(14.2, 9);
    expect(studStage({ ...STUDS, length: is('l', 12) }).engaged?.value).toBe(0);
  });

  it('hold only the adapter where there is one; its own studs carry the wheel', () => {
    const bare = studStage({ ...STUDS, spacer: 'adapter' });
    expect(bare.engaged).toBeUndefined();
    expect(bare.flange?.engaged).toBeUndefined();
    const whole = studStage({
      ...STUDS,
      spacer: 'adapter',
      adapterFloor: is('f', 9.5),
      adapterNut: is('n', 13),
      adapterStud: is('a', 31.2),
      flangeStuds: is('N', 4, 'count'),
      flangePcd: is('c', 98),
    });
    // Flange: 38.2 − 6.1 − 9.5 = 22.6, at most 13; wheel: 31.2 − 11.4.
    expect(whole.flange?.engaged?.value).toBeCloseTo(13, 9);
    expect(whole.engaged?.value).toBeCloseTo(19.8, 9);
    // 4·45833.3·0.15·98/2000/1100.
    expect(whole.flange?.reserve?.value).toBeCloseTo(1.225, 3);
  });

  it('are held to the proof of their class, and to none that is not known', () => {
    // Clamp 110/(0.2·0.012) on (π/4)·(12 − 0.9382·1.5)² = 88.125 mm²: 520.1 MPa over 830 and 580.
    expect(studStage({ ...STUDS, studClass: '10.9' }).proof?.value).toBeCloseTo(0.6266, 3);
    expect(studStage({ ...STUDS, studClass: '8.8' }).proof?.value).toBeCloseTo(0.8967, 3);
    expect(studStage({ ...STUDS, studClass: '' }).proof).toBeUndefined();
  });

  it.each([
    // Tables of ISO 898-1.
    ['M12x1.5', 88.1],
    ['M12x1.25', 92.1],
    ['M14x1.5', 125],
  ])('%s carries its clamp on %d mm²', (thread, area) => {
    const { clamp, stress } = studStage({ ...STUDS, thread });
    expect((clamp?.value ?? 0) / (stress?.value ?? 1) / area).toBeCloseTo(1, 2);
  });

  it('clamp, strain, and carry the wheel by friction', () => {
    const { clamp, stress, reserve, pressed } = studStage(STUDS);
    expect(clamp?.value).toBeCloseTo(45_833.3, 1);
    expect(stress?.value).toBeCloseTo(45_833.3 / 88.1, -1);
    expect(reserve?.value).toBeCloseTo(1856.25 / 1100, 3);
    expect(pressed?.value).toBeCloseTo(0.12, 9);
  });

  it('say nothing of what is not known', () => {
    expect(studStage({ ...STUDS, thread: '', length: undefined })).toMatchObject({
      thread: undefined,
      engaged: undefined,
      clamp: undefined,
      reserve: undefined,
      mixed: undefined,
    });
  });
});

const BRAKES = {
  spaceLeft: is('B', 76),
  spaceRight: is('B', 75.4),
  diameter: is('D', 248.1),
  offset: is('o', 33.24),
  caliper: is('c', 41.42),
  pad: is('h', 41.8),
  rimInside: is('d', 306.2),
  hoseReach: is('l', 312),
  hoseDroop: is('n', 296),
};

describe('brakes', () => {
  it('bring caliper over rotor by a shim, per side', () => {
    const { rotor, shim, radius, rim, hose } = brakeStage(BRAKES);
    expect(rotor.left?.value).toBeCloseTo(42.76, 9);
    expect(shim.left?.value).toBeCloseTo(1.34, 9);
    expect(shim.right?.value).toBeCloseTo(0.74, 9);
    expect(radius?.value).toBeCloseTo(103.15, 9);
    expect(rim?.value).toBeCloseTo(29.05, 9);
    expect(hose?.value).toBe(16);
  });
});

describe('retention', () => {
  it('shows the donor’s own way first and what the others move', () => {
    const moved = { left: is('Δ', -12.5), right: is('Δ', -12.4) };
    const ways = retentionWays('cClip', (to) =>
      to === 'boltIn' ? moved : { left: undefined, right: undefined },
    );
    expect(ways.map((w) => w.to)).toEqual(['cClip', 'boltIn', 'fullFloat']);
    expect(ways[0]).toMatchObject({ kept: true, moved: { left: undefined } });
    expect(ways[1]?.moved.right?.value).toBe(-12.4);
    // Nobody grinds clips into shafts that had none.
    expect(retentionWays('boltIn', () => moved).map((w) => w.to)).toEqual(['boltIn', 'fullFloat']);
  });
});

describe('checks of hub ends', () => {
  const input = (more: Partial<HubsChecksInput> = {}): HubsChecksInput => ({
    patterns: pattern(),
    typed: {
      flange: { holes: is('n', 5, 'count'), pcd: is('c', 120) },
      wheel: { holes: is('n', 5, 'count'), pcd: is('c', 108) },
      rotor: { holes: undefined, pcd: undefined },
    },
    spacer: 'none',
    route: 'redrill',
    studs: studStage(STUDS),
    brakes: brakeStage(BRAKES),
    lines: {},
    written: {},
    ...more,
  });
  const level = (id: string, more: Partial<HubsChecksInput> = {}) =>
    hubsChecks(input(more), limitsOf({})).find((c) => c.id === id)?.level;
  const studs = (more: Partial<StudInput>) => ({ studs: studStage({ ...STUDS, ...more }) });
  const brakes = (more: Partial<typeof BRAKES>) => ({ brakes: brakeStage({ ...BRAKES, ...more }) });

  it('are quiet where all is well', () => {
    expect(hubsChecks(input(), limitsOf({})).filter((c) => c.level !== 'ok')).toEqual([]);
  });

  it('ask for a way while patterns differ, and stop one that cannot be', () => {
    expect(level('pattern.route', { route: 'undecided' })).toBe('caution');
    const no = pattern({ 'donor.flangeHoles': 4, 'donor.flangePcd': 108 });
    const stopped = hubsChecks(input({ patterns: no }), limitsOf({})).find((c) => c.id === 'pattern.redrill');
    expect(stopped).toMatchObject({ level: 'stop' });
    expect(stopped?.figure?.value).toBeCloseTo(-5.53, 1);
    expect(level('pattern.redrill', { patterns: no, route: 'adapter' })).toBeUndefined();
  });

  it('hold the rotor to the pattern that the studs will have', () => {
    const rotor = (pcd: number) => ({
      patterns: pattern(
        {},
        {
          patterns: {
            rotor: { holes: 5, chords: [{ steps: 1, distance: pcd * Math.sin(Math.PI / 5), over: 'centres' }] },
          },
        },
      ),
    });
    expect(level('pattern.rotorFits', rotor(108.1))).toBe('ok');
    expect(level('pattern.rotorFits', rotor(120))).toBe('stop');
    // Under an adapter it keeps to the flange.
    expect(level('pattern.rotorFits', { ...rotor(120), route: 'adapter' })).toBe('ok');
    expect(level('pattern.rotorFits')).toBeUndefined();
  });

  it('hold studs: thread, friction, knurl, mixed sizes, seats', () => {
    expect(level('stud.engagement', studs({ length: is('l', 28) }))).toBe('stop');
    expect(level('stud.friction', studs({ demand: is('D', 1400, 'Nm') }))).toBe('caution');
    expect(level('stud.friction', studs({ demand: is('D', 2100, 'Nm') }))).toBe('stop');
    expect(level('stud.knurl', studs({ knurl: is('k', 13.9) }))).toBe('stop');
    expect(level('stud.mixed', studs({ frontThread: '1/2-20' }))).toBe('caution');
    expect(level('stud.seat', studs({ seat: 'ball' }))).toBe('stop');
    // 1040 MPa of 830: 110 N·m would be 520, so 220.
    expect(level('stud.proof', studs({ torque: is('T', 220, 'Nm') }))).toBe('stop');
    expect(level('stud.proof', studs({ torque: is('T', 140, 'Nm') }))).toBe('caution');
    expect(level('stud.proof', studs({ studClass: '' }))).toBe('unknown');
    expect(level('stud.flange.engagement', studs({ spacer: 'adapter' }))).toBe('unknown');
  });

  it('hold what was typed of a pattern against the holes that were read', () => {
    const flange = (chord: number, holes = 5) => ({
      patterns: pattern(
        {},
        { patterns: { flange: { holes, chords: [{ steps: 1, distance: chord, over: 'centres' }] } } },
      ),
    });
    // 120·sin 36° = 70.534.
    expect(level('pattern.flange.typed', flange(70.5))).toBe('ok');
    const off = hubsChecks(input(flange(67.18)), limitsOf({})).find((c) => c.id === 'pattern.flange.typed');
    expect(off).toMatchObject({ level: 'stop', contradicts: ['donor.flangeHoles', 'donor.flangePcd'] });
    expect(level('pattern.flange.typed', flange(84.85, 4))).toBe('stop');
  });

  it('hold new holes against each other', () => {
    // 5 × 20 on a circle of 40: 40·sin 36° − 20 = 3.51.
    const tight = pattern({ 'car.wheelPcd': 40, 'redrill.hole': 20 });
    expect(tight.redrill?.nearest).toMatchObject({
      what: 'the next new hole',
      metal: expect.closeTo(3.5114, 3),
    });
    expect(level('pattern.redrill', { patterns: tight })).toBe('stop');
  });

  it('say so where patterns, threads and seats are alike, and that it is not known where one is unsaid', () => {
    const alike = studs({ thread: STUDS.thread, frontThread: STUDS.thread, seat: 'cone', wheelSeat: 'cone' });
    expect([level('stud.mixed', alike), level('stud.seat', alike)]).toEqual(['ok', 'ok']);
    const half = studs({ frontThread: '', wheelSeat: '' });
    expect([level('stud.mixed', half), level('stud.seat', half)]).toEqual(['unknown', 'unknown']);
    const seats = studs({ seat: 'cone', wheelSeat: 'ball' });
    expect(level('stud.seat', seats)).toBe('stop');
    expect(level('pattern.route', { route: 'undecided' })).toBe('caution');
    expect(level('pattern.route', { route: 'redrill' })).toBe('ok');
  });

  it('do not let an adapter be chosen that the wheels are placed without', () => {
    expect(level('pattern.adapter', { route: 'adapter' })).toBe('stop');
    expect(level('pattern.adapter', { route: 'adapter', spacer: 'adapter' })).toBe('ok');
    expect(level('pattern.adapter', { route: 'redrill' })).toBeUndefined();
  });

  it('hold brakes: shim, rim, hose', () => {
    expect(level('brake.shim.left', brakes({ caliper: is('c', 38.9) }))).toBe('caution');
    const out = hubsChecks(input(brakes({ caliper: is('c', 44.6) })), limitsOf({})).find(
      (c) => c.id === 'brake.shim.left',
    );
    expect(out).toMatchObject({ level: 'caution', title: 'Left caliper stands too far out' });
    expect(level('brake.rim', brakes({ diameter: is('D', 302) }))).toBe('stop');
    expect(level('brake.hose', brakes({ hoseDroop: is('n', 330) }))).toBe('stop');
    expect(level('brake.hose', brakes({ hoseDroop: is('n', 312.4) }))).toBe('stop');
    expect(level('brake.hose', brakes({ hoseDroop: is('n', 311.6) }))).toBe('ok');
  });

  it('say which line cannot be bent', () => {
    const lines = { a: { ok: false, reason: 'Points 1 and 2 are the same place.' } } as const;
    const found = hubsChecks(
      input({
        lines,
        written: {
          a: {
            name: 'Tee to left',
            points: [
              [0, 0, 0],
              [0, 0, 0],
            ],
          },
        },
      }),
      limitsOf({}),
    ).find((c) => c.id === 'line.a');
    expect(found).toMatchObject({ level: 'caution', title: expect.stringContaining('Tee to left') as string });
    // Without two corners there is nothing to bend yet.
    const begun = { a: { name: 'Tee to left', points: [[0, 0, 0]] } };
    expect(level('line.a', { lines, written: begun })).toBe('unknown');
  });
});
