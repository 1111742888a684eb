import { signal } from '@angular/core';
import { HttpTestingController } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import type { PartOffer, Plan } from '@intervex/core';
import type { Arm, HoleWay, Obstacle } from '@intervex/core/desks/motion';
import { type PlanStore } from '../../state/plan-store';
import { Bench, donorPlan, read } from '../../testing/bench';
import { UnitsService } from '../../state/units.service';
import { Cancelled, HeavyService } from '../../work/heavy.service';
import { axleFields, hasAxleEnd, labelOf, withField } from './arm-fields';
import { ArmsDesk } from './arms-desk';
import { HolesDesk } from './holes-desk';
import { LoadsDesk } from './loads-desk';
import { moveArm, nearestHole } from './move';
import { PlotsDesk } from './plots-desk';
import { pose } from './pose';
import { PoseDesk } from './pose-desk';
import { RoomDesk } from './room-desk';
import { ScalesDesk } from './scales-desk';
import { SpringsDesk } from './springs-desk';

const deg = (d: number) => (d * Math.PI) / 180;
type P = readonly [number, number, number];
const arm = (
  name: string,
  kind: Arm['kind'],
  side: Arm['side'],
  a: P | undefined,
  c: P,
  more: Partial<Arm> = {},
): Arm => ({
  name,
  kind,
  side,
  tool: 'tape',
  ...(a ? { ax: a[0], ay: a[1], az: a[2] } : {}),
  cx: c[0],
  cy: c[1],
  cz: c[2],
  ...more,
});
const ARMS: Readonly<Record<string, Arm>> = {
  lower: arm('Lower link', 'lower', 'pair', [-6, 468, 243], [561, 462, 268]),
  upper: arm('Upper link', 'upper', 'pair', [-31, 428, 452], [379, 424, 428], {
    cHoles: 3,
    cRead: 2,
    cUse: 2,
    cStepX: 0,
    cStepZ: 22,
  }),
  bar: arm('Lateral bar', 'lateral', 'single', [-92, -431, 296], [-97, 437, 314]),
  coil: arm('Coil-over', 'coilOver', 'pair', [6, 402, 360], [-40, 360, 705]),
};
const READ = {
  'drive.axleHeight': read('tape', 311),
  'brief.wheelbase': read('tape', 2475),
  'brief.cgHeight': read('chosen', 512),
  'brief.front': read('scale', 520),
  'brief.rear': read('scale', 475),
  'brief.friction': read('chosen', 1.1),
  'brief.axleRatio': read('chosen', 3.7),
  'wheel.rim': read('chosen', 6),
  'wheel.et': read('chosen', 20),
  'spring.bump': read('tape', 70),
  'spring.droop': read('tape', 85),
  'stance.lean': read('chosen', deg(1.8)),
  'coil.rate': read('chosen', 30),
  'coil.free': read('tape', 320),
  'coil.solid': read('caliper', 150),
};
const planOf = (more: Partial<Plan> = {}, readings = {}): Plan => ({
  ...donorPlan({ ...READ, ...readings }, { suspension: 'parallel' }),
  arms: ARMS,
  ...more,
});

async function change<T>(bench: Bench<T>, label: string, text: string): Promise<void> {
  const field = bench.all<HTMLInputElement>(`[aria-label="${label}"]`)[0];
  if (!field) throw new Error(`There is no field “${label}”.`);
  field.value = text;
  field.dispatchEvent(new Event('change'));
  await bench.fixture.whenStable();
}
async function slide<T>(bench: Bench<T>, label: string, value: string): Promise<void> {
  const field = bench.all<HTMLInputElement>(`input[type=range][aria-label="${label}"]`)[0];
  if (!field) throw new Error(`There is no slider “${label}”.`);
  field.value = value;
  field.dispatchEvent(new Event('input'));
  await bench.fixture.whenStable();
}
const row = <T>(bench: Bench<T>, name: string): string =>
  (bench.all('tr').find((tr) => (tr.textContent ?? '').includes(name))?.textContent ?? '').replace(/\s+/g, ' ');

