import { provideHttpClient } from '@angular/common/http';
import {
  HttpTestingController,
  provideHttpClientTesting,
  type TestRequest,
} from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import type { SaveRequest, VariantView } from '@intervex/contract/wire';
import { EMPTY_PLAN, type Plan } from '@intervex/core';
import { MeService } from './me.service';
import { PlanStore } from './plan-store';

const ID = '7d0c2f4e-1111-4c9a-9d2e-3b1f0a8c5e77';
const half = (value: number) => ({ repeats: [{ value }], instrument: 'tape' as const });
const withHalf = (value: number): Plan => ({ ...EMPTY_PLAN, readings: { 'donor.half.left': half(value) } });
const view = (revision: number, plan: Plan): VariantView => ({
  id: ID,
  name: 'Even up',
  projectId: 'p',
  projectName: 'Tern',
  revision,
  savedAt: '2026-11-02T10:00:00Z',
  plan,
  canUndo: revision > 1,
  canRedo: false,
});

let store: PlanStore;
let http: HttpTestingController;
const settle = () => vi.advanceTimersByTimeAsync(500);
const put = (): TestRequest => http.expectOne({ method: 'PUT', url: `/api/variants/${ID}/plan` });
const sent = (request: TestRequest) => request.request.body as SaveRequest;

beforeEach(async () => {
  localStorage.clear();
  vi.useFakeTimers();
  TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
  store = TestBed.inject(PlanStore);
  http = TestBed.inject(HttpTestingController);
  const opened = store.open(ID);
  await vi.advanceTimersByTimeAsync(0);
  http.expectOne(`/api/variants/${ID}`).flush(view(4, withHalf(792.3)));
  await opened;
});
afterEach(() => {
  vi.useRealTimers();
  http.verify();
});

