import { computed, Injectable, signal, type WritableSignal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { createEvaluator, EMPTY_PLAN, type Plan, type Results } from '@intervex/core';
import tern from '../../../../examples/tern.json';
import { FakeWorker } from '../testing/fake-worker';
import { makeJudge, type Judge } from './judge';
import { JudgingService } from './judging.service';

const DAY = '2027-03-20';
const demo = (tern as unknown as { readonly plan: Plan }).plan;
/** One reading of the demo, one millimetre more. */
const wider = (plan: Plan, id: string, by: number): Plan => {
  const reading = plan.readings[id];
  if (!reading) throw new Error(`${id} is not read`);
  const repeats = reading.repeats.map((r) => ({ ...r, value: r.value + by }));
  return { ...plan, readings: { ...plan.readings, [id]: { ...reading, repeats } } };
};

@Injectable()
class Service extends JudgingService {
  static answers: object = makeJudge();
  static made: FakeWorker[] = [];
  protected override make(): Worker {
    const worker = new FakeWorker(Service.answers);
    Service.made.push(worker);
    return worker as unknown as Worker;
  }
}

interface Desk {
  readonly plan: WritableSignal<Plan>;
  readonly open: WritableSignal<string | undefined>;
  readonly results: () => Results;
  /** What the page’s evaluator made of a plan. */
  readonly made: (of: Plan) => Results | undefined;
  /** How often the page judged for itself. */
  readonly own: () => number;
}

const atRest = async (done: () => void): Promise<void> => {
  TestBed.tick();
  await vi.waitFor(
    () => {
      TestBed.tick();
      done();
    },
    { timeout: 20_000 },
  );
};

/** A page with a plan, whose worker has come; it counts how often its own thread judges. */
async function desk(answers: object = makeJudge()): Promise<Desk> {
  Service.answers = answers;
  Service.made = [];
  let own = 0;
  const evaluate = createEvaluator();
  const plan = signal(EMPTY_PLAN);
  const open = signal<string | undefined>('one');
  const service = TestBed.configureTestingModule({
    providers: [{ provide: JudgingService, useClass: Service }],
  }).inject(JudgingService);
  const kept = new WeakMap<Plan, Results>();
  const shown = (): Results => {
    const now = plan();
    const known = kept.get(now);
    if (known) return known;
    const all = evaluate(now, DAY);
    const counted = Object.create(all, {
      checks: {
        get: () => {
          own += 1;
          return all.checks;
        },
      },
    }) as Results;
    kept.set(now, counted);
    return counted;
  };
  const now = computed(shown);
  const results = TestBed.runInInjectionContext(() => service.of(now, now, () => DAY, open));
  await atRest(() => {
    expect(service.beside() || Service.made[0]?.ended).toBe(true);
  });
  return { plan, open, results, made: (of) => kept.get(of), own: () => own };
}

/** What is judged stands in the results as it came. */
const isBeside = (results: Results): boolean =>
  Object.getOwnPropertyDescriptor(results, 'checks')?.value !== undefined;
const judged = ({ checks, contradicted, decisions, stages }: Results): unknown => ({
  checks,
  contradicted,
  decisions,
  stages,
});
describe('judging beside the page', { timeout: 60_000 }, () => {
  it('gives what the page itself would, edit after edit, and leaves the page’s thread alone', async () => {
    const { plan, results, own } = await desk();
    plan.set(demo);
    let now = demo;
    await atRest(() => {
      expect(isBeside(results())).toBe(true);
      expect(results().plan).toBe(demo);
    });
    const before = own();
    for (const [id, by] of [
      ['donor.tube.left', -3],
      ['wheel.et', 20],
      ['survey.left', 60],
      ['spring.bump', 15],
    ] as const) {
      now = wider(now, id, by);
      plan.set(now);
      await atRest(() => {
        expect(results().plan).toBe(now);
      });
      expect(judged(results())).toEqual(judged(createEvaluator()(now, DAY)));
    }
    expect(own()).toBe(before);
  });

  it('shows what stood before until the judgement has come: never one plan’s judgement beside another’s numbers', async () => {
    const { plan, results } = await desk();
    plan.set(demo);
    await atRest(() => {
      expect(isBeside(results())).toBe(true);
      expect(results().plan).toBe(demo);
    });
    const was = results();
    const other = wider(demo, 'wheel.et', 9);
    plan.set(other);
    expect(results()).toBe(was);
    await atRest(() => {
      expect(results().plan).toBe(other);
    });
  });

  it('never asks the page’s evaluator for what the hand has left behind', async () => {
    const judge = makeJudge();
    // Answers that are kept back, in the order they were asked for.
    const kept: (() => void)[] = [];
    let hold = false;
    const { plan, results, made } = await desk({
      ready: () => true,
      after: (...of: Parameters<Judge['after']>) => {
        const said = judge.after(...of);
        if (!hold) return said;
        return new Promise((resolve) => {
          kept.push(() => {
            resolve(said);
          });
        });
      },
    });
    plan.set(demo);
    await atRest(() => {
      expect(isBeside(results())).toBe(true);
      expect(results().plan).toBe(demo);
    });
    // What stands still is the page’s own.
    expect(Object.getPrototypeOf(results())).toBe(made(demo));
    hold = true;
    const [first, second] = [wider(demo, 'wheel.et', 9), wider(demo, 'wheel.et', 12)];
    plan.set(first);
    await atRest(() => {
      expect(kept).toHaveLength(1);
    });
    // Its judgement is under way while the hand goes on.
    plan.set(second);
    TestBed.tick();
    kept.shift()?.();
    await atRest(() => {
      expect(results().plan).toBe(first);
    });
    expect(Object.getPrototypeOf(results())).not.toBe(made(first));
    expect(judged(results())).toEqual(judged(createEvaluator()(first, DAY)));
    await atRest(() => {
      expect(kept).toHaveLength(1);
    });
    kept.shift()?.();
    await atRest(() => {
      expect(results().plan).toBe(second);
    });
    expect(Object.getPrototypeOf(results())).toBe(made(second));
  });

  it('shows nothing of the plan that was open before', async () => {
    const { plan, open, results } = await desk();
    plan.set(demo);
    await atRest(() => {
      expect(results().plan).toBe(demo);
    });
    open.set('two');
    plan.set(EMPTY_PLAN);
    expect(results().plan).toBe(EMPTY_PLAN);
    expect(results().checks).toEqual([]);
  });

  it.each([
    ['fails', { ready: () => true, after: () => Promise.reject(new Error('no')) } as unknown as Judge],
    ['cannot be started', { ready: () => Promise.reject(new Error('no')) } as unknown as Judge],
  ])('judges in the page where the worker %s', async (_how, answers) => {
    const { plan, results } = await desk(answers);
    plan.set(demo);
    await atRest(() => {
      expect(Service.made[0]?.ended).toBe(true);
    });
    expect(judged(results())).toEqual(judged(createEvaluator()(demo, DAY)));
  });

  it('gives up a worker that does not answer', async () => {
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'], shouldAdvanceTime: true });
    try {
      const { plan, results } = await desk({ ready: () => true, after: () => new Promise(() => undefined) });
      plan.set(demo);
      TestBed.tick();
      vi.advanceTimersByTime(4000);
      expect(Service.made[0]?.ended).toBe(false);
      vi.advanceTimersByTime(1001);
      expect(Service.made[0]?.ended).toBe(true);
      expect(results().plan).toBe(demo);
      expect(judged(results())).toEqual(judged(createEvaluator()(demo, DAY)));
    } finally {
      vi.useRealTimers();
    }
  });
});
