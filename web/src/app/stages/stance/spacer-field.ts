import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { SPACERS, type Spacer } from '@intervex/core';
import { ReadingGroup } from '../../readings/reading-group';
import { ChoiceField } from '../../stage/choice-field';
import { PlanStore } from '../../state/plan-store';

const NAMES: Readonly<Record<Spacer, string>> = {
  none: 'none',
  plain: 'plain spacer',
  adapter: 'bolted adapter',
};

/** What stands between flange and wheel, and what that does. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-spacer-field',
  imports: [ChoiceField, ReadingGroup],
  template: `
    <ix-choice
      label="Between flange and wheel"
      [value]="store.plan().choices.spacer"
      [options]="spacers"
      (picked)="store.choose('spacer', $event)"
    />
    @if (store.plan().choices.spacer !== 'none') {
      <ix-reading-group stage="stance" group="spacer" [bare]="true" />
      <p class="second">
        It moves the wheel out as a smaller offset would, takes its thickness off the thread in the nut, and
        lengthens the arm on the bearing: both are held under Hub ends and Shafts.
      </p>
    }
  `,
  styles: `
    p {
      margin: 4px 0;
      font-size: 12.5px;
    }
  `,
})
export class SpacerField {
  protected readonly store = inject(PlanStore);
  protected readonly spacers = SPACERS.map((id) => ({ id, name: NAMES[id] }));
}