describe('plan store', () => {
  it('shows an edit at once and saves a run of them as one, after a pause', async () => {
    store.setReading('donor.half.left', half(790.1));
    store.setReading('donor.half.left', half(790.15));
    expect(store.plan().readings['donor.half.left']).toEqual(half(790.15));
    expect(store.saveState()).toBe('editing');
    await settle();
    const request = put();
    expect(sent(request)).toMatchObject({ baseRevision: 4, plan: withHalf(790.15) });
    request.flush(view(5, withHalf(790.15)));
    expect(store.saveState()).toBe('saved');
    expect(store.variant()?.revision).toBe(5);
  });

  it('saves again what was typed while a save was under way', async () => {
    store.setReading('donor.half.left', half(790.1));
    await settle();
    const first = put();
    store.setReading('donor.half.left', half(791.4));
    first.flush(view(5, withHalf(790.1)));
    expect(store.saveState()).toBe('editing');
    await settle();
    const second = put();
    expect(sent(second)).toMatchObject({ baseRevision: 5, plan: withHalf(791.4) });
    second.flush(view(6, withHalf(791.4)));
    expect(store.saveState()).toBe('saved');
  });

  it('keeps trying while the server does not answer, and loses nothing', async () => {
    store.setReading('donor.half.left', half(790.1));
    await settle();
    put().error(new ProgressEvent('error'));
    expect(store.saveState()).toBe('waiting');
    expect(store.trouble()).toContain('Nothing is lost');
    await settle();
    put().flush({ error: 'unavailable', message: '', problems: [] }, { status: 503, statusText: 'Away' });
    await vi.advanceTimersByTimeAsync(5000);
    put().flush(view(5, withHalf(790.1)));
    expect(store.saveState()).toBe('saved');
    expect(store.trouble()).toBe('');
  });

  const stale = (current: VariantView) => ({
    error: 'stale',
    message: '',
    problems: [],
    base: withHalf(792.3),
    current,
    changed: [],
  });

  it('merges a stale save field by field and saves the whole', async () => {
    store.choose('school', 'keepOffset');
    await settle();
    put().flush(stale(view(5, withHalf(788.8))), { status: 409, statusText: 'Stale' });
    expect(store.plan().readings['donor.half.left']).toEqual(half(788.8));
    expect(store.merged()).not.toBe('');
    await settle();
    const again = put();
    expect(sent(again).baseRevision).toBe(5);
    expect(sent(again).plan.choices.school).toBe('keepOffset');
    again.flush(view(6, sent(again).plan));
    expect(store.saveState()).toBe('saved');
  });

  it('knows its own work where only the answer was lost, and asks nobody about it', async () => {
    store.setReading('donor.half.left', half(790.1));
    await settle();
    put().error(new ProgressEvent('error'));
    store.setReading('donor.half.left', half(790.15));
    await vi.advanceTimersByTimeAsync(400);
    put().flush(stale(view(5, withHalf(790.1))), { status: 409, statusText: 'Stale' });
    expect(store.conflicts()).toEqual([]);
    expect(store.merged()).toBe('');
    expect(store.plan()).toEqual(withHalf(790.15));
    await settle();
    const next = put();
    expect(sent(next)).toMatchObject({ baseRevision: 5, plan: withHalf(790.15) });
    next.flush(view(6, withHalf(790.15)));
    expect(store.saveState()).toBe('saved');
  });

  it('asks where both changed one field, and saves only when it is settled', async () => {
    store.setReading('donor.half.left', half(790.1));
    await settle();
    put().flush(stale(view(5, withHalf(788.8))), { status: 409, statusText: 'Stale' });
    expect(store.saveState()).toBe('conflict');
    const [conflict] = store.conflicts();
    if (!conflict) throw new Error('no conflict');
    store.put('brief', 'vehicle', 'Hollin Tern');
    await settle();
    http.expectNone({ method: 'PUT' });
    store.settle(conflict, 'mine');
    await settle();
    const request = put();
    expect(sent(request)).toMatchObject({ baseRevision: 5, plan: { brief: { vehicle: 'Hollin Tern' } } });
    expect(sent(request).plan.readings['donor.half.left']).toEqual(half(790.1));
    request.flush(view(6, sent(request).plan));
  });

  const catchUp = async (revision: number, current: VariantView | undefined): Promise<void> => {
    const caught = store.catchUp(revision);
    await vi.advanceTimersByTimeAsync(0);
    if (current) http.expectOne(`/api/variants/${ID}`).flush(current);
    await caught;
  };

  it('takes over what others saved, and asks for nothing it has already', async () => {
    await catchUp(4, undefined);
    await catchUp(6, view(6, withHalf(788.8)));
    expect(store.plan().readings['donor.half.left']).toEqual(half(788.8));
    expect(store.saveState()).toBe('saved');
    expect(store.variant()?.revision).toBe(6);
  });

  it('keeps an edit of its own through a take-over, and saves it on top', async () => {
    store.choose('school', 'keepOffset');
    await catchUp(5, view(5, withHalf(788.8)));
    expect(store.plan().readings['donor.half.left']).toEqual(half(788.8));
    expect(store.plan().choices.school).toBe('keepOffset');
    await settle();
    const request = put();
    expect(sent(request).baseRevision).toBe(5);
    request.flush(view(6, sent(request).plan));
  });

  it('asks where a take-over meets an edit of the same field', async () => {
    store.setReading('donor.half.left', half(790.1));
    await catchUp(5, view(5, withHalf(788.8)));
    expect(store.saveState()).toBe('conflict');
    expect(store.conflicts()).toHaveLength(1);
    await settle();
    http.expectNone({ method: 'PUT' });
  });

  it('asks where another changes the field that is being entered, though what was typed so far was saved', async () => {
    store.setReading('donor.half.left', half(31));
    await settle();
    put().flush(view(5, withHalf(31)));
    await catchUp(6, view(6, withHalf(326)));
    const [conflict] = store.conflicts();
    expect(conflict).toMatchObject({ base: half(792.3), mine: half(31), theirs: half(326) });
    // He goes on typing: what is asked about is what he typed.
    store.setReading('donor.half.left', half(317));
    expect(store.conflicts()).toMatchObject([{ mine: half(317), theirs: half(326) }]);
    await settle();
    http.expectNone({ method: 'PUT' });
    store.settle(store.conflicts()[0] as never, 'both');
    await settle();
    const request = put();
    const both = { repeats: [{ value: 326 }, { value: 317 }], instrument: 'tape' };
    expect(sent(request).plan.readings['donor.half.left']).toEqual(both);
    request.flush(view(7, sent(request).plan));
    expect(store.saveState()).toBe('saved');
  });

  it('takes another’s change of a field whose entry is finished, and asks only where it cannot have been seen', async () => {
    store.setReading('donor.half.left', half(31));
    store.saveNow();
    put().flush(view(5, withHalf(31)));
    await catchUp(6, view(6, withHalf(326)));
    expect(store.conflicts()).toEqual([]);
    await vi.advanceTimersByTimeAsync(2500);
    store.setReading('donor.half.left', half(340));
    store.saveNow();
    put().flush(view(7, withHalf(340)));
    // A choice that came in the moment before another is made.
    const chosen = (school: 'driveline' | 'keepOffset'): Plan => ({
      ...withHalf(340),
      choices: { ...EMPTY_PLAN.choices, school },
    });
    await catchUp(8, view(8, chosen('driveline')));
    await vi.advanceTimersByTimeAsync(300);
    store.choose('school', 'keepOffset');
    expect(store.conflicts()).toMatchObject([{ key: 'school', mine: 'keepOffset', theirs: 'driveline' }]);
    store.settle(store.conflicts()[0] as never, 'theirs');
    await settle();
    expect(store.plan()).toEqual(chosen('driveline'));
    expect(store.saveState()).toBe('saved');
  });

  it('goes on asking where the question came while a save was under way, and writes nothing over theirs', async () => {
    await catchUp(5, view(5, withHalf(326)));
    store.choose('school', 'keepOffset');
    await settle();
    const request = put();
    store.setReading('donor.half.left', half(31));
    expect(store.conflicts()).toMatchObject([{ base: half(792.3), mine: half(31), theirs: half(326) }]);
    request.flush(view(6, sent(request).plan));
    expect(store.saveState()).toBe('conflict');
    await settle();
    http.expectNone({ method: 'PUT' });
    store.settle(store.conflicts()[0] as never, 'theirs');
    await settle();
    expect(store.plan().readings['donor.half.left']).toEqual(half(326));
    expect(store.saveState()).toBe('saved');
  });

  it('goes on asking where that save is stale, about what they have now', async () => {
    await catchUp(5, view(5, withHalf(326)));
    store.choose('school', 'keepOffset');
    await settle();
    const request = put();
    store.setReading('donor.half.left', half(31));
    const refusal = { ...stale(view(6, withHalf(328))), base: withHalf(326) };
    request.flush(refusal, { status: 409, statusText: 'Stale' });
    expect(store.saveState()).toBe('conflict');
    expect(store.conflicts()).toMatchObject([{ mine: half(31), theirs: half(328) }]);
    await settle();
    http.expectNone({ method: 'PUT' });
  });

  it('hears of what was saved by others after its own save, though it was told of it while that was under way', async () => {
    store.setReading('donor.half.left', half(790.1));
    await settle();
    const request = put();
    await catchUp(6, view(6, withHalf(788.8)));
    expect(store.plan()).toEqual(withHalf(790.1));
    request.flush(view(5, withHalf(790.1)));
    await vi.advanceTimersByTimeAsync(0);
    http.expectOne(`/api/variants/${ID}`).flush(view(6, withHalf(788.8)));
    await vi.advanceTimersByTimeAsync(0);
    expect(store.plan()).toEqual(withHalf(788.8));
  });

  it('saves a finished entry at once', async () => {
    store.setReading('donor.half.left', half(790.1));
    store.saveNow();
    await vi.advanceTimersByTimeAsync(0);
    put().flush(view(5, withHalf(790.1)));
    await settle();
    expect(store.saveState()).toBe('saved');
  });

  it('saves nothing while something is dragged, and the whole drag as one when it ends', async () => {
    store.hold(true);
    store.setReading('donor.half.left', half(781.2));
    await settle();
    store.setReading('donor.half.left', half(779.4));
    await settle();
    http.expectNone({ method: 'PUT', url: `/api/variants/${ID}/plan` });
    store.hold(false);
    const request = put();
    expect(sent(request)).toMatchObject({ baseRevision: 4, plan: withHalf(779.4) });
    request.flush(view(5, withHalf(779.4)));
    store.hold(true);
    store.hold(false);
    await settle();
    http.expectNone({ method: 'PUT', url: `/api/variants/${ID}/plan` });
  });

  it('says which field was refused and keeps what was typed', async () => {
    store.put('brief', 'vehicle', 'Tern');
    await settle();
    const problems = [{ field: 'plan.brief.vehicle', wrong: 'has a character', right: 'letters' }];
    put().flush({ error: 'invalid', message: '', problems }, { status: 400, statusText: 'Bad' });
    expect(store.saveState()).toBe('refused');
    expect(store.trouble()).toContain('plan.brief.vehicle has a character');
    expect(store.plan().brief.vehicle).toBe('Tern');
  });

  it('saves first, then takes a change back', async () => {
    store.setReading('donor.half.left', half(790.1));
    const undone = store.step('undo');
    await vi.advanceTimersByTimeAsync(0);
    put().flush(view(5, withHalf(790.1)));
    await vi.advanceTimersByTimeAsync(0);
    http.expectOne(`/api/variants/${ID}/undo`).flush(view(6, withHalf(792.3)));
    await undone;
    expect(store.plan()).toEqual(withHalf(792.3));
    await settle();
  });

  it('keeps what is typed while an undo is under way, and saves it on top', async () => {
    const undone = store.step('undo');
    await vi.advanceTimersByTimeAsync(0);
    const request = http.expectOne(`/api/variants/${ID}/undo`);
    store.setReading('donor.half.right', half(741.9));
    await settle();
    // Nothing is saved before it is done.
    http.expectNone({ method: 'PUT' });
    request.flush({ ...view(5, EMPTY_PLAN), last: { kind: 'undo', who: 'Ansa' } });
    await undone;
    const now = { ...EMPTY_PLAN, readings: { 'donor.half.right': half(741.9) } };
    expect(store.plan()).toEqual(now);
    await settle();
    const saved = put();
    expect(sent(saved)).toMatchObject({ baseRevision: 5, plan: now });
    saved.flush(view(6, now));
  });

  it('asks where an undo meets what is typed meanwhile', async () => {
    const undone = store.step('undo');
    await vi.advanceTimersByTimeAsync(0);
    store.setReading('donor.half.left', half(700));
    http.expectOne(`/api/variants/${ID}/undo`).flush(view(5, EMPTY_PLAN));
    await undone;
    expect(store.conflicts()).toMatchObject([{ base: half(792.3), mine: half(700), theirs: undefined }]);
  });

  it('says whose change an undo took back, for a while, and why one was not', async () => {
    await catchUp(5, { ...view(5, withHalf(788.8)), undoesBy: 'Birk' });
    const undone = store.step('undo');
    await vi.advanceTimersByTimeAsync(0);
    http.expectOne(`/api/variants/${ID}/undo`).flush(view(6, withHalf(792.3)));
    await undone;
    expect(store.stepped()).toBe('Undone: pinion axis to WMS, left, which Birk entered');
    await vi.advanceTimersByTimeAsync(7000);
    expect(store.stepped()).toBe('');
    const refused = store.step('undo');
    await vi.advanceTimersByTimeAsync(0);
    http
      .expectOne(`/api/variants/${ID}/undo`)
      .flush(
        { error: 'nothingToUndo', message: 'There is nothing to undo.', problems: [] },
        { status: 409, statusText: 'x' },
      );
    await refused;
    expect(store.stepped()).toContain('Not undone: There is nothing to undo');
    store.choose('school', 'keepOffset');
    expect(store.stepped()).toBe('');
    await settle();
    put().flush(view(7, store.plan()));
  });

  it('takes nothing back while the server does not answer', async () => {
    store.setReading('donor.half.left', half(790.1));
    await settle();
    put().error(new ProgressEvent('error'));
    expect(store.canUndo()).toBe(false);
    await store.step('undo');
    expect(store.stepped()).toBe('Not undone: the server does not answer');
    await settle();
    put().flush(view(5, withHalf(790.1)));
    expect(store.canUndo()).toBe(true);
  });

  it('tells what another took back', async () => {
    await catchUp(5, { ...view(5, EMPTY_PLAN), last: { kind: 'undo', who: 'Birk' } });
    expect(store.merged()).toBe('Birk took back pinion axis to WMS, left.');
  });

  it('never goes back a revision', async () => {
    await catchUp(7, view(6, withHalf(788.8)));
    await catchUp(8, view(5, withHalf(700)));
    expect(store.plan()).toEqual(withHalf(788.8));
    expect(store.variant()?.revision).toBe(6);
  });

  it('notes what the strip showed before a run of edits', () => {
    store.setReading('donor.half.right', half(741.1));
    store.setReading('brief.targetWidth', { repeats: [{ value: 1402 }], instrument: 'chosen' });
    store.setReading('donor.half.left', half(795.2));
    // 792.3 − 701 stood there before.
    expect(store.stripBefore()['cutLeft']).toBeCloseTo(91.3, 9);
  });
});

