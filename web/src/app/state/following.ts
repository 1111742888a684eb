import { computed, type PendingTasks, type Signal, signal, untracked } from '@angular/core';

/** How long tables, strip and checks may stand behind the drawing while somebody types or drags, ms. */
const LAG_MS = 120;

/**
 * Results for all that stands round what the hand moves: while it moves they follow at most every so often, so that
 * field and drawing answer at once.
 */
export class Following<T> {
  /** Changes as often as what is shown catches up. */
  private readonly turn = signal(0);
  private end: (() => void) | undefined;
  readonly shown = computed(() => {
    this.turn();
    return untracked(this.now);
  });

  constructor(
    private readonly now: Signal<T>,
    private readonly tasks: PendingTasks,
  ) {}

  /** Something changes under the hand: it is followed a moment later. */
  soon(): void {
    if (this.end) return;
    const done = this.tasks.add();
    const timer = setTimeout(() => {
      this.atOnce();
    }, LAG_MS);
    this.end = () => {
      clearTimeout(timer);
      done();
    };
  }

  /** Shows what is now. */
  atOnce(): void {
    this.end?.();
    this.end = undefined;
    this.turn.update((n) => n + 1);
  }
}
