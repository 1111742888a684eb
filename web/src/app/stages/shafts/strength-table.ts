import { Component, computed, inject } from '@angular/core';
import { strength, shafts, limitValue, type Figure, type LimitId, type SideStrength } from '@intervex/core';
import { FigureValue } from '../../shared/figure-value';
import { PlanStore } from '../../state/plan-store';
import { OpenChecks } from '../../stage/open-checks';

const SOURCES: Readonly<Record<string, string>> = {
  own: 'own stays',
  stockShort: 'stock short shaft',
  stockPair: 'stock shaft',
  new: 'made to order',
  shortened: 'own, shortened',
  other: 'to find',
};
/** What a factor has to be: good, and least. */
const LIMITS_OF: Readonly<Partial<Record<keyof SideStrength, readonly [good: LimitId, least: LimitId]>>> = {
  factor: ['shaft.factor', 'shaft.factorLeast'],
  bendingFactor: ['shaft.factor', 'shaft.factorLeast'],
  fatigue: ['shaft.fatigue', 'shaft.fatigueLeast'],
};
const ROWS: readonly (readonly [key: keyof SideStrength, label: string, note: string, digits?: number])[] = [
  ['diameter', 'Smallest diameter', 'carries the torque'],
  ['shear', 'Shear at launch', 'at that diameter'],
  ['factor', 'Factor on yield', '', 2],
  ['twist', 'Twist at launch', 'end to end'],
  ['pressure', 'Pressure on spline flanks', 'over what is engaged'],
  ['moment', 'Bending at the bearing', 'cornering, semi-float'],
  ['bending', 'Stress at the journal', 'bending and torque'],
  ['bendingFactor', 'Yield over that stress', '', 2],
  ['fatigue', 'Factor on fatigue', '', 2],
];

/** What both shafts bear, side by side, and the checks of it. */
@Component({
  selector: 'ix-strength',
  imports: [FigureValue, OpenChecks],
  template: `
    <table class="grid">
      <thead>
        <tr>
          <th scope="col">Shaft</th>
          <td class="note"></td>
          <th scope="col">Left</th>
          <th scope="col">Right</th>
        </tr>
      </thead>
      <tbody>
        <tr>
          <th scope="row">Where from</th>
          <td class="note second">by the chosen way to cut</td>
          <td>{{ sources().left }}</td>
          <td>{{ sources().right }}</td>
        </tr>
        @for (row of rows(); track row.label) {
          <tr>
            <th scope="row">{{ row.label }}</th>
            <td class="note second">{{ row.note }}</td>
            <td><ix-figure [figure]="row.left" [digits]="row.digits" /></td>
            <td><ix-figure [figure]="row.right" [digits]="row.digits" /></td>
          </tr>
        }
        <tr>
          <th scope="row">Twist apart</th>
          <td class="note second">left less right</td>
          <td><ix-figure [figure]="strength().twistApart" /></td>
          <td></td>
        </tr>
      </tbody>
    </table>
    <ix-open-checks of="strength" />
    <ix-open-checks of="shaft" />
  `,
})
export class StrengthTable {
  private readonly store = inject(PlanStore);
  protected readonly strength = computed(() => this.store.results().of(strength));
  protected readonly sources = computed(() => {
    const { left, right } = this.store.results().of(shafts).needs;
    return { left: (left && SOURCES[left.source]) ?? '–', right: (right && SOURCES[right.source]) ?? '–' };
  });
  protected readonly rows = computed(() => {
    const { needs } = this.store.results().of(shafts);
    const { left, right } = this.strength().side;
    const row = (
      label: string,
      note: string,
      l: Figure | undefined,
      r: Figure | undefined,
      digits?: number,
    ) => ({ label, note, left: l, right: r, digits });
    return [
      row('Length', 'wheel face to inner end', needs.left?.fitted, needs.right?.fitted),
      ...ROWS.map(([key, label, note, digits]) =>
        row(label, note || this.wanted(key), left[key], right[key], digits),
      ),
    ];
  });

  /** The project's limits of a factor, in words. */
  private wanted(key: keyof SideStrength): string {
    const ids = LIMITS_OF[key];
    if (!ids) return '';
    const [good, least] = ids.map((id) => limitValue(this.store.plan().limits, id));
    return `good ${good}, least ${least}`;
  }
}