/** A worker that answers at once, or not at all. */
class Still {
  ways: readonly HoleWay[] = [];
  fail: Error | undefined;
  asked = 0;
  async holeWays(): Promise<readonly HoleWay[]> {
    this.asked += 1;
    await Promise.resolve();
    if (this.fail) throw this.fail;
    return this.ways;
  }
  async sweep(_: Plan, progress: (done: number) => void): Promise<undefined> {
    progress(0.5);
    await Promise.resolve();
    if (this.fail) throw this.fail;
    return undefined;
  }
  cancel(): void {
    this.fail = new Cancelled('stopped');
  }
}

beforeEach(() => {
  pose.set({ z: 0, roll: 0 });
});

describe('a link’s end that is dragged', () => {
  it('goes to the nearest hole of its bracket, else where it was drawn to', () => {
    const upper = ARMS['upper'] as Arm;
    expect(nearestHole(upper, 'c', 379, 429)).toBe(2);
    expect(nearestHole(upper, 'c', 390, 455)).toBe(3);
    expect(nearestHole(upper, 'c', 300, 300)).toBe(1);
    const put: unknown[] = [];
    const store = {
      plan: signal({ arms: ARMS }),
      put: (...what: unknown[]) => put.push(what),
    } as unknown as PlanStore;
    const drag = (id: string, value: number, z: number) => {
      moveArm(store, { quantityId: id, value, other: { quantityId: `${id}.z`, value: z } });
    };
    drag('arm.upper.c', 380, 447);
    drag('arm.lower.a', -11, 240);
    drag('arm.gone.a', 0, 0);
    drag('arm.lower.q', 0, 0);
    expect(put).toEqual([
      ['arms', 'upper', { ...upper, cUse: 3 }],
      ['arms', 'lower', { ...ARMS['lower'], tool: 'chosen', ax: -11, az: 240 }],
    ]);
  });
});

describe('fields of what holds the axle', () => {
  it('go with what is emptied, and are called as they stand on the page', () => {
    expect(withField({ name: 'A', bolt: 12 }, 'bolt', undefined)).toEqual({ name: 'A' });
    expect(withField({ name: 'A' }, 'bolt', 16)).toEqual({ name: 'A', bolt: 16 });
    expect(labelOf('cz')).toBe('Car end, above the ground');
    expect(labelOf('x2')).toBe('Other end, forward');
    expect(labelOf('nothing')).toBe('nothing');
    expect(hasAxleEnd({ ...(ARMS['lower'] as Arm), kind: 'ladder' })).toBe(false);
    const names = axleFields({ l: { name: 'Link bracket' } as never })
      .at(-1)
      ?.options?.map((o) => o.name);
    expect(names).toEqual(['–', 'Link bracket']);
  });
});

describe('the axle put up, down and in roll', () => {
  it('says what it does there, and back at ride height nothing', async () => {
    const bench = await Bench.of(PoseDesk, planOf());
    expect(bench.text).toContain('ride height');
    await slide(bench, 'Heave', '70');
    // The worked pose at 70 up: 4.25 forward, 1.65 to the left, nose down by 2.52°.
    const facts = bench.all('dl.facts dd').map((dd) => dd.textContent?.trim());
    expect(facts.slice(0, 3)).toEqual(['−2.52°', '4.3 mm', '1.7 mm']);
    await slide(bench, 'Roll', '1.8');
    expect(bench.text).toContain('right side down');
    await bench.click('Back to ride height');
    expect(pose()).toEqual({ z: 0, roll: 0 });
    expect(bench.text).toContain('level');
  });

  it('has its character with workings, and waits until it is known how it is held', async () => {
    const bench = await Bench.of(PoseDesk, planOf());
    expect(row(bench, 'Anti-squat')).toMatch(/79\.6 %/);
    expect(row(bench, 'Roll centre')).toMatch(/304\.8 mm/);
    TestBed.resetTestingModule();
    const none = await Bench.of(PoseDesk, planOf({ arms: {} }));
    expect(none.text).toContain('choose that, give the axle’s height, and list the links');
    expect(none.all('input[type=range]')).toHaveLength(0);
  });

  it('says where the links do not reach', async () => {
    const short = { ...ARMS, upper: arm('Upper link', 'upper', 'pair', [-31, 428, 452], [9, 424, 452]) };
    const bench = await Bench.of(PoseDesk, planOf({ arms: short }));
    await slide(bench, 'Heave', '70');
    expect(bench.text).toContain('The links do not reach there.');
  });

  it('plays a cycle until it is stopped', async () => {
    const bench = await Bench.of(PoseDesk, planOf());
    await bench.click('Play a cycle');
    expect(bench.text).toContain('Stop the cycle');
    await bench.click('Stop the cycle');
    expect(bench.text).toContain('Play a cycle');
  });
});

