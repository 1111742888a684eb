import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { advisedShims, type Advice } from '@intervex/core';
import { SHIM_FIELDS, ShimWords, type ShimTexts } from './shim-words';

/** What to try next, and the shims of the kit that make it. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-next-trial',
  imports: [MatButtonModule],
  template: `
    <section aria-label="Next trial">
      <h2>Try next</h2>
      <table class="grid">
        <tbody>
          @for (row of rows(); track row.name) {
            <tr>
              <th scope="row">{{ row.name }}</th>
              <td class="figure">{{ row.wanted }}</td>
              <td class="words">{{ row.pack ? row.pack + ', misses it by ' + row.off : '' }}</td>
            </tr>
          }
        </tbody>
      </table>
      <p class="text">
        {{
          advice().pressing
            ? 'The pinion moves: its bearing is pressed off and on again. A set-up bearing spares that.'
            : 'Only the carrier moves; the pinion stays.'
        }}
        A third of the face takes {{ third() }} of pinion shim on this set, by its trials so far.
      </p>
      <button mat-stroked-button type="button" (click)="take()">Use these for the next trial</button>
    </section>
  `,
  styles: `
    h2 {
      margin: 14px 0 4px;
      font-size: 15px;
    }
    td.figure {
      white-space: nowrap;
    }
  `,
})
export class NextTrial {
  private readonly words = inject(ShimWords);
  readonly advice = input.required<Advice>();
  readonly taken = output<ShimTexts>();
  protected readonly third = computed(() => this.words.mm(this.advice().thirdOfFace));

  protected readonly rows = computed(() => {
    const next = this.advice();
    return SHIM_FIELDS.map(({ key, name }) => {
      const pack = next.packs[key];
      return {
        name,
        wanted: this.words.mm(next[key]),
        pack: pack ? pack.best.map((mm) => this.words.bare(mm)).join(' + ') || 'none' : '',
        off: pack ? this.words.mm(pack.off) : '',
      };
    });
  });

  protected take(): void {
    this.taken.emit(this.words.texts(advisedShims(this.advice())));
  }
}
