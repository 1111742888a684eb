import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import type { DrawingAnswer } from '@intervex/contract/wire';
import type { Reading } from '@intervex/core';
import { PanelGroup } from '../../shared/panel-group';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';
import { DrawingService } from './drawing.service';

const drawn = (value: number, instrument: Reading['instrument'] = 'caliper'): Reading => ({
  repeats: [{ value: Math.round(value * 1000) / 1000 }],
  instrument,
  note: 'From a drawing',
});

/** Takes flange and wheel from a drawing. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-drawing-reader',
  imports: [MatButtonModule, MatIconModule, PanelGroup],
  providers: [DrawingService],
  template: `
    <ix-group name="From a drawing" note="DXF">
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
      @if (drawing.trouble(); as why) {
        <p class="trouble" role="alert">{{ why }}</p>
      }
      @if (drawing.answer(); as a) {
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
    </ix-group>
  `,
  styles: `
    p {
      margin: 4px 0;
      font-size: 13px;
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
export class DrawingReader {
  private readonly store = inject(PlanStore);
  private readonly unitsService = inject(UnitsService);
  protected readonly drawing = inject(DrawingService);
  /** Unit where the drawing names none. */
  protected readonly units = signal<'' | 'mm' | 'in'>('');

  protected show = (mm: number): string =>
    this.unitsService.show(mm, 'mm', this.unitsService.unit() === 'mm' ? 2 : 4);

  protected async read(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0];
    input.value = '';
    if (file) await this.drawing.read(file, this.units());
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
      this.store.put('keepOuts', `drawing-${i + 1}`, { name: `hole ${i + 1} of the drawing`, ...hole });
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
