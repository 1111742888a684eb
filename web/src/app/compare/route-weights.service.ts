import { Injectable, signal } from '@angular/core';
import { CRITERIA, DEFAULT_WEIGHTS, MOST_WEIGHT, type Criterion, type Weights } from '@intervex/core/routes';
import { remember, remembered } from '../state/memory';

const KEY = 'weights';

/** How much each criterion counts for whoever sits at this page. */
@Injectable({ providedIn: 'root' })
export class RouteWeights {
  readonly weights = signal<Weights>(readWeights(remembered(KEY)));

  set(criterion: Criterion, weight: number): void {
    this.weights.update((w) => ({ ...w, [criterion]: weight }));
    remember(KEY, JSON.stringify(this.weights()));
  }

  reset(): void {
    this.weights.set(DEFAULT_WEIGHTS);
    remember(KEY, JSON.stringify(DEFAULT_WEIGHTS));
  }
}

/** Weights as they were kept; the usual ones where that is nothing or makes no sense. */
export function readWeights(kept: string | null | undefined): Weights {
  let data: unknown;
  try {
    data = JSON.parse(kept ?? '');
  } catch {
    return DEFAULT_WEIGHTS;
  }
  const given = (typeof data === 'object' && data !== null ? data : {}) as Record<string, unknown>;
  const sound = (w: unknown): w is number => typeof w === 'number' && w >= 0 && w <= MOST_WEIGHT;
  const entries = CRITERIA.map((c) => [c, sound(given[c]) ? given[c] : DEFAULT_WEIGHTS[c]]);
  return Object.fromEntries(entries) as Weights;
}
