import { Bench, donorPlan } from '../testing/bench';
import { FactField } from './fact-field';

const pick = async (bench: Bench<FactField>, selector: string, value: string) => {
  const [select] = bench.all<HTMLSelectElement>(selector);
  if (!select) throw new Error(`no ${selector}`);
  select.value = value;
  select.dispatchEvent(new Event('change'));
  await bench.fixture.whenStable();
};

describe('a fact', () => {
  it('is unknown until somebody says what, and how they know', async () => {
    const bench = await Bench.of(FactField, donorPlan(), { id: 'slip.look' });
    expect(bench.text).toContain('unknown');
    await pick(bench, 'select', 'plain');
    expect(bench.store.plan().facts['slip.look']).toMatchObject({
      value: 'plain',
      evidence: 'seen',
      who: 'bench',
    });
    await pick(bench, 'select.evidence', 'seller');
    expect(bench.store.plan().facts['slip.look']?.evidence).toBe('seller');
    await pick(bench, 'select', '');
    expect(bench.store.plan().facts).toEqual({});
  });

  it('is the seller’s word where it is a claim, and keeps its note', async () => {
    const bench = await Bench.of(FactField, donorPlan(), { id: 'slip.claim' });
    await pick(bench, 'select', 'limitedSlip');
    expect(bench.store.plan().facts['slip.claim']?.evidence).toBe('seller');
    bench.all('select')[0]?.dispatchEvent(new Event('focus'));
    await bench.fixture.whenStable();
    const [note] = bench.all<HTMLInputElement>('input.note');
    if (!note) throw new Error('no note');
    note.value = ' in the advertisement ';
    note.dispatchEvent(new Event('change'));
    expect(bench.store.plan().facts['slip.claim']).toMatchObject({
      value: 'limitedSlip',
      note: 'in the advertisement',
    });
  });
});
