import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import {
  type Figure,
  isPlanned,
  placeName,
  placeWord,
  type School,
  SCHOOL_NAMES,
  SCHOOL_NOTES,
  schools,
  shafts,
  toBuy,
  withValue,
} from '@intervex/core';
import { FigureValue } from '../../shared/figure-value';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';

/** The ways to cut side by side; one is chosen. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-schools',
  imports: [FigureValue],
  templateUrl: './schools-table.html',
  styleUrl: './schools-table.scss',
  host: { '[class.long]': "units.unit().startsWith('frac')" },
})
export class SchoolsTable {
  private readonly store = inject(PlanStore);
  protected readonly units = inject(UnitsService);
  protected readonly chosen = computed(() => this.store.plan().choices.school);
  protected readonly target = computed(() => {
    const figure = this.store.results().known.get('brief.targetWidth')?.figure;
    return figure ? `, to a width of ${this.units.figure(figure)}` : '';
  });

  protected readonly rows = computed(() => {
    const { of, known } = this.store.results();
    const target = known.get('brief.targetWidth')?.figure.value;
    return of(schools).map((s) => {
      const base = { school: s.school, name: SCHOOL_NAMES[s.school], note: SCHOOL_NOTES[s.school] };
      if (!isPlanned(s)) {
        const lacks = s.lacks.map(placeName).join(', ');
        return { ...base, plan: undefined, lacks, wide: '' };
      }
      const needs = of(shafts).bySchool[s.school];
      const wide =
        target !== undefined && Math.abs(s.width.value - target) > 0.05
          ? `${this.units.figure(s.width)} wide`
          : '';
      return {
        ...base,
        lacks: '',
        plan: s,
        needs,
        wide,
        pinion: this.pinion(s.pinion),
        buy: toBuy(needs, s),
      };
    });
  });

  protected choose(school: School): void {
    this.store.choose('school', school);
  }

  private pinion(at: Figure): string {
    const { value } = at;
    return Math.abs(value) < 0.05
      ? 'middle'
      : `${this.units.figure(withValue(at, Math.abs(value)))} ${placeWord(value)}`;
  }
}
