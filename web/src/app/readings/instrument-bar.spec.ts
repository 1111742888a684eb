import { TestBed } from '@angular/core/testing';
import type { InstrumentReading, InstrumentView } from '@intervex/contract/wire';
import { InstrumentsService } from '../state/instruments.service';
import { SelectionService } from '../state/selection.service';
import { Bench, donorPlan } from '../testing/bench';
import { InstrumentBar } from './instrument-bar';

const view: InstrumentView = {
  id: 'caliper',
  label: 'Caliper',
  kind: 'caliper',
  unit: 'mm',
  resolution: 0.01,
  connected: true,
  battery: 0.8,
};
const reading: InstrumentReading = {
  id: 'caliper',
  unit: 'mm',
  value: -0.4,
  battery: 0.07,
  held: true,
  zeroed: true,
  at: '2027-03-20T18:00:00.000Z',
};

async function bar(instrument: InstrumentView = view) {
  const bench = await Bench.of(InstrumentBar, donorPlan());
  const service = TestBed.inject(InstrumentsService);
  service.connected.set(instrument);
  return { bench, service };
}

describe('the bar of an instrument', () => {
  it('is not there while none is connected', async () => {
    const bench = await Bench.of(InstrumentBar, donorPlan());
    expect(bench.text).toBe('');
  });

  it('shows the value to the step of the instrument, its battery, and its keys', async () => {
    const { bench, service } = await bar();
    service.reading.set(reading);
    await bench.fixture.whenStable();
    expect(bench.all('output')[0]?.textContent).toBe('−0.40 mm');
    expect(bench.text).toContain('7 %, battery low: readings wander');
    expect(bench.text).toContain('held');
    expect(bench.button('Own zero').getAttribute('aria-pressed')).toBe('true');
    expect(bench.button('Release').getAttribute('aria-pressed')).toBe('true');
  });

  it('says where the value would go, and why there is none', async () => {
    const { bench, service } = await bar();
    service.silence.set('it sent half a line');
    await bench.fixture.whenStable();
    expect(bench.all('output')[0]?.textContent).toContain('it sent half a line');
    expect(bench.text).toContain('Click into a field; the value goes there.');
    TestBed.inject(SelectionService).focused.set('donor.brakeSpace.left');
    await bench.fixture.whenStable();
    expect(bench.text).toContain('Goes into Brake space, left.');
    await bench.click('Take');
    expect(bench.text).toContain('Not taken: it sent half a line.');
  });

  it('shows the corners of scales, and takes them as axle loads', async () => {
    const { bench, service } = await bar({
      ...view,
      kind: 'scales',
      unit: 'kg',
      resolution: 0.5,
      label: 'Scales',
    });
    const channels = { leftFront: 291.5, rightFront: 284, rightRear: 241, leftRear: 248.5 };
    service.reading.set({ ...reading, unit: 'kg', value: 1065, channels, battery: 0.9 });
    await bench.fixture.whenStable();
    expect(bench.all('.corner').map((c) => c.textContent?.replace(/\s+/g, ' ').trim())).toEqual([
      'LF 291.5 kg',
      'RF 284.0 kg',
      'LR 248.5 kg',
      'RR 241.0 kg',
    ]);
    await bench.click('Into the axle loads');
    expect(bench.store.plan().readings['brief.rear']?.repeats[0]?.value).toBe(489.5);
  });
});
