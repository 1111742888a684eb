import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MatChipsModule } from '@angular/material/chips';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { SKILL_NAMES, SKILLS, TOOL_NAMES, TOOLS } from '@intervex/core';
import { PanelGroup } from '../../shared/panel-group';
import { PlaceOf } from '../../shared/place-of';
import { PlanStore } from '../../state/plan-store';

/** Tools and skills that are there, and notes. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-at-hand',
  imports: [FormsModule, MatChipsModule, MatFormFieldModule, MatInputModule, PanelGroup, PlaceOf],
  templateUrl: './at-hand.html',
  styles: `
    .form {
      display: grid;
      gap: 10px;
      margin: 8px 0 10px;
    }
    mat-chip-listbox {
      display: block;
      margin: 6px 0;
    }
  `,
})
export class AtHand {
  protected readonly store = inject(PlanStore);
  protected readonly tools = TOOLS.map((id) => ({ id, name: TOOL_NAMES[id] }));
  protected readonly skills = SKILLS.map((id) => ({ id, name: SKILL_NAMES[id] }));
  protected readonly brief = computed(() => this.store.plan().brief);
}
