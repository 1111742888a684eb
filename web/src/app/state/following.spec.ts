import { PendingTasks, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { Entries } from './entries';
import { Following } from './following';

describe('what follows the hand', () => {
  beforeEach(() => vi.useFakeTimers());
  afterEach(() => vi.useRealTimers());

  it('stands for a moment while something is typed, and then follows', () => {
    const now = signal(1);
    const following = new Following(now, TestBed.inject(PendingTasks));
    expect(following.shown()).toBe(1);
    following.soon();
    now.set(2);
    expect(following.shown()).toBe(1);
    // More is typed before it has followed: it follows no later for that.
    vi.advanceTimersByTime(80);
    following.soon();
    now.set(3);
    vi.advanceTimersByTime(39);
    expect(following.shown()).toBe(1);
    vi.advanceTimersByTime(1);
    expect(following.shown()).toBe(3);
  });

  it('follows at once where an entry is finished, and has nothing left to do', () => {
    const now = signal('a');
    const following = new Following(now, TestBed.inject(PendingTasks));
    expect(following.shown()).toBe('a');
    following.soon();
    now.set('b');
    following.atOnce();
    expect(following.shown()).toBe('b');
    now.set('c');
    vi.advanceTimersByTime(500);
    expect(following.shown()).toBe('b');
  });
});

describe('entries of a record', () => {
  it('have a signal each, which changes with its own entry alone', () => {
    const entries = new Entries<{ readonly n: number }>();
    const [left, right] = [{ n: 702 }, { n: 698 }];
    const seen = entries.at('left');
    expect(seen()).toBeUndefined();
    entries.take({ left, right });
    expect([seen(), entries.at('right')()]).toEqual([left, right]);
    entries.take({ left: { n: 703 }, right });
    expect([seen()?.n, entries.at('right')()]).toEqual([703, right]);
    entries.take({ right });
    expect(seen()).toBeUndefined();
    expect(entries.at('left')).toBe(seen);
  });
});
