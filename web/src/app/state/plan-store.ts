import { computed, DestroyRef, inject, Injectable, Injector, PendingTasks, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { RemovedRefusal, StaleRefusal, VariantView } from '@intervex/contract/wire';
import {
  allFigures,
  BENCH_PARTS,
  createEvaluator,
  EMPTY_PLAN,
  isoDay,
  quantity,
  type Choices,
  type Fact,
  type Plan,
  type Reading,
} from '@intervex/core';
import {
  catchError,
  concatMap,
  debounceTime,
  EMPTY,
  filter,
  finalize,
  firstValueFrom,
  from,
  merge,
  type Observable,
  of,
  retry,
  Subject,
  tap,
  throwError,
  timer,
} from 'rxjs';
import { ApiService } from './api.service';
import { changedPlaces, placesText } from './changed-places';
import { Entries } from './entries';
import { Following } from './following';
import { canRetry, isRemoved, isStale, notSaved, refusalOf, sentenceOf } from './refusals';
import {
  baseOnceArrived,
  bothOf,
  keepParts,
  mergePlans,
  same,
  stillAsked,
  withField,
  withSide,
  type PlanConflict,
  type Section,
} from './merge-plans';
import { JudgingService } from '../work/judging.service';
import { UnderHand } from './under-hand';
import { PersonService } from './person.service';
import { MeService } from './me.service';
import { StripMemory } from './strip-memory';
import type { Unsaved, UnsavedService } from './unsaved.service';

/** Where the work stands against the server. */
export type SaveState = 'saved' | 'editing' | 'saving' | 'waiting' | 'conflict' | 'refused';

/** Quiet time after the last keystroke before a save, ms. */
const QUIET_MS = 450;
/** Work left behind is looked for once a page that was opened has come to rest, and again after these pauses, ms. */
const LOOKS_MS = [1000, 4000, 15_000];
/** Quiet time after which work is kept in this browser, ms. */
const KEEP_MS = 300;
/** How long the bar says what an undo did, ms. */
const SAID_MS = 6000;
/** Longest pause between two tries while the server does not answer, ms. */
const MOST_PAUSE_MS = 5000;

/**
 * The plan that is open: edits it at once, evaluates it, saves it after a pause, and never overwrites what
 * somebody else saved meanwhile.
 */
@Injectable({ providedIn: 'root' })
export class PlanStore {
  private readonly api = inject(ApiService);
  private readonly person = inject(PersonService);
  private readonly injector = inject(Injector);
  private readonly gone = inject(DestroyRef);
  /** Something was kept in this browser. */
  private kept = false;
  private readonly me = inject(MeService).me;
  private readonly evaluate = createEvaluator();
  private readonly saves = new Subject<void>();
  /** Saves that do not wait: an entry is finished. */
  private readonly finished = new Subject<void>();
  private readonly typed = new Subject<void>();
  /** Saves, undos and restores, one after the other. */
  private readonly jobs = new Subject<() => Observable<unknown>>();
  /** The server was found not to answer. */
  private readonly away = new Subject<void>();
  private readonly underHand = new UnderHand();
  /** Newest revision of the open plan that the server told of. */
  private told = 0;
  /** The server's state that the present plan was made from. */
  private readonly base = signal<VariantView | undefined>(undefined);
  private readonly strip = new StripMemory();
  private held = false;
  /** What was sent and not answered yet: it may stand on the server all the same. */
  private underWay: Plan | undefined;

  readonly variant = this.base.asReadonly();
  private readonly written = signal<Plan>(EMPTY_PLAN);
  readonly plan = this.written.asReadonly();
  private readonly readings = new Entries<Reading>();
  private readonly facts = new Entries<Fact>();
  /** Results of the plan as it is typed: for the drawing. */
  readonly now = computed(() => this.evaluate(this.plan(), isoDay(new Date())));
  private readonly following = new Following(this.now, inject(PendingTasks));
  /** Results for all round the drawing: a moment later while something is typed or dragged, and judged beside the page. */
  readonly results = inject(JudgingService).of(
    this.following.shown,
    this.now,
    () => isoDay(new Date()),
    computed(() => this.base()?.id),
  );
  readonly figures = computed(() => allFigures(this.results()));
  readonly saveState = signal<SaveState>('saved');
  readonly trouble = signal('');
  readonly conflicts = signal<readonly PlanConflict[]>([]);
  /** What another page changed and was taken over without a question. */
  readonly merged = signal('');
  /** What the last undo or redo changed, in words. */
  readonly stepped = signal('');
  /** What the plan was kept with by an earlier version, and nothing here knows any more. */
  readonly dropped = signal<readonly string[]>([]);
  readonly loadError = signal('');
  /** Who took the plan off the lists, and when; nothing while it stands there. */
  readonly removed = signal<RemovedRefusal['removed'] | undefined>(undefined);
  /** Work on this plan that a page left behind before it was saved. */
  readonly leftBehind = signal<{ readonly key: string; readonly work: Unsaved } | undefined>(undefined);
  readonly canUndo = computed(
    () =>
      this.saveState() === 'editing' ||
      (['saved', 'saving'].includes(this.saveState()) && (this.base()?.canUndo ?? false)),
  );
  readonly canRedo = computed(() => this.saveState() === 'saved' && (this.base()?.canRedo ?? false));
  /** Strip values before the present run of edits, by id. */
  readonly stripBefore = this.strip.before;

  constructor() {
    this.typed.pipe(debounceTime(KEEP_MS), takeUntilDestroyed()).subscribe(() => {
      this.keepUnsaved();
    });
    merge(this.saves.pipe(debounceTime(QUIET_MS)), this.finished)
      .pipe(filter(() => !this.held))
      .subscribe(() => {
        this.jobs.next(() => this.saveOnce());
      });
    this.jobs.pipe(concatMap((job) => job())).subscribe();
  }

  /** Opens a variant. What is not saved of the last one is saved first. */
  async open(id: string): Promise<void> {
    if (this.base()?.id === id && this.loadError() === '') return;
    await this.flush();
    this.loadError.set('');
    this.removed.set(undefined);
    try {
      const view = await firstValueFrom(this.api.variant(id));
      if (this.kept) (await this.unsaved())?.begin();
      this.kept = false;
      this.adopt(view);
      this.dropped.set(view.dropped ?? []);
      this.stripBefore.set({});
      this.lookLater(id, LOOKS_MS);
    } catch (error) {
      this.base.set(undefined);
      this.show(EMPTY_PLAN);
      this.noteRemoved(error);
      this.loadError.set(sentenceOf(error));
    }
  }

  /** Looks whether the plan was removed, or brought back; what could not be saved meanwhile is then saved. */
  async lookAgain(): Promise<void> {
    const base = this.base();
    if (!base) return;
    try {
      const view = await firstValueFrom(this.api.variant(base.id));
      const was = this.removed() !== undefined;
      this.removed.set(undefined);
      if (was && this.saveState() === 'refused') {
        this.saveState.set('editing');
        this.saves.next();
      }
      await this.catchUp(view.revision);
    } catch (error) {
      this.noteRemoved(error);
    }
  }

  private noteRemoved(error: unknown): void {
    const refusal = refusalOf(error);
    if (isRemoved(refusal)) this.removed.set(refusal.removed);
  }

  /**
   * What keeps work in this browser; fetched when there is some, or the page has come to rest. While the server is away it
   * may be out of reach, and is asked for again with the next work.
   */
  private async unsaved(): Promise<UnsavedService | undefined> {
    const found = await import('./unsaved.service').catch(() => undefined);
    return found && !this.gone.destroyed ? this.injector.get(found.UnsavedService) : undefined;
  }

  private isNews({ base, plan }: Unsaved): boolean {
    const merged = mergePlans(base, plan, this.plan());
    return merged.conflicts.length > 0 || !same(merged.plan, this.plan());
  }

  /** A page that was closed a moment ago may still seem to live, and what keeps work be out of reach: it is looked for again. */
  private lookLater(id: string, [next, ...later]: readonly number[]): void {
    if (next === undefined) return;
    setTimeout(() => {
      void this.lookBehind(id).then(() => {
        if (this.base()?.id === id && !this.leftBehind()) this.lookLater(id, later);
      });
    }, next);
  }

  private async lookBehind(id: string): Promise<void> {
    if (this.base()?.id !== id || this.gone.destroyed) return;
    const unsaved = await this.unsaved();
    const left = await unsaved?.find(id);
    if (!unsaved || this.base()?.id !== id) return;
    // What reached the server after all need not be asked about.
    const news = left && this.isNews(left.work);
    if (left && !news) await unsaved.settle(left.key);
    this.leftBehind.set(news ? left : undefined);
  }

  /** Takes work that was left behind up again, or throws it away. */
  async settleLeftBehind(take: boolean): Promise<void> {
    const left = this.leftBehind();
    if (!left) return;
    this.leftBehind.set(undefined);
    if (take) {
      const { plan, conflicts } = mergePlans(left.work.base, left.work.plan, this.plan());
      this.show(keepParts(this.plan(), plan));
      this.conflicts.update((open) => [...open, ...conflicts]);
      this.saveState.set(this.conflicts().length > 0 ? 'conflict' : 'editing');
      this.keepUnsaved();
      this.saves.next();
    }
    await (await this.unsaved())?.settle(left.key);
  }

  /** Keeps what is not saved in this browser, or forgets it when all is saved. */
  private keepUnsaved(): void {
    const base = this.base();
    if (!base) return;
    const conflicts = this.conflicts();
    const all = conflicts.length === 0 && same(this.plan(), base.plan);
    // Nothing was kept, and nothing is to be.
    if (all && !this.kept) return;
    this.kept = true;
    // What is asked about is asked again of whoever takes the work up: mine, and what stood before either.
    const work = {
      base: withSide(base.plan, conflicts, 'base'),
      plan: withSide(this.plan(), conflicts, 'mine'),
    };
    void this.unsaved().then((unsaved) => {
      unsaved?.keep(base.id, all ? undefined : work);
    });
  }

  /** Keeps what is not saved in this browser at once. @returns whether all that was typed is saved or kept */
  async keepNow(): Promise<boolean> {
    const base = this.base();
    if (!base || (same(this.plan(), base.plan) && this.conflicts().length === 0)) return true;
    this.keepUnsaved();
    return (await (await this.unsaved())?.written()) ?? false;
  }

  /** What was read of a quantity. */
  reading(id: string): Reading | undefined {
    return this.readings.at(id)();
  }

  /** What was found of a fact. */
  fact(id: string): Fact | undefined {
    return this.facts.at(id)();
  }

  setReading(id: string, reading: Reading | undefined): void {
    this.change('readings', id, reading);
  }

  /** Sets a place on the tube that was chosen in the drawing. */
  moveMark(quantityId: string, value: number): void {
    const { instrument, datum } = quantity(quantityId);
    this.setReading(quantityId, { repeats: [{ value }], instrument, datum });
  }

  /** Sets one field of a part of the plan; undefined takes it out. */
  put<S extends Section, K extends keyof Plan[S] & string>(
    section: S,
    key: K,
    value: Plan[S][K] | undefined,
  ): void {
    this.change(section, key, value);
  }

  choose<K extends keyof Choices>(key: K, value: Choices[K]): void {
    this.change('choices', key, value);
  }

  /** While something is dragged nothing is saved, so that one drag is one step back. */
  hold(held: boolean): void {
    this.held = held;
    if (!held) this.saveNow();
  }

  /** Sets which numbers the running strip of the project holds. */
  async setStrip(strip: readonly string[]): Promise<void> {
    const base = this.base();
    if (!base) return;
    await firstValueFrom(this.api.setStrip(base.projectId, strip));
    this.base.update((view) => view && { ...view, strip });
  }

  /** Saves what is typed without waiting for a pause: the entry is finished. */
  saveNow(): void {
    this.following.atOnce();
    this.underHand.finished();
    if (this.saveState() === 'editing') this.finished.next();
  }

  /**
   * Takes over what others saved, up to a revision they told of. What is typed here stays: fields that only
   * they changed are taken, and the same field changed on both sides is asked about.
   */
  async catchUp(revision: number): Promise<void> {
    const base = this.base();
    this.told = Math.max(this.told, revision);
    if (!base || base.revision >= revision || this.saveState() === 'conflict') return;
    const view = await firstValueFrom(this.api.variant(base.id)).catch(() => undefined);
    const now = this.base();
    // A save that is under way hears of the others by its own answer.
    if (!view || !now || now.id !== view.id || now.revision >= view.revision || this.saveState() === 'saving')
      return;
    this.strip.note(`live ${view.revision}`, this.results().strip);
    this.tellOf(now, view);
    this.takeOver(view, this.commonWith(now.plan, view.plan));
  }

  /** Says what another took back, or put back, where that is all that came. */
  private tellOf(before: VariantView, now: VariantView): void {
    const { last } = now;
    if (!last || now.revision !== before.revision + 1) return;
    const did = {
      undo: 'took back',
      redo: 'did again',
      restore: 'put an earlier revision back, which changes',
    };
    const verb = did[last.kind as keyof typeof did];
    const places = changedPlaces(before.plan, now.plan);
    if (verb && places.length) this.merged.set(`${last.who || 'Somebody'} ${verb} ${placesText(places)}.`);
  }

  /** Takes the server’s state over, with what was typed here since `common`; never an older one. */
  private takeOver(view: VariantView, common: Plan): void {
    const now = this.base();
    if (now?.id !== view.id || view.revision < now.revision) return;
    const mine = this.plan();
    const { plan, conflicts } = this.underHand.meets(
      common,
      mine,
      view.plan,
      mergePlans(common, mine, view.plan),
    );
    this.base.set(view);
    this.trouble.set('');
    this.show(keepParts(mine, plan));
    this.conflicts.set([...stillAsked(this.conflicts(), conflicts, view.plan), ...conflicts]);
    const all = same(plan, view.plan);
    this.saveState.set(this.conflicts().length > 0 ? 'conflict' : all ? 'saved' : 'editing');
    this.keepUnsaved();
    if (this.saveState() === 'editing') this.saves.next();
  }

  /** Does something after all that is on its way to the server. What the server refuses is thrown as it came. */
  private async queued<T>(job: () => Observable<T>): Promise<T | undefined> {
    const came = await new Promise<{ readonly value?: T; readonly error?: unknown }>((resolve) => {
      this.jobs.next(() =>
        job().pipe(
          tap((value) => {
            resolve({ value });
          }),
          catchError((error: unknown) => {
            resolve({ error });
            return EMPTY;
          }),
          finalize(() => {
            resolve({});
          }),
        ),
      );
    });
    if (came.error !== undefined) throw came.error;
    return came.value;
  }

  /** Takes the last saved change back, or brings it back. What is typed meanwhile stays. */
  async step(step: 'undo' | 'redo'): Promise<readonly string[]> {
    await this.flush();
    const [done, undone] = step === 'undo' ? ['Undone', 'Not undone'] : ['Done again', 'Not done again'];
    const why = this.whyNot();
    if (why) {
      this.say(`${undone}: ${why}`);
      return [];
    }
    this.strip.note(step, this.results().strip);
    let before: VariantView | undefined;
    try {
      const view = await this.queued(() => {
        before = this.base();
        return before ? this.takenOver(before, (of) => this.api.step(of.id, step, this.asking(of))) : EMPTY;
      });
      if (!view || !before) return [];
      const by = step === 'undo' ? before.undoesBy : before.redoesBy;
      const places = changedPlaces(before.plan, view.plan);
      const whose = by && by !== this.person.name() ? `, which ${by} entered` : '';
      this.say(places.length ? `${done}: ${placesText(places)}${whose}` : '');
      return places;
    } catch (error) {
      const refusal = refusalOf(error);
      if (isStale(refusal) && before) this.takeOver(refusal.current, before.plan);
      this.say(`${undone}: ${isStale(refusal) ? 'somebody changed the plan meanwhile' : sentenceOf(error)}`);
      return [];
    }
  }

  /** Why nothing can be taken back now; nothing where it can. */
  private whyNot(): string {
    const reasons: Partial<Record<SaveState, string>> = {
      waiting: 'the server does not answer',
      conflict: 'first answer what is asked above',
      refused: 'what you typed is not saved',
    };
    return reasons[this.saveState()] ?? '';
  }

  /** Says in the bar what was done, for a while. */
  private say(what: string): void {
    this.stepped.set(what);
    setTimeout(() => {
      if (this.stepped() === what) this.stepped.set('');
    }, SAID_MS);
  }

  /**
   * Puts an earlier revision back as a new one. What the server refuses is thrown as it came.
   *
   * @returns why it was not put back; nothing where it was
   */
  async restore(revision: number): Promise<string> {
    await this.flush();
    const why = this.whyNot();
    if (why) return why;
    await this.queued(() => {
      const before = this.base();
      return before
        ? this.takenOver(before, (of) => this.api.restore(of.id, { ...this.asking(of), revision }))
        : EMPTY;
    });
    return '';
  }

  private readonly asking = ({ revision }: VariantView) => ({
    baseRevision: revision,
    who: this.person.name(),
  });

  /** What the server makes of the plan as it stood, taken over before anything else is sent. */
  private takenOver(
    before: VariantView,
    ask: (of: VariantView) => Observable<VariantView>,
  ): Observable<VariantView> {
    return ask(before).pipe(
      tap((view) => {
        this.takeOver(view, before.plan);
      }),
    );
  }

  /** Settles one conflict: keep mine, take theirs, or both as repeats. The last one settled lets saving go on. */
  settle(conflict: PlanConflict, side: 'mine' | 'theirs' | 'both'): void {
    const { section, key, mine, theirs } = conflict;
    const value = side === 'mine' ? mine : side === 'theirs' ? theirs : bothOf(conflict);
    this.underHand.forget();
    this.show(withField(this.plan(), section, key, value));
    this.conflicts.update((list) => list.filter((c) => c !== conflict));
    this.keepUnsaved();
    if (this.conflicts().length > 0) return;
    this.saveState.set('editing');
    this.saves.next();
  }

  /** Takes the names of the project and variant over after they were changed. */
  renamed(names: Partial<Pick<VariantView, 'name' | 'projectName'>>): void {
    this.base.update((base) => (base ? { ...base, ...names } : base));
  }

  /** Saves what is not saved yet and waits for it. */
  async flush(): Promise<void> {
    if (!['editing', 'refused', 'saving'].includes(this.saveState())) return;
    // A server that does not answer holds nobody up: the work is kept here.
    await firstValueFrom(merge(from(this.queued(() => this.saveOnce())), this.away), {
      defaultValue: undefined,
    });
  }

  /** Shows a plan and at once all that follows from it. */
  show(plan: Plan): void {
    this.write(plan);
    this.following.atOnce();
  }

  private write(plan: Plan): void {
    this.written.set(plan);
    this.readings.take(plan.readings);
    this.facts.take(plan.facts);
  }

  private change(section: Section, key: string, value: unknown): void {
    const plan = this.plan();
    if (same((plan[section] as Readonly<Record<string, unknown>>)[key], value)) return;
    this.strip.note(`${section}.${key}`, this.now().strip);
    this.following.soon();
    const question = this.underHand.enters(plan, section, key, value);
    this.write(withField(plan, section, key, value));
    this.typed.next();
    this.stepped.set('');
    if (question) this.ask(question);
    if (this.saveState() === 'conflict') {
      this.conflicts.update((list) =>
        list.map((c) => (c.section === section && c.key === key ? { ...c, mine: value } : c)),
      );
      return;
    }
    if (this.saveState() !== 'waiting' && this.saveState() !== 'saving') this.saveState.set('editing');
    this.saves.next();
  }

  private ask(question: PlanConflict): void {
    this.conflicts.update((list) => [...list, question]);
    this.saveState.set('conflict');
  }

  private adopt(view: VariantView): void {
    this.underHand.forget();
    this.told = view.revision;
    this.base.set(view);
    this.show(keepParts(this.plan(), view.plan));
    this.saveState.set('saved');
    this.conflicts.set([]);
    this.trouble.set('');
  }

  private saveOnce(): Observable<unknown> {
    const base = this.base();
    const plan = this.plan();
    if (!base || this.saveState() === 'conflict') return EMPTY;
    if (same(plan, base.plan)) {
      this.saveState.set('saved');
      return EMPTY;
    }
    this.saveState.set('saving');
    const request = { baseRevision: base.revision, plan, who: this.person.name() };
    this.underWay = plan;
    return this.api.save(base.id, request).pipe(
      retry({ delay: (error, count) => this.pause(error, count) }),
      tap((view) => {
        this.saved(view, plan);
      }),
      catchError((error: unknown) => {
        this.refusedSave(error, plan);
        return of(undefined);
      }),
      finalize(() => {
        this.underWay = undefined;
        if (this.saveState() === 'editing') this.saves.next();
      }),
    );
  }

  private pause(error: unknown, count: number): Observable<unknown> {
    if (!canRetry(error)) return throwError(() => error);
    this.saveState.set('waiting');
    this.away.next();
    this.trouble.set(
      refusalOf(error)?.error === 'unavailable'
        ? sentenceOf(error)
        : 'The server does not answer. Nothing is lost: it is kept here and saved as soon as it answers.',
    );
    return timer(Math.min(300 * 2 ** (count - 1), MOST_PAUSE_MS));
  }

  private saved(view: VariantView, sent: Plan): void {
    // Another plan was opened while this one was on its way.
    if (this.base()?.id !== view.id) return;
    const unchanged = this.plan() === sent;
    this.base.set(view);
    this.trouble.set('');
    // What was asked while it was under way is asked still: nothing goes over theirs before it is answered.
    const asks = this.conflicts().length > 0;
    this.saveState.set(asks ? 'conflict' : unchanged ? 'saved' : 'editing');
    if (unchanged) this.show(keepIdentity(sent, view.plan));
    this.keepUnsaved();
    if (this.told > view.revision) void this.catchUp(this.told);
  }

  private refusedSave(error: unknown, sent: Plan): void {
    const refusal = refusalOf(error);
    if (isStale(refusal)) {
      this.mergeWith(refusal);
      return;
    }
    this.noteRemoved(error);
    // Who removed it, and what to do, is said by itself.
    this.trouble.set(isRemoved(refusal) ? '' : notSaved(error));
    if (refusal?.error === 'forbidden') {
      this.takeBack(sent);
      return;
    }
    this.saveState.set('refused');
    if (this.plan() !== sent) this.saves.next();
  }

  /** Takes out of the plan what one may not change, so that the rest can be saved. */
  private takeBack(sent: Plan): void {
    const base = this.base();
    if (!base) return;
    const helps = this.me().role === 'helper';
    const parts = Object.entries(this.plan()).filter(([part]) => helps && BENCH_PARTS.includes(part));
    const plan = { ...base.plan, ...Object.fromEntries(parts) };
    this.show(keepParts(this.plan(), plan));
    this.saveState.set(same(plan, base.plan) ? 'saved' : 'editing');
    this.keepUnsaved();
    // What was refused as it stood is not sent again.
    if (this.saveState() === 'editing' && !same(plan, sent)) this.saves.next();
  }

  /** What both started from; what was sent from here and has arrived, although nobody answered, is nobody else’s change. */
  private commonWith(base: Plan, theirs: Plan): Plan {
    return this.underWay ? baseOnceArrived(base, this.underWay, theirs) : base;
  }

  private mergeWith({ base, current }: StaleRefusal): void {
    const common = this.commonWith(base, current.plan);
    const others = !same(common, current.plan);
    this.takeOver(current, common);
    if (this.conflicts().length > 0 || !others) return;
    this.merged.set(
      same(this.plan(), current.plan)
        ? 'Another page changed this plan meanwhile. Its changes are shown.'
        : 'Another page changed other fields meanwhile. Both changes are kept.',
    );
  }
}

/** The plan as sent where the server keeps the same, so that nothing is computed again. */
const keepIdentity = (sent: Plan, stored: Plan): Plan => (same(sent, stored) ? sent : stored);
