import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  Injector,
  input,
  output,
  signal,
  viewChildren,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import {
  ANGLE_IDS,
  evidenceOf,
  expandedUncertainty,
  type InstrumentId,
  INSTRUMENTS,
  instrumentsFor,
  quantity,
  quantityName,
  readByTape,
  type Reading,
  type Repeat,
} from '@intervex/core';
import { Menu } from '../shared/menu';
import type { MenuItem } from '../shared/menu-item';
import { PhotoList } from '../shared/photo-list';
import { PersonService } from '../state/person.service';
import { PhotosService } from '../state/photos.service';
import { PlanStore } from '../state/plan-store';
import { SelectionService } from '../state/selection.service';
import { UnitsService } from '../state/units.service';
import { offText } from './instruments-for';
import { ReadingInput, type TypedValue } from './reading-input';
import { ZeroedOn } from './zeroed-on';

/** Names of instruments that are too long beside a field. */
const SHORT: Readonly<Partial<Record<InstrumentId, string>>> = {
  rule: 'rule',
  indicator: 'indicator',
  straightedge: 'feeler',
  angleGauge: 'gauge',
  seen: 'seen',
  seller: 'seller',
};

const twinOf = (id: string): string => id.replace(/\bright\b/, 'left');

/** A quantity's field: its repeats, instrument, how well they agree, and the value used. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-reading',
  imports: [MatButtonModule, MatIconModule, Menu, PhotoList, ReadingInput, ZeroedOn],
  templateUrl: './reading-field.html',
  styleUrl: './reading-field.scss',
  host: { '[class.focused]': 'focused()', '[class.sided]': 'side()' },
})
export class ReadingField {
  private readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  private readonly person = inject(PersonService);
  private readonly photos = inject(PhotosService);
  private readonly injector = inject(Injector);
  private readonly inputs = viewChildren(ReadingInput);
  protected readonly selection = inject(SelectionService);

  readonly id = input.required<string>();
  /** It stands apart from the panel: Enter ends it instead of going on to the next field. */
  readonly apart = input(false);
  readonly done = output();
  /** Text instead of the quantity's own label. */
  readonly label = input('');
  /** It stands beside its twin of the other side, under a label of both. */
  readonly side = input(false);

  /** What this can be read with, and how far a single reading of it may be off. */
  protected readonly instruments = computed((): readonly MenuItem[] => {
    const { unit } = this.quantity();
    return instrumentsFor(unit).map((id) => ({
      text: INSTRUMENTS[id].label,
      second: offText(id, unit, this.units.unit()),
      does: () => {
        this.use(id);
      },
    }));
  });
  protected readonly isAngle = computed(() => ANGLE_IDS.includes(this.id()));
  /** Note and photos are shown while they are asked for, and where there are any. */
  protected readonly more = signal(false);
  protected readonly hasMore = computed(
    () => this.more() || !!this.reading()?.note || this.photos.at(this.id()).length > 0,
  );
  protected readonly grade = computed(() => {
    const reading = this.reading();
    const evidence = reading && evidenceOf(reading.instrument);
    return evidence === 'seller' || evidence === 'seen' ? evidence : '';
  });
  protected readonly quantity = computed(() => quantity(this.id()));
  protected readonly reading = computed<Reading | undefined>(() => this.store.reading(this.id()));
  protected readonly known = computed(() => this.store.results().known.get(this.id()));
  private readonly stored = computed<readonly Repeat[]>(() => this.reading()?.repeats ?? []);
  /** It is to be read once more: a field stands open for it, and nothing is stored before something is read. */
  private readonly adding = signal(false);
  protected readonly repeats = computed<readonly (Repeat | undefined)[]>(() => {
    const stored = this.stored();
    return stored.length === 0 || this.adding() ? [...stored, undefined] : stored;
  });
  protected readonly focused = computed(() => this.selection.focused() === this.id());
  protected readonly instrument = computed(() => {
    const { id, label } = INSTRUMENTS[this.reading()?.instrument ?? this.quantity().instrument];
    return { label, short: SHORT[id] ?? label };
  });
  protected readonly name = computed(() => quantityName(this.quantity()));
  protected readonly sideWord = computed(() => (this.quantity().side === 'left' ? 'Left' : 'Right'));
  /** Repeat that had focus last; the last one where that is gone. */
  protected readonly at = signal(-1);
  protected readonly removed = computed(() => {
    const last = this.repeats().length - 1;
    return this.at() >= 0 && this.at() <= last ? this.at() : last;
  });
  /** The left side’s reading, where this right one has none yet. */
  protected readonly twin = computed(() => {
    const q = this.quantity();
    if (!this.side() || q.side !== 'right' || this.reading()) return undefined;
    return this.store.reading(twinOf(q.id));
  });
  protected readonly twinSaid = 'Take the left side’s value: seen, not measured, until you read this side too';
  /** It is not only wanted so: somebody reads it, or has read it, or was told. */
  protected readonly measured = computed(
    () => this.quantity().instrument !== 'chosen' || (this.reading()?.instrument ?? 'chosen') !== 'chosen',
  );
  protected readonly disagree = computed(() => this.known()?.summary?.agreement === 'disagree');
  /** Why this reading is not to be trusted yet. */
  protected readonly doubtful = computed(() =>
    this.quantity().needsLevel && this.reading() ? this.units.say(this.store.results().notLevel ?? '') : '',
  );
  protected readonly suffix = computed(() => this.units.suffixOf(this.quantity()));
  /** What stands for it while it is not read, or follows from the brief. */
  private readonly standing = computed(() =>
    this.reading() ? undefined : this.known()?.figure.assumed[this.id()],
  );
  protected readonly fallbackText = computed(() => {
    const standing = this.standing();
    const q = this.quantity();
    return standing ? this.units.plain(standing.value, standing.unit, readByTape(q, q.instrument), q.inMm) : '';
  });
  /** That nobody read it: the value used all the same, and why. */
  protected readonly assumed = computed(() => {
    const standing = this.standing();
    return standing ? `Assumed while not read: ${this.fallbackText()} ${this.suffix()}, ${standing.why}.` : '';
  });
  /** Why it moves nothing yet. */
  protected readonly later = computed(() => {
    const { later } = this.quantity();
    return later ? `Kept for ${later}; nothing here rests on it yet.` : '';
  });
  protected readonly mean = computed(() => {
    const known = this.known();
    if (!known?.summary) return '';
    const { unit, inMm } = this.quantity();
    return `${this.units.plain(known.figure.value, unit, known.figure.byTape, inMm)} ${this.suffix()}`.trim();
  });
  protected readonly agreement = computed(() => {
    const summary = this.known()?.summary;
    if (!summary) return '';
    const U = this.units.show(
      expandedUncertainty((this.known() as { figure: Parameters<typeof expandedUncertainty>[0] }).figure),
      this.quantity().unit,
      this.units.unit() === 'mm' ? 2 : undefined,
    );
    if (summary.n === 1) return summary.u > 0 ? `Read once, ± ${U}` : 'Read once';
    return summary.agreement === 'agree'
      ? `${summary.n} readings agree, ± ${U}`
      : `${summary.n} readings disagree: take another`;
  });

  protected readonly set = (index: number, { value, typed }: TypedValue): void => {
    const repeats = [...this.stored()];
    const now = repeats[index];
    if (now?.value === value && now.typed === typed) return;
    if (!now) this.adding.set(false);
    repeats[index] = { value, typed, who: this.person.name(), at: new Date().toISOString() };
    this.write(repeats);
  };

  /** As the left side: nobody has measured it here, and it says so. A choice is a choice. */
  protected asTwin(): void {
    const twin = this.twin();
    const mean = this.store.results().known.get(twinOf(this.id()))?.figure.value;
    if (!twin || mean === undefined) return;
    const { instrument } = this.quantity();
    this.store.setReading(this.id(), {
      repeats: [{ value: mean, who: this.person.name(), at: new Date().toISOString() }],
      instrument: instrument === 'chosen' || instrument === 'count' ? instrument : 'seen',
      note: 'same as left',
    });
    this.store.saveNow();
  }

  protected clear(index: number): void {
    if (index >= this.stored().length) this.adding.set(false);
    else if (this.repeats().length === 1) this.store.setReading(this.id(), undefined);
  }

  protected remove(index: number): void {
    if (index >= this.stored().length) this.adding.set(false);
    else this.write(this.stored().filter((_, i) => i !== index));
  }

  /** Opens a field for one more reading. */
  protected again(): void {
    this.adding.set(true);
    afterNextRender(() => this.inputs().at(-1)?.focus(), { injector: this.injector });
  }

  protected use(instrument: InstrumentId): void {
    const reading = this.reading();
    if (reading) this.store.setReading(this.id(), { ...reading, instrument });
  }

  protected note(text: string): void {
    const reading = this.reading();
    if (!reading) return;
    const { note: _before, ...rest } = reading;
    const note = text.trim();
    this.store.setReading(this.id(), note ? { ...rest, note } : rest);
    this.store.saveNow();
  }

  private write(repeats: readonly Repeat[]): void {
    const { instrument, datum } = this.quantity();
    const now = this.reading() ?? { instrument, ...(datum === 'none' ? {} : { datum }) };
    this.store.setReading(this.id(), repeats.length ? { ...now, repeats } : undefined);
  }
}
