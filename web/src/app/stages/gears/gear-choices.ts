import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { COUPLINGS, DRIVEN } from '@intervex/core';
import { PanelGroup } from '../../shared/panel-group';
import { ChoiceField } from '../../stage/choice-field';
import { PlanStore } from '../../state/plan-store';

/** What lies before the gearbox, and which wheels drive. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-gear-choices',
  imports: [ChoiceField, PanelGroup],
  template: `
    <ix-group name="How it drives">
      <ix-choice
        label="Engine to gearbox"
        [value]="choices().coupling"
        [options]="couplings"
        (picked)="store.choose('coupling', $event); store.saveNow()"
      />
      <ix-choice
        label="Driven wheels"
        [value]="choices().driven"
        [options]="driven"
        (picked)="store.choose('driven', $event); store.saveNow()"
      />
    </ix-group>
  `,
})
export class GearChoices {
  protected readonly store = inject(PlanStore);
  protected readonly choices = computed(() => this.store.plan().choices);
  protected readonly couplings = COUPLINGS.map((id) => ({ id, name: id }));
  protected readonly driven = DRIVEN.map((id) => ({ id, name: id === 'rear' ? 'rear wheels' : 'all four' }));
}
