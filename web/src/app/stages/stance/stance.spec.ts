import { HttpTestingController } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { fitMap, type PartOffer, type Plan, type Reading } from '@intervex/core';
import { Bench, donorPlan, read } from '../../testing/bench';
import { HeavyService } from '../../work/heavy.service';
import { FitMapChart } from './fit-map';
import { StockWheels } from './stock-wheels';

/** Wheel room of a side: near only at the tyre’s top, and at the lip in full bump. */
const room = (side: 'left' | 'right', top: number, lip: number): Record<string, Reading> => ({
  ...Object.fromEntries(
    ['ride', 'bump'].flatMap((pose) => [
      [`room.in.${pose}.low.${side}`, read('tape', 500)],
      [`room.in.${pose}.axle.${side}`, read('tape', 500)],
      [`room.in.${pose}.top.${side}`, read('tape', top)],
    ]),
  ),
  [`room.out.ride.${side}`]: read('tape', 790),
  [`room.out.bump.${side}`]: read('tape', lip),
  [`room.lip.${side}`]: read('tape', 255),
});
const facts: Plan['facts'] = Object.fromEntries(
  ['low', 'axle', 'top'].flatMap((height) =>
    ['left', 'right'].map((side) => [
      `room.kind.${height}.${side}`,
      { value: 'arch', evidence: 'seen', who: 'Ansa', at: '2027-01-09T10:00:00Z' } as const,
    ]),
  ),
);
const PLAN: Plan = (() => {
  const plan = donorPlan({
    'wheel.rim': read('chosen', 5.5),
    'wheel.et': read('chosen', 30),
    'car.wheelHoles': read('count', 5),
    'car.wheelPcd': read('caliper', 108.04),
    ...room('left', 547.5, 786.7),
    ...room('right', 544.8, 783.3),
    'spring.bump': read('tape', 72),
    'spring.droop': read('tape', 95),
    'brief.tyreDiameter': read('tape', 600.5),
    'stance.lean': read('chosen', 0),
  });
  return { ...plan, facts, choices: { ...plan.choices, tyre: '165R13' } };
})();

const RANGES = {
  left: { least: { at: 664.7, by: 'room.in.ride.top.left' }, most: { at: 685.7, by: 'room.out.bump.left' } },
  right: { least: { at: 661.8, by: 'room.in.ride.top.right' }, most: { at: 682.3, by: 'room.out.bump.right' } },
};
/** The worker’s work in this thread. */
const sameThread = () => {
  TestBed.configureTestingModule({
    providers: [
      {
        provide: HeavyService,
        useValue: {
          fitMap: (...args: Parameters<typeof fitMap>) => Promise.resolve(fitMap(...args)),
          cancel: () => undefined,
        },
      },
    ],
  });
};

describe('stance', () => {
  it('shows the tightest gaps and what would clear', async () => {
    const bench = await Bench.stage('stance', PLAN);
    // Section 165 + 0.4·25.4 is 175.16; in a corner it bulges by 8 % of its half: 671 − 87.58 − 547.5 − 3 − 7.01.
    expect(bench.text).toMatch(/Left, inboard ?25\.9/);
    // Outside in a bend the wheel is up by 0.8 of its bump: lip 790 − 0.8·6.7 = 784.64, less 671 + 87.58 + 3 + 7.01.
    expect(bench.text).toMatch(/Right, outboard ?16\.1/);
    // To 19 inboard and 13 outboard the half may be 6.91 less or 3.05 more than 701.
    expect(bench.text).toMatch(/WMS width for this wheel ?1388\.2 mm to 1408\.1 mm/);
    expect(bench.text).toContain('no metal has to move');
    expect(bench.all('ix-view')).toHaveLength(2);
  });

  it('says that it does not know what clears while the lip was not read', async () => {
    const { 'room.lip.left': _lip, ...readings } = PLAN.readings;
    const bench = await Bench.stage('stance', { ...PLAN, readings });
    expect(bench.text).toMatch(/Widest section, both sides ?not known yet/);
    expect(bench.text).toMatch(/Arches ?not known yet/);
    expect(bench.text).not.toContain('no metal has to move');
  });

  it('keeps a tyre size that is none, and says why', async () => {
    const bench = await Bench.stage('stance', PLAN);
    const input = bench.all<HTMLInputElement>('label.beside input')[0];
    if (!input) throw new Error('no field');
    input.value = '205/12R15';
    input.dispatchEvent(new Event('change'));
    await bench.fixture.whenStable();
    expect(bench.all('[role=alert]')[0]?.textContent).toContain('A sidewall of 12 % does not exist');
    expect(bench.store.plan().choices.tyre).toBe('205/12R15');
    expect(input.value).toBe('205/12R15');
  });

  it('takes a backspace for the offset, in any unit, and refuses one that cannot be', async () => {
    const bench = await Bench.stage('stance', PLAN);
    const put = async (text: string) => {
      const input = bench.all<HTMLInputElement>('label.beside input')[1];
      if (!input) throw new Error('no field');
      input.value = text;
      input.dispatchEvent(new Event('change'));
      await bench.fixture.whenStable();
      return input.value;
    };
    // 4.25·25.4 less half of 6.5·25.4.
    await put('4 1/4');
    expect(bench.store.plan().readings['wheel.et']?.repeats[0]?.value).toBeCloseTo(25.4, 9);
    expect(await put('400')).toBe('400');
    expect(bench.text).toContain('Wheel offset (ET) must lie between −150.0 mm and 150.0 mm; this is 317.4');
    expect(bench.store.plan().readings['wheel.et']?.repeats[0]?.value).toBeCloseTo(25.4, 9);
  });

  it('asks for a spacer only where there is one', async () => {
    const bench = await Bench.stage('stance', PLAN);
    expect(bench.text).not.toContain('Spacer or adapter');
    bench.store.choose('spacer', 'plain');
    await bench.fixture.whenStable();
    expect(bench.text).toContain('Spacer or adapter');
  });
});

