import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { amountWord, parseAmount, setUp, type Contact, type GearTrial, type ShimKit } from '@intervex/core';
import { HOLD_POINTS, SET_UP_RISK } from '@intervex/core/desks/gears';
import { PhotoList } from '../../shared/photo-list';
import { Segments } from '../../shared/segments';
import { OpenChecks } from '../../stage/open-checks';
import { PersonService } from '../../state/person.service';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';
import { Flank } from './flank';
import { NextTrial } from './next-trial';
import { ShimFields } from './shim-fields';
import { ShimWords, type ShimTexts } from './shim-words';
import { TrialTable } from './trial-table';

const TEETH = { least: 4, most: 24, mm: 2 };
const MOST_TORQUE = 40;
const MOST_SHIMS = 60;
const KITS = [
  { key: 'pinion', name: 'Behind the pinion’s head' },
  { key: 'carrier', name: 'Beside the carrier, each used once' },
] as const;
const MIDDLE: Contact = { along: 0, across: 0 };
const LEAST_REASON = 3;

type Bearings = 'unsaid' | 'new' | 'used';
type Seal = 'unsaid' | 'in' | 'out';

/** Trials of the gear set one after another: what was read, what to try next and of which shims, take it or go on. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-set-up-desk',
  imports: [Flank, MatButtonModule, NextTrial, OpenChecks, PhotoList, Segments, ShimFields, TrialTable],
  templateUrl: './set-up-desk.html',
  styleUrl: './set-up-desk.scss',
})
export class SetUpDesk {
  private readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  private readonly person = inject(PersonService);
  private readonly words = inject(ShimWords);
  protected readonly points = HOLD_POINTS;
  protected readonly risk = SET_UP_RISK;
  protected readonly state = computed(() => this.store.results().of(setUp));
  protected readonly verdict = computed(() => this.store.plan().verdicts.gearSetUp);
  protected readonly torqueUnit = computed(() => amountWord('Nm', this.units.unit()));

  /** The trial that is being written: texts stay until they can be read. */
  protected readonly texts = signal<ShimTexts>({});
  protected readonly backlash = signal('');
  protected readonly torque = signal('');
  protected readonly bearings = signal<Bearings>('unsaid');
  protected readonly seal = signal<Seal>('unsaid');
  protected readonly bearingKinds: readonly { readonly id: Bearings; readonly name: string }[] = [
    { id: 'unsaid', name: 'not said' },
    { id: 'new', name: 'new' },
    { id: 'used', name: 'used' },
  ];
  protected readonly sealKinds: readonly { readonly id: Seal; readonly name: string }[] = [
    { id: 'unsaid', name: 'not said' },
    { id: 'in', name: 'in' },
    { id: 'out', name: 'out' },
  ];
  protected readonly note = signal('');
  protected readonly drive = signal<Contact>(MIDDLE);
  protected readonly coast = signal<Contact>(MIDDLE);
  protected readonly problem = signal('');
  protected readonly kitProblem = signal('');
  protected readonly decideProblem = signal('');
  protected readonly reason = signal('');
  protected readonly number = computed(() => (this.state().trials.at(-1)?.n ?? 0) + 1);

  /** As written, where it could not be read, else as the plan has them. */
  private readonly written = signal<Readonly<Partial<Record<keyof ShimKit, string>>>>({});
  protected readonly kits = computed(() =>
    KITS.map(({ key, name }) => ({
      key,
      name,
      text:
        this.written()[key] ??
        this.store
          .plan()
          .shimKit[key].map((mm) => this.words.bare(mm))
          .join(' '),
    })),
  );

  protected add(): void {
    const read = this.readAll();
    if (typeof read === 'string') {
      this.problem.set(read);
      return;
    }
    this.problem.set('');
    this.store.put('gearTrials', crypto.randomUUID(), read);
    this.store.saveNow();
    this.texts.set({});
    for (const text of [this.backlash, this.torque, this.note]) text.set('');
    this.drive.set(MIDDLE);
    this.coast.set(MIDDLE);
  }

  protected remove(n: number): void {
    const trial = this.state().trials.find((t) => t.n === n);
    if (!trial) return;
    this.store.put('gearTrials', trial.id, undefined);
    this.store.saveNow();
  }

  protected setKit(key: keyof ShimKit, text: string): void {
    const sizes = this.words.lengths(text, 'Shims', { least: 0.02, most: 8 });
    const why =
      typeof sizes === 'string'
        ? sizes
        : sizes.length > MOST_SHIMS
          ? `Shims: at most ${MOST_SHIMS}; these are ${sizes.length}.`
          : '';
    this.kitProblem.set(why);
    this.written.update((all) => ({ ...all, [key]: why ? text : undefined }));
    if (why || typeof sizes === 'string') return;
    this.store.put('shimKit', key, sizes);
    this.store.saveNow();
  }

  protected decide(verdict: 'accepted' | 'redo'): void {
    const reason = this.reason().trim();
    if (reason.length < LEAST_REASON) {
      this.decideProblem.set('Say why, in at least 3 letters.');
      return;
    }
    this.decideProblem.set('');
    this.store.put('verdicts', 'gearSetUp', {
      verdict,
      reason,
      who: this.person.name(),
      at: new Date().toISOString(),
    });
    this.store.saveNow();
  }

  private readAll(): GearTrial | string {
    const shims = this.words.shims(this.texts());
    if (typeof shims === 'string') return shims;
    const backlash = this.readBacklash();
    if (typeof backlash === 'string') return backlash;
    const torque = this.readTorque();
    if (typeof torque === 'string') return torque;
    const note = this.note().trim();
    return {
      n: this.number(),
      ...shims,
      backlash,
      drive: this.drive(),
      coast: this.coast(),
      ...(torque === undefined ? {} : { torque, ...turnedIn(this.bearings(), this.seal()) }),
      ...(note ? { note } : {}),
    };
  }

  private readBacklash(): readonly number[] | string {
    const read = this.words.lengths(this.backlash(), 'Backlash', { least: 0, most: TEETH.mm });
    if (typeof read === 'string') return read;
    if (read.length < TEETH.least)
      return `Backlash: at least ${TEETH.least} teeth, with blanks between; these are ${read.length}.`;
    return read.length > TEETH.most ? `Backlash: at most ${TEETH.most} teeth.` : read;
  }

  /** N·m; undefined where it was not read; or why it cannot be. */
  private readTorque(): number | string | undefined {
    if (!this.torque().trim()) return undefined;
    const read = parseAmount(this.torque(), 'Nm', this.units.unit());
    const name = 'Torque to turn the pinion';
    if (!read.ok) return `${name}: ${read.reason}`;
    if (read.value < 0 || read.value > MOST_TORQUE) {
      const show = (value: number) => this.units.show(value, 'Nm', 1);
      return `${name} must lie between ${show(0)} and ${show(MOST_TORQUE)}; this is ${show(read.value)}.`;
    }
    return read.value;
  }
}

/** What was said of a pinion that was turned. */
const turnedIn = (bearings: Bearings, seal: Seal): Pick<GearTrial, 'bearings' | 'seal'> => ({
  ...(bearings === 'unsaid' ? {} : { bearings }),
  ...(seal === 'unsaid' ? {} : { seal }),
});
