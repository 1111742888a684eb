import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { level, CORNERS } from '@intervex/core';
import { FigureValue } from '../../shared/figure-value';
import { PlanStore } from '../../state/plan-store';

/** How the car stands, in figures. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-level-facts',
  imports: [FigureValue],
  template: `
    <dl class="facts">
      @for (fact of facts(); track fact.label) {
        <div>
          <dt>{{ fact.label }}</dt>
          <dd><ix-figure [figure]="fact.figure" [withU]="true" /></dd>
        </div>
      }
    </dl>
    @if (packing().length) {
      <h2>False floor, to put under each tyre</h2>
      <dl class="facts">
        @for (p of packing(); track p.label) {
          <div>
            <dt>{{ p.label }}</dt>
            <dd><ix-figure [figure]="p.figure" /></dd>
          </div>
        }
      </dl>
    }
  `,
  styles: `
    h2 {
      margin-top: 16px;
      font-size: 14.5px;
    }
  `,
})
export class LevelFacts {
  private readonly store = inject(PlanStore);
  private readonly level = computed(() => this.store.results().of(level));
  protected readonly facts = computed(() => {
    const { frontLean, rearLean, twist, pitch, thrust, diagonals } = this.level();
    return [
      { label: 'Front lean, left higher', figure: frontLean },
      { label: 'Rear lean, left higher', figure: rearLean },
      { label: 'Twist', figure: twist },
      { label: 'Pitch, front higher', figure: pitch },
      { label: 'Thrust angle, to the left', figure: thrust },
      { label: 'Diagonals, left less right', figure: diagonals },
    ];
  });
  protected readonly packing = computed(() =>
    CORNERS.flatMap((corner) => {
      const figure = this.level().packing[corner];
      return figure ? [{ label: figure.label.replace('False floor, ', ''), figure }] : [];
    }),
  );
}
