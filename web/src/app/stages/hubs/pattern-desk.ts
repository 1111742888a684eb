import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { stance, patterns, showValue, JIGS, type Jig, type PatternRoute } from '@intervex/core';
import { FigureValue } from '../../shared/figure-value';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';
import { ChoiceField } from '../../stage/choice-field';
import { Segments, PAPERS } from '../../shared/segments';

/** Thinnest bolted adapter that is made, mm. */
const LEAST_ADAPTER = 20;

const JIG_NAMES: Readonly<Record<Jig, string>> = {
  ring: 'full ring on the pilot',
  step: 'small, steps round on studs',
};

/** Whether flange and wheel agree, the ways to make them, and the jig in full size. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-pattern-desk',
  imports: [ChoiceField, FigureValue, MatButtonModule, MatIconModule, Segments],
  templateUrl: './pattern-desk.html',
  styles: `
    .verdict {
      margin: 8px 0;
      padding: 6px 10px;
      border-left: 3px solid var(--dye);
      background: var(--sheet);
    }
    .verdict.no {
      border-color: var(--red);
    }
    .files {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
      align-items: center;
      margin: 8px 0;
    }
    h2 {
      margin: 14px 0 4px;
      font-size: 15px;
    }
    ix-choice {
      display: block;
      max-width: 420px;
    }
    th.words {
      text-align: left;
    }
    td.words {
      max-width: 300px;
      text-align: left;
    }
  `,
})
export class PatternDesk {
  protected readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  protected readonly papers = PAPERS;
  protected readonly paper = signal<'a4' | 'letter'>('a4');
  protected readonly jigs = JIGS.map((id) => ({ id, name: JIG_NAMES[id] }));
  protected readonly patterns = computed(() => this.store.results().of(patterns));
  protected readonly route = computed(() => this.store.plan().choices.pattern);

  protected readonly verdict = computed(() => {
    const { same, redrill } = this.patterns();
    if (same === undefined)
      return { bad: false, text: 'Holes and circle of flange and wheel are not known yet.' };
    if (same) return { bad: false, text: 'Flange and wheel have the same pattern: nothing has to be drilled.' };
    if (!redrill) return { bad: false, text: '' };
    const degrees = this.units.show(redrill.clockRad, 'rad');
    const metal = this.metal(redrill.nearest.metal);
    return redrill.possible
      ? {
          bad: false,
          text: `It can be re-drilled: new holes ${degrees} from the old ones leave ${metal} of metal to ${redrill.nearest.what}; ${this.metal(redrill.needed)} are needed.`,
        }
      : { bad: true, text: `It cannot be re-drilled. ${this.units.say(redrill.reasons.join(' '))}` };
  });

  /** The three ways side by side: whether they can be, what they change, cost and risk. */
  protected readonly ways = computed(() => {
    const { same, redrill } = this.patterns();
    if (same !== false) return [];
    const { known, of } = this.store.results();
    const cost = (id: string) => known.get(id)?.figure;
    const thick = known.get('spacer.thick')?.figure.value ?? 20;
    const et = of(stance).spans?.et;
    const room =
      et?.least !== undefined && et.most !== undefined
        ? `a wheel with ET ${showValue(et.least + thick, 'mm')} to ${showValue(et.most + thick, 'mm')} then clears`
        : 'the wheel moves out by its thickness';
    const way = (
      id: PatternRoute,
      name: string,
      possible: boolean,
      changes: string,
      risk: string,
      figure: string,
    ) => ({
      id,
      name,
      possible,
      changes,
      risk,
      cost: cost(figure),
    });
    return [
      way(
        'redrill',
        'Re-drill the flange',
        redrill?.possible ?? false,
        redrill?.possible ? 'nothing moves; new studs in new holes' : (redrill?.reasons[0] ?? ''),
        'A hole off its place wobbles the wheel; the flange is weaker by its new holes.',
        'redrill.cost',
      ),
      way(
        'adapter',
        'Bolted adapter',
        true,
        `at least ${this.units.show(LEAST_ADAPTER, 'mm')} thick; ${room}`,
        'Longer arm on bearing and shaft; two sets of nuts, the inner one hidden.',
        'adapter.cost',
      ),
      way(
        'shafts',
        'Other shafts',
        true,
        'flange with the wheel’s own pattern, made or from stock',
        'Waits for a parcel; measure before it is taken.',
        'cost.shafts',
      ),
    ];
  });

  protected metal = (mm: number): string => this.units.show(mm, 'mm', this.units.unit() === 'mm' ? 2 : 3);

  protected choose(route: PatternRoute): void {
    this.store.choose('pattern', route);
    this.store.saveNow();
  }

  protected file(name: 'jig' | 'flange', kind: 'dxf' | 'svg' | 'pdf'): string {
    const query = `?units=${this.units.unit()}${kind === 'pdf' ? `&paper=${this.paper()}` : ''}`;
    return `/api/variants/${this.store.variant()?.id ?? ''}/shapes/${name}.${kind}${query}`;
  }
}
