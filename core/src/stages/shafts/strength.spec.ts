import { limitsOf } from '../../plan';
import { describe, expect, it } from 'vitest';
import { given, type Figure, type FigureUnit } from '../../measure';
import { strengthChecks } from './strength-checks';
import { strengthStage, type StrengthInput } from './strength-stage';
import type { ShaftsResult } from './shafts-result';

const is = (id: string, value: number, unit: FigureUnit = 'mm'): Figure =>
  given(id, id, value, 0, unit, 'test');
const none = {
  engagedMin: undefined,
  engagedMax: undefined,
  share: undefined,
  gap: undefined,
  spline: undefined,
};
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
const two = (left: number, right: number) => ({ left: is('b', left), right: is('b', right) });
const INPUT: StrengthInput = {
  shafts: SHAFTS,
  school: undefined,
  steel: { yield: is('τ', 760, 'MPa'), tensile: is('R', 1400, 'MPa') },
  to: 'boltIn',
  demand: is('T', 4200, 'Nm'),
  own: {
    teeth: is('N', 28, 'count'),
    pitch: is('P', 24, 'count'),
    body: two(30.2, 30.4),
    journal: is('j', 34),
  },
  ordered: {
    teeth: is('N', 31, 'count'),
    pitch: is('P', 24, 'count'),
    body: two(33, 33),
    journal: is('j', 35),
  },
  stock: { teeth: is('N', 35, 'count'), pitch: undefined, body: two(36.1, 36.2), journal: is('j', 40) },
  rearAxle: is('m', 466, 'kg'),
  tyreDiameter: is('D', 600.5),
  cgHeight: is('h', 510),
  corner: is('k', 0.9, 'count'),
  track: is('t', 1342),
  spaceLeft: is('B', 76),
  spaceRight: is('B', 75.9),
  seat: is('s', 9.2),
  et: is('ET', 30),
};
const MPA = (moment: number, torque: number, d: number) => {
  const w = Math.PI * d ** 3;
  return Math.sqrt(((32 * moment * 1000) / w) ** 2 + 3 * ((16 * torque * 1000) / w) ** 2);
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

  it('bends at the bearing by the load that a bend throws onto its wheel', () => {
    // Arm 76 + 9.2 − 30 = 55.2; k·h/t = 0.9·510/1342 = 0.342027; N = 466·9.80665.
    // Outer N·0.842027·|0.9·300.25 − 55.2| = 827.41, inner N·0.157973·|0.9·300.25 + 55.2| = 234.93.
    expect(side.left.moment?.value).toBeCloseTo(827.41, 1);
    expect(side.left.bending?.value).toBeCloseTo(MPA(827.41, 4200, 35), 0);
    expect(side.left.bendingFactor?.value).toBeCloseTo((Math.sqrt(3) * 760) / MPA(827.41, 4200, 35), 2);
  });

  it('bends harder with the wheel inboard of its bearing, where load and side force add up', () => {
    const inboard = strengthStage({ ...INPUT, et: is('ET', 125.2) });
    // Arm −40: N·0.842027·(270.225 + 40) = 1193.74.
    expect(inboard.side.left.moment?.value).toBeCloseTo(1193.74, 1);
  });

  it('tires the journal by the bend that turns in it', () => {
    // 1.3·466·9.80665/2·55.2 = 163 967 N·mm; σ = 32·M/(π·35³) = 38.954; 0.4·1400/2/38.954.
    expect(side.left.fatigue?.value).toBeCloseTo(7.188, 2);
  });

  it('takes spline, body and journal of the shafts that will run', () => {
    const withSource = (source: 'own' | 'stockPair' | 'stockShort') =>
      strengthStage({
        ...INPUT,
        shafts: { ...SHAFTS, needs: { left: { ...need(700), source }, right: undefined } },
      });
    // Roots: 25.4·26.65/24 = 28.205 of the donor’s own 28 teeth.
    expect(withSource('own').side.left.diameter?.value).toBeCloseTo(28.205, 3);
    expect(withSource('own').twistApart).toBeUndefined();
    // The other side’s short shaft twists by the other side’s body.
    expect(withSource('stockShort').side.left.twist?.working.inputs['d']?.value).toBe(30.4);
    // A stock spline whose pitch is not said is no donor’s spline.
    expect(withSource('stockPair').side.left).not.toHaveProperty('shear');
    expect(withSource('stockPair').side.left.bending?.working.inputs['d']?.value).toBe(40);
  });

  it('says as assumed where a body was not ordered', () => {
    const bare = { ...INPUT.ordered, body: { left: undefined, right: undefined } };
    const { diameter, twist } = strengthStage({ ...INPUT, ordered: bare }).side.left;
    expect(diameter?.value).toBe(30.2);
    expect(twist?.assumed['shaft.body.left']?.why).toContain('as thick as the donor’s');
  });

  it('does not bend a full-float shaft', () => {
    expect(strengthStage({ ...INPUT, to: 'fullFloat' }).side.left.bending).toBeUndefined();
  });

  it('is checked: weak, pressed hard, bent hard, twisting unlike', () => {
    const checked = (more: Partial<StrengthInput>) => {
      const list = strengthChecks(strengthStage({ ...INPUT, ...more }), true, limitsOf({}));
      return (id: string) => list.find((c) => c.id === id)?.level;
    };
    const level = checked({});
    expect(level('strength.factor.left')).toBe('stop');
    expect(level('strength.pressure.left')).toBe('caution');
    expect(level('strength.twist')).toBe('caution');
    // √3·760 over 892: 1.476.
    expect(level('strength.bending.left')).toBe('caution');
    expect(level('strength.fatigue.left')).toBe('ok');
    expect(checked({ demand: is('T', 1900, 'Nm') })('strength.factor.left')).toBe('ok');
    const thin = { ...INPUT.ordered, journal: is('j', 24) };
    expect(checked({ ordered: thin })('strength.bending.left')).toBe('stop');
    // Twice the arm of the above and a soft steel: 0.2·1000/(32·1.3·466·g/2·114/(π·24³)) = 0.75.
    expect(
      checked({ ordered: thin, et: is('ET', -30), steel: { yield: undefined, tensile: is('R', 800, 'MPa') } })(
        'strength.fatigue.left',
      ),
    ).toBe('stop');
  });

  it('gives no verdict where the torque is not known', () => {
    const list = strengthChecks(strengthStage({ ...INPUT, demand: undefined }), true, limitsOf({}));
    expect(list.filter((c) => c.level === 'unknown').map((c) => c.id)).toEqual([
      'strength.factor.left',
      'strength.pressure.left',
      'strength.bending.left',
      'strength.factor.right',
      'strength.pressure.right',
      'strength.bending.right',
      'strength.twist',
    ]);
  });

  it('says nothing before there is a way to cut', () => {
    expect(strengthChecks(strengthStage(INPUT), false, limitsOf({}))).toEqual([]);
  });
});
