import { TestBed } from '@angular/core/testing';
import { Bench, donorPlan } from '../../testing/bench';
import { FinishField } from './finish-field';

const field = (bench: Bench<FinishField>) => bench.all<HTMLInputElement>('input')[0] as HTMLInputElement;
const type = async (bench: Bench<FinishField>, text: string) => {
  field(bench).value = text;
  field(bench).dispatchEvent(new Event('input', { bubbles: true }));
  field(bench).dispatchEvent(new Event('change', { bubbles: true }));
  await bench.fixture.whenStable();
};
const plan = () => {
  const made = donorPlan();
  return { ...made, brief: { ...made.brief, finishBy: '2027-03-04' } };
};

describe('the day the car has to be ready', () => {
  it('is shown with its month by name, and kept as the plan has days', async () => {
    const bench = await Bench.of(FinishField, plan());
    expect(field(bench).value).toBe('4 Mar 2027');
    for (const [text, day] of [
      ['20 Apr 2027', '2027-04-20'],
      ['May 7, 2027', '2027-05-07'],
      ['2027-06-30', '2027-06-30'],
      ['9 Jul 27', '2027-07-09'],
    ] as const) {
      await type(bench, text);
      expect(bench.store.plan().brief.finishBy).toBe(day);
    }
    await type(bench, '');
    expect(bench.store.plan().brief.finishBy).toBe('');
  });

  it('takes no day that could be two, and keeps what was typed', async () => {
    const bench = await Bench.of(FinishField, plan());
    await type(bench, '03/04/2027');
    expect(bench.text).toContain('“03/04/2027” is no day to finish by. Write it as 20 Mar 2027');
    expect(field(bench).value).toBe('03/04/2027');
    expect(bench.store.plan().brief.finishBy).toBe('2027-03-04');
    await type(bench, '31 Feb 2027');
    expect(bench.text).toContain('“31 Feb 2027” is no day');
    await type(bench, '5 Mar 0027');
    expect(bench.text).toContain('“5 Mar 0027” is no day');
    expect(bench.store.plan().brief.finishBy).toBe('2027-03-04');
    // It is still there when the panel is opened again.
    const again = TestBed.createComponent(FinishField);
    await again.whenStable();
    expect((again.nativeElement as HTMLElement).querySelector('input')?.value).toBe('5 Mar 0027');
    await type(bench, '5 Mar 2027');
    expect(bench.text).not.toContain('is no day');
    expect(bench.store.plan().brief.finishBy).toBe('2027-03-05');
  });
});
