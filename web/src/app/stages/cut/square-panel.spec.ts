import { Bench, donorPlan, read } from '../../testing/bench';
import { SquarePanel } from './square-panel';

const faces = {
  'square.right.radius': read('rule', 41.3),
  'square.right.welded.top': read('caliper', 88.94),
  'square.right.welded.front': read('caliper', 88.1),
  'square.right.welded.rear': read('caliper', 88.22),
};

describe('squareness panel', () => {
  it('opens where the newest readings are and says how the face leans', async () => {
    const bench = await Bench.of(SquarePanel, donorPlan(faces));
    expect(bench.text).toContain('3 places');
    // Three places: b = 88.94 − (88.1 + 88.22)/2 = 0.78, c = −0.06; atan(0.78232/41.3) = 1.085°.
    expect(bench.text).toMatch(/Leans ?1\.0[89]°/);
    expect(bench.text).toMatch(/Farthest out ?top/);
    // atan(0.78/41.3) = 1.082°, atan(0.06/41.3) = 0.083°.
    expect(bench.text).toMatch(/Camber ?1\.08°/);
    expect(bench.text).toMatch(/Toe ?0\.08°/);
  });

  it('offers four places, and eight when asked', async () => {
    const bench = await Bench.of(SquarePanel, donorPlan());
    expect(bench.all('ix-reading input')).toHaveLength(5);
    await bench.click('Four more places');
    expect(bench.all('ix-reading input')).toHaveLength(9);
    expect(bench.text).toContain('Three places or more');
  });

  it('keeps the sides and phases apart', async () => {
    const bench = await Bench.of(SquarePanel, donorPlan(faces));
    await bench.click('Left');
    expect(bench.text).toContain('Three places or more');
    await bench.click('Right');
    await bench.click('Before');
    expect(bench.text).toContain('Three places or more');
    await bench.fill('[id="q-square.right.before.top-0"]', '88.4');
    expect(bench.store.plan().readings['square.right.before.top']?.repeats[0]?.value).toBe(88.4);
  });
});
