import { inject, Injectable } from '@angular/core';
import { Router } from '@angular/router';
import { stageOfPlace } from '@intervex/core';
import { PlanStore } from './plan-store';
import { SelectionService } from './selection.service';

/** Goes to where a place of the plan is edited: a quantity, `fact.` and a fact’s id, another place of a stage. */
@Injectable({ providedIn: 'root' })
export class JumpService {
  private readonly router = inject(Router);
  private readonly store = inject(PlanStore);
  private readonly selection = inject(SelectionService);

  /** Takes the last change back, or does it again, and goes to what it changed. */
  async step(step: 'undo' | 'redo'): Promise<void> {
    const [place] = await this.store.step(step);
    if (place && stageOfPlace(place)) await this.to(place);
  }

  /**
   * Opens the place’s stage and asks its field to take focus.
   *
   * @param otherwise where it is no place of a stage; the stage that is open stays
   */
  async to(place: string, otherwise?: string): Promise<void> {
    const variant = this.store.variant()?.id;
    if (!variant) return;
    const stage = stageOfPlace(place) ?? otherwise;
    if (stage) await this.router.navigate(['/plan', variant, stage]);
    setTimeout(() => {
      this.selection.goTo(place);
    });
  }
}
