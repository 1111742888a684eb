import { describe, expect, it } from 'vitest';
import { reading, workedPlan } from '../../../testing/plans';
import { donorView } from '../../donor/views/donor';
import { rearView } from '../../cut/views/rear';
import { roomView } from '../../survey/views/room';
import { surveyView } from '../../survey/views/old-axle';
import { tubeViews } from './tube';
import { evaluate } from '../../../evaluate';
import { EMPTY_PLAN, type Plan } from '../../../plan';
import type { Dimension, View } from '../../../drawing';

const rear = (plan: Plan): View => evaluate(plan).of(rearView);
const dimension = (view: View, id: string): Dimension => {
  const found = view.dimensions.find((d) => d.id === id);
  if (!found) throw new Error(`no dimension ${id}`);
  return found;
};
const drawnLength = (d: Dimension): number => Math.abs(d.to[0] - d.from[0]);

describe('rear view', () => {
  const view = rear(workedPlan());

  it('draws every dimension as long as it says, at full size', () => {
    for (const d of view.dimensions) expect(drawnLength(d)).toBeCloseTo(Math.abs(d.value), 6);
  });

  it('puts left at the left: 792.0 donor, 701.0 result, pinion axis at 0', () => {
    expect(view.bounds.left).toBeCloseTo(-792, 6);
    expect(view.bounds.right).toBeCloseTo(741.5, 6);
    expect(dimension(view, 'half.left').from[0]).toBeCloseTo(-701, 6);
    expect(dimension(view, 'half.right').to[0]).toBeCloseTo(701, 6);
    // A sign beside a moved face could be read two ways: a length with a word cannot.
    expect(dimension(view, 'cut.left')).toMatchObject({ value: expect.closeTo(91, 6), name: 'comes off' });
    expect(dimension(view, 'cut.right').value).toBeCloseTo(40.5, 6);
  });

  it('shows donor and result one over the other, the slug, and the middle of the axle', () => {
    const count = (style: string) => view.shapes.filter((s) => s.style === style).length;
    expect(count('ghost')).toBe(6);
    expect(count('slug')).toBe(2);
    expect(count('mark')).toBe(4);
    const centre = view.shapes.find((s) => s.style === 'centreline');
    expect(centre?.kind === 'line' && centre.points[0]?.[0]).toBeCloseTo(0, 6);
    // Keeping the offset the middle lies (792 − 741.5) / 2 left of the pinion.
    const kept = rear(workedPlan({}, { school: 'keepOffset' })).shapes.find((s) => s.style === 'centreline');
    expect(Math.abs((kept?.kind === 'line' && kept.points[0]?.[0]) || 0)).toBeCloseTo(25.25, 6);
  });

  it('holds the first mark between casting and housing end', () => {
    const [left] = view.handles;
    expect(left).toMatchObject({ quantityId: 'cut.mark.left', value: 202, direction: -1 });
    // Casting face 127.98 out, mark 202 beyond it.
    expect(left?.at[0]).toBeCloseTo(-329.98, 6);
    expect((left?.max ?? 0) + 92.2).toBeLessThan(588);
  });

  it('moves the end piece the other way: 588 − 64.3 from the casting', () => {
    const ends = {
      'cut.endPiece.right': reading('caliper', 64.3),
      'cut.endPiece.left': reading('caliper', 60.2),
    };
    const plan = workedPlan(ends, { method: 'endOff' });
    const right = rear(plan).handles.find((h) => h.quantityId === 'cut.endPiece.right');
    expect(right).toMatchObject({ direction: -1 });
    expect(right?.value).toBeCloseTo(64.3, 9);
    // 121.52 + 544.1 − 64.3.
    expect(right?.at[0]).toBeCloseTo(601.32, 6);
    expect(right?.min).toBeCloseTo(5, 6);
    // 544.1 less the spacing 41.7 and what must stay at the casting.
    const stays = 544.1 - 41.7 - (right?.max ?? 0);
    expect(stays).toBeGreaterThan(0);
    expect(rear(plan).handles.find((h) => h.quantityId === 'cut.endPiece.left')).toMatchObject({
      value: expect.closeTo(60.2, 9),
      direction: 1,
    });
  });

  it('draws something for a plan with nothing in it', () => {
    const empty = rear(EMPTY_PLAN);
    expect(empty.dimensions).toEqual([]);
    expect(empty.bounds.right).toBeGreaterThan(empty.bounds.left);
  });
});

