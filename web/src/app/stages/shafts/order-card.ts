import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { OrderState, OrderView } from '@intervex/contract/wire';
import {
  limitsOf,
  receivedNotHeld,
  stance,
  shafts,
  evaluate,
  parseLength,
  sideName,
  tightest,
  withReceived,
  type Plan,
  type ReceivedSize,
  type ReceivedShaft,
  type Side,
} from '@intervex/core';
import { orderHolds, orderMoved, shaftOrder } from '@intervex/core/desks/shafts';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';
import { OrdersService } from './orders.service';

const STATE_WORDS: Readonly<Record<OrderState, string>> = {
  quoted: 'quoted',
  paying: 'being paid',
  paid: 'paid',
  cutting: 'being made',
  late: 'late',
  shipped: 'on its way',
  wrong: 'wrong shaft received',
  accepted: 'taken',
  sentBack: 'sent back',
};
const WITH_MAKER: readonly OrderState[] = ['paying', 'paid', 'cutting', 'late', 'sentBack'];
/** When its shafts were taken; empty while they are not. ISO 8601. */
const takenAt = ({ state, events }: OrderView): string =>
  state === 'accepted' ? (events.filter((e) => e.state === 'accepted').at(-1)?.at ?? '') : '';
const SIZES = { length: 'Length', journal: 'Journal', splineLength: 'Spline length' } as const;
type SizeKey = keyof typeof SIZES;

