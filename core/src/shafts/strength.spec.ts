import { describe, expect, it } from 'vitest';
import { given, type Figure, type FigureUnit } from '../measure';
import { strengthChecks, strengthStage, type ShaftsResult, type StrengthInput } from './index';

const is = (id: string, value: number, unit: FigureUnit = 'mm'): Figure =>
  given(id, id, value, 0, unit, 'test');
const none = { engagedMin: undefined, engagedMax: undefined, share: undefined, gap: undefined };
const need = (length: number, source: 'new' | 'own' = 'new') => ({
  source,
  needed: is('n', length),
  fitted: is('L', length),
});
const SHAFTS: ShaftsResult = {
  bySchool: {},
  needs: { left: need(700), right: need(551.3) },
  fit: { left: { ...none, engagedMin: is('i', 38), engagedMax: is('o', 39.1) }, right: none },
};
const INPUT: StrengthInput = {
  shafts: SHAFTS,
  school: undefined,
  material: 'alloy',
  to: 'boltIn',
  demand: is('T', 4200, 'Nm'),
  splineMinor: is('d', 31.38),
  bodyLeft: is('b', 30.2),
  bodyRight: is('b', 30.4),
  newBody: is('b', 33),
  teeth: is('N', 31, 'count'),
  pitch: is('P', 24, 'count'),
  gearSpline: is('l', 39),
  journal: is('j', 35),
  rearAxle: is('m', 466, 'kg'),
  tyreDiameter: is('D', 600.5),
  corner: is('k', 0.9, 'count'),
  spaceLeft: is('B', 76),
  spaceRight: is('B', 75.9),
  seat: is('s', 9.2),
  et: is('ET', 30),
};

describe('strength of shafts', () => {
  const { side, twistApart } = strengthStage(INPUT);

  it('shears at its smallest diameter: 4200 N·m at 31.380 is 692 MPa', () => {
    expect(side.left.shear?.value).toBeCloseTo(692, 0);
    // 760/692.2.
    expect(side.left.factor?.value).toBeCloseTo(1.098, 3);
  });

  it('twists by its length: 700 mm of 33 mm turn 18.24°', () => {
    expect(((side.left.twist?.value ?? 0) * 180) / Math.PI).toBeCloseTo(18.24, 2);
    // (700 − 551.3)/700 of it.
    expect(((twistApart?.value ?? 0) * 180) / Math.PI).toBeCloseTo(3.875, 2);
  });

  it('presses its flanks over what is engaged least: 456 MPa at 38 mm', () => {
    expect(side.left.pressure?.value).toBeCloseTo(456, 0);
    expect(side.right.pressure).toBeUndefined();
  });

  it('bends at the bearing by wheel load and side force', () => {
    // 466·9.80665/2 = 2284.9 N on 76 + 9.2 − 30 = 55.2 mm; 0.65·0.9·466·9.80665 = 2673.4 N on 300.25 mm.
    const moment = (2284.95 * 55.2 + 2673.39 * 300.25) / 1000;
    expect(side.left.moment?.value).toBeCloseTo(moment, 0);
    const w = Math.PI * 35 ** 3;
    const sigma = (32 * moment * 1000) / w;
    const tau = (16 * 2100 * 1000) / w;
    expect(side.left.bending?.value).toBeCloseTo(Math.sqrt(sigma ** 2 + 3 * tau ** 2), 0);
  });

  it('does not bend a full-float shaft, and takes the donor’s own body where it stays', () => {
    expect(strengthStage({ ...INPUT, to: 'fullFloat' }).side.left.bending).toBeUndefined();
    const own = strengthStage({
      ...INPUT,
      shafts: { ...SHAFTS, needs: { left: need(700, 'own'), right: undefined } },
    });
    expect(own.side.left.diameter?.value).toBe(30.2);
    expect(own.twistApart).toBeUndefined();
  });

  it('is checked: weak, pressed hard, bent hard, twisting unlike', () => {
    const list = strengthChecks(strengthStage(INPUT), 760, {});
    const found = (id: string) => list.find((c) => c.id === id);
    expect(found('strength.factor.left')?.level).toBe('stop');
    expect(found('strength.pressure.left')?.level).toBe('caution');
    expect(found('strength.twist')?.level).toBe('caution');
    // 760·√3 over the stress: 1316/398.
    expect(found('strength.bending.left')).toMatchObject({ level: 'ok' });
    expect(found('strength.bending.left')?.figure?.value).toBeGreaterThan(1.5);
    const soft = strengthChecks(strengthStage({ ...INPUT, demand: is('T', 1900, 'Nm') }), 760, {});
    expect(soft.find((c) => c.id === 'strength.factor.left')?.level).toBe('ok');
    expect(
      strengthChecks(strengthStage({ ...INPUT, journal: is('j', 24) }), 760, {}).find(
        (c) => c.id === 'strength.bending.left',
      )?.level,
    ).toBe('caution');
  });

  it('says nothing while nothing is known', () => {
    const empty = strengthStage({
      ...INPUT,
      demand: undefined,
      journal: undefined,
      splineMinor: undefined,
      newBody: undefined,
      bodyLeft: undefined,
      bodyRight: undefined,
    });
    expect(empty).toEqual({ side: { left: {}, right: {} }, twistApart: undefined });
    expect(strengthChecks(empty, undefined, {})).toEqual([]);
  });
});