describe('the list of links', () => {
  it('tells each eye to eye, and what is still wanted', async () => {
    const { bar: _, ...arms } = ARMS;
    const bench = await Bench.of(ArmsDesk, planOf({ arms }));
    expect(bench.text).toContain('Still wanted: a lateral bar, or a crank with two bars.');
    TestBed.resetTestingModule();
    const whole = await Bench.of(ArmsDesk, planOf());
    // √(567² + 6² + 25²).
    expect(row(whole, 'lower link, both sides alike')).toMatch(/567\.6 mm/);
    expect(row(whole, 'coil-over, both sides alike')).toMatch(/350\.6 mm/);
  });

  it('takes three numbers of a place together, and refuses what cannot be with its field', async () => {
    const bench = await Bench.of(ArmsDesk, planOf());
    await change(bench, 'Axle end, forward', '');
    // Two numbers are no place: what stands in the plan stays until all three are there, or none.
    expect(bench.store.plan().arms['lower']?.ax).toBe(-6);
    await change(bench, 'Axle end, forward', '-14');
    expect(bench.store.plan().arms['lower']?.ax).toBe(-14);
    await change(bench, 'Car end, left of the middle', '-20');
    expect(bench.text).toContain('Car end, left of the middle must be left of the centreline');
    expect(bench.store.plan().arms['lower']?.cy).toBe(462);
    await change(bench, 'Used', '4');
    expect(bench.text).toMatch(/Used is not among the holes there are: 1 to 1/);
  });

  it('keeps the begun place of one link to that link, and says sizes in the unit on the page', async () => {
    const bench = await Bench.of(ArmsDesk, planOf());
    await change(bench, 'Axle end, forward', '');
    const pick = async (name: string) => {
      const radio = bench
        .all<HTMLInputElement>('input[name="arm"]')
        .find((one) => one.closest('tr')?.textContent.includes(name));
      radio?.dispatchEvent(new Event('change'));
      await bench.fixture.whenStable();
    };
    await pick('Lateral bar');
    await change(bench, 'Axle end, left', '-425');
    expect(bench.store.plan().arms['bar']).toMatchObject({ ax: -92, ay: -425, az: 296 });
    expect(bench.store.plan().arms['lower']).toEqual(ARMS['lower']);
    TestBed.inject(UnitsService).choose('in');
    await change(bench, 'Car end, forward of the axle', '-3.622');
    // 18 mm above its other end by now.
    await change(bench, 'Car end, left of the middle', '-16.732');
    expect(bench.text).toMatch(/Car end.* is where its other end is: at least 0\.787 in away\./);
  });

  it('adds and removes a link, and a crank with two bars', async () => {
    const bench = await Bench.of(ArmsDesk, planOf({ arms: {} }));
    expect(bench.text).toContain('Nothing is listed yet.');
    await bench.click('Add a link, spring or damper');
    await change(bench, 'Name', 'Torque arm');
    await change(bench, 'Kind', 'torqueArm');
    await change(bench, 'Side', 'single');
    await change(bench, 'Car end, forward of the axle', '880');
    await change(bench, 'Car end, left of the middle', '-14');
    await change(bench, 'Car end, above the ground', '340');
    // Nobody said what it was read with.
    expect(bench.text).toContain('Missing: read with');
    await bench.click('Add it');
    expect(bench.store.plan().arms).toEqual({});
    await change(bench, 'Read with', 'tape');
    await bench.click('Add it');
    expect(Object.values(bench.store.plan().arms)).toMatchObject([{ name: 'Torque arm', cx: 880, cy: -14 }]);
    await bench.click('Remove Torque arm');
    expect(bench.store.plan().arms).toEqual({});
    await bench.click('Add a crank with two bars');
    for (const [label, text] of [
      ['Name', 'Crank'],
      ['Pivot', 'axle'],
      ['Pivot, forward of the axle', '-90'],
      ['Pivot, left', '0'],
      ['Pivot, above the ground', '305'],
      ['Top eye, left', '0'],
      ['Top eye, above the ground', '305'],
      ['Lower eye, left', '0'],
      ['Lower eye, above the ground', '245'],
      ['Top bar’s far end, left', '410'],
      ['Top bar’s far end, above the ground', '365'],
      ['Lower bar’s far end, left', '-410'],
      ['Lower bar’s far end, above the ground', '245'],
    ] as const)
      await change(bench, label, text);
    await bench.click('Add it');
    // Its top eye is its pivot: refused, and nothing typed is lost.
    expect(bench.text).toContain('Top eye, above the ground is where the pivot is');
    await change(bench, 'Top eye, above the ground', '365');
    await bench.click('Add it');
    expect(bench.store.plan().cranks['crank']).toMatchObject({ on: 'axle', topZ: 365 });
    await change(bench, 'Pivot', 'car');
    expect(bench.store.plan().cranks['crank']?.on).toBe('car');
    await bench.click('Remove Crank');
    expect(bench.store.plan().cranks).toEqual({});
  });
});

