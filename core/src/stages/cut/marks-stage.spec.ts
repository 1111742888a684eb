import { describe, expect, it } from 'vitest';
import { evaluate } from '../../evaluate';
import { given, type Maybe } from '../../measure';
import { workedPlan } from '../../testing/plans';
import { school } from './figures/schools';
import type { MarksInput, SideInput } from './marks-result';
import { marksStage } from './marks-stage';

const mm = (id: string, value: number) => given(id, id, value, 0.1, 'mm', 'Read');
const side = (half: number, tube: number, mark: number): SideInput => ({
  half: mm('H', half),
  casting: mm('C', 127.98),
  tube: mm('T', tube),
  mark: mm('m', mark),
  endPiece: undefined,
  shrink: mm('w', 0.8),
  piece: undefined,
});
const input = (more: Partial<MarksInput> = {}): MarksInput => ({
  plan: evaluate(workedPlan()).of(school),
  method: 'slug',
  datum: 'casting',
  kerf: mm('k', 1.6),
  gap: mm('g', 2),
  insert: undefined,
  left: side(792, 588, 202),
  right: side(741.5, 544.1, 214),
  fromCasting: 30,
  fromHousingEnd: 40,
  ...more,
});
const withoutLeft = (id: keyof SideInput): Partial<MarksInput> => ({
  left: { ...side(792, 588, 202), [id]: undefined as Maybe },
});

describe('marks of a side', () => {
  it('are there where all is known: 91 and the weld’s gap less its pull between them', () => {
    expect(marksStage(input()).marks.left?.spacing.value).toBeCloseTo(91 + 2 - 0.8, 9);
    expect(marksStage(input()).marks.right?.spacing.value).toBeCloseTo(40.5 + 2 - 0.8, 9);
  });

  it.each([
    ['the way to cut', { plan: undefined }],
    ['the weld’s gap', { gap: undefined }],
    ['what the weld pulls', withoutLeft('shrink')],
    ['the tube', withoutLeft('tube')],
    ['the kerf', { kerf: undefined }],
  ])('are not while %s is not known', (_, more: Partial<MarksInput>) => {
    expect(marksStage(input(more)).marks.left).toBeUndefined();
  });
});
