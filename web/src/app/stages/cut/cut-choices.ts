import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import {
  CUT_METHODS,
  DATUM_NAMES,
  MARK_DATUMS,
  markDatum,
  METHOD_NAMES,
  RETENTION_NAMES,
  HELD_BY,
  ROUTE_NAMES,
  SHAFT_ROUTES,
} from '@intervex/core';
import { ReadingField } from '../../readings/reading-field';
import { PanelGroup } from '../../shared/panel-group';
import { ChoiceField } from '../../stage/choice-field';
import { PlanStore } from '../../state/plan-store';

/** How it is cut, from where it is marked, and what the ends become. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-cut-choices',
  imports: [ChoiceField, PanelGroup, ReadingField],
  template: `
    <ix-group name="How it is cut">
      <ix-choice
        label="Method"
        [value]="choices().method"
        [options]="methods"
        (picked)="store.choose('method', $event)"
      />
      <ix-choice
        label="Marks measured from"
        [value]="datumNow()"
        [options]="datums()"
        (picked)="store.choose('datum', $event)"
      />
      <ix-choice
        label="Shafts"
        [value]="choices().shaftRoute"
        [options]="routes"
        (picked)="store.choose('shaftRoute', $event)"
      />
      <ix-choice
        label="Ends afterwards"
        [value]="choices().retentionTo"
        [options]="retentions"
        (picked)="store.choose('retentionTo', $event)"
      />
      <ix-reading id="brief.targetWidth" />
      @if (choices().school === 'driveline') {
        <ix-reading id="cut.pinion" label="Pinion from middle, plus left" />
      }
    </ix-group>
  `,
})
export class CutChoices {
  protected readonly store = inject(PlanStore);
  protected readonly methods = CUT_METHODS.map((id) => ({ id, name: METHOD_NAMES[id] }));
  protected readonly routes = SHAFT_ROUTES.map((id) => ({ id, name: ROUTE_NAMES[id] }));
  protected readonly retentions = HELD_BY.map((id) => ({ id, name: RETENTION_NAMES[id] }));
  protected readonly choices = computed(() => this.store.plan().choices);
  protected readonly datumNow = computed(() => markDatum(this.choices().method, this.choices().datum));
  /** An end that comes off takes its face with it: nothing is marked from there. */
  protected readonly datums = computed(() =>
    MARK_DATUMS.filter((id) => markDatum(this.choices().method, id) === id).map((id) => ({
      id,
      name: DATUM_NAMES[id],
    })),
  );
}
