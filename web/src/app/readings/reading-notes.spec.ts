import { Bench, donorPlan, read } from '../testing/bench';
import { ReadingField } from './reading-field';

describe('a reading with more than its value', () => {
  it('keeps a note, and marks what is only the seller’s word', async () => {
    const plan = donorPlan({ 'donor.journal': { ...read('seller', 35), note: 'on the phone' } });
    const bench = await Bench.of(ReadingField, plan, { id: 'donor.journal' });
    expect(bench.button('seller, instrument for Bearing journal').querySelector('mat-icon')).not.toBeNull();
    const [note] = bench.all<HTMLInputElement>('.more input');
    if (!note) throw new Error('no note');
    expect(note.value).toBe('on the phone');
    note.value = ' ';
    note.dispatchEvent(new Event('change'));
    expect(bench.store.plan().readings['donor.journal']).not.toHaveProperty('note');
  });

  it('says by what a value was found that is otherwise only wanted', async () => {
    const id = 'motion.rollBar';
    const wanted = await Bench.of(ReadingField, donorPlan({ [id]: read('chosen', 180) }), { id });
    expect(wanted.all('button.instrument')).toHaveLength(0);
    await wanted.change(donorPlan({ [id]: read('scale', 180) }));
    expect(wanted.all('button.instrument').map((b) => b.getAttribute('aria-label'))).toEqual([
      'scales, instrument for Anti-roll bar, for a degree',
    ]);
  });

  it('says what an angle was zeroed on', async () => {
    const plan = donorPlan({ 'angle.pinion': read('angleGauge', 0.03) });
    const bench = await Bench.of(ReadingField, plan, { id: 'angle.pinion' });
    const [zero] = bench.all<HTMLSelectElement>('ix-zeroed-on select');
    if (!zero) throw new Error('no choice');
    // The car’s angles, not the donor’s, and not itself.
    expect([...zero.options].map((o) => o.value)).not.toContain('donor.angle.flat');
    expect([...zero.options].map((o) => o.value)).not.toContain('angle.pinion');
    zero.value = 'angle.flat';
    zero.dispatchEvent(new Event('change'));
    expect(bench.store.plan().readings['angle.pinion']?.zeroedOn).toBe('angle.flat');
  });
});
