import { Bench, donorPlan, read } from '../testing/bench';
import { ConflictPanel } from './conflict-panel';

describe('conflict panel', () => {
  it('names the field, shows both values in the unit of the page, and settles by a click', async () => {
    const bench = await Bench.of(ConflictPanel, donorPlan());
    const conflict = {
      section: 'readings' as const,
      key: 'donor.half.left',
      mine: read('tape', 790.1),
      theirs: read('tape', 788.8, 789.2),
    };
    bench.store.conflicts.set([conflict]);
    bench.store.saveState.set('conflict');
    await bench.fixture.whenStable();
    expect(bench.text).toContain('Pinion axis to WMS, left');
    expect(bench.text).toContain('Take theirs: 788.8 mm, 789.2 mm');
    await bench.click('Keep mine: 790.1 mm');
    expect(bench.store.plan().readings['donor.half.left']).toEqual(read('tape', 790.1));
    expect(bench.store.conflicts()).toEqual([]);
    expect(bench.text).not.toContain('Somebody changed');
  });

  it('says that a field is gone, and what trouble there is', async () => {
    const bench = await Bench.of(ConflictPanel, donorPlan());
    bench.store.conflicts.set([{ section: 'brief', key: 'vehicle', mine: undefined, theirs: 'Hollin Tern' }]);
    bench.store.trouble.set('The server does not answer.');
    await bench.fixture.whenStable();
    expect(bench.text).toContain('Keep mine: nothing');
    expect(bench.text).toContain('The server does not answer.');
  });
});
