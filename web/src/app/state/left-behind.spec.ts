import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { EMPTY_PLAN } from '@intervex/core';
import { VARIANT, variantView } from '../testing/bench';
import { PlanStore } from './plan-store';
import { UnsavedService } from './unsaved.service';

const plan = {
  ...EMPTY_PLAN,
  readings: { 'cut.kerf': { repeats: [{ value: 2.7 }], instrument: 'caliper' } },
} as const;
const left = { key: 'k', work: { variant: VARIANT, base: EMPTY_PLAN, plan, at: '2026-11-02T10:00:00Z' } };
const find = vi.fn(() => Promise.resolve<typeof left | undefined>(undefined));
const looks = () => find.mock.calls.length;

beforeEach(() => {
  vi.useFakeTimers();
  find.mockReset().mockResolvedValue(undefined);
});
afterEach(() => {
  vi.useRealTimers();
});

/** Opens the plan, and goes on by so long, ms. */
async function opened(ms: number): Promise<PlanStore> {
  TestBed.configureTestingModule({
    providers: [
      provideHttpClient(),
      provideHttpClientTesting(),
      { provide: UnsavedService, useValue: { find, settle: vi.fn(), keep: vi.fn(), begin: vi.fn() } },
    ],
  });
  const store = TestBed.inject(PlanStore);
  const opens = store.open(VARIANT);
  await vi.advanceTimersByTimeAsync(0);
  TestBed.inject(HttpTestingController).expectOne(`/api/variants/${VARIANT}`).flush(variantView(EMPTY_PLAN));
  await opens;
  await vi.advanceTimersByTimeAsync(ms);
  // What keeps work comes as a script of its own.
  await vi.dynamicImportSettled();
  return store;
}

describe('work that a page left behind', () => {
  it('is found later where its page still seemed to live at first', async () => {
    const store = await opened(1000);
    expect([looks(), store.leftBehind()]).toEqual([1, undefined]);
    find.mockResolvedValue(left);
    await vi.advanceTimersByTimeAsync(4000);
    await vi.dynamicImportSettled();
    await vi.advanceTimersByTimeAsync(0);
    expect(store.leftBehind()).toEqual(left);
    await vi.advanceTimersByTimeAsync(60_000);
    expect(looks()).toBe(2);
  });

  it('is looked for three times, and not again', async () => {
    await opened(1000);
    for (const ms of [4000, 15_000, 60_000]) {
      await vi.advanceTimersByTimeAsync(ms);
      await vi.dynamicImportSettled();
      await vi.advanceTimersByTimeAsync(0);
    }
    expect(looks()).toBe(3);
  });
});
