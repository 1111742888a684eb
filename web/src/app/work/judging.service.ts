import {
  computed,
  DestroyRef,
  effect,
  inject,
  Injectable,
  type Signal,
  signal,
  untracked,
} from '@angular/core';
import {
  createEvaluator,
  EMPTY_PLAN,
  judgedAfter,
  planChange,
  withJudged,
  type Judged,
  type Plan,
  type Results,
} from '@intervex/core';
import { wrap, type Remote } from 'comlink';
import type { Judge } from './judge';

/** A worker that has not answered for so long is given up, ms. */
const SILENT_MS = 5000;

/** Results that are to be judged, the day they are of, and the plan that was open. */
interface Asked {
  readonly results: Results;
  readonly day: string;
  readonly open: string | undefined;
}
/** The same, judged. */
interface Came {
  readonly asked: Asked;
  readonly judged: Results;
}

/**
 * Judges the plan beside the page: checks, decisions, contradictions and how each stage stands are worked out by a worker
 * while the page’s own thread works out no more than what it shows. Where there is no worker, before it has come, and for a
 * plan that was just opened, the page judges for itself: nothing is ever shown that was not judged of the same plan.
 */
@Injectable({ providedIn: 'root' })
export class JudgingService {
  private readonly worker = signal<Remote<Judge> | undefined>(undefined);
  /** Whether a worker judges. */
  readonly beside = computed(() => this.worker() !== undefined);
  private readonly came = signal<Came | undefined>(undefined);
  private running: Worker | undefined;
  /** What the worker has: the plan it was told last, and what it said of it. */
  private plan: Plan = EMPTY_PLAN;
  private judged: Judged | undefined;
  /** For results that the hand has left behind: the page’s own evaluator is further by then. */
  private readonly behind = createEvaluator();
  private now: Signal<Results> | undefined;
  private asked: Asked | undefined;
  /** The newest, while an answer to something before it is awaited. */
  private waits: Asked | undefined;

  constructor() {
    inject(DestroyRef).onDestroy(() => {
      this.stop();
    });
  }

  /** Makes the worker; nothing where the browser has none. A test puts another in its place. */
  protected make(): Worker | undefined {
    if (typeof Worker === 'undefined') return undefined;
    return new Worker(new URL('./heavy.worker', import.meta.url), { type: 'module' });
  }

  /**
   * Results with their judgement; those before stay until it has come, but never those of another plan.
   *
   * @param shown the results that are to be shown
   * @param now the newest: what is older by the time its judgement comes is worked out beside it, not from nothing
   * @param day ISO date they are of
   * @param open id of the plan that is open
   */
  of(
    shown: Signal<Results>,
    now: Signal<Results>,
    day: () => string,
    open: Signal<string | undefined>,
  ): Signal<Results> {
    this.begin();
    this.now = now;
    effect(() => {
      const asked = { results: shown(), day: day(), open: untracked(open) };
      if (this.worker()) this.ask(asked);
    });
    return computed(() => {
      const results = shown();
      const came = this.came();
      if (!this.worker() || !came) return results;
      return came.asked.results === results || came.asked.open === open() ? came.judged : results;
    });
  }

  private begin(): void {
    if (this.running) return;
    const worker = this.make();
    if (!worker) return;
    this.running = worker;
    worker.addEventListener('error', () => {
      this.stop();
    });
    const judge = wrap<Judge>(worker);
    void judge.ready().then(
      () => {
        if (this.running) this.worker.set(judge);
      },
      () => {
        this.stop();
      },
    );
  }

  /** From here on the page judges for itself. */
  private stop(): void {
    this.running?.terminate();
    this.running = undefined;
    this.asked = this.waits = undefined;
    this.worker.set(undefined);
  }

  /** Asks for what is newest; while an answer is awaited, the newest waits for it. */
  private ask(asked: Asked): void {
    if (this.asked) this.waits = asked;
    else void this.judge(asked);
  }

  private async judge(asked: Asked): Promise<void> {
    const judge = untracked(this.worker);
    const { results, day } = asked;
    if (!judge || untracked(this.came)?.asked.results === results) return;
    this.asked = asked;
    const silent = setTimeout(() => {
      this.stop();
    }, SILENT_MS);
    try {
      const changed = await judge.after(planChange(this.plan, results.plan), day);
      if (this.asked !== asked) return;
      this.plan = results.plan;
      this.judged = judgedAfter(this.judged, changed);
      const newest = this.now && untracked(this.now) === results;
      const own = newest ? results : this.behind(results.plan, day);
      this.came.set({ asked, judged: withJudged(own, this.judged) });
    } catch {
      // What cannot be judged there is judged here, and says why.
      this.stop();
      return;
    } finally {
      clearTimeout(silent);
    }
    const { waits } = this;
    this.asked = this.waits = undefined;
    if (waits) await this.judge(waits);
  }
}
