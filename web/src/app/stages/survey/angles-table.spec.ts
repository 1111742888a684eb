import { RAD_PER_DEGREE, type Reading } from '@intervex/core';
import { Bench, donorPlan } from '../../testing/bench';
import { AnglesTable } from './angles-table';

const gauge = (degrees: number, zeroedOn?: string): Reading => ({
  repeats: [{ value: degrees * RAD_PER_DEGREE }],
  instrument: 'angleGauge',
  ...(zeroedOn ? { zeroedOn } : {}),
});
const plan = donorPlan({
  'donor.angle.flat': gauge(1.3),
  'donor.angle.pinion': gauge(-4.2, 'donor.angle.flat'),
  'donor.angle.perch.left': gauge(2.1, 'donor.angle.perch.right'),
});

describe('angles', () => {
  it('shows each as read and against level, and says why one has none', async () => {
    const bench = await Bench.of(AnglesTable, plan, { stage: 'donor', flat: 'donor.angle.flat' });
    const row = (name: string) =>
      bench
        .all('tbody tr')
        .find((r) => r.textContent?.includes(name))
        ?.textContent?.replace(/\s+/g, ' ');
    expect(row('Donor pinion slope')).toContain('−4.2°');
    // −4.2 on a flat at 1.3.
    expect(row('Donor pinion slope')).toContain('−2.9°');
    expect(row('Donor perch slope, left')).toContain(
      'zeroed on donor perch slope, right, which has not been read',
    );
  });

  it('turns slopes into what the gauge would show, and follows the axle when it is rolled', async () => {
    const bench = await Bench.of(AnglesTable, plan, { stage: 'donor', flat: 'donor.angle.flat' });
    const [zero] = bench.all<HTMLSelectElement>('thead select');
    if (!zero) throw new Error('no choice');
    zero.value = 'donor.angle.pinion';
    zero.dispatchEvent(new Event('change'));
    await bench.fixture.whenStable();
    const flat = bench.all('tbody tr').find((r) => r.textContent?.includes('Flat of the donor casting'));
    expect(flat?.textContent).toContain('+4.2°');
    await bench.fill('.roll input', '5');
    // Rolled from 1.3 to 5, the pinion goes from −2.9 to 0.8.
    expect(bench.all('.roll')[0]?.textContent).toContain('+0.8°');
    await bench.fill('.roll input', 'steep');
    expect(bench.text).toContain('Type an angle in degrees');
  });

  it('says what to do while there is none', async () => {
    const bench = await Bench.of(AnglesTable, donorPlan(), { stage: 'survey', flat: 'angle.flat' });
    expect(bench.text).toContain('Zero the gauge on a machined flat');
  });
});
