import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { BendTable, BrakeLine, Point3 } from '@intervex/core';
import type { RowColumn } from '../../shared/row-column';
import { RowsEditor, type EditedRow } from '../../shared/rows-editor';
import { PlaceOf } from '../../shared/place-of';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';
import { lines } from '@intervex/core';

const FAR = 6000;
const POINTS: readonly RowColumn[] = [
  { key: 'x', label: 'Forward', kind: 'mm', min: -FAR, max: FAR },
  { key: 'y', label: 'Left', kind: 'mm', min: -FAR, max: FAR },
  { key: 'z', label: 'Up', kind: 'mm', min: -FAR, max: FAR },
];
const LINES: readonly RowColumn[] = [
  { key: 'name', label: 'Line', kind: 'text' },
  { key: 'radius', label: 'Die radius', kind: 'mm', min: 3, max: 200 },
  { key: 'flare', label: 'One flare takes', kind: 'mm', min: 0, max: 30 },
];

/** Brake lines: their corners in the car, and how they are bent. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-lines',
  imports: [MatButtonModule, PlaceOf, RowsEditor],
  template: `
    <ix-rows
      ixPlace="line.list"
      name="brake lines"
      [columns]="lineColumns"
      [rows]="lines()"
      (changed)="putLine($event)"
      (removed)="drop($event)"
    />
    @for (l of lines(); track l.id) {
      <section>
        <h2>
          {{ l.values['name'] }}
          <button mat-button type="button" (click)="chosen.set(chosen() === l.id ? '' : l.id)">
            {{ chosen() === l.id ? 'Hide its points' : 'Its points' }}
          </button>
        </h2>
        @if (chosen() === l.id) {
          <p class="text second">
            Corners before they are rounded, from the axle’s middle: forward, left, up. In the order of the
            line.
          </p>
          <div class="points">
            <ix-rows
              name="points of the line"
              [columns]="pointColumns"
              [rows]="points(l.id)"
              (changed)="putPoint(l.id, $event)"
              (removed)="dropPoint(l.id, $event)"
            />
          </div>
        }
        @if (bent(l.id); as b) {
          @if (b.table; as t) {
            <table class="grid">
              <thead>
                <tr>
                  <th scope="col">Bend</th>
                  <th scope="col">Mark from the end</th>
                  <th scope="col">Straight before</th>
                  <th scope="col">Bend by</th>
                  <th scope="col">Turn</th>
                </tr>
              </thead>
              <tbody>
                @for (row of t.rows; track $index) {
                  <tr>
                    <th scope="row">{{ $index + 1 }}</th>
                    <td class="figure">{{ row.mark }}</td>
                    <td class="figure">{{ row.straight }}</td>
                    <td class="figure">{{ row.angle }}</td>
                    <td class="figure">{{ row.turn }}</td>
                  </tr>
                }
              </tbody>
            </table>
            <p class="text">
              Cut to
              <b class="figure">{{ t.cut }}</b>
              with both flares; last straight
              <span class="figure">{{ t.last }}</span>
              . {{ t.stock }}
            </p>
          } @else {
            <p class="trouble" role="alert">{{ b.reason }}</p>
          }
        }
      </section>
    } @empty {
      <p class="text second">Name a line to begin: its corners in the car become straights, bends and marks.</p>
    }
  `,
  styles: `
    h2 {
      margin: 14px 0 2px;
      font-size: 15px;
    }
    ix-rows,
    .points {
      display: block;
      max-width: 560px;
    }
  `,
})
export class LinesDesk {
  private readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  protected readonly pointColumns = POINTS;
  protected readonly lineColumns = LINES;
  protected readonly chosen = signal('');
  protected readonly lines = computed<readonly EditedRow[]>(() =>
    Object.entries(this.store.plan().lines).map(([id, { name, radius, flare }]) => ({
      id,
      values: { name, radius, flare },
    })),
  );

  protected points(id: string): readonly EditedRow[] {
    return (this.store.plan().lines[id]?.points ?? []).map(([x, y, z], i) => ({
      id: String(i),
      values: { x, y, z },
    }));
  }

  protected bent(id: string) {
    const result = this.store.results().of(lines)[id];
    if (!result) return undefined;
    return result.ok
      ? { table: this.printed(result.table), reason: '' }
      : { table: undefined, reason: this.units.say(result.reason) };
  }

  private printed({ bends, cut, last, stock }: BendTable) {
    const mm = (v: number) => this.units.show(v, 'mm');
    return {
      rows: bends.map((b) => ({
        mark: mm(b.mark),
        straight: mm(b.straight),
        angle: this.units.show(b.angle, 'rad', 1),
        turn: this.units.show(b.rotation, 'rad', 1),
      })),
      cut: mm(cut),
      last: mm(last),
      stock: stock === undefined ? 'No ready-made line is long enough.' : `Nearest ready-made: ${mm(stock)}.`,
    };
  }

  protected putLine({ id, values }: EditedRow): void {
    const points = this.store.plan().lines[id]?.points ?? [];
    this.write(id, { points, ...(values as unknown as Omit<BrakeLine, 'points'>) });
    if (!this.store.plan().lines[id]) return;
    this.chosen.set(id);
  }

  protected drop(id: string): void {
    this.store.put('lines', id, undefined);
    this.store.saveNow();
  }

  protected putPoint(id: string, { id: row, values }: EditedRow): void {
    const line = this.store.plan().lines[id];
    if (!line) return;
    const point = [values['x'], values['y'], values['z']] as unknown as Point3;
    const at = line.points.findIndex((_, i) => String(i) === row);
    this.write(id, {
      ...line,
      points: at < 0 ? [...line.points, point] : line.points.map((p, i) => (i === at ? point : p)),
    });
  }

  protected dropPoint(id: string, row: string): void {
    const line = this.store.plan().lines[id];
    if (!line) return;
    this.write(id, { ...line, points: line.points.filter((_, i) => String(i) !== row) });
  }

  private write(id: string, line: BrakeLine): void {
    this.store.put('lines', id, line);
    this.store.saveNow();
  }
}