describe('fit map', () => {
  it('draws the region that clears, and says what limits the place', async () => {
    sameThread();
    const bench = await Bench.of(FitMapChart, PLAN, { ranges: RANGES, half: 701, et: 30 });
    await bench.settle();
    expect(bench.all('path.clears')).toHaveLength(1);
    // 671 − 664.7 on the left.
    expect(bench.text).toContain(
      'Half 701.0 mm, ET 30.0 mm: 6.3 mm to spare; limited by inner arch, inboard at tyre top',
    );
  });

  it('is walked with the keys, and a place is taken', async () => {
    sameThread();
    const bench = await Bench.of(FitMapChart, PLAN, { ranges: RANGES, half: 701, et: 30 });
    const taken: unknown[] = [];
    bench.fixture.componentInstance.taken.subscribe((spot) => taken.push(spot));
    const press = async (key: string, shiftKey = false) => {
      bench.all('svg')[0]?.dispatchEvent(new KeyboardEvent('keydown', { key, shiftKey }));
      await bench.fixture.whenStable();
    };
    await press('ArrowUp', true);
    await press('ArrowUp', true);
    // 701 − 40 stands 3.7 inboard of the left range.
    expect(bench.text).toContain('ET 40.0 mm: 3.7 mm short');
    await press('ArrowRight');
    await press('Enter');
    expect(taken).toEqual([{ half: 701.5, et: 40 }]);
    await press('Escape');
    expect(bench.text).toContain('ET 30.0 mm');
  });

  it('shows stock wheels as points where they stand', async () => {
    sameThread();
    const stock = [
      { id: 'a', et: 25, clears: true, name: 'Wheel 5.5 × 13' },
      { id: 'b', et: 4, clears: false, name: 'Wheel 6 × 13' },
      { id: 'c', et: -70, clears: false, name: 'off the map' },
    ];
    const bench = await Bench.of(FitMapChart, PLAN, { ranges: RANGES, half: 701, et: 30, stock });
    expect(bench.all('path.stock')).toHaveLength(2);
    expect(bench.all('path.stock.clear')).toHaveLength(1);
  });
});

describe('stock wheels', () => {
  const wheel = (number: string, width: number, et: number): PartOffer => ({
    number,
    name: `Wheel ${width} × 13, ET ${et}`,
    kind: 'wheel',
    seller: 'Osier Brake Supply',
    price: 74,
    stock: 4,
    leadDays: 3,
    size: { rim: 13, width, et, holes: 5, pcd: 108, bore: 63.4 },
  });

  it('are asked for by rim and pattern, put in order by what they clear, and taken', async () => {
    const bench = await Bench.of(StockWheels, PLAN);
    bench.button('Ask the counter').click();
    await bench.fixture.whenStable();
    const request = TestBed.inject(HttpTestingController).expectOne((r) => r.url === '/api/parts');
    expect(request.request.params.get('near')).toBe('rim:13,holes:5,pcd:108.04');
    request.flush({
      kind: 'wheel',
      of: 72,
      offers: [wheel('OW-1', 6, 4), wheel('OW-2', 5.5, 25), wheel('OW-3', 5, 30)],
      from: 'counter',
      at: '2027-03-20T18:00:00.000Z',
    });
    await bench.settle();
    expect(bench.text).toContain('1 of 3 clear on this axle; looked through 72.');
    expect(bench.all('li').map((li) => li.classList.contains('clears'))).toEqual([true, false, false]);
    bench.all('li button')[0]?.click();
    await bench.fixture.whenStable();
    const { searches, readings } = bench.store.plan();
    expect(searches.wheel?.chosen).toBe(
      bench.all('li.picked')[0]?.textContent?.includes('ET 25') ? 'OW-2' : 'OW-3',
    );
    expect([5, 5.5]).toContain(readings['wheel.rim']?.repeats[0]?.value);
  });

  it('say what is missing first', async () => {
    const bench = await Bench.of(StockWheels, donorPlan({}));
    expect(bench.text).toContain('Needs the tyre’s size');
  });
});
