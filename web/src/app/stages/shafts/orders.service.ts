import { inject, Injectable, signal } from '@angular/core';
import type { OrderView, ReceiveRequest, SettleRequest } from '@intervex/contract/wire';
import type { Side } from '@intervex/core';
import { firstValueFrom, type Observable } from 'rxjs';
import { ApiService, sentenceOf } from '../../state/api.service';
import { PersonService } from '../../state/person.service';
import { PlanStore } from '../../state/plan-store';

/** The quantity of a shaft that arrived. */
export const receivedId = (side: Side): string => `shaft.received.${side}`;

/** Orders of the open project with the shaft maker. */
@Injectable({ providedIn: 'root' })
export class OrdersService {
  private readonly api = inject(ApiService);
  private readonly person = inject(PersonService);
  private readonly store = inject(PlanStore);
  readonly orders = signal<readonly OrderView[]>([]);
  readonly busy = signal(false);
  readonly trouble = signal('');

  async load(): Promise<void> {
    const project = this.store.variant()?.projectId;
    if (!project) return;
    await this.during(async () => {
      this.orders.set(await firstValueFrom(this.api.orders(project)));
    });
  }

  /** Saves the plan, then asks for a quote on it. */
  async quote(): Promise<void> {
    await this.store.flush();
    const variant = this.store.variant()?.id;
    if (variant) await this.take(this.api.quote(variant, this.person.name()));
  }

  pay = (id: string): Promise<void> => this.take(this.api.orderStep(id, 'pay', this.person.name()));
  look = (id: string): Promise<void> => this.take(this.api.orderStep(id, 'look', this.person.name()));
  receive = (id: string, shafts: ReceiveRequest['shafts']): Promise<void> =>
    this.take(this.api.receive(id, { who: this.person.name(), shafts }));
  settle = (id: string, decision: SettleRequest['decision'], reason: string): Promise<void> =>
    this.take(this.api.settleOrder(id, { who: this.person.name(), decision, reason }));

  /** Takes over how an order stands after a step. */
  private take(step: Observable<OrderView>): Promise<void> {
    return this.during(async () => {
      const order = await firstValueFrom(step);
      const others = this.orders().filter((o) => o.id !== order.id);
      const at = this.orders().findIndex((o) => o.id === order.id);
      this.orders.set(at < 0 ? [order, ...others] : this.orders().map((o) => (o.id === order.id ? order : o)));
      this.keepMeasured(order);
      this.trouble.set(order.trouble ? `${order.trouble}; this is how it stood last.` : '');
    });
  }

  /** What was taken stands in the plan as it was measured; what goes back does not. */
  private keepMeasured({ state, variantId, received, events }: OrderView): void {
    if (variantId !== this.store.variant()?.id || !['accepted', 'sentBack'].includes(state)) return;
    const { who, at } = events.at(-1) ?? { who: this.person.name(), at: new Date().toISOString() };
    for (const { side, what, measured: value } of received?.sizes ?? [])
      if (what === 'length')
        this.store.setReading(
          receivedId(side),
          state === 'accepted' ? { repeats: [{ value, who, at }], instrument: 'rule' } : undefined,
        );
    this.store.saveNow();
  }

  private async during(work: () => Promise<void>): Promise<void> {
    this.busy.set(true);
    this.trouble.set('');
    try {
      await work();
    } catch (error) {
      this.trouble.set(sentenceOf(error));
    } finally {
      this.busy.set(false);
    }
  }
}
