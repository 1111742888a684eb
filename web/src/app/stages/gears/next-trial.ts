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
      <h2>{{ advice().stuck ? 'Nothing nearer can be put in' : 'Try next' }}</h2>
      <table class="grid">
        <thead>
          <tr>
            <th scope="col">Shims</th>
            <th scope="col">Would be right</th>
            <th scope="col">{{ advice().stuck ? 'Get one of' : 'Put in' }}</th>
            @if (!advice().stuck) {
              <th scope="col" class="words">Of the kit</th>
            }
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row.name) {
            <tr>
              <th scope="row">{{ row.name }}</th>
              <td class="figure">{{ row.wanted }}</td>
              <td class="figure">{{ row.put }}</td>
              @if (!advice().stuck) {
                <td class="words">{{ row.pack }}</td>
              }
            </tr>
          }
        </tbody>
      </table>
      <p class="text">
        {{ said() }} A third of the face takes {{ third() }} of pinion shim on this set, by its trials so far.
      </p>
      @if (!advice().stuck) {
        <button mat-stroked-button type="button" (click)="take()">Use these for the next trial</button>
      }
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
    th.words {
      text-align: left;
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
      const buy = next.stuck?.buy[key];
      const sizes = pack?.best.map((mm) => this.words.bare(mm)).join(' + ') || 'none';
      return {
        name,
        wanted: this.words.mm(next.wanted[key]),
        put: next.stuck ? (buy === undefined ? '–' : this.words.mm(buy)) : this.words.mm(next[key]),
        pack: pack ? `${sizes}, off by ${this.words.mm(pack.off)}` : 'stays as it is',
      };
    });
  });

  /** What moves, what it costs, or why nothing does. */
  protected readonly said = computed(() => {
    const { stuck, pressing, carrierMove, pinionMove, totalOff } = this.advice();
    if (stuck)
      return stuck.why === 'kit'
        ? 'The shims there are come no nearer than what is in. Get those named, or take the set as it is.'
        : 'No shim mends what this trial shows: look at the ring’s seat, its bolts and the bearings.';
    const moved = (mm: number, to: string, from: string) =>
      `${this.words.mm(Math.abs(mm))} ${mm > 0 ? to : from}`;
    const pinion = pressing
      ? `The pinion moves ${moved(pinionMove, 'toward the ring', 'off the ring')}: its bearing is pressed off and on again. A set-up bearing spares that.`
      : 'The pinion stays.';
    const carrier = carrierMove
      ? ` The carrier moves ${moved(carrierMove, 'toward the pinion', 'off the pinion')}.`
      : ' The carrier stays.';
    const total =
      Math.abs(totalOff) > 0.0005
        ? ` Both its sides together become ${this.words.mm(Math.abs(totalOff))} ${totalOff > 0 ? 'thicker' : 'thinner'}: the bearings’ preload goes with it.`
        : '';
    return `${pinion}${carrier}${total}`;
  });

  protected take(): void {
    this.taken.emit(this.words.texts(advisedShims(this.advice())));
  }
}
