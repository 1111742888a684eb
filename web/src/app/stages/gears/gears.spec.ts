import { TestBed } from '@angular/core/testing';
import { runSets, type Plan } from '@intervex/core';
import { HeavyService } from '../../work/heavy.service';
import { Bench, donorPlan, read } from '../../testing/bench';
import { RatioDesk } from './ratio-desk';
import { RunDesk } from './run-desk';
import { SetUpDesk } from './set-up-desk';

const gearPlan = (): Plan => {
  const plan = donorPlan({
    'ratio.ring': read('count', 41),
    'ratio.pinion': read('count', 11),
    'brief.tyreDiameter': read('tape', 598),
    'brief.mass': read('scale', 1080),
    'brief.front': read('scale', 590),
    'brief.rear': read('scale', 490),
    'brief.wheelbase': read('tape', 2480),
    'gear.cruiseSpeed': read('chosen', 30),
  });
  return {
    ...plan,
    brief: {
      ...plan.brief,
      gears: [2.97, 1.94, 1.35, 1],
      torqueCurve: [
        { rpm: 1000, torque: 190 },
        { rpm: 4000, torque: 260 },
        { rpm: 6400, torque: 205 },
      ],
    },
    gearOffers: {
      a: {
        name: 'Club set',
        ring: 41,
        pinion: 9,
        carrier: 'other',
        condition: 'salvage',
        price: 120,
        leadDays: 3,
      },
    },
  };
};
const rowsOf = (bench: Bench<unknown>) =>
  bench.all('tbody tr').map((tr) => (tr.textContent ?? '').replace(/\s+/g, ' '));

describe('gear sets side by side', () => {
  it('give ratio, launch and revolutions, and one is chosen', async () => {
    const bench = await Bench.of(RatioDesk, gearPlan());
    const own = rowsOf(bench).find((r) => r.includes('Club set')) ?? '';
    // 41/9 · 2.97 = 13.53; 30 m/s on 0.97·π·598.
    expect(own).toContain('4.556');
    expect(own).toContain('13.53');
    expect(own).toContain(`${Math.round(((30 * 1000) / (0.97 * Math.PI * 598)) * 60 * (41 / 9))} rpm`);
    expect(own).toContain('needs another carrier');
    const radio = bench.all<HTMLInputElement>('input[type=radio]').at(-1);
    radio?.click();
    expect(['here', 'a']).toContain(bench.store.plan().choices.gearSet);
  });

  it('are weighed by what counts', async () => {
    const bench = await Bench.of(RatioDesk, gearPlan());
    const sliders = bench.all<HTMLInputElement>('input[type=range]');
    for (const [i, value] of ['0', '0', '0', '5'].entries()) {
      const slider = sliders[i];
      if (!slider) throw new Error('There is no such weight.');
      slider.value = value;
      slider.dispatchEvent(new Event('input'));
    }
    await bench.fixture.whenStable();
    expect(bench.store.plan().gearWeights).toEqual({ launch: 0, finish: 0, cruise: 0, cost: 5 });
    expect(rowsOf(bench)[0]).toContain('As it is in the axle');
  });

  it('say how to get some where there are none', async () => {
    const bench = await Bench.of(RatioDesk, donorPlan());
    expect(bench.text).toContain('count the donor’s teeth, ask the counter, or note a gear set');
    expect(bench.text).toContain('read it first');
  });
});

describe('runs', () => {
  it('stand quickest first, each ratio once', async () => {
    TestBed.overrideProvider(HeavyService, {
      useValue: { runSets: (question: Parameters<typeof runSets>[0]) => Promise.resolve(runSets(question)) },
    });
    const bench = await Bench.of(RunDesk, gearPlan());
    await bench.settle();
    const rows = rowsOf(bench);
    expect(rows).toHaveLength(2);
    expect(rows.join()).toMatch(/3\.727.*4\.556|4\.556.*3\.727/);
    const time = (row: string | undefined) => Number(/([\d.]+) s/.exec(row ?? '')?.[1]);
    expect(time(rows[0])).toBeLessThanOrEqual(time(rows[1]));
    expect(rows[0]).toMatch(/km\/h/);
  });

  it('say what they need', async () => {
    TestBed.overrideProvider(HeavyService, { useValue: { runSets: () => Promise.resolve([]) } });
    const bench = await Bench.of(RunDesk, donorPlan());
    expect(bench.text).toMatch(/Needs .*mass with driver.*the torque curve, the gearbox ratios/i);
  });
});

