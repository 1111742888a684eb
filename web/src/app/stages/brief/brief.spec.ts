import { read, Bench, donorPlan } from '../../testing/bench';
import { LevelFacts } from '../survey/level-facts';
import { TorqueDemand } from './torque-demand';

const car = {
  'brief.front': read('scale', 556),
  'brief.rear': read('scale', 466),
  'brief.wheelbase': read('tape', 2450),
  'brief.cgHeight': read('chosen', 510),
  'brief.tyreDiameter': read('tape', 600),
  'brief.torque': read('chosen', 420),
  'brief.axleRatio': read('chosen', 3.91),
};
const plan = (gears: readonly number[]) => {
  const base = donorPlan(car);
  return { ...base, brief: { ...base.brief, gears, differential: 'limitedSlip' as const } };
};

beforeEach(() => {
  vi.stubGlobal(
    'ResizeObserver',
    class {
      observe = () => undefined;
      unobserve = () => undefined;
      disconnect = () => undefined;
    },
  );
});
afterEach(() => vi.unstubAllGlobals());

describe('torque demand', () => {
  it('shows both sides and which governs', async () => {
    const bench = await Bench.of(TorqueDemand, plan([2.92, 1.91]));
    // 420 · 2.92 · 3.91 · 0.9 · 0.75 · 1.3.
    expect(bench.text).toMatch(/From the engine ?4208 N·m/);
    expect(bench.text).toContain('the tyre governs');
    await bench.change(plan([0.5]));
    expect(bench.text).toContain('the engine governs');
  });

  it('says what it waits for', async () => {
    const bench = await Bench.of(TorqueDemand, plan([]));
    expect(bench.text).toContain('Write the gearbox ratios');
  });
});

describe('brief', () => {
  it('takes ratios typed as text, and keeps what it refuses', async () => {
    const bench = await Bench.stage('brief', plan([2.92]));
    const gears = bench.all<HTMLInputElement>('input').find((i) => i.value === '2.92');
    if (!gears) throw new Error('no field of ratios');
    const type = async (text: string) => {
      gears.value = text;
      gears.dispatchEvent(new Event('input'));
      await bench.fixture.whenStable();
    };
    await type('2.92 1.9');
    expect(bench.store.plan().brief.gears).toEqual([2.92, 1.9]);
    await type('2.92 1.9x');
    expect(bench.store.plan().brief.gears).toEqual([2.92, 1.9]);
    expect(gears.value).toBe('2.92 1.9x');
    expect(bench.text).toContain('“1.9x” is no ratio');
  });

  it('refuses characters that names do not take', async () => {
    const bench = await Bench.stage('brief', plan([]));
    const [vehicle] = bench.all<HTMLInputElement>('input');
    if (!vehicle) throw new Error('no field of the car');
    vehicle.value = 'Tern; <b>';
    vehicle.dispatchEvent(new Event('input'));
    await bench.fixture.whenStable();
    expect(bench.store.plan().brief.vehicle).toBe('');
    expect(bench.text).toContain('no < > or ;');
  });
});

describe('survey', () => {
  const leaning = {
    'level.height.leftFront': read('tape', 254.2),
    'level.height.rightFront': read('tape', 241.1),
    'level.height.leftRear': read('tape', 249.9),
    'level.height.rightRear': read('tape', 247.4),
    'survey.left': read('tape', 702.6),
    'survey.right': read('tape', 698.1),
  };

  it('opens with the level while the car is not, and marks rear numbers as doubtful', async () => {
    const bench = await Bench.stage('survey', donorPlan(leaning));
    expect(bench.text).toContain('does the car stand level');
    expect(bench.text).toContain('front leans by 13.1 mm');
    await bench.click('Axle');
    expect(bench.all('button[aria-label*="car not level"]').length).toBeGreaterThan(0);
    expect(bench.all('[role=img][aria-label="car not level"]')).toHaveLength(2);
  });

  it('gives the false floor under each tyre once all four are read', async () => {
    const floor = {
      'level.floor.leftFront': read('tape', 812.4),
      'level.floor.rightFront': read('tape', 806.1),
      'level.floor.rightRear': read('tape', 819.7),
    };
    const bench = await Bench.of(LevelFacts, donorPlan({ ...leaning, ...floor }));
    expect(bench.text).not.toContain('False floor');
    await bench.change(donorPlan({ ...leaning, ...floor, 'level.floor.leftRear': read('tape', 810.2) }));
    expect(bench.text).toMatch(/right rear ?13\.6 mm/);
    expect(bench.text).toMatch(/right front ?0\.0 mm/);
  });
});
