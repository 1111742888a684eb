import { describe, expect, it } from 'vitest';
import { evaluate } from '../evaluate';
import { EMPTY_PLAN, type Plan } from '../plan';
import { reading } from '../testing/plans';
import { surveySheet } from './survey-sheet';

const plan: Plan = {
  ...EMPTY_PLAN,
  readings: {
    'survey.left': reading('tape', 702.1, 702.9),
    'donor.brakeSpace.left': reading('caliper', 62.14, 62.31),
    'angle.pinion': { ...reading('angleGauge', -0.0873), datum: 'flat of the old casting' },
  },
  facts: {
    'room.kind.axle.left': { value: 'spring', evidence: 'seen' },
    'slip.claim': { value: 'limitedSlip', evidence: 'seller' },
  },
};
const rows = (stage: 'survey' | 'donor', unit: 'mm' | 'frac' = 'mm', filled = true) =>
  new Map(
    surveySheet(plan, evaluate(plan), { stage, unit, filled }).flatMap((s) => s.rows.map((r) => [r.id, r])),
  );

describe('survey sheet', () => {
  it('prints every repeat and the mean (by hand: s 0.5657, u² = 0.16 + 0.2133, U 1.2)', () => {
    expect(rows('survey').get('survey.left')).toMatchObject({
      how: 'tape from car centreline',
      unit: 'mm',
      repeats: ['702.1 mm', '702.9 mm'],
      result: '702.5 mm ± 1.2 mm',
      agreement: 'agree',
    });
    expect(rows('survey').get('angle.pinion')?.how).toBe('angle gauge from flat of the old casting');
  });

  it('keeps the hundredths of a caliper, and asks for another where its repeats disagree', () => {
    expect(rows('donor').get('donor.brakeSpace.left')).toMatchObject({
      repeats: ['62.14 mm', '62.31 mm'],
      agreement: 'disagree',
    });
  });

  it('ticks what was seen, and says when it is only the seller’s word', () => {
    expect(rows('survey').get('fact.room.kind.axle.left')).toMatchObject({ ticked: 'spring', how: 'seen' });
    expect(rows('donor').get('fact.slip.claim')).toMatchObject({ ticked: 'limited slip', how: 'seller says' });
  });

  it('is blank on request: nothing read, nothing ticked, all there is to read', () => {
    const blank = rows('survey', 'frac', false);
    expect(blank.get('survey.left')).toMatchObject({ repeats: [], result: '', unit: 'in' });
    expect([...blank.values()].filter((r) => r.ticked || r.result)).toEqual([]);
    expect([...blank.keys()]).toEqual([...rows('survey').keys()]);
  });

  it('names every heading once, the floor first', () => {
    const titles = surveySheet(plan, evaluate(plan), { stage: 'survey', unit: 'mm', filled: true }).map(
      (s) => s.title,
    );
    expect(titles[0]).toBe('Floor');
    expect(new Set(titles).size).toBe(titles.length);
  });
});
