import { Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import type { DrawingAnswer } from '@intervex/contract/wire';
import { PATTERN_FACES, type KeepOut, type Reading } from '@intervex/core';
import { firstValueFrom } from 'rxjs';
import { ReadingField } from '../../readings/reading-field';
import { ReadingGroup } from '../../readings/reading-group';
import { RowsEditor, type EditedRow, type RowColumn } from '../../shared/rows-editor';
import { ApiService, sentenceOf } from '../../state/api.service';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';
import { PatternPanel } from './pattern-readings';

const KEEP_COLUMNS: readonly RowColumn[] = [
  { key: 'name', label: 'What', kind: 'text' },
  { key: 'radius', label: 'From middle', kind: 'mm', min: 0, max: 300 },
  { key: 'angle', label: 'Angle, °', kind: 'angle', min: -2 * Math.PI, max: 2 * Math.PI },
  { key: 'diameter', label: 'Diameter', kind: 'mm', min: 1, max: 120 },
];
/** Largest drawing that is sent. */
const MOST_BYTES = 5 * 2 ** 20;
const drawn = (value: number, instrument: Reading['instrument'] = 'caliper'): Reading => ({
  repeats: [{ value: Math.round(value * 1000) / 1000 }],
  instrument,
  note: 'From a drawing',
});

/** What the patterns are made of: pairs of holes, the flange’s sizes, what must stay whole, and drawings. */
@Component({
  selector: 'ix-pattern-panel',
  imports: [MatButtonModule, MatIconModule, PatternPanel, ReadingField, ReadingGroup, RowsEditor],
  template: `
    <h2>Read between holes</h2>
    @for (face of faces; track face) {
      <ix-pattern [face]="face" />
    }
    <h2>Flange and wheel</h2>
    @for (id of quantities; track id) {
      <ix-reading [id]="id" />
    }
    <ix-reading-group stage="hubs" group="drill" />
    <h2>
      Must stay whole
      <small>rotor screws, access and balance holes</small>
    </h2>
    <ix-rows
      name="places that must stay whole"
      [columns]="keepColumns"
      [rows]="keepOuts()"
      (changed)="keep($event)"
      (removed)="store.setKeepOut($event, undefined); store.saveNow()"
    />
    <ix-reading-group stage="hubs" group="cost" />
    <h2>
      From a drawing
      <small>DXF</small>
    </h2>
    <p>
      <select
        class="choice"
        aria-label="Unit where the drawing names none"
        (change)="units.set($any($event.target).value)"
      >
        <option value="">as the file says</option>
        <option value="mm">mm</option>
        <option value="in">inch</option>
      </select>
      <label class="file" for="drawing">
        <mat-icon svgIcon="upload" />
        Choose a file
        <input id="drawing" type="file" accept=".dxf" class="hidden" (change)="read($any($event.target))" />
      </label>
    </p>
    @if (trouble(); as why) {
      <p class="wrong" role="alert">{{ why }}</p>
    }
    @if (answer(); as a) {
      @for (p of a.patterns; track $index) {
        <p>
          {{ p.count }} holes of {{ show(p.hole) }} on {{ show(p.pcd) }}
          <button mat-button type="button" (click)="takeFlange(a, $index)">Take as flange</button>
          <button mat-button type="button" (click)="takeWheel(a, $index)">Take as wheel</button>
        </p>
      } @empty {
        <p>No regular pattern of three to ten equal holes was found in it.</p>
      }
      @if (a.passedOver.length) {
        <p class="second">Passed over: {{ a.passedOver.join(', ') }}.</p>
      }
    }
  `,
  styles: `
    p {
      margin: 4px 0;
      font-size: 13px;
    }
    .wrong {
      color: var(--red);
    }
    .file {
      display: inline-flex;
      gap: 4px;
      align-items: center;
      margin-left: 8px;
      color: var(--dye);
      font-weight: 600;
      cursor: pointer;
    }
    .file:focus-within {
      outline: 2px solid var(--dye);
    }
  `,
})
export class PatternSide {
  private readonly api = inject(ApiService);
  private readonly unitsService = inject(UnitsService);
  protected readonly store = inject(PlanStore);
  protected readonly faces = PATTERN_FACES;
  protected readonly keepColumns = KEEP_COLUMNS;
  protected readonly quantities = [
    'donor.flangeHoles',
    'donor.flangePcd',
    'donor.flangeHole',
    'donor.flangeRim',
    'donor.pilot',
    'car.wheelHoles',
    'car.wheelPcd',
    'car.wheelBore',
  ];
  protected readonly units = signal<'' | 'mm' | 'in'>('');
  protected readonly trouble = signal('');
  protected readonly answer = signal<DrawingAnswer | undefined>(undefined);
  protected readonly keepOuts = computed<readonly EditedRow[]>(() =>
    Object.entries(this.store.plan().keepOuts).map(([id, k]) => ({ id, values: { ...k } })),
  );

  protected show = (mm: number): string =>
    this.unitsService.show(mm, 'mm', this.unitsService.unit() === 'mm' ? 2 : 4);

  protected keep({ id, values }: EditedRow): void {
    this.store.setKeepOut(id, values as unknown as KeepOut);
    this.store.saveNow();
  }

  protected async read(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0];
    input.value = '';
    if (!file) return;
    this.answer.set(undefined);
    this.trouble.set('');
    if (file.size > MOST_BYTES) {
      this.trouble.set(
        `${file.name} is ${Math.round(file.size / 2 ** 20)} MB: at most 5 MB. Save only the flange.`,
      );
      return;
    }
    try {
      this.answer.set(await firstValueFrom(this.api.readDrawing(file, this.units())));
    } catch (error) {
      this.trouble.set(sentenceOf(error));
    }
  }

  protected takeFlange(answer: DrawingAnswer, index: number): void {
    const pattern = answer.patterns[index];
    if (!pattern) return;
    this.store.setReading('donor.flangeHoles', drawn(pattern.count, 'count'));
    this.store.setReading('donor.flangePcd', drawn(pattern.pcd));
    this.store.setReading('donor.flangeHole', drawn(pattern.hole));
    if (answer.rim !== undefined) this.store.setReading('donor.flangeRim', drawn(answer.rim));
    if (answer.pilot !== undefined) this.store.setReading('donor.pilot', drawn(answer.pilot));
    answer.others.forEach((hole, i) => {
      this.store.setKeepOut(`drawing-${i + 1}`, { name: `hole ${i + 1} of the drawing`, ...hole });
    });
    this.store.saveNow();
  }

  protected takeWheel(answer: DrawingAnswer, index: number): void {
    const pattern = answer.patterns[index];
    if (!pattern) return;
    this.store.setReading('car.wheelHoles', drawn(pattern.count, 'count'));
    this.store.setReading('car.wheelPcd', drawn(pattern.pcd));
    this.store.saveNow();
  }
}
