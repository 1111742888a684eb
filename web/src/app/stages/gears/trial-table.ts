import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatIconModule } from '@angular/material/icon';
import type { Trial, TrialReading } from '@intervex/core';
import { SHIM_FIELDS, ShimWords } from './shim-words';

/** A trial with what it says. */
interface TrialRow extends Trial {
  readonly n: number;
  readonly says: TrialReading;
  readonly note?: string;
}

/** Trials of a gear set one under another. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-trials',
  imports: [MatIconModule],
  template: `
    <table class="grid wide cards">
      <thead>
        <tr>
          <th scope="col">Trial</th>
          <th scope="col">Pinion shim</th>
          <th scope="col">Ring side</th>
          <th scope="col">Other side</th>
          <th scope="col">Backlash</th>
          <th scope="col">Apart</th>
          <th scope="col" class="words">Says</th>
          @if (removable()) {
            <td></td>
          }
        </tr>
      </thead>
      <tbody>
        @for (t of rows(); track t.n) {
          <tr [class.picked]="t.good">
            <th scope="row">Trial {{ t.n }}</th>
            <td class="figure" data-label="Pinion shim">{{ t.shims[0] }}</td>
            <td class="figure" data-label="Ring side">{{ t.shims[1] }}</td>
            <td class="figure" data-label="Other side">{{ t.shims[2] }}</td>
            <td class="figure" data-label="Backlash">{{ t.mean }}</td>
            <td class="figure" data-label="Apart">{{ t.range }}</td>
            <td class="words" data-label="Says">{{ t.said }}</td>
            @if (removable()) {
              <td>
                <button
                  type="button"
                  class="plain"
                  [attr.aria-label]="'Remove trial ' + t.n"
                  (click)="removed.emit(t.n)"
                >
                  <mat-icon svgIcon="remove" />
                </button>
              </td>
            }
          </tr>
        }
      </tbody>
    </table>
  `,
  styles: `
    th,
    td.figure {
      white-space: nowrap;
    }
  `,
})
export class TrialTable {
  private readonly words = inject(ShimWords);
  readonly trials = input.required<readonly TrialRow[]>();
  readonly removable = input(false);
  /** Number of the trial that is taken out. */
  readonly removed = output<number>();

  protected readonly rows = computed(() =>
    this.trials().map((t) => ({
      n: t.n,
      good: t.says.good,
      shims: SHIM_FIELDS.map(({ key }) => this.words.mm(t[key])),
      mean: this.words.mm(t.says.mean),
      range: this.words.mm(t.says.range),
      said: [t.says.good ? 'good' : t.says.faults.join('; '), t.note].filter(Boolean).join('. '),
    })),
  );
}
