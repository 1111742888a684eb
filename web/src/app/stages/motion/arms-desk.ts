import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import {
  ARM_NAMES,
  ARM_SIDE_NAMES,
  armProblem,
  arms,
  crankProblem,
  holding,
  sprung,
  type Arm,
  type Crank,
} from '@intervex/core/desks/motion';
import { DraftFields } from '../../shared/draft-fields';
import { Fields, type FieldChange } from '../../shared/fields';
import { FigureValue } from '../../shared/figure-value';
import { refusalText, type Broken } from '../../shared/refusal-text';
import type { RowValues } from '../../shared/rows-editor';
import { OpenChecks } from '../../stage/open-checks';
import { PlanStore } from '../../state/plan-store';
import { SelectionService } from '../../state/selection.service';
import { UnitsService } from '../../state/units.service';
import {
  axleFields,
  barFields,
  CRANK,
  hasAxleEnd,
  holeFields,
  labelOf,
  MADE,
  SELF,
  withField,
} from './arm-fields';

const PREFIX = 'arm.';

/** Links, bars, springs and dampers with both their ends, and a crank. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-arms-desk',
  imports: [DraftFields, Fields, FigureValue, MatButtonModule, MatIconModule, OpenChecks],
  templateUrl: './arms-desk.html',
  styles: `
    .actions {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
      margin: 10px 0;
    }
    .one {
      display: flex;
      gap: 8px;
      align-items: center;
    }
    small {
      display: block;
      font-weight: 400;
    }
    h2 {
      margin: 12px 0 4px;
      color: var(--ink-2);
      font-size: 13px;
      font-weight: 600;
    }
  `,
})
export class ArmsDesk {
  protected readonly store = inject(PlanStore);
  private readonly selection = inject(SelectionService);
  private readonly units = inject(UnitsService);
  protected readonly self = SELF;
  protected readonly crankColumns = CRANK;
  protected readonly bars = computed(() => barFields(this.store.plan().brackets));
  protected readonly barRows = computed(() =>
    this.store
      .results()
      .of(arms)
      .filter(({ member }) => !(member.key in this.store.plan().arms))
      .map(({ member, length }) => ({ id: member.key, name: member.name, length })),
  );
  protected readonly holes = [
    { title: 'Holes at the axle, counted from the lowest', end: 'a', columns: holeFields('a') },
    { title: 'Holes at the car, counted from the lowest', end: 'c', columns: holeFields('c') },
  ] as const;
  protected readonly made = MADE;
  protected readonly adding = signal<'arm' | 'crank' | undefined>(undefined);
  protected readonly problem = signal('');
  private readonly picked = signal('');
  protected readonly axle = computed(() => axleFields(this.store.plan().brackets));
  protected readonly id = computed(() => {
    const all = this.store.plan().arms;
    return all[this.picked()] ? this.picked() : (Object.keys(all)[0] ?? '');
  });
  protected readonly arm = computed(() => this.store.plan().arms[this.id()]);
  protected readonly crank = computed(() => Object.entries(this.store.plan().cranks)[0]);
  protected readonly hasAxleEnd = hasAxleEnd;
  protected readonly wants = computed(() => this.store.results().of(holding).wants);
  protected readonly rows = computed(() => {
    const { of } = this.store.results();
    const [links, sprungs] = [of(arms), of(sprung)];
    return Object.entries(this.store.plan().arms).map(([id, arm]) => ({
      id,
      name: arm.name,
      said: `${ARM_NAMES[arm.kind]}, ${ARM_SIDE_NAMES[arm.side]}`,
      length:
        links.find(({ member }) => member.key === id)?.length ??
        sprungs.find(({ member }) => member.key === id)?.ride,
      skew: links.find(({ member }) => member.key === id)?.skew,
    }));
  });

  constructor() {
    effect(() => {
      const place = this.selection.picked();
      if (!place.startsWith(PREFIX)) return;
      this.picked.set(place.slice(PREFIX.length));
      this.problem.set('');
    });
  }

  protected pick(id: string): void {
    this.selection.picked.set(`${PREFIX}${id}`);
  }

  protected addArm(values: RowValues): void {
    const arm = Object.fromEntries(
      Object.entries(values).filter(([, v]) => v !== undefined && v !== ''),
    ) as unknown as Arm;
    if (this.refuses(armProblem(arm))) return;
    const id = crypto.randomUUID();
    this.store.put('arms', id, arm);
    this.store.saveNow();
    this.adding.set(undefined);
    this.pick(id);
  }

  /** Numbers of places that are not whole yet, each by whose they are. */
  private readonly begun = signal<Readonly<Record<string, RowValues>>>({});
  private readonly pending = computed<RowValues>(() => this.begun()[this.id()] ?? {});
  protected readonly values = computed(() => ({ ...this.arm(), ...this.pending() }) as unknown as RowValues);

  protected change(arm: Arm, change: FieldChange): void {
    // Three numbers make one place: they are taken together.
    const whole = { ...arm, ...this.pending() } as Arm;
    const next = withField(whole, change.key, change.value);
    const count = ['ax', 'ay', 'az'].filter(
      (k) => (next as unknown as Record<string, unknown>)[k] !== undefined,
    );
    if (count.length % 3) {
      this.begun.update((all) => ({ ...all, [this.id()]: { ...all[this.id()], [change.key]: change.value } }));
      this.problem.set('');
      return;
    }
    if (this.refuses(armProblem(next))) return;
    this.keep(next);
  }

  private keep(next: Arm): void {
    this.begun.update((all) => ({ ...all, [this.id()]: {} }));
    this.store.put('arms', this.id(), next);
    this.store.saveNow();
  }

  protected remove(id: string): void {
    this.store.put('arms', id, undefined);
    this.store.saveNow();
  }

  protected addCrank(values: RowValues): void {
    const crank = values as unknown as Crank;
    if (this.refuses(crankProblem(crank))) return;
    this.store.put('cranks', 'crank', crank);
    this.store.saveNow();
    this.adding.set(undefined);
  }

  protected changeCrank(id: string, crank: Crank, { key, value }: FieldChange): void {
    const next = withField(crank, key, value);
    if (this.refuses(crankProblem(next))) return;
    this.store.put('cranks', id, next);
    this.store.saveNow();
  }

  protected removeCrank(id: string): void {
    this.store.put('cranks', id, undefined);
    this.store.saveNow();
  }

  private refuses(wrong: Broken | undefined): boolean {
    this.problem.set(wrong ? refusalText(labelOf(wrong.field), wrong, this.units) : '');
    return wrong !== undefined;
  }
}
