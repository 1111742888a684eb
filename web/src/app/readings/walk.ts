import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  type ElementRef,
  inject,
  input,
  output,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import {
  ANGLE_IDS,
  factsWith,
  type InstrumentId,
  INSTRUMENTS,
  type Parsed,
  QUANTITIES,
  type Quantity,
  quantityName,
  readByTape,
  readQuantity,
  type View,
} from '@intervex/core';
import { ViewSvg } from '../drawing/view-svg';
import { registerLaterIcons } from '../shared/icons-later';
import { PhotoList } from '../shared/photo-list';
import { PersonService } from '../state/person.service';
import { PlanStore } from '../state/plan-store';
import { SelectionService } from '../state/selection.service';
import { UnitsService } from '../state/units.service';
import { FactField } from './fact-field';
import { withRepeat } from './with-repeat';
import { ZeroedOn } from './zeroed-on';

/** Keys of the pad, row by row. */
const PAD = ['7', '8', '9', '1/16', '4', '5', '6', '/', '1', '2', '3', 'space', '0', '.', '−', '⌫'] as const;

/** What is not read with anything. */
const UNREAD: Readonly<Partial<Record<InstrumentId, string>>> = {
  count: 'Counted',
  chosen: 'Chosen',
  estimate: 'Estimated',
  seen: 'Seen, not measured',
  seller: 'As the seller says',
};

