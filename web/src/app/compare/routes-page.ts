import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  inject,
  signal,
  untracked,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatIconModule } from '@angular/material/icon';
import { MatSliderModule } from '@angular/material/slider';
import { RouterLink } from '@angular/router';
import type { VariantView } from '@intervex/contract/wire';
import { createEvaluator, type Evaluator } from '@intervex/core';
import { CRITERIA, CRITERION_NAMES, MOST_WEIGHT, rankRoutes, routeSummary } from '@intervex/core/routes';
import { ProjectsService } from '../state/projects.service';
import { sentenceOf } from '../state/refusals';
import { PlanStore } from '../state/plan-store';
import { UnitsService } from '../state/units.service';
import { routeRows } from './route-row';
import { RouteWeights } from './route-weights.service';
import { SalvageList } from './salvage-list';

/** How often the other ways are asked for while the page is open, ms. */
const AGAIN_MS = 10_000;

/** Every way of doing the job side by side, in an order with its reasons. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-routes',
  imports: [MatButtonModule, MatCheckboxModule, MatIconModule, MatSliderModule, RouterLink, SalvageList],
  templateUrl: './routes-page.html',
  styleUrl: './routes-page.scss',
})
export class RoutesPage {
  private readonly projects = inject(ProjectsService);
  private readonly units = inject(UnitsService);
  protected readonly store = inject(PlanStore);
  protected readonly weighing = inject(RouteWeights);
  protected readonly criteria = CRITERIA.map((id) => ({ id, name: CRITERION_NAMES[id] }));
  protected readonly most = MOST_WEIGHT;
  protected readonly onlyDifferences = signal(false);
  protected readonly trouble = signal('');
  private readonly variants = signal<readonly VariantView[]>([]);
  /** One evaluator a way, so that only what changed is worked out again. */
  private readonly evaluators = new Map<string, Evaluator>();

  /** The open plan as it stands here; the others as the server has them. */
  protected readonly routes = computed(() => {
    const open = this.store.variant();
    return this.variants().map((v) => {
      const plan = v.id === open?.id ? this.store.plan() : v.plan;
      return routeSummary({ id: v.id, name: v.name }, this.evaluatorOf(v.id)(plan));
    });
  });
  /** Ways that are left out of the comparison; the open one never is. */
  protected readonly left = signal<ReadonlySet<string>>(new Set());
  protected readonly shown = computed(() => {
    const [open, left] = [this.store.variant()?.id, this.left()];
    return this.routes().filter(({ id }) => id === open || !left.has(id));
  });
  protected readonly ROW_WIDTH = 170;
  /** Narrower than this a way cannot be read, px. */
  protected readonly WAY_WIDTH = 160;
  protected readonly ranked = computed(() => {
    const routes = this.shown();
    return routes.length ? rankRoutes(routes, this.weighing.weights()) : [];
  });
  protected readonly rows = computed(() => {
    const ranked = this.ranked().map((r) => r.route);
    const all = routeRows(ranked, (f) => (f ? this.units.figure(f) : '–'));
    return this.onlyDifferences() ? all.filter((r) => r.differs) : all;
  });
  protected readonly alone = computed(() => this.routes().length === 1);

  constructor() {
    effect(() => {
      if (this.store.variant()?.projectId) untracked(() => void this.load());
    });
    const timer = setInterval(() => {
      if (!document.hidden) void this.load();
    }, AGAIN_MS);
    inject(DestroyRef).onDestroy(() => {
      clearInterval(timer);
    });
  }

  protected choose(id: string, compared: boolean): void {
    const left = new Set(this.left());
    if (compared) left.delete(id);
    else left.add(id);
    this.left.set(left);
  }

  protected chooseAll(compared: boolean): void {
    this.left.set(new Set(compared ? [] : this.routes().map(({ id }) => id)));
  }

  protected async load(): Promise<void> {
    const project = this.store.variant()?.projectId;
    if (!project) return;
    try {
      this.variants.set(await this.projects.variants(project));
      this.trouble.set('');
    } catch (error) {
      this.trouble.set(sentenceOf(error));
    }
  }

  /** Reasons as one sentence each, with a capital. */
  protected sentence(reason: string): string {
    const said = this.units.say(reason);
    return `${said.charAt(0).toUpperCase()}${said.slice(1)}.`;
  }

  private evaluatorOf(id: string): Evaluator {
    const known = this.evaluators.get(id) ?? createEvaluator();
    this.evaluators.set(id, known);
    return known;
  }
}
