import { inject, Injectable } from '@angular/core';
import { Router } from '@angular/router';
import { findFact, findQuantity } from '@intervex/core';
import { PlanStore } from './plan-store';
import { SelectionService } from './selection.service';

/** Goes to where a place of the plan is edited: a quantity, `fact.` and a fact’s id, `joint.` and a joint’s. */
@Injectable({ providedIn: 'root' })
export class JumpService {
  private readonly router = inject(Router);
  private readonly store = inject(PlanStore);
  private readonly selection = inject(SelectionService);

  /** Opens the place’s stage and asks its field to take focus. */
  async to(place: string, otherwise = 'cut'): Promise<void> {
    const variant = this.store.variant()?.id;
    if (!variant) return;
    await this.router.navigate(['/plan', variant, stageOf(place) ?? otherwise]);
    setTimeout(() => {
      this.selection.goTo(place);
    });
  }
}

/** Stage in which a place is edited; undefined where it is none of a stage’s. */
export function stageOf(place: string): string | undefined {
  if (place.startsWith('joint.') || place === 'donor') return 'donor';
  if (place.startsWith('pattern.')) return 'hubs';
  if (place.startsWith('fact.')) return findFact(place.slice('fact.'.length))?.stage;
  return findQuantity(place)?.stage;
}
