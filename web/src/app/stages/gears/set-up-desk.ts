import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { parseLength, setUp, type Contact, type GearTrial, type ReadTrial } from '@intervex/core';
import { HOLD_POINTS, SET_UP_RISK } from '@intervex/core/desks/gears';
import { OpenChecks } from '../../stage/open-checks';
import { PersonService } from '../../state/person.service';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';
import { Flank } from './flank';

const FIELDS = [
  { key: 'pinionShim', name: 'Pinion shim', least: 0, most: 8 },
  { key: 'ringSide', name: 'Carrier, ring side', least: 0, most: 12 },
  { key: 'otherSide', name: 'Carrier, other side', least: 0, most: 12 },
] as const;
type Shim = (typeof FIELDS)[number]['key'];
const TEETH = { least: 4, most: 24, mm: 2 };
const MIDDLE: Contact = { along: 0, across: 0 };
const LEAST_REASON = 3;

/** Trials of the gear set one after another: what was read, what to try next and of which shims, take it or go on. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-set-up-desk',
  imports: [Flank, MatButtonModule, MatIconModule, OpenChecks],
  templateUrl: './set-up-desk.html',
  styleUrl: './set-up-desk.scss',
})
export class SetUpDesk {
  protected readonly store = inject(PlanStore);
  protected readonly units = inject(UnitsService);
  private readonly person = inject(PersonService);
  protected readonly fields = FIELDS;
  protected readonly points = HOLD_POINTS;
  protected readonly risk = SET_UP_RISK;
  protected readonly state = computed(() => this.store.results().of(setUp));
  protected readonly verdict = computed(() => this.store.plan().verdicts.gearSetUp);

  /** The trial that is being written: texts stay until they can be read. */
  protected readonly texts = signal<Readonly<Partial<Record<Shim | 'backlash', string>>>>({});
  protected readonly drive = signal<Contact>(MIDDLE);
  protected readonly coast = signal<Contact>(MIDDLE);
  protected readonly problem = signal('');
  protected readonly kitProblem = signal('');
  protected readonly reason = signal('');
  protected readonly number = computed(() => (this.state().trials.at(-1)?.n ?? 0) + 1);

  protected readonly rows = computed(() =>
    this.state().trials.map((t) => ({
      ...t,
      shims: FIELDS.map(({ key }) => this.mm(t[key])),
      mean: this.mm(t.says.mean),
      range: this.mm(t.says.range),
      said: t.says.good ? 'good' : t.says.faults.join('; '),
    })),
  );
  protected readonly kit = computed(() =>
    this.store
      .plan()
      .shimKit.sizes.map((mm) => this.bare(mm))
      .join(' '),
  );
  protected readonly next = computed(() => {
    const { next } = this.state();
    if (!next) return undefined;
    return {
      ...next,
      rows: FIELDS.map(({ key, name }) => ({
        name,
        wanted: this.mm(next[key]),
        pack: next.packs ? next.packs[key].best.map((mm) => this.bare(mm)).join(' + ') || 'none' : '',
        off: next.packs ? this.mm(next.packs[key].off) : '',
      })),
      third: this.mm(next.thirdOfFace),
    };
  });

  protected text(key: Shim | 'backlash'): string {
    return this.texts()[key] ?? '';
  }

  protected write(key: Shim | 'backlash', text: string): void {
    this.texts.update((all) => ({ ...all, [key]: text }));
  }

  /** The shims that were advised go into the trial that is written next. */
  protected take(): void {
    const { next } = this.state();
    if (!next) return;
    const sum = (key: Shim) => next.packs?.[key].best.reduce((a, b) => a + b, 0) ?? next[key];
    this.texts.set(Object.fromEntries(FIELDS.map(({ key }) => [key, this.bare(sum(key))])));
  }

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
    this.drive.set(MIDDLE);
    this.coast.set(MIDDLE);
  }

  protected remove({ id }: ReadTrial): void {
    this.store.put('gearTrials', id, undefined);
    this.store.saveNow();
  }

  protected setKit(text: string): void {
    const sizes = this.lengths(text, 'Shims', { least: 0.02, most: 8 });
    if (typeof sizes === 'string') {
      this.kitProblem.set(sizes);
      return;
    }
    this.kitProblem.set('');
    this.store.put('shimKit', 'sizes', sizes);
    this.store.saveNow();
  }

  protected decide(verdict: 'accepted' | 'redo'): void {
    const reason = this.reason().trim();
    if (reason.length < LEAST_REASON) {
      this.problem.set('Say why, in at least 3 letters.');
      return;
    }
    this.problem.set('');
    this.store.put('verdicts', 'gearSetUp', {
      verdict,
      reason,
      who: this.person.name(),
      at: new Date().toISOString(),
    });
    this.store.saveNow();
  }

  private readAll(): GearTrial | string {
    const shims: Partial<Record<Shim, number>> = {};
    for (const { key, name, least, most } of FIELDS) {
      const read = this.lengths(this.text(key), name, { least, most });
      if (typeof read === 'string') return read;
      if (read.length !== 1) return `${name}: write one thickness, the pack as a whole.`;
      shims[key] = read[0] as number;
    }
    const backlash = this.lengths(this.text('backlash'), 'Backlash', { least: 0, most: TEETH.mm });
    if (typeof backlash === 'string') return backlash;
    if (backlash.length < TEETH.least)
      return `Backlash: at least ${TEETH.least} teeth, with blanks between; these are ${backlash.length}.`;
    if (backlash.length > TEETH.most) return `Backlash: at most ${TEETH.most} teeth.`;
    const { pinionShim = 0, ringSide = 0, otherSide = 0 } = shims;
    return {
      n: this.number(),
      pinionShim,
      ringSide,
      otherSide,
      backlash,
      drive: this.drive(),
      coast: this.coast(),
    };
  }

  /** Lengths with blanks between them, mm; or why they cannot be read. */
  private lengths(
    text: string,
    name: string,
    { least, most }: { readonly least: number; readonly most: number },
  ): readonly number[] | string {
    const found: number[] = [];
    for (const part of text.trim().split(/\s+/).filter(Boolean)) {
      const read = parseLength(part, this.units.unit());
      if (!read.ok) return `${name}: ${read.reason}`;
      if (read.value < least || read.value > most)
        return `${name} must lie between ${this.mm(least)} and ${this.mm(most)}; this is ${this.mm(read.value)}.`;
      found.push(read.value);
    }
    return found;
  }

  private mm(value: number): string {
    return this.units.show(value, 'mm', this.digits());
  }

  private bare(value: number): string {
    return this.units.show(value, 'mm', this.digits()).replace(/ (mm|in)$/, '');
  }

  /** Shims are told to a hundredth of a mm, or to half a thousandth of an inch. */
  private digits(): number {
    return this.units.unit() === 'mm' ? 3 : 4;
  }
}
