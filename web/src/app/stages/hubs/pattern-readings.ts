import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  type ElementRef,
  inject,
  Injector,
  input,
  viewChild,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import {
  patterns,
  CHORD_OVER,
  HOLES,
  type ChordReading,
  type PatternFace,
  type PatternReadings,
} from '@intervex/core';
import { comeTo } from '../../shared/come-to';
import type { RowColumn } from '../../shared/row-column';
import { RowsEditor, type EditedRow } from '../../shared/rows-editor';
import { PersonService } from '../../state/person.service';
import { PlanStore } from '../../state/plan-store';
import { SelectionService } from '../../state/selection.service';
import { UnitsService } from '../../state/units.service';

const FACE_NAMES: Readonly<Record<PatternFace, string>> = {
  flange: 'Flange',
  wheel: 'Wheel',
  rotor: 'Rotor',
};
/** Quantities a face’s pattern may be taken over to. */
const TARGETS: Readonly<Partial<Record<PatternFace, readonly [holes: string, pcd: string]>>> = {
  flange: ['donor.flangeHoles', 'donor.flangePcd'],
  wheel: ['car.wheelHoles', 'car.wheelPcd'],
};
const COLUMNS: readonly RowColumn[] = [
  { key: 'steps', label: 'Holes on', kind: 'whole', min: 1, max: 9 },
  { key: 'distance', label: 'Read', kind: 'mm', min: 5, max: 400 },
  {
    key: 'over',
    label: 'Over',
    kind: 'choice',
    goesOn: true,
    options: CHORD_OVER.map((id) => ({
      id,
      name: { centres: 'centres', outside: 'outsides', inside: 'insides' }[id],
    })),
  },
  { key: 'diameter', label: 'Hole or stud', kind: 'mm', min: 2, max: 60, optional: true },
];
const COUNTS = Array.from({ length: HOLES[1] - HOLES[0] + 1 }, (_, i) => HOLES[0] + i);
const USUAL = 5;

/** Caliper readings between the holes of one face, and the circle they describe. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-pattern',
  imports: [MatButtonModule, RowsEditor],
  template: `
    <h3>
      {{ title() }}
      <label>
        <select
          #holes
          class="choice"
          [attr.aria-label]="title() + ', holes'"
          (change)="count(+$any($event.target).value)"
        >
          @for (n of counts; track n) {
            <option [value]="n" [selected]="n === readings().holes">{{ n }}</option>
          }
        </select>
        holes
      </label>
    </h3>
    <ix-rows
      [name]="title() + ' pattern readings'"
      [columns]="columns"
      [rows]="rows()"
      (changed)="put($event)"
      (removed)="drop($event)"
    />
    @if (found(); as f) {
      @if (f.fit; as fit) {
        <p class="circle">
          <span>
            Circle&ngsp;
            <b class="figure">{{ show(fit.pcd) }}</b>
          </span>
          @if (target()) {
            <button mat-button type="button" (click)="use(fit.pcd)">Use as its circle</button>
          }
        </p>
        <p class="second">By pairs: {{ each() }}</p>
      }
      @if (f.problem) {
        <p class="trouble" role="alert">{{ say(f.problem) }}</p>
      }
    }
  `,
  styles: `
    .circle {
      display: flex;
      align-items: baseline;
      justify-content: space-between;
      margin-bottom: 0;
    }
    .circle + .second {
      margin-top: 0;
      font-size: 12.5px;
    }
    h3 {
      display: flex;
      justify-content: space-between;
      margin-top: 10px;
      font-size: 13.5px;
    }
    label {
      font-weight: 400;
    }
    p {
      margin: 2px 0;
      font-size: 13px;
    }
  `,
})
export class PatternPanel {
  private readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  private readonly person = inject(PersonService);
  private readonly selection = inject(SelectionService);
  private readonly injector = inject(Injector);
  private readonly holes = viewChild.required<ElementRef<HTMLSelectElement>>('holes');
  readonly face = input.required<PatternFace>();

  protected readonly columns = COLUMNS;
  protected readonly counts = COUNTS;
  protected readonly title = computed(() => FACE_NAMES[this.face()]);
  protected readonly target = computed(() => TARGETS[this.face()]);
  protected readonly readings = computed<PatternReadings>(
    () => this.store.plan().patterns[this.face()] ?? { holes: USUAL, chords: [] },
  );
  protected readonly rows = computed<readonly EditedRow[]>(() =>
    this.readings().chords.map((chord, i) => ({ id: String(i), values: { ...chord } })),
  );
  protected readonly found = computed(() =>
    this.store
      .results()
      .of(patterns)
      .faces.find((f) => f.face === this.face()),
  );
  protected readonly each = computed(() =>
    (this.found()?.fit?.each ?? []).map((pcd) => this.show(pcd)).join(', '),
  );

  constructor() {
    // A jump from a check lands here.
    effect(() => {
      if (this.selection.take(`pattern.${this.face()}`)) comeTo(this.holes().nativeElement, this.injector);
    });
  }

  protected say = (text: string): string => this.units.say(text);
  protected show = (mm: number): string => this.units.show(mm, 'mm', this.units.unit() === 'mm' ? 2 : 4);

  protected count(holes: number): void {
    this.write({ ...this.readings(), holes });
  }

  protected put({ id, values }: EditedRow): void {
    const { diameter, ...rest } = values;
    const chord = { ...rest, ...(diameter === undefined ? {} : { diameter }) } as ChordReading;
    const { chords } = this.readings();
    const at = this.rows().findIndex((r) => r.id === id);
    this.write({
      ...this.readings(),
      chords: at < 0 ? [...chords, chord] : chords.map((c, i) => (i === at ? chord : c)),
    });
  }

  protected drop(id: string): void {
    this.write({ ...this.readings(), chords: this.readings().chords.filter((_, i) => String(i) !== id) });
  }

  /** Writes the circle and the count where flange or wheel are read. */
  protected use(pcd: number): void {
    const target = this.target();
    if (!target) return;
    const said = { who: this.person.name(), at: new Date().toISOString() };
    this.store.setReading(target[0], {
      repeats: [{ value: this.readings().holes, ...said }],
      instrument: 'count',
    });
    this.store.setReading(target[1], {
      repeats: [{ value: Math.round(pcd * 100) / 100, ...said }],
      instrument: 'caliper',
      note: `From ${this.readings().chords.length} pairs of holes`,
    });
    this.store.saveNow();
  }

  private write(pattern: PatternReadings): void {
    this.store.put('patterns', this.face(), pattern);
    this.store.saveNow();
  }
}
