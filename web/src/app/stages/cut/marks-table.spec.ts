import { Bench, donorPlan, read } from '../../testing/bench';
import { MarksTable } from './marks-table';

describe('marks of one side', () => {
  it('gives both marks with the side of the blade, slug and lengths to expect', async () => {
    const plan = donorPlan({ 'cut.mark.left': read('chosen', 203), 'cut.kerf': read('caliper', 1.7) });
    const bench = await Bench.of(MarksTable, plan, { side: 'left' });
    // Spacing 91.3 + 2 − 0.8; slug 92.5 − 3.4; tube 588.3 − 91.3.
    expect(bench.text).toMatch(/blade outboard of it ?203\.0 mm/);
    expect(bench.text).toMatch(/blade inboard of it ?295\.5 mm/);
    expect(bench.text).toMatch(/Slug that falls out ?89\.1 mm/);
    expect(bench.text).toMatch(/Tube after welding ?497\.0 mm ± 1\.\d/);
  });

  it('counts from the datum that is chosen', async () => {
    const plan = donorPlan({ 'cut.mark.right': read('chosen', 211) }, { datum: 'housingEnd' });
    const bench = await Bench.of(MarksTable, plan, { side: 'right' });
    // 543.7 − 211.
    expect(bench.text).toMatch(/First mark, blade outboard of it ?332\.7 mm/);
  });

  it.each([
    ['nothing is cut', donorPlan({}, { school: 'shortShaft' }), 'Nothing is cut on this side.'],
    ['metal is missing', donorPlan({ 'brief.targetWidth': read('chosen', 1499.6) }), 'metal is missing'],
    [
      'no tube is read',
      donorPlan({ 'donor.tube.right': { repeats: [], instrument: 'tape' } }),
      'Needs first: casting to housing end, right.',
    ],
  ])('says why there are none: %s', async (_, plan, why) => {
    const bench = await Bench.of(MarksTable, plan, { side: 'right' });
    expect(bench.text).toContain(why);
  });
});
