import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import {
  DIFFERENTIAL_NAMES,
  DIFFERENTIALS,
  LAUNCH_NAMES,
  LAUNCHES,
  REACTION_NAMES,
  REACTIONS,
  USE_NAMES,
  USES,
} from '@intervex/core';
import { PanelGroup } from '../../shared/panel-group';
import { DraftsService } from '../../state/drafts.service';
import { PlanStore } from '../../state/plan-store';
import { FinishField } from './finish-field';

/** Characters that names do not take, as the server has it. */
const NOT_IN_NAMES = /[<>;\p{Cc}]/u;
const LONGEST = 80;

/** Which car, for what, and what has to be ready when. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-car-form',
  imports: [FormsModule, MatFormFieldModule, MatInputModule, MatSelectModule, FinishField, PanelGroup],
  templateUrl: './car-form.html',
  styles: `
    .form {
      display: grid;
      gap: 10px;
      margin: 8px 0 10px;
    }
  `,
})
export class CarForm {
  protected readonly store = inject(PlanStore);
  private readonly drafts = inject(DraftsService);
  protected readonly uses = USES.map((id) => ({ id, name: USE_NAMES[id] }));
  protected readonly launches = LAUNCHES.map((id) => ({ id, name: LAUNCH_NAMES[id] }));
  protected readonly reactions = REACTIONS.map((id) => ({ id, name: REACTION_NAMES[id] }));
  protected readonly differentials = DIFFERENTIALS.map((id) => ({ id, name: DIFFERENTIAL_NAMES[id] }));
  protected readonly brief = computed(() => this.store.plan().brief);

  /** The text as typed, kept where it was refused. */
  protected text(key: 'vehicle' | 'donor'): string {
    return this.drafts.get(`brief.${key}`) ?? this.brief()[key];
  }

  protected problem(key: 'vehicle' | 'donor'): string {
    const draft = this.drafts.get(`brief.${key}`);
    return draft === undefined ? '' : `Letters, figures and usual signs only, at most ${LONGEST}; no < > or ;`;
  }

  protected setName(key: 'vehicle' | 'donor', text: string): void {
    if (NOT_IN_NAMES.test(text) || text.length > LONGEST) this.drafts.keep(`brief.${key}`, text);
    else {
      this.drafts.drop(`brief.${key}`);
      this.store.put('brief', key, text);
    }
  }
}
