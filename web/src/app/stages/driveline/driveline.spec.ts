import type { Choices, Openings, Plan } from '@intervex/core';
import { InstrumentsService } from '../../state/instruments.service';
import { TestBed } from '@angular/core/testing';
import { Bench, donorPlan, read } from '../../testing/bench';
import { SettlePanel } from '../brief/settle-panel';
import { BenchDesk } from './bench-desk';
import { SpeedDesk } from './speed-desk';
import { WaitsDesk } from './waits-desk';
import { WaysTable } from './ways-table';

const deg = (d: number) => (d * Math.PI) / 180;

/** A gearbox at 3.4°, a shaft at about 1°, leaf springs; the worked halves between. */
const linePlan = (choices: Partial<Choices> = {}, open: Openings = {}): Plan => ({
  ...donorPlan(
    {
      'angle.gearbox': read('angleGauge', deg(3.4)),
      'survey.gearbox': read('tape', -7),
      'drive.along': read('tape', 1498),
      'drive.height': read('tape', 291),
      'drive.axleHeight': read('tape', 284),
      'drive.nose': read('tape', 255),
      'drive.drop': read('rule', 29),
      'drive.rpm': read('chosen', 5200),
      'donor.angle.flat': read('angleGauge', deg(0.7)),
      'donor.angle.pinion': read('angleGauge', deg(-1.1)),
      'angle.perch.left': read('angleGauge', deg(0.5)),
    },
    { aim: 'parallel', suspension: 'leaf', ...choices },
  ),
  open,
});

describe('ways to aim the pinion', () => {
  it('stand side by side, and one is chosen', async () => {
    const bench = await Bench.of(WaysTable, linePlan());
    const rows = bench.all('tbody tr').map((tr) => (tr.textContent ?? '').replace(/\s+/g, ' '));
    expect(rows[0]).toMatch(/Parallel.*allowed at rest: .*3\.40°.*3\.40°/);
    // Leaf springs: 4° less at rest.
    expect(rows[2]).toMatch(/Nose down.*−0\.60°.*3\.40°/);
    bench.all<HTMLInputElement>('input[type=radio]')[2]?.click();
    expect(bench.store.plan().choices.aim).toBe('preset');
  });

  it('say what they lack', async () => {
    const bench = await Bench.of(WaysTable, linePlan({ suspension: 'unsaid' }));
    expect(bench.text).toMatch(/needs nose down at rest/i);
  });
});

describe('at a speed', () => {
  it('tells each joint, and follows the slider', async () => {
    const bench = await Bench.of(SpeedDesk, linePlan());
    expect(bench.text).toContain('5200 rpm');
    const before = bench.all('tbody td').map((td) => td.textContent?.trim());
    const [slider] = bench.all<HTMLInputElement>('input[type=range]');
    if (!slider) throw new Error('There is no slider.');
    slider.value = '2600';
    slider.dispatchEvent(new Event('input'));
    await bench.fixture.whenStable();
    expect(bench.text).toContain('2600 rpm');
    const after = bench.all('tbody td').map((td) => td.textContent?.trim());
    // Half the speed, a quarter of the acceleration; the angle stays.
    expect(after[0]).toBe(before[0]);
    const number = (text: string | undefined) => Number(text?.replace(/[^\d.]/g, '').replace(/2$/, ''));
    expect(number(after[1]) / number(before[1])).toBeCloseTo(0.25, 1);
  });

  it('goes by the gear: what the engine turns, and where it ends', async () => {
    const plan = linePlan();
    const bench = await Bench.of(SpeedDesk, {
      ...plan,
      readings: { ...plan.readings, 'gear.limit': read('chosen', 6100) },
      brief: { ...plan.brief, gears: [2.9, 1.7, 1] },
    });
    expect(bench.text).toContain('engine 5200 rpm');
    bench.all<HTMLInputElement>('ix-segments input')[1]?.click();
    await bench.settle();
    // 6100 / 1.7 = 3588, on the slider 3600; the engine then 6120.
    expect(bench.all<HTMLInputElement>('input[type=range]')[0]?.max).toBe('3600');
    expect(bench.text).toContain('engine 6120 rpm');
  });

  it('says what it needs first', async () => {
    const bench = await Bench.of(SpeedDesk, donorPlan());
    expect(bench.text).toContain('read or choose those first');
  });
});

