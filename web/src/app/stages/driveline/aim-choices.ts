import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { PIECES, SUSPENSION_NAMES, SUSPENSIONS } from '@intervex/core';
import { PanelGroup } from '../../shared/panel-group';
import { ChoiceField } from '../../stage/choice-field';
import { PlanStore } from '../../state/plan-store';

/** What holds the axle, and of how many pieces the driveshaft is. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-aim-choices',
  imports: [ChoiceField, PanelGroup],
  template: `
    <ix-group name="Aim of the pinion">
      <ix-choice
        label="Axle held by"
        [value]="choices().suspension"
        [options]="suspensions"
        (picked)="store.choose('suspension', $event); store.saveNow()"
      />
      <ix-choice
        label="Driveshaft"
        [value]="choices().pieces"
        [options]="pieces"
        (picked)="store.choose('pieces', $event); store.saveNow()"
      />
    </ix-group>
  `,
})
export class AimChoices {
  protected readonly store = inject(PlanStore);
  protected readonly choices = computed(() => this.store.plan().choices);
  protected readonly suspensions = SUSPENSIONS.map((id) => ({ id, name: SUSPENSION_NAMES[id] }));
  protected readonly pieces = PIECES.map((id) => ({
    id,
    name: id === 'one' ? 'one piece' : 'two, with a centre bearing',
  }));
}