describe('what is in the way', () => {
  const PIPE: Obstacle = { name: 'Pipe', kind: 'point', x: 277, y: 465, z: 300 };
  it('is listed with the room to it, and put where it is least', async () => {
    const bench = await Bench.of(RoomDesk, planOf({ obstacles: { pipe: PIPE } }));
    expect(row(bench, 'Pipe')).toMatch(/Lower link, left, 70\.0 mm up/);
    await bench.click('Put it there');
    expect(pose().z).toBe(70);
  });

  it('becomes an edge from where it is, and goes when it is removed', async () => {
    const bench = await Bench.of(RoomDesk, planOf({ obstacles: { pipe: PIPE } }));
    await change(bench, 'As a', 'edge');
    expect(bench.store.plan().obstacles['pipe']).toMatchObject({ kind: 'edge', x2: 277, y2: 465, z2: 300 });
    await change(bench, 'Other end, forward', '-400');
    expect(bench.store.plan().obstacles['pipe']?.x2).toBe(-400);
    await bench.click('Remove Pipe');
    expect(bench.store.plan().obstacles).toEqual({});
    await bench.click('Add what is in the way');
    await change(bench, 'What', 'Tank');
    await change(bench, 'As a', 'box');
    await change(bench, 'Forward of the axle', '-300');
    await change(bench, 'Left of the middle', '0');
    await change(bench, 'Above the ground', '400');
    await bench.click('Add it');
    expect(bench.text).toContain('is missing: an edge or a box goes from one place to another');
    expect(bench.store.plan().obstacles).toEqual({});
  });
});

