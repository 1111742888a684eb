import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { ways, joints, ends, RETENTION_NAMES, SEARCHED, type Retention } from '@intervex/core';
import { FigureValue } from '../../shared/figure-value';
import { SidedTable, type SidedRow } from '../../shared/sided-table';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';
import { JointPart } from '../donor/joint-part';
import { VERDICT_WORDS } from '../donor/verdict-words';

/** Ways to hold the shafts in: what each does to brake space and shafts, and what happens when one breaks. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-retention',
  imports: [SidedTable, FigureValue, JointPart],
  template: `
    <div role="radiogroup" aria-label="What holds the shafts in">
      <table class="grid cards">
        <thead>
          <tr>
            <th scope="col">Retention</th>
            <th scope="col">WMS moves L</th>
            <th scope="col">R</th>
            <th scope="col" class="words">Asks for</th>
            <th scope="col" class="words">When a shaft breaks</th>
          </tr>
        </thead>
        <tbody>
          @for (w of ways(); track w.to) {
            <tr [class.picked]="w.to === to()">
              <th scope="row">
                <label class="one">
                  <input type="radio" name="retention" [checked]="w.to === to()" (change)="choose(w.to)" />
                  {{ names[w.to] }}{{ w.kept ? ', as it is' : '' }}
                </label>
              </th>
              @for (side of ['left', 'right']; track side) {
                <td [attr.data-label]="'WMS moves, ' + side">
                  @if (w.kept) {
                    <span class="second">stays</span>
                  } @else {
                    <ix-figure [figure]="side === 'left' ? w.moved.left : w.moved.right" />
                  }
                </td>
              }
              <td class="words" data-label="Asks for">{{ w.asks }}</td>
              <td class="words second" data-label="When a shaft breaks">{{ w.risk }}</td>
            </tr>
          }
        </tbody>
      </table>
    </div>
    <p class="text">
      Brake space, half and shaft grow by what the WMS moves; the cut in this plan is worked out with them, so
      the width stays as wanted.
    </p>
    <ix-sided title="With the ends chosen" [rows]="chosen()" />
    <h2>Bearing and seal</h2>
    <div class="rings">
      @for (ring of rings(); track ring.id) {
        <section [attr.aria-label]="ring.label">
          <p class="text">
            <b>{{ ring.label }}: {{ words[ring.verdict] }}</b>
            <span class="second">{{ ring.why }}</span>
          </p>
          <ix-joint-part [id]="ring.id" />
        </section>
      }
    </div>
  `,
  styles: `
    h2 {
      margin: 18px 0 4px;
      font-size: 15px;
    }
    .rings {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(270px, 1fr));
      gap: 8px 24px;
    }
    .rings p > * {
      display: block;
    }
    .rings p {
      margin: 4px 0 8px;
      font-size: 13.5px;
    }
    th.words {
      text-align: left;
    }
    td.words {
      max-width: 260px;
      font-size: 12.5px;
      text-align: left;
    }
  `,
})
export class RetentionDesk {
  private readonly store = inject(PlanStore);
  protected readonly units = inject(UnitsService);
  protected readonly names = RETENTION_NAMES;
  protected readonly to = computed(() => this.store.plan().choices.retentionTo);
  protected readonly ways = computed(() => this.store.results().of(ways));
  protected readonly words = VERDICT_WORDS;
  /** What bearing and seal have to join, and whether they do. */
  protected readonly rings = computed(() =>
    this.store
      .results()
      .of(joints)
      .flatMap(({ id, label, verdict, computed: { why }, note }) => {
        const ring = SEARCHED.find((s) => s === id);
        return ring
          ? [{ id: ring, label, verdict, why: note.verdict ? (note.reason ?? '') : this.units.say(why) }]
          : [];
      }),
  );
  protected readonly chosen = computed((): readonly SidedRow[] => {
    const { space, shaft } = this.store.results().of(ends);
    return [
      { label: 'Brake space', ...space },
      { label: 'Shaft before the cut', ...shaft },
    ];
  });

  protected choose(to: Retention): void {
    this.store.choose('retentionTo', to);
    this.store.saveNow();
  }
}
