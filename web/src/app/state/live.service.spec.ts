import { TestBed } from '@angular/core/testing';
import { FakeStream } from '../testing/fake-stream';
import { LiveService } from './live.service';
import { OneStreamService } from './one-stream.service';
import { PersonService } from './person.service';
import { PlanStore } from './plan-store';

const store = { catchUp: vi.fn(), lookAgain: vi.fn(), removed: vi.fn(() => false) };
let stream: FakeStream;
let live: LiveService;

beforeEach(() => {
  vi.useFakeTimers();
  localStorage.clear();
  stream = new FakeStream();
  store.catchUp.mockReset();
  store.lookAgain.mockReset();
  TestBed.configureTestingModule({
    providers: [
      { provide: PlanStore, useValue: store },
      { provide: OneStreamService, useValue: stream },
    ],
  });
  live = TestBed.inject(LiveService);
  live.follow('v1');
});
afterEach(() => {
  localStorage.clear();
  vi.useRealTimers();
});

describe('live service', () => {
  it('follows one variant at a time', () => {
    live.follow('v1');
    expect(stream.asked).toEqual([{ variant: 'v1', who: 'bench' }]);
    live.follow('v2');
    expect(stream.wishes).toEqual([{ variant: 'v2', who: 'bench' }]);
  });

  it('tells the others the name when it is changed here', () => {
    TestBed.tick();
    expect(stream.asked).toHaveLength(1);
    TestBed.inject(PersonService).rename('Ansa Pell');
    TestBed.tick();
    expect(stream.wishes).toEqual([{ variant: 'v1', who: 'Ansa Pell' }]);
  });

  it('hands revisions to the plan and knows who is here', () => {
    stream.send('opened');
    stream.send('revision', { revision: 7, who: 'Ansa' });
    stream.send('people', { people: ['Ansa', 'bench'], count: 31 });
    expect(store.catchUp).toHaveBeenCalledWith(7);
    expect(live.people()).toEqual(['Ansa', 'bench']);
    expect(live.pages()).toBe(31);
    expect(live.state()).toBe('live');
  });

  it('says when the database or the stream is away, and when it is back', () => {
    stream.send('away');
    expect(live.state()).toBe('away');
    stream.send('back');
    expect(live.state()).toBe('live');
    stream.send('dropped');
    expect(live.state()).toBe('lost');
  });

  it('asks again for what was refused, and seldom for what is no more', () => {
    stream.send('refused', { error: 'unavailable', message: 'Too many pages.' });
    expect(live.state()).toBe('lost');
    vi.advanceTimersByTime(5000);
    expect(stream.asked).toHaveLength(2);
    expect(stream.wishes).toHaveLength(1);
    stream.send('refused', { error: 'notFound', message: 'There is no such variant.' });
    expect(live.state()).toBe('gone');
    expect(store.lookAgain).toHaveBeenCalledTimes(1);
    stream.send('listed');
    expect(store.lookAgain).toHaveBeenCalledTimes(2);
    vi.advanceTimersByTime(5000);
    expect(stream.asked).toHaveLength(2);
    vi.advanceTimersByTime(11_000);
    expect(stream.asked).toHaveLength(3);
    // Somebody else brought it back.
    store.removed.mockReturnValueOnce(true);
    stream.send('opened');
    expect([live.state(), store.lookAgain.mock.calls.length]).toEqual(['live', 3]);
    stream.send('refused', { error: 'unavailable', message: 'Too many pages.' });
    live.leave();
    vi.advanceTimersByTime(5000);
    expect(stream.wishes).toEqual([]);
    expect(live.state()).toBe('off');
  });
});