describe('donor view', () => {
  it('stands on the donor’s own readings, each as long as it says', () => {
    const view = evaluate(workedPlan()).of(donorView);
    expect(dimension(view, 'width').value).toBeCloseTo(1533.5, 6);
    expect(dimension(view, 'donor.tube.right').to[0]).toBeCloseTo(121.52 + 544.1, 6);
    expect(dimension(view, 'donor.brakeSpace.left').from[0]).toBeCloseTo(-792, 6);
    for (const d of view.dimensions) expect(drawnLength(d)).toBeCloseTo(Math.abs(d.value), 6);
  });

  it('shows what is not read as a ghost', () => {
    const view = evaluate(EMPTY_PLAN).of(donorView);
    expect(view.dimensions).toEqual([]);
    expect(view.shapes.filter((s) => s.style === 'tube')).toEqual([]);
    expect(view.shapes.filter((s) => s.style === 'ghost')).toHaveLength(8);
  });
});

describe('tube view', () => {
  const results = evaluate(workedPlan());

  it('runs outboard to the left on the left side and to the right on the right', () => {
    const [left, right] = [results.of(tubeViews)['left'], results.of(tubeViews)['right']];
    expect(left?.bounds.left).toBeLessThan(-588);
    expect(right?.bounds.right).toBeGreaterThan(544.1);
    expect(left && dimension(left, 'outer.left').value).toBeCloseTo(294.2, 6);
    expect(right && dimension(right, 'outer.right').to[0]).toBeCloseTo(255.7, 6);
  });

  it('is not there before the tube is read', () => {
    expect(evaluate(EMPTY_PLAN).of(tubeViews)['left']).toBeUndefined();
  });
});

describe('survey view', () => {
  it('keeps the car’s centreline at 0 and the pinion on its own side', () => {
    const plan: Plan = {
      ...EMPTY_PLAN,
      readings: {
        'survey.left': reading('tape', 702.5),
        'survey.right': reading('tape', 698.9),
        'survey.width': reading('tape', 1401.8),
        'survey.pinion': reading('tape', -11.5),
      },
    };
    const view = evaluate(plan).of(surveyView);
    expect(dimension(view, 'survey.left').from[0]).toBeCloseTo(-702.5, 6);
    expect(dimension(view, 'survey.pinion').to[0]).toBeCloseTo(11.5, 6);
    expect(dimension(view, 'survey.pinion')).toMatchObject({ name: 'pinion', signed: true });
  });
});

describe('room view', () => {
  const plan: Plan = {
    ...EMPTY_PLAN,
    readings: {
      'brief.tyreDiameter': reading('tape', 618),
      'spring.bump': reading('tape', 72),
      'room.in.ride.low.left': reading('tape', 489.2),
      'room.in.ride.axle.left': reading('tape', 483.5),
      'room.in.ride.top.left': reading('tape', 495.1),
      'room.out.ride.left': reading('tape', 741.5),
      'room.in.bump.axle.right': reading('tape', 481.6),
      'room.in.bump.top.right': reading('tape', 496.8),
      'room.out.bump.right': reading('tape', 730.9),
      'room.lip.right': reading('tape', 349.4),
    },
  };
  const view = evaluate(plan).of(roomView);

  it('measures from the thing that stands out furthest to the lip: 741.5 − 495.1, 730.9 − 496.8', () => {
    expect(dimension(view, 'room.ride.left')).toMatchObject({ row: 1, name: 'ride' });
    expect(dimension(view, 'room.ride.left').value).toBeCloseTo(246.4, 6);
    expect(dimension(view, 'room.bump.right').value).toBeCloseTo(234.1, 6);
    for (const d of view.dimensions) expect(drawnLength(d)).toBeCloseTo(d.value, 6);
  });

  it('keeps the left at the left, and lifts what was read at full bump by the travel', () => {
    expect(dimension(view, 'room.ride.left').to[0]).toBeCloseTo(-495.1, 6);
    const line = view.shapes.find((s) => s.at === 'room.in.bump.axle.right');
    expect(line).toMatchObject({
      style: 'ghost',
      points: [
        [481.6, 72],
        [496.8, 309 + 72],
      ],
    });
    const lip = view.shapes.find((s) => s.at === 'room.out.bump.right');
    expect(lip?.kind === 'line' ? lip.points[0] : undefined).toEqual([730.9, 349.4]);
  });

  it('names what stands inboard at its height', () => {
    const facts = { 'room.kind.top.left': { value: 'arch', evidence: 'seen' } } as const;
    const named = evaluate({ ...plan, facts }).of(roomView);
    const caption = named.captions.find((c) => c.text === 'inner arch');
    expect(caption).toMatchObject({ at: [-473.1, 309], anchor: 'start' });
    expect(view.captions.map((c) => c.text)).not.toContain('inner arch');
  });

  it('draws only the centreline while nothing is read', () => {
    const empty = evaluate(EMPTY_PLAN).of(roomView);
    expect(empty.dimensions).toEqual([]);
    expect(empty.shapes.map((s) => s.style)).toEqual(['centreline']);
  });
});