/** One reading at a time, with big keys, in walking order: for a phone under the car. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-walk',
  imports: [FactField, MatButtonModule, PhotoList, ViewSvg, ZeroedOn],
  templateUrl: './walk.html',
  styleUrl: './walk.scss',
})
export class Walk {
  private readonly store = inject(PlanStore);
  protected readonly units = inject(UnitsService);
  private readonly person = inject(PersonService);
  private readonly selection = inject(SelectionService);
  private readonly field = viewChild<ElementRef<HTMLInputElement>>('field');

  readonly stage = input.required<string>();
  readonly title = input.required<string>();
  readonly view = input.required<View>();
  /** Headings it keeps to, and of those only what is read; all of the stage where none are given. */
  readonly only = input<readonly string[]>();
  readonly closed = output();

  protected readonly pad = PAD;
  protected readonly list = computed(() => {
    const [stage, only] = [this.stage(), this.only()];
    return QUANTITIES.filter(
      (q) => q.stage === stage && (!only || (only.includes(q.group) && q.instrument !== 'chosen')),
    );
  });
  protected readonly at = signal(0);
  protected readonly text = signal('');
  protected readonly problem = signal('');
  protected readonly quantity = computed<Quantity>(() => this.list()[this.at()] as Quantity);
  protected readonly name = computed(() => quantityName(this.quantity()));
  protected readonly reading = computed(() => this.store.reading(this.quantity().id));
  protected readonly summary = computed(() => this.store.results().known.get(this.quantity().id)?.summary);
  protected readonly byTape = computed(() =>
    readByTape(this.quantity(), this.reading()?.instrument ?? this.quantity().instrument),
  );
  /** What stands for it while it is not read, and why; or why nothing rests on it yet. */
  protected readonly standing = computed(() => {
    const { id, later } = this.quantity();
    const assumed = this.store.results().known.get(id)?.figure.assumed[id];
    if (assumed)
      return `Assumed while not read: ${this.units.figure({ ...assumed, byTape: this.byTape(), inMm: this.quantity().inMm ?? false })}, ${assumed.why}.`;
    return later ? `Kept for ${later}; nothing here rests on it yet.` : '';
  });
  protected readonly repeats = computed(() =>
    (this.reading()?.repeats ?? []).map((r) =>
      this.units.figure({
        ...r,
        unit: this.quantity().unit,
        byTape: this.byTape(),
        inMm: this.quantity().inMm ?? false,
      }),
    ),
  );
  protected readonly instrument = computed(
    () => INSTRUMENTS[this.reading()?.instrument ?? this.quantity().instrument].label,
  );
  /** Headings in walking order, to go straight to. */
  protected readonly groups = computed(() => [
    ...new Map(this.list().map((q) => [q.group, { id: q.group, name: q.heading }])).values(),
  ]);
  protected readonly facts = computed(() => factsWith(this.quantity()));
  protected readonly isAngle = computed(() => ANGLE_IDS.includes(this.quantity().id));
  protected readonly suffix = computed(() => this.units.suffixOf(this.quantity()));
  /** With what it is read, and from where. */
  protected readonly how = computed(() => {
    const { instrument, datum } = this.quantity();
    const id = this.reading()?.instrument ?? instrument;
    const words = UNREAD[id] ?? `With ${INSTRUMENTS[id].label}`;
    return `${words}${datum === 'none' ? '' : `, from the ${datum}`}.`;
  });
  protected readonly meaning = computed(() => {
    const read = this.read();
    if (!read?.ok || this.quantity().unit !== 'mm') return '';
    const digits = this.units.unit() === 'mm' ? 2 : undefined;
    return `= ${this.units.figure({ value: read.value, unit: 'mm', byTape: this.byTape(), inMm: this.quantity().inMm ?? false }, digits)}`;
  });

  constructor() {
    registerLaterIcons();
    // Begins at the first reading that is still missing.
    effect(() => {
      const list = this.list();
      untracked(() => {
        const readings = this.store.plan().readings;
        this.at.set(
          Math.max(
            0,
            list.findIndex((q) => !readings[q.id]),
          ),
        );
      });
    });
    effect(() => {
      this.selection.focused.set(this.quantity().id);
    });
    // A jump from a check or a missing reading lands here.
    effect(() => {
      const at = this.list().findIndex((q) => q.id === this.selection.wanted());
      if (at >= 0)
        untracked(() => {
          this.selection.wanted.set('');
          this.go(at - this.at());
        });
    });
  }

  protected press(key: string): void {
    this.problem.set('');
    if (key === '⌫') this.text.update((t) => t.slice(0, -1));
    else if (key === 'space') this.text.update((t) => `${t} `);
    else if (key === '1/16') this.text.update((t) => `${/\d$/.test(t) ? `${t} ` : t}1/16`);
    else this.text.update((t) => t + key);
    this.field()?.nativeElement.focus();
  }

  protected type(text: string): void {
    this.problem.set('');
    this.text.set(text);
  }

  /** Takes what is typed as another repeat and stays, so that it can be read again. */
  protected again(): void {
    this.take();
  }

  /** Takes what is typed, if anything, and goes to the next reading. */
  protected next(): void {
    if (this.text().trim() !== '' && !this.take()) return;
    this.go(1);
  }

  protected go(by: number): void {
    this.text.set('');
    this.problem.set('');
    this.at.update((i) => (i + by + this.list().length) % this.list().length);
  }

  /** Goes to the first reading of a heading that is missing, else to its first. */
  protected goToGroup(group: string): void {
    const { readings } = this.store.plan();
    const inGroup = this.list().filter((q) => q.group === group);
    const next = inGroup.find((q) => !readings[q.id]) ?? inGroup[0];
    if (next) this.go(this.list().indexOf(next) - this.at());
  }

  protected removeLast(): void {
    const reading = this.reading();
    if (!reading) return;
    const repeats = reading.repeats.slice(0, -1);
    this.store.setReading(this.quantity().id, repeats.length ? { ...reading, repeats } : undefined);
  }

  private read(): Parsed | undefined {
    const text = this.text();
    return text.trim() === '' ? undefined : readQuantity(this.quantity(), text, this.units.unit());
  }

  private take(): boolean {
    const q = this.quantity();
    const read = this.read();
    if (!read?.ok) {
      this.problem.set(read?.reason ?? '');
      return false;
    }
    const repeat = {
      value: read.value,
      typed: this.text().trim(),
      who: this.person.name(),
      at: new Date().toISOString(),
    };
    this.store.setReading(q.id, withRepeat(this.reading(), q, repeat));
    this.store.saveNow();
    this.text.set('');
    return true;
  }
}