/** One order: how it stands, what can be done now, and what was measured. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-order',
  imports: [MatButtonModule],
  templateUrl: './order-card.html',
  styleUrl: './order-card.scss',
})
export class OrderCard {
  private readonly orders = inject(OrdersService);
  private readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  readonly order = input.required<OrderView>();

  protected readonly busy = this.orders.busy;
  protected readonly problem = signal('');
  protected readonly sizes = Object.entries(SIZES) as [SizeKey, string][];
  protected readonly sideName = sideName;
  /** What is typed, by side and size; kept until it is taken. */
  protected readonly typed = signal<Readonly<Record<string, string>>>({});
  protected readonly reason = linkedSignal({ source: () => this.order().id, computation: () => '' });
  protected readonly word = computed(() => STATE_WORDS[this.order().state]);
  protected readonly withMaker = computed(() => WITH_MAKER.includes(this.order().state));
  /** Why it must not be paid as it stands; told for the open variant, the server holds all. */
  protected readonly held = computed((): readonly string[] => {
    const { order, state, variantId } = this.order();
    if (state !== 'quoted' || variantId !== this.store.variant()?.id) return [];
    const results = this.store.results();
    const moved = orderMoved(order, results.of(shaftOrder));
    return (moved.length ? moved : orderHolds(results.checks)).map((why) => this.units.say(why));
  });
  /** Numbers of other orders for the very same shafts. */
  protected readonly same = computed(() => (this.order().state === 'quoted' ? (this.order().same ?? []) : []));
  protected readonly toMeasure = computed(() => this.order().state === 'shipped');
  protected readonly lines = computed(() =>
    this.order().order.lines.map((line) => ({
      ...line,
      text: [
        this.units.show(line.length, 'mm'),
        line.spline,
        line.journal === undefined ? '' : `journal ${this.fine(line.journal)}`,
        line.material,
      ]
        .filter(Boolean)
        .join(', '),
    })),
  );
  protected readonly found = computed(() =>
    (this.order().received?.sizes ?? []).map((s) => ({
      ...s,
      name: `${sideName(s.side)} ${SIZES[s.what].toLowerCase()}`,
      text: `${this.fine(s.measured)}, ordered ${this.fine(s.ordered)}, off by ${this.fine(s.off)}`,
    })),
  );
  /** What engages and what is left where a wrong length is kept, by the plan as it stands. */
  protected readonly kept = computed((): readonly string[] => {
    const { state, received, variantId } = this.order();
    if (state !== 'wrong' || variantId !== this.store.variant()?.id) return [];
    const lengths = (received?.sizes ?? []).filter((s) => s.what === 'length');
    const plan = this.store.plan();
    if (plan.choices.retentionTo === 'cClip') return lengths.filter((s) => !s.ok).map((s) => this.moved(s));
    const readings: Record<string, Plan['readings'][string]> = { ...plan.readings };
    for (const { side, measured } of lengths)
      readings[`shaft.received.${side}`] = { repeats: [{ value: measured }], instrument: 'rule' };
    const { fit } = evaluate({ ...plan, readings }).of(shafts);
    return lengths
      .filter((s) => !s.ok)
      .map(({ side }) => {
        const { gap, share } = fit[side];
        const said = [
          share && `${this.units.show(share.value, 'ratio')} of the side gear’s spline engages`,
          gap && `${this.units.show(gap.value, 'mm')} stay to the cross shaft`,
        ].filter(Boolean);
        return said.length ? `${sideName(side)}, kept as it is: ${said.join(', ')}.` : '';
      })
      .filter(Boolean);
  });
  /** What was measured and taken, and the plan does not hold: an undo took it back, or it was typed over. */
  protected readonly notHeld = computed(() => {
    const order = this.order();
    if (order.state !== 'accepted' || !order.received || order.variantId !== this.store.variant()?.id)
      return [];
    const later = this.orders
      .orders()
      .filter((o) => takenAt(o) > takenAt(order) && o.variantId === order.variantId);
    const replaced = later.flatMap((o) => (o.received?.sizes ?? []).map(({ side }) => side));
    return receivedNotHeld(this.store.plan(), order.received)
      .filter(({ side }) => !replaced.includes(side))
      .map((s) => ({
        ...s,
        text: `${sideName(s.side)}: measured on arrival ${this.fine(s.measured)}, the plan holds ${s.stands === undefined ? 'none' : this.fine(s.stands)}.`,
      }));
  });
  protected readonly events = computed(() =>
    this.order().events.map((e) => ({
      ...e,
      when: e.at.slice(0, 16).replace('T', ' '),
      word: STATE_WORDS[e.state],
    })),
  );

  /** A size as a caliper reads it: to 0.01 mm, or 0.001 in. */
  private fine(mm: number): string {
    return this.units.show(mm, 'mm', this.units.unit() === 'mm' ? 2 : 3);
  }

  /** A clip holds the inner end: the wheel face follows what the shaft is off by. */
  private moved({ side, off }: ReceivedSize): string {
    const { clearances } = this.store.results().of(stance);
    const { limits } = this.store.plan();
    const gaps = (['inboard', 'outboard'] as const).flatMap((from) => {
      const gap = tightest(clearances, side, from, limitsOf(limits))?.gap.value;
      const moved = gap === undefined ? undefined : gap + (from === 'inboard' ? off : -off);
      return moved === undefined ? [] : [`${this.units.show(moved, 'mm')} ${from}`];
    });
    const stays = gaps.length ? `; the tyre keeps ${gaps.join(' and ')}` : '';
    return `${sideName(side)}, kept as it is: wheel face and rotor stand ${this.units.show(Math.abs(off), 'mm')} further ${off > 0 ? 'out' : 'in'}${stays}.`;
  }

  /** Puts what was measured on arrival into the plan again, with the reason where it was off. */
  protected putBack(): void {
    const { received, events } = this.order();
    const taken = events.filter((e) => e.state === 'accepted').at(-1);
    if (!received || !taken) return;
    const reason = received.ok ? {} : { reason: taken.note };
    const { readings, accepted } = withReceived(this.store.plan(), received, {
      who: taken.who,
      at: taken.at,
      ...reason,
    });
    for (const { side } of this.notHeld()) {
      const id = `shaft.received.${side}`;
      this.store.setReading(id, readings[id]);
      if (accepted[id]) this.store.put('accepted', id, accepted[id]);
    }
    this.store.saveNow();
  }

  protected type(side: Side, size: SizeKey, text: string): void {
    this.typed.update((all) => ({ ...all, [`${side}.${size}`]: text }));
  }

  protected pay(): void {
    void this.orders.pay(this.order().id, this.same().length > 0);
  }

  protected look(): void {
    void this.orders.look(this.order().id);
  }

  /** Takes what was typed, or says which number cannot be read and changes nothing. */
  protected measure(): void {
    const shafts: ReceivedShaft[] = [];
    for (const { side } of this.order().order.lines) {
      const one: Partial<Record<SizeKey, number>> = {};
      for (const [size, name] of this.sizes) {
        const text = (this.typed()[`${side}.${size}`] ?? '').trim();
        if (text === '' && size !== 'length') continue;
        const read = parseLength(text, this.units.unit());
        if (!read.ok) {
          this.problem.set(`${sideName(side)} ${name.toLowerCase()}: ${read.reason}`);
          return;
        }
        one[size] = read.value;
      }
      shafts.push({ side, length: one.length ?? Number.NaN, ...one });
    }
    this.problem.set('');
    void this.orders.receive(this.order().id, shafts);
  }

  protected settle(decision: 'accept' | 'sendBack'): void {
    if (this.reason().trim().length < 3) {
      this.problem.set('Write the reason first.');
      return;
    }
    this.problem.set('');
    void this.orders.settle(this.order().id, decision, this.reason().trim());
  }
}
