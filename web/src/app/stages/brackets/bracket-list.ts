import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import {
  bracketProblem,
  KIND_NAMES,
  placeName,
  places,
  SIDE_NAMES,
  type Bracket,
  type PlacedBracket,
} from '@intervex/core';
import { DraftFields } from '../../shared/draft-fields';
import { Fields, type FieldChange } from '../../shared/fields';
import { FigureValue } from '../../shared/figure-value';
import { PhotoList } from '../../shared/photo-list';
import { refusalText } from '../../shared/refusal-text';
import type { RowValues } from '../../shared/rows-editor';
import { OpenChecks } from '../../stage/open-checks';
import { PlanStore } from '../../state/plan-store';
import { SelectionService } from '../../state/selection.service';
import { UnitsService } from '../../state/units.service';
import {
  kitFields,
  madeFields,
  mirrored,
  OLD,
  SELF,
  STRONG,
  valuesOf,
  WANTED,
  withField,
  type Pending,
} from './bracket-fields';

const FROM = {
  made: 'as read',
  place: 'chosen',
  kit: 'by its kit',
  old: 'carried over',
  car: 'by its pickup points',
} as const;
const PREFIX = 'bracket.';
/** Left, right, all across; from the middle outward. */
const ORDER = ['left', 'right', 'across'];
const out = ({ y }: PlacedBracket): number => (y ? Math.abs(y.value) : Infinity);

/** All that stands on the axle, and the fields of the one that is picked. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-brackets',
  imports: [DraftFields, Fields, FigureValue, MatButtonModule, MatIconModule, OpenChecks, PhotoList],
  templateUrl: './bracket-list.html',
  styleUrl: './bracket-list.scss',
})
export class BracketList {
  protected readonly store = inject(PlanStore);
  private readonly selection = inject(SelectionService);
  private readonly units = inject(UnitsService);
  protected readonly groups = computed(() => [
    { title: 'What it is', columns: SELF },
    { title: 'As read on the old axle, or on the car', columns: OLD },
    { title: 'Where it is wanted: goes before what was read', columns: WANTED },
    { title: 'As read once tacked or welded', columns: madeFields(this.bracket()?.side === 'across') },
    { title: 'What pulls at it', columns: STRONG },
  ]);
  protected readonly self = SELF;
  protected readonly adding = signal(false);
  /** Why what was typed last cannot be. */
  protected readonly problem = signal('');
  private readonly pending = signal<Pending>({});
  private readonly picked = signal('');

  protected readonly rows = computed(() =>
    this.store
      .results()
      .of(places)
      .toSorted((a, b) => ORDER.indexOf(a.item.side) - ORDER.indexOf(b.item.side) || out(a) - out(b))
      .map((p) => ({
        ...p,
        kind: `${KIND_NAMES[p.item.kind]}, ${SIDE_NAMES[p.item.side]}`,
        from: p.by ? FROM[p.by] : 'no place yet',
        wants: p.lacks.map((id) => placeName(id)).join(', '),
      })),
  );
  protected readonly id = computed(() => {
    const all = this.store.plan().brackets;
    return all[this.picked()] ? this.picked() : (this.rows()[0]?.id ?? '');
  });
  protected readonly bracket = computed(() => this.store.plan().brackets[this.id()]);
  protected readonly kitColumns = computed(() => kitFields(this.store.plan().bracketKits));
  protected readonly values = computed(() => {
    const b = this.bracket();
    return b ? { ...valuesOf(b), ...this.begun(b) } : {};
  });

  constructor() {
    // What is picked in a drawing is picked here, and the other way round.
    effect(() => {
      const place = this.selection.picked();
      if (place.startsWith(PREFIX)) this.picked.set(place.slice(PREFIX.length));
    });
    effect(() => {
      this.id();
      untracked(() => {
        this.pending.set({});
      });
    });
  }

  protected pick(id: string): void {
    this.selection.picked.set(`${PREFIX}${id}`);
  }

  protected add(values: RowValues): void {
    this.adding.set(false);
    this.begin(
      Object.fromEntries(Object.entries(values).filter(([, v]) => v !== undefined)) as unknown as Bracket,
    );
  }

  protected mirror(b: Bracket): void {
    this.begin(mirrored(b));
  }

  protected remove(id: string): void {
    this.store.put('brackets', id, undefined);
    this.store.saveNow();
  }

  private labelOf(field: string): string {
    return (
      this.groups()
        .flatMap(({ columns }) => columns)
        .find(({ key }) => key === field)?.label ?? field
    );
  }

  protected change(b: Bracket, change: FieldChange): void {
    const next = withField(b, change, this.pending());
    const wrong = bracketProblem(next);
    this.problem.set(wrong ? refusalText(this.labelOf(wrong.field), wrong, this.units) : '');
    if (wrong) return;
    if (next === b) this.pending.update((all) => ({ ...all, [change.key]: change.value }));
    else {
      this.store.put('brackets', this.id(), next);
      this.store.saveNow();
    }
  }

  /** Choices of parts that have no distance yet. */
  private begun(b: Bracket): Pending {
    return Object.fromEntries(
      Object.entries(this.pending()).filter(
        ([key]) => !(b as unknown as Record<string, unknown>)[key.split('.')[0] ?? ''],
      ),
    );
  }

  private begin(b: Bracket): void {
    const id = crypto.randomUUID();
    this.store.put('brackets', id, b);
    this.store.saveNow();
    this.pick(id);
  }
}
