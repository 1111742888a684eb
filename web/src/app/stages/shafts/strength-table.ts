import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { strength, shafts, limitValue, type LimitId, type ShaftNeed, type SideStrength } from '@intervex/core';
import { SidedTable, type SidedRow } from '../../shared/sided-table';
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
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-strength',
  imports: [OpenChecks, SidedTable],
  template: `
    <ix-sided title="Shaft" [rows]="rows()" [noted]="true" />
    <ix-open-checks of="strength" />
    <ix-open-checks of="shaft" />
  `,
})
export class StrengthTable {
  private readonly store = inject(PlanStore);
  protected readonly rows = computed((): readonly SidedRow[] => {
    const { of } = this.store.results();
    const { needs } = of(shafts);
    const { side, twistApart } = of(strength);
    const from = (need: ShaftNeed | undefined) => (need && SOURCES[need.source]) ?? '–';
    return [
      { label: 'Where from', note: 'by the chosen way to cut', words: [from(needs.left), from(needs.right)] },
      {
        label: 'Length',
        note: 'wheel face to inner end',
        left: needs.left?.fitted,
        right: needs.right?.fitted,
      },
      ...ROWS.map(([key, label, note, digits]) => ({
        label,
        note: note || this.wanted(key),
        left: side.left[key],
        right: side.right[key],
        digits,
      })),
      { label: 'Twist apart', note: 'left less right', left: twistApart, once: true },
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
