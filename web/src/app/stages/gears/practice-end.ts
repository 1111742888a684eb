import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { SetTruth } from '@intervex/contract/wire';
import { readTrial, type SetUpWindow, type ShimKit, type Trial } from '@intervex/core';
import { reviewTrials, type Miss } from '@intervex/core/desks/gears';
import { ShimWords } from './shim-words';

/** What an opened gear set hid, what each trial missed it by, and what the advice would have done. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-practice-end',
  template: `
    <section aria-label="What was right">
      <h2>What was right</h2>
      <p class="text">
        Pinion shim {{ words.mm(truth().pinionShim) }}, ring side {{ words.mm(truth().ringSide) }}, other side
        {{ words.mm(truth().otherSide) }}. On this set a shim of {{ words.mm(tenth) }} on the ring’s side takes
        {{ words.mm(tenth * truth().carrierGain) }} of backlash away, the same behind the pinion
        {{ words.mm(tenth * truth().pinionGain) }}; the ring runs out by {{ words.mm(2 * truth().runout) }}.
      </p>
      @if (rows().length) {
        <table class="grid cards">
          <thead>
            <tr>
              <th scope="col">Off what was right</th>
              <th scope="col">Pinion shim</th>
              <th scope="col">Ring side</th>
              <th scope="col">Advice: pinion</th>
              <th scope="col">Advice: ring side</th>
            </tr>
          </thead>
          <tbody>
            @for (row of rows(); track row.n) {
              <tr>
                <th scope="row">Trial {{ row.n }}</th>
                <td class="figure" data-label="Pinion shim">{{ row.put[0] }}</td>
                <td class="figure" data-label="Ring side">{{ row.put[1] }}</td>
                <td class="figure" data-label="Advice: pinion">{{ row.advised[0] }}</td>
                <td class="figure" data-label="Advice: ring side">{{ row.advised[1] }}</td>
              </tr>
            }
          </tbody>
        </table>
      }
      <p class="text">
        <b>{{ yours() }}</b>
        {{ theirs() }}
      </p>
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
export class PracticeEnd {
  protected readonly words = inject(ShimWords);
  /** What gains are told over, mm. */
  protected readonly tenth = 0.1;
  readonly truth = input.required<SetTruth>();
  readonly trials = input.required<readonly Trial[]>();
  readonly byAdvice = input.required<readonly Trial[]>();
  readonly window = input.required<SetUpWindow>();
  readonly kit = input.required<ShimKit>();

  protected readonly rows = computed(() =>
    reviewTrials(this.trials(), this.truth(), this.window(), this.kit()).map(({ n, put, advised }) => ({
      n,
      put: this.told(put),
      advised: advised ? this.told(advised) : ['–', '–'],
    })),
  );
  protected readonly yours = computed(() => `You: ${this.counted(this.trials())}.`);
  protected readonly theirs = computed(() =>
    this.byAdvice().length
      ? `The advice alone, from the same shims: ${this.counted(this.byAdvice())}.`
      : 'The advice alone was not tried.',
  );

  private told({ pinion, ring }: Miss): readonly string[] {
    return [pinion, ring].map((mm) => `${mm > 0 ? '+' : ''}${this.words.mm(mm)}`);
  }

  private counted(trials: readonly Trial[]): string {
    const last = trials.at(-1);
    if (!last) return 'no trial';
    const said = trials.length === 1 ? '1 trial' : `${trials.length} trials`;
    return readTrial(last, this.window()).good ? `good after ${said}` : `not good after ${said}`;
  }
}
