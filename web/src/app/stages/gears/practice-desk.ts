import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { DIFFICULTIES, type Difficulty } from '@intervex/contract/wire';
import { adviseNext, readTrial, setUpWindow } from '@intervex/core';
import { USUAL_KIT } from '@intervex/core/desks/gears';
import { Segments } from '../../shared/segments';
import { PlanStore } from '../../state/plan-store';
import { Flank } from './flank';
import { NextTrial } from './next-trial';
import { PracticeEnd } from './practice-end';
import { PracticeService } from './practice.service';
import { ShimFields } from './shim-fields';
import { ShimWords, type ShimTexts } from './shim-words';
import { TrialTable } from './trial-table';

const CALLED: Readonly<Record<Difficulty, string>> = { easy: 'Easy', usual: 'Usual', hard: 'Hard' };

/** A gear set to practise on, before the real one: put shims in, read, and see at the end what was right. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-practice-desk',
  imports: [
    Flank,
    MatButtonModule,
    MatCheckboxModule,
    NextTrial,
    PracticeEnd,
    Segments,
    ShimFields,
    TrialTable,
  ],
  providers: [PracticeService],
  template: `
    <p class="text">
      A simulated gear set that answers shims as a real one does, a little unclearly. Nothing of it goes into
      this plan.
    </p>
    @if (ownKit()) {
      <ix-segments label="Shims" [options]="kits" [value]="kitOf()" (picked)="kitOf.set($event)" />
    } @else {
      <p class="text second">Its shims are a usual kit, which fits every set here.</p>
    }
    @if (service.set(); as set) {
      <p class="text second">
        {{ called[set.difficulty] }} set. It comes with pinion shim {{ words.mm(set.first.pinionShim) }}, ring
        side {{ words.mm(set.first.ringSide) }}, other side {{ words.mm(set.first.otherSide) }}.
      </p>
      @if (trials().length) {
        <ix-trials [trials]="trials()" />
      }
      @if (last(); as t) {
        <div class="flanks">
          <ix-flank name="Drive" [contact]="t.drive" [still]="true" />
          <ix-flank name="Coast" [contact]="t.coast" [still]="true" />
        </div>
      }
      @if (set.truth; as truth) {
        <ix-practice-end
          [truth]="truth"
          [trials]="set.trials"
          [byAdvice]="service.byAdvice()"
          [window]="window()"
          [kit]="kit()"
        />
        <button mat-flat-button type="button" (click)="another()">Another set</button>
      } @else {
        @if (done()) {
          <p class="text" role="status">
            <b>Good after {{ trials().length }}.</b>
            Open it to see what was right.
          </p>
        }
        @if (last() && !done()) {
          <mat-checkbox [checked]="advised()" (change)="advised.set($event.checked)">
            Show what the advice says
          </mat-checkbox>
          @if (advised() && next(); as a) {
            <ix-next-trial [advice]="a" (taken)="texts.set($event)" />
          }
        }
        <section aria-label="New trial">
          <h2>Trial {{ trials().length + 1 }}</h2>
          <div class="shims"><ix-shim-fields [texts]="shown()" (textsChange)="texts.set($event)" /></div>
          @if (problem(); as why) {
            <p class="trouble" role="alert">{{ why }}</p>
          }
          <button mat-flat-button type="button" [disabled]="service.busy()" (click)="attempt()">
            Put them in and read
          </button>
          <button mat-stroked-button type="button" [disabled]="service.busy()" (click)="open()">
            {{ done() ? 'Open it' : 'Give up and open it' }}
          </button>
        </section>
      }
    } @else {
      <div class="begin">
        <ix-segments
          label="How hard"
          [options]="difficulties"
          [value]="difficulty()"
          (picked)="difficulty.set($event)"
        />
        <button mat-flat-button type="button" [disabled]="service.busy()" (click)="begin()">Begin</button>
      </div>
    }
    @if (service.trouble(); as why) {
      <p class="trouble" role="alert">{{ why }}</p>
      @if (service.set()) {
        <button mat-button type="button" (click)="another()">Leave this set</button>
      }
    }
  `,
  styles: `
    h2 {
      margin: 14px 0 4px;
      font-size: 15px;
    }
    .flanks,
    .begin {
      display: flex;
      flex-wrap: wrap;
      gap: 10px 24px;
      align-items: center;
      margin: 10px 0;
    }
    .shims {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
      gap: 0 12px;
      max-width: 560px;
      margin-bottom: 8px;
    }
    section button {
      margin-right: 8px;
    }
  `,
})
export class PracticeDesk {
  protected readonly service = inject(PracticeService);
  protected readonly words = inject(ShimWords);
  private readonly store = inject(PlanStore);
  protected readonly called = CALLED;
  protected readonly difficulties = DIFFICULTIES.map((id) => ({ id, name: CALLED[id] }));
  protected readonly difficulty = signal<Difficulty>('usual');
  protected readonly advised = signal(false);
  /** What is typed; undefined until something is, or was advised. */
  protected readonly texts = signal<ShimTexts | undefined>(undefined);
  protected readonly problem = signal('');

  protected readonly window = computed(() => this.store.results().of(setUpWindow));
  protected readonly ownKit = computed(() =>
    Object.values(this.store.plan().shimKit).some((sizes: readonly number[]) => sizes.length > 0),
  );
  protected readonly kits = [
    { id: 'usual', name: 'a usual kit' },
    { id: 'own', name: 'those noted under Set-up' },
  ] as const;
  /** The kit that fits every simulated set, until somebody wants the one on his own bench. */
  protected readonly kitOf = signal<'usual' | 'own'>('usual');
  protected readonly kit = computed(() =>
    this.ownKit() && this.kitOf() === 'own' ? this.store.plan().shimKit : USUAL_KIT,
  );
  protected readonly trials = computed(() =>
    (this.service.set()?.trials ?? []).map((t, i) => ({ ...t, n: i + 1, says: readTrial(t, this.window()) })),
  );
  protected readonly last = computed(() => this.trials().at(-1));
  protected readonly done = computed(() => this.last()?.says.good ?? false);
  protected readonly next = computed(() => {
    const trials = this.trials();
    return trials.length ? adviseNext(trials, this.window(), this.kit()) : undefined;
  });
  /** What stands in the fields: as typed, else what is in the set now. */
  protected readonly shown = computed((): ShimTexts => {
    const set = this.service.set();
    return this.texts() ?? (set ? this.words.texts(this.last() ?? set.first) : {});
  });

  constructor() {
    void this.service.resume().then(() => this.service.compare(this.window(), this.kit()));
  }

  protected async begin(): Promise<void> {
    this.texts.set(undefined);
    await this.service.begin(this.difficulty());
  }

  protected async attempt(): Promise<void> {
    const shims = this.words.shims(this.shown());
    if (typeof shims === 'string') {
      this.problem.set(shims);
      return;
    }
    this.problem.set('');
    if (await this.service.attempt(shims)) this.texts.set(undefined);
  }

  protected async open(): Promise<void> {
    await this.service.open(this.window(), this.kit());
  }

  protected another(): void {
    this.service.leave();
    this.texts.set(undefined);
    this.problem.set('');
    this.advised.set(false);
  }
}
