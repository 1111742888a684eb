import { provideHttpClient } from '@angular/common/http';
import {
  HttpTestingController,
  provideHttpClientTesting,
  type TestRequest,
} from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import type { SaveRequest, VariantView } from '@intervex/contract/wire';
import { EMPTY_PLAN, seededRandom, type Plan, type Reading } from '@intervex/core';
import { same, withField } from './merge-plans';
import { PlanStore } from './plan-store';

const ID = '7d0c2f4e-1111-4c9a-9d2e-3b1f0a8c5e77';
const FIELDS = ['donor.half.left', 'donor.half.right', 'donor.tube.left'] as const;
const read = (value: number): Reading => ({ repeats: [{ value }], instrument: 'tape' });

/** A server of one plan: every state it ever held, and where an undo leads. */
class Server {
  readonly states: Plan[] = [{ ...EMPTY_PLAN, readings: { 'donor.half.left': read(700) } }];

  get plan(): Plan {
    return this.states.at(-1) as Plan;
  }

  view(): VariantView {
    return {
      ...{ id: ID, name: 'Even up', projectId: 'p', projectName: 'Tern', savedAt: '2026-11-02T10:00:00Z' },
      ...{ revision: this.states.length, plan: this.plan, canUndo: this.states.length > 1, canRedo: false },
    };
  }

  answer(request: TestRequest): void {
    const { method, url, body } = request.request;
    if (method === 'GET') {
      request.flush(this.view());
      return;
    }
    const { baseRevision, plan } = body as SaveRequest;
    if (baseRevision !== this.states.length) {
      const refusal = { error: 'stale', message: '', problems: [], changed: [] };
      const stale = { ...refusal, base: this.states[baseRevision - 1], current: this.view() };
      request.flush(stale, { status: 409, statusText: 'Stale' });
      return;
    }
    const before = this.states.at(-2);
    if (url.endsWith('/undo') && !before)
      request.flush(
        { error: 'nothingToUndo', message: 'Nothing.', problems: [] },
        { status: 409, statusText: 'x' },
      );
    else {
      this.states.push(url.endsWith('/undo') ? (before as Plan) : plan);
      request.flush(this.view());
    }
  }
}

describe('a page, a server, and another page, with delays at random', () => {
  beforeEach(() => {
    vi.useFakeTimers();
    TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
  });
  afterEach(() => {
    vi.useRealTimers();
  });

  const SEEDS = Array.from({ length: 40 }, (_, i) => i + 1);

  it.each(SEEDS)('come to rest with one plan, and nothing that was entered is gone (%i)', async (seed) => {
    const random = seededRandom(seed * 7919);
    const upTo = (n: number) => Math.floor(random() * n);
    const [store, http] = [TestBed.inject(PlanStore), TestBed.inject(HttpTestingController)];
    const server = new Server();
    const waiting: TestRequest[] = [];
    const typed = new Map<string, Reading>();
    const asked: unknown[] = [];
    let told = 1;
    const collect = (): void => {
      waiting.push(...http.match(() => true));
      asked.push(...store.conflicts().flatMap(({ mine, theirs }) => [mine, theirs]));
    };
    const deliver = async (): Promise<void> => {
      collect();
      const [next] = waiting.splice(upTo(waiting.length), 1);
      if (next && !next.cancelled) server.answer(next);
      await vi.advanceTimersByTimeAsync(0);
      collect();
    };
    const actions = [
      () => {
        const id = FIELDS[upTo(3)] as string;
        const value = read(600 + upTo(200) + random());
        typed.set(id, value);
        store.setReading(id, value);
        if (upTo(2)) store.saveNow();
      },
      () => {
        const plan = withField(server.plan, 'readings', FIELDS[upTo(3)] as string, read(400 + random()));
        server.states.push(plan);
      },
      () => {
        told = server.states.length;
        void store.catchUp(told);
      },
      () => void store.step('undo'),
      () => vi.advanceTimersByTimeAsync(upTo(900)),
      deliver,
      deliver,
    ];
    const opened = store.open(ID);
    await vi.advanceTimersByTimeAsync(0);
    await deliver();
    await opened;
    for (let i = 0; i < 40; i += 1) {
      await actions[upTo(actions.length)]?.();
      collect();
    }
    // To rest: all is delivered, all is answered, the newest is told.
    for (let i = 0; i < 60; i += 1) {
      await deliver();
      const [question] = store.conflicts();
      if (question && upTo(2)) store.settle(question, upTo(2) ? 'mine' : 'theirs');
      if (!waiting.length) void store.catchUp(server.states.length);
      await vi.advanceTimersByTimeAsync(500);
      collect();
    }
    expect(store.conflicts()).toEqual([]);
    expect(store.saveState()).toBe('saved');
    expect(store.plan()).toEqual(server.plan);
    expect(store.variant()?.revision).toBe(server.states.length);
    for (const [id, value] of typed) {
      const there = server.states.some((plan) => same(plan.readings[id], value));
      expect(there || asked.some((a) => same(a, value)), `${id} ${JSON.stringify(value)}`).toBe(true);
    }
  });
});