describe('springs, loads and scales', () => {
  it('tell what each spring carries and has left', async () => {
    const bench = await Bench.of(SpringsDesk, planOf());
    expect(bench.text).toContain('Coil-over, left');
    expect(row(bench, 'Motion ratio')).toMatch(/98\.\d %/);
    expect(row(bench, 'Rate at the wheel')).toMatch(/29\.\d N\/mm|28\.\d N\/mm/);
  });

  it('ask the counter for the spring that is wanted, and take one with what its list says', async () => {
    const spring = (number: string, size: PartOffer['size']): PartOffer => ({
      number,
      name: `Coil spring ${number}`,
      kind: 'spring',
      seller: 'Withy Shaftworks',
      price: 66,
      stock: 2,
      leadDays: 4,
      size,
    });
    const offers = [
      spring('WC-3', { rate: 31.5, free: 305, inside: 61, solid: 151 }),
      spring('WC-4', { rate: 21, free: 356, inside: 63.5, solid: 139.4 }),
      spring('WC-5', { rate: 24.5, free: 330, inside: 61 }),
    ];
    const bench = await Bench.of(
      SpringsDesk,
      planOf({}, { 'coil.over': read('caliper', 58.4), 'stance.lean': read('chosen', 0) }),
    );
    bench.button('Ask the counter for springs').click();
    const asked = TestBed.inject(HttpTestingController).expectOne(({ url }) => url === '/api/parts');
    expect(asked.request.params.get('kind')).toBe('spring');
    expect(asked.request.params.get('like')).toBe('rate:30,free:320,inside:58.4');
    asked.flush({ kind: 'spring', of: 412, offers, from: 'counter', at: '2027-02-03T09:00:00.000Z' });
    await bench.settle();
    expect(bench.text).toMatch(/1 of 3 would do; 412 looked through/);
    const item = (number: string) =>
      bench
        .all('li')
        .find((li) => li.textContent.includes(number))
        ?.textContent.replace(/\s+/g, ' ');
    expect(item('WC-3')).toMatch(
      /31\.5 N\/mm, 305\.0 mm long, 61\.0 mm inside.*against it: hangs loose at droop/,
    );
    expect(item('WC-4')).toMatch(/1\.\d\d Hz.*would do/);
    bench.button('take WC-4').click();
    await bench.fixture.whenStable();
    const { readings, searches } = bench.store.plan();
    expect(searches.spring?.chosen).toBe('WC-4');
    expect(['coil.rate', 'coil.free', 'coil.solid'].map((id) => readings[id])).toMatchObject([
      { repeats: [{ value: 21 }], instrument: 'seller', note: 'WC-4' },
      { repeats: [{ value: 356 }], instrument: 'seller' },
      { repeats: [{ value: 139.4 }], instrument: 'seller' },
    ]);
    expect(item('WC-4')).toMatch(/taken/);
    // What the next one’s list does not say is not known: the solid length was the other’s.
    bench.button('take WC-5').click();
    await bench.fixture.whenStable();
    expect(bench.store.plan().readings['coil.rate']?.note).toBe('WC-5');
    expect(bench.store.plan().readings['coil.solid']).toBeUndefined();
  });

  it('tell the leaf springs’ own numbers instead', async () => {
    const leaf = {
      ...donorPlan(
        {
          ...READ,
          'leaf.front': read('tape', 560),
          'leaf.rear': read('tape', 710),
          'leaf.rate': read('chosen', 23.5),
          'spring.spacing': read('tape', 1010),
        },
        { suspension: 'leaf' },
      ),
    };
    const bench = await Bench.of(SpringsDesk, leaf);
    expect(row(bench, 'Nose lifted by the hardest launch')).toMatch(/\d\.\d+°/);
    expect(row(bench, 'Push on each front eye')).toMatch(/ N/);
  });

  it('tell pulls and pushes of every link in three cases', async () => {
    const bench = await Bench.of(LoadsDesk, planOf());
    expect(row(bench, 'Lower link, left')).toMatch(/−\d+ N.*\d+ N/);
    expect(row(bench, 'Lateral bar')).toMatch(/−\d{4} N/);
    expect(row(bench, 'Left spring more than the right')).toMatch(/−\d+ N/);
    expect(row(bench, 'Right tyre loses')).toMatch(/what preload is for/);
    TestBed.resetTestingModule();
    const none = await Bench.of(LoadsDesk, planOf({ arms: {} }));
    expect(none.text).toContain('Loads follow from the links and the springs');
  });

  it('tell where the centre of gravity is, with the caution that belongs to it', async () => {
    const bench = await Bench.of(
      ScalesDesk,
      planOf(
        {},
        {
          'scales.leftFront': read('scale', 262),
          'scales.rightFront': read('scale', 258),
          'scales.leftRear': read('scale', 231),
          'scales.rightRear': read('scale', 244),
        },
      ),
    );
    expect(row(bench, 'Centre of gravity before the rear axle')).toMatch(/1293\.5 mm/);
    expect(row(bench, 'Cross-weight')).toMatch(/50\.9 %/);
    expect(bench.text).toContain('a car on blocks kills');
    expect(bench.text).not.toContain('replaces the brief’s');
  });
});