describe('what one may not change', () => {
  const forbidden = {
    error: 'forbidden',
    message: 'A helper writes readings, photos and steps at the bench. Nothing was changed.',
    problems: [
      {
        field: 'plan.brief.vehicle',
        wrong: 'is not a helper’s to change',
        right: 'to ask the owner or a builder',
      },
    ],
  };

  it('is taken out of the plan, and what one may is saved', async () => {
    const knows = TestBed.inject(MeService).know();
    http.expectOne('/api/me').flush({ shared: true, role: 'helper', name: 'Tove' });
    await knows;
    store.put('brief', 'vehicle', 'Another car');
    store.setReading('donor.half.left', half(790.1));
    await settle();
    put().flush(forbidden, { status: 403, statusText: 'No' });
    expect(store.trouble()).toContain('is not a helper’s to change');
    expect(store.plan().brief.vehicle).toBe('');
    expect(store.plan().readings['donor.half.left']).toEqual(half(790.1));
    await settle();
    const again = put();
    expect(sent(again)).toMatchObject({ who: 'Tove', plan: withHalf(790.1) });
    again.flush(view(5, withHalf(790.1)));
    expect(store.saveState()).toBe('saved');
  });
});

describe('a server that fails', () => {
  it.each([500, 503, 507, 429])('with %i is tried again until it has taken the work', async (status) => {
    store.setReading('donor.half.left', half(790.1));
    await settle();
    put().flush(
      {
        error: 'unavailable',
        message: 'The disk is full. Nothing was lost: make room, and it is tried again.',
        problems: [],
      },
      { status, statusText: 'x' },
    );
    expect(store.saveState()).toBe('waiting');
    expect(store.trouble()).toContain('The disk is full');
    await vi.advanceTimersByTimeAsync(400);
    put().flush(view(5, withHalf(790.1)));
    expect(store.saveState()).toBe('saved');
    expect(store.trouble()).toBe('');
  });
});