describe('the bench card', () => {
  it('says how far the pinion was welded off what was wanted', async () => {
    const plan = linePlan();
    const bench = await Bench.of(BenchDesk, {
      ...plan,
      readings: {
        ...plan.readings,
        'drive.slope': read('chosen', deg(3)),
        'bench.welded': read('angleGauge', deg(4.2)),
      },
    });
    expect(bench.text).toMatch(/As welded the pinion lies\s+1\.20°/);
  });

  it('shows what the gauge must show by what it was zeroed on', async () => {
    const bench = await Bench.of(BenchDesk, linePlan());
    // Flat 1.8° over the pinion; left seat 0.5 − 3.4 = −2.9° against it.
    const row = (name: string) =>
      bench
        .all('tbody tr')
        .map((tr) => (tr.textContent ?? '').replace(/\s+/g, ' '))
        .find((text) => text.includes(name)) ?? '';
    expect(row('Left perch')).toContain('−4.7°');
    await bench.click('pinion flange');
    expect(row('Left perch')).toContain('−2.9°');
    expect(row('Right perch')).toContain('–');
    expect(bench.text).toMatch(/Missing: ?.*spring seat slope, right/i);
  });

  it('says how far the live gauge is off, and when it is right', async () => {
    const bench = await Bench.of(BenchDesk, linePlan());
    const instruments = TestBed.inject(InstrumentsService);
    const gauge = { id: 'g', kind: 'angleGauge', label: 'Angle gauge' };
    instruments.connected.set(gauge as never);
    const shows = async (value: number) => {
      instruments.reading.set({ value, zeroed: true, held: false } as never);
      await bench.fixture.whenStable();
      return (bench.all('.off')[0]?.textContent ?? '').replace(/\s+/g, ' ').trim();
    };
    expect(await shows(-3.2)).toBe('1.5° too high in front');
    expect(await shows(-6)).toBe('1.3° too low in front');
    expect(await shows(-4.6)).toBe('right');
    expect(bench.all('.off.right')).toHaveLength(1);
  });

  it('leaves the weld tacked while something under it is open', async () => {
    const open: Openings = { gearbox: { state: 'open', reason: 'Another may come', who: 'Wim' } };
    const bench = await Bench.of(BenchDesk, linePlan({}, open));
    expect(bench.text).toContain('Tack only. The slope rests on what is still open: the gearbox.');
    await bench.change(linePlan());
    expect(bench.text).toMatch(/Tack only. The slope rests on what is not settled: .*the gearbox/);
    const settled = { state: 'settled', reason: 'All of it bought', who: 'Wim' } as const;
    const all = { rideHeight: settled, springs: settled, load: settled, gearbox: settled, tyre: settled };
    await bench.change(linePlan({}, all));
    expect(bench.text).not.toContain('Tack only');
  });
});

describe('what may still change', () => {
  it('lists what waits for each, and what was never said', async () => {
    const open: Openings = { springs: { state: 'open', reason: 'Softer ones ordered', who: 'Wim' } };
    const bench = await Bench.of(WaitsDesk, linePlan({}, open));
    const rows = bench.all('tbody tr').map((tr) => (tr.textContent ?? '').replace(/\s+/g, ' '));
    expect(rows.find((r) => r.includes('Softer ones ordered (Wim)'))).toContain('the perch angle on the bench');
    expect(rows.find((r) => r.includes('Gearbox'))).toContain('nobody said');
  });

  it('keeps one without its reason and asks for it; what is settled has to say why first', async () => {
    const bench = await Bench.of(SettlePanel, linePlan());
    const pick = async (i: number, value: string) => {
      const select = bench.all<HTMLSelectElement>('select')[i];
      if (!select) throw new Error('There is no such choice.');
      select.value = value;
      select.dispatchEvent(new Event('change'));
      await bench.fixture.whenStable();
    };
    await pick(3, 'open');
    expect(bench.text).toContain('Say why, in at least 3 letters');
    expect(bench.store.plan().open.gearbox).toMatchObject({ state: 'open', reason: '' });
    const asks = () => bench.store.results().checks.find((c) => c.id === 'open.gearbox');
    expect(asks()).toMatchObject({ level: 'unknown', title: 'Why the gearbox is open: not said' });
    await pick(3, 'settled');
    expect(bench.store.plan().open.gearbox?.state).toBe('open');
    await pick(3, 'open');
    await bench.fill('textarea', 'A six-speed may come');
    await bench.fill('input', 'Wim');
    expect(bench.store.plan().open.gearbox).toEqual({
      state: 'open',
      reason: 'A six-speed may come',
      who: 'Wim',
    });
    expect(asks()).toBeUndefined();
    await bench.fill('textarea', '');
    expect(asks()?.level).toBe('unknown');
    await pick(3, 'unsaid');
    expect(bench.store.plan().open.gearbox).toBeUndefined();
  });
});