describe('the set-up', () => {
  const shim = (bench: Bench<unknown>, i: number) => {
    const input = bench.all<HTMLInputElement>('.shims input')[i];
    if (!input) throw new Error('There is no such field.');
    return input;
  };
  const write = async (bench: Bench<unknown>, texts: readonly string[]) => {
    texts.forEach((text, i) => {
      shim(bench, i).value = text;
      shim(bench, i).dispatchEvent(new Event('input'));
    });
    await bench.fixture.whenStable();
  };

  it('notes a trial, says what is wrong and what to try next of the kit', async () => {
    const bench = await Bench.of(SetUpDesk, gearPlan());
    const kits = bench.all<HTMLTextAreaElement>('.kits textarea');
    for (const kit of kits) {
      kit.value = '2 1.5 0.6 0.5 0.4 0.3 0.2 0.15 0.1 0.05 0.04';
      kit.dispatchEvent(new Event('change'));
    }
    await bench.fixture.whenStable();
    expect(bench.store.plan().shimKit.pinion).toHaveLength(11);
    await write(bench, ['0.9', '2.1', '1.9', '0.31 0.33 0.32 0.3']);
    const [, across] = bench.all<HTMLInputElement>('ix-flank input');
    if (!across) throw new Error('There is no flank.');
    across.value = '-0.8';
    across.dispatchEvent(new Event('input'));
    await bench.click('Note this trial');
    const [trial] = Object.values(bench.store.plan().gearTrials);
    expect(trial).toMatchObject({ n: 1, pinionShim: 0.9, ringSide: 2.1, drive: { along: 0, across: -0.8 } });
    await bench.fixture.whenStable();
    expect(rowsOf(bench)[0]).toMatch(/1 ?0\.900 mm.*0\.315 mm.*too much backlash; contact too near the face/);
    expect(bench.text).toContain('Try next');
    expect(bench.text).toMatch(/Would be right.*Put in.*Of the kit.*off by/s);
    expect(bench.text).toMatch(/The pinion (moves|stays)/);
    await bench.click('Use these for the next trial');
    expect(Number(shim(bench, 0).value)).toBeGreaterThan(0);
    expect(bench.text).toContain('Trial 2');
  });

  it('keeps torque in either unit and a note with the trial', async () => {
    const bench = await Bench.of(SetUpDesk, gearPlan());
    await write(bench, ['0.9', '2.1', '1.9', '0.2 0.21 0.2 0.19', '900 Nm', 'bearing ran dry']);
    await bench.click('Note this trial');
    expect(bench.all('[role=alert]')[0]?.textContent).toMatch(
      /Torque to turn the pinion must lie between 0.0 N·m and 40.0 N·m; this is 900.0 N·m/,
    );
    await write(bench, ['0.9', '2.1', '1.9', '0.2 0.21 0.2 0.19', '1.5 lbft', 'bearing ran dry']);
    await bench.click('Note this trial');
    const [trial] = Object.values(bench.store.plan().gearTrials);
    // 1.5 · 4.44822 N · 0.3048 m
    expect(trial?.torque).toBeCloseTo(2.03373, 4);
    expect(trial?.note).toBe('bearing ran dry');
    expect(rowsOf(bench)[0]).toContain('good. bearing ran dry');
    await bench.click('Remove trial 1');
    expect(bench.store.plan().gearTrials).toEqual({});
  });

  it.each([
    [['-0.2', '2.1', '1.9', '0.2 0.2 0.2 0.2'], /Pinion shim must lie between 0\.000 mm and 8\.000 mm/],
    [['0.9', '2.1', '1.9', '0.2 0.2 0.2'], /at least 4 teeth, with blanks between; these are 3/],
    [
      ['0.9', '2.1', '1.9', '0.2 5 0.2 0.2'],
      /Backlash must lie between 0\.000 mm and 2\.000 mm; this is 5\.000 mm/,
    ],
    [['0.9', '', '1.9', '0.2 0.2 0.2 0.2'], /Carrier, ring side: write one thickness/],
    [['0.9', 'thick', '1.9', '0.2 0.2 0.2 0.2'], /Carrier, ring side: /],
  ])('refuses %s at its field and loses nothing', async (texts, says) => {
    const bench = await Bench.of(SetUpDesk, gearPlan());
    await write(bench, texts);
    await bench.click('Note this trial');
    expect(bench.all('[role=alert]')[0]?.textContent).toMatch(says);
    expect(bench.store.plan().gearTrials).toEqual({});
    texts.forEach((text, i) => {
      expect(shim(bench, i).value).toBe(text);
    });
  });
});
