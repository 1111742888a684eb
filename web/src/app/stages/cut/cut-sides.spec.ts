import { Bench, donorPlan, read } from '../../testing/bench';
import { CutSides } from './cut-sides';

describe('both sides of the cut', () => {
  it('say from where the marks are given', async () => {
    const bench = await Bench.of(CutSides, donorPlan({}, { datum: 'housingEnd' }));
    expect(bench.text).toMatch(/Marks, left ?from the housing-end face/);
    await bench.change(donorPlan({}, { method: 'newTubes' }));
    expect(bench.text).toContain('New tube, left');
    expect(bench.text).not.toContain('from the housing-end face');
  });

  it('move the cut to the best place with one button, and say why it is', async () => {
    const plan = {
      ...donorPlan({ 'cut.mark.left': read('chosen', 203), 'cut.mark.right': read('chosen', 214) }),
      tubeItems: { a: { side: 'left' as const, name: 'the perch', from: 150, to: 200 } },
    };
    const bench = await Bench.of(CutSides, plan);
    expect(bench.text).toContain(
      'Middle of the widest free stretch, between the perch and the housing end: 347.9 mm',
    );
    await bench.click('Move it to the best place');
    // From 200 + 40 to 588.3 − 40 − 92.5: 240 to 455.8, its middle 347.9.
    expect(bench.store.plan().readings['cut.mark.left']?.repeats[0]?.value).toBeCloseTo(347.9, 6);
    await bench.fixture.whenStable();
    expect(bench.text).toContain('The mark stands in the best place.');
  });
});