describe('plots', () => {
  it('say in words what they draw, and follow the pose', async () => {
    const bench = await Bench.of(PlotsDesk, planOf());
    const words = () => bench.all('canvas').map((c) => c.getAttribute('aria-label') ?? '');
    expect(words()).toHaveLength(7);
    expect(words()[0]).toMatch(
      /^Pinion turned, nose up plus: 1\.71 ° at full droop, .* here, -2\.52 ° at full bump$/,
    );
    await slide(bench, 'Heave', '70');
    expect(words()[0]).toMatch(/-2\.52 ° here/);
    TestBed.resetTestingModule();
    const none = await Bench.of(PlotsDesk, planOf({ arms: {} }));
    expect(none.text).toContain('Plots follow from the links and the travel');
  });

  it('say that a sweep was stopped, or could not be worked out', async () => {
    const still = new Still();
    TestBed.overrideProvider(HeavyService, { useValue: still });
    const bench = await Bench.of(PlotsDesk, planOf());
    await bench.click('Go through all of it');
    expect(bench.text).toContain('The travel has to be known first.');
    still.fail = new Error('broken');
    await bench.click('Go through all of it');
    expect(bench.text).toContain('It could not be worked out. Try again.');
    still.fail = new Cancelled('stopped');
    await bench.click('Go through all of it');
    expect(bench.text).toContain('Stopped.');
  });
});

describe('which hole', () => {
  const way = (hole: number, aboveNeutral: number, bind: number): HoleWay => ({
    holes: [hole],
    antiSquat: 0.5 + hole / 10,
    icAlong: 1500 + hole,
    icHeight: 300,
    aboveNeutral,
    pinion: 0.02,
    bind,
  });
  it('lists the best for what is aimed at first, marks the one in use, and takes another', async () => {
    const still = new Still();
    still.ways = [way(1, 80, 0.2), way(2, -40, 0.4), way(3, 5, 2.2)];
    TestBed.overrideProvider(HeavyService, { useValue: still });
    const bench = await Bench.of(HolesDesk, planOf());
    await bench.fixture.whenStable();
    bench.fixture.detectChanges();
    const holes = () => bench.all('td[data-label="Upper link, car"]').map((td) => td.textContent?.trim());
    expect(holes()).toEqual(['3', '2', '1']);
    expect(row(bench, 'in use')).toContain('2');
    await bench.click('Use it');
    expect(bench.store.plan().arms['upper']?.cUse).toBe(3);
  });

  it('says why there is nothing to choose', async () => {
    TestBed.overrideProvider(HeavyService, { useValue: new Still() });
    const none = await Bench.of(HolesDesk, planOf({ arms: {} }));
    expect(none.text).toContain('Holes can be told apart once it is known how the axle is held.');
    TestBed.resetTestingModule();
    TestBed.overrideProvider(HeavyService, { useValue: new Still() });
    const { cHoles: _, cRead: _r, cUse: _u, ...plain } = ARMS['upper'] as Arm;
    const one = await Bench.of(HolesDesk, planOf({ arms: { ...ARMS, upper: plain as Arm } }));
    expect(one.text).toContain('No bracket has more than one hole');
    TestBed.resetTestingModule();
    TestBed.overrideProvider(HeavyService, { useValue: new Still() });
    const many = Object.fromEntries(
      Object.entries(ARMS).map(([key, a]) => [key, { ...a, aHoles: 12, cHoles: 12 }]),
    );
    const all = await Bench.of(HolesDesk, planOf({ arms: many }));
    expect(all.text).toMatch(/There are \d+ ways to bolt it up/);
  });
});
