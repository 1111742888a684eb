import { TestBed } from '@angular/core/testing';
import { LiveService } from './live.service';
import { PersonService } from './person.service';
import { PlanStore } from './plan-store';

/** A stream whose events the test sends. */
class FakeStream extends EventTarget {
  static readonly CLOSED = 2;
  static opened: FakeStream[] = [];
  readyState = 0;
  onopen: () => void = () => undefined;
  onerror: () => void = () => undefined;
  closed = false;

  constructor(readonly url: string) {
    super();
    FakeStream.opened.push(this);
  }

  send(event: string, data: unknown): void {
    this.dispatchEvent(new MessageEvent(event, { data: JSON.stringify(data) }));
  }

  close(): void {
    this.closed = true;
  }
}

const store = { catchUp: vi.fn() };
let live: LiveService;
const newest = () => FakeStream.opened.at(-1) as FakeStream;

beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal('EventSource', FakeStream);
  FakeStream.opened = [];
  store.catchUp.mockReset();
  TestBed.configureTestingModule({ providers: [{ provide: PlanStore, useValue: store }] });
  live = TestBed.inject(LiveService);
  live.follow('v1');
});
afterEach(() => {
  localStorage.clear();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('live service', () => {
  it('follows one variant at a time, each stream under a name of its own', () => {
    live.follow('v1');
    expect(FakeStream.opened).toHaveLength(1);
    live.follow('v2');
    const [first, second] = FakeStream.opened;
    expect(first?.closed).toBe(true);
    expect(second?.url).toMatch(/^\/api\/variants\/v2\/live\?who=bench&page=[\w-]{36}$/);
    expect(second?.url.split('page=')[1]).not.toBe(first?.url.split('page=')[1]);
  });

  it('tells the others the name when it is changed here', () => {
    TestBed.tick();
    expect(FakeStream.opened).toHaveLength(1);
    TestBed.inject(PersonService).rename('Ansa Pell');
    TestBed.tick();
    expect(FakeStream.opened[0]?.closed).toBe(true);
    expect(newest().url).toContain('who=Ansa+Pell');
    expect(FakeStream.opened).toHaveLength(2);
  });

  it('hands revisions to the plan and knows who is here', () => {
    newest().onopen();
    newest().send('revision', { revision: 7, who: 'Ansa' });
    newest().send('people', { people: ['Ansa', 'bench'] });
    expect(store.catchUp).toHaveBeenCalledWith(7);
    expect(live.people()).toEqual(['Ansa', 'bench']);
    expect(live.state()).toBe('live');
  });

  it('says when the database or the stream is away, and when it is back', () => {
    newest().send('away', {});
    expect(live.state()).toBe('away');
    newest().send('back', {});
    expect(live.state()).toBe('live');
    newest().onerror();
    expect(live.state()).toBe('lost');
  });

  it('comes back by itself only where the browser has given up', () => {
    newest().onerror();
    vi.advanceTimersByTime(5000);
    expect(FakeStream.opened).toHaveLength(1);
    newest().readyState = FakeStream.CLOSED;
    newest().onerror();
    vi.advanceTimersByTime(5000);
    expect(FakeStream.opened).toHaveLength(2);
    live.leave();
    newest().readyState = FakeStream.CLOSED;
    newest().onerror();
    vi.advanceTimersByTime(5000);
    expect(FakeStream.opened).toHaveLength(2);
    expect(live.state()).toBe('off');
  });
});
