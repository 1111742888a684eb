import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatIconModule } from '@angular/material/icon';
import {
  demand,
  ratio,
  slip,
  capacity,
  joints,
  factText,
  isOpen,
  KIND_WORDS,
  OPEN_BREAKAWAY_NM,
  type Check,
  type Fact,
} from '@intervex/core';
import { routeSummary } from '@intervex/core/routes';
import { EVIDENCE_WORDS } from '../../readings/fact-field';
import { FigureValue } from '../../shared/figure-value';
import { SidedTable, type SidedRow } from '../../shared/sided-table';
import { JumpService } from '../../state/jump.service';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';
import { DonorVerdictCard } from './donor-verdict';

/** Steps by which a differential is proven, and the fact each leaves. */
const SLIP_STEPS = [
  { fact: 'slip.claim', name: 'Said to be' },
  { fact: 'slip.look', name: 'Look inside' },
  { fact: 'slip.turn', name: 'Turn one wheel, watch the other' },
] as const;

/** What was found out about a donor, what speaks against it, and the decision. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-judge-desk',
  imports: [DonorVerdictCard, FigureValue, MatIconModule, SidedTable],
  templateUrl: './judge-desk.html',
  styleUrls: ['../../stage/open-checks.scss', './judge-desk.scss'],
})
export class JudgeDesk {
  private readonly jumps = inject(JumpService);
  protected readonly units = inject(UnitsService);
  protected readonly store = inject(PlanStore);

  protected readonly judged = computed(() => {
    const { of } = this.store.results();
    return { ratio: of(ratio), slip: of(slip) };
  });
  protected readonly carried = computed((): readonly SidedRow[] => {
    const { of } = this.store.results();
    const { left, right } = of(capacity);
    return [
      { label: 'Must carry', left: of(demand), once: true },
      { label: 'Smallest diameter', left: left?.diameter, right: right?.diameter, digits: 2 },
      { label: 'Yields at', left: left?.capacity, right: right?.capacity },
      { label: 'Shear at launch', left: left?.shear, right: right?.shear, digits: 0 },
      { label: 'Factor on yield', left: left?.factor, right: right?.factor, digits: 1 },
    ];
  });
  private readonly open = computed(() =>
    this.store
      .results()
      .checks.filter((c) => c.stage === 'donor' && isOpen(c))
      .sort((a, b) => Number(b.level === 'stop') - Number(a.level === 'stop')),
  );
  /** Joints of which nobody knows yet are named together; all else stands by itself. */
  private readonly unknown = computed(
    () =>
      new Map(
        this.store
          .results()
          .of(joints)
          .filter((j) => j.verdict === 'unknown')
          .map((j) => [`joint.${j.id}`, j.label]),
      ),
  );
  protected readonly against = computed(() => this.open().filter((c) => !this.unknown().has(c.at ?? '')));
  protected readonly questions = computed(() =>
    this.open().flatMap((c) => {
      const name = this.unknown().get(c.at ?? '');
      return name ? [{ ...c, name }] : [];
    }),
  );
  protected readonly slip = computed(() => {
    const { facts } = this.store.plan();
    const steps = SLIP_STEPS.map(({ fact, name }) => ({ name, ...answer(fact, facts[fact]) }));
    const torque = this.store.results().known.get('slip.torque')?.figure;
    const answered = torque
      ? {
          text: `${this.units.show(torque.value, 'Nm')}; an open one stays under ${this.units.show(OPEN_BREAKAWAY_NM, 'Nm')}`,
          how: 'measured',
        }
      : { text: '', how: '' };
    return [...steps, { name: 'Break-away torque', ...answered }];
  });
  protected readonly finding = computed(() => {
    const { status, kind } = this.judged().slip;
    if (status === 'contradiction') return 'The tests contradict each other.';
    return status === 'proven' && kind ? `Proven ${KIND_WORDS[kind]}.` : 'Not proven: nothing but a claim.';
  });
  protected readonly route = computed(() => routeSummary({ id: 'this', name: '' }, this.store.results()));
  protected readonly money = computed(() => {
    const { purchase, parts, shafts, machining, joints, total } = this.route().money;
    return [
      ['Donor', purchase],
      ['Missing parts', parts],
      ['Shafts', shafts],
      ['Machining and welding', machining],
      ['Work on the joints', joints],
      ['Together', total],
    ] as const;
  });

  protected sentence(text: string): string {
    return `${text.charAt(0).toUpperCase()}${text.slice(1)}`;
  }

  protected jump(check: Check): void {
    if (check.at) void this.jumps.to(check.at, 'donor');
  }
}

const answer = (id: string, fact: Fact | undefined) =>
  fact ? { text: factText(id, fact.value), how: EVIDENCE_WORDS[fact.evidence] } : { text: '', how: '' };
