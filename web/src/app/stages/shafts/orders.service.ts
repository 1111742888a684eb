import { inject, Injectable, signal } from '@angular/core';
import type { OrderView, ReceiveRequest, SettleRequest } from '@intervex/contract/wire';
import { firstValueFrom, type Observable } from 'rxjs';
import { ApiService } from '../../state/api.service';
import { sentenceOf } from '../../state/refusals';
import { PersonService } from '../../state/person.service';
import { PlanStore } from '../../state/plan-store';

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

  /** Pays; `again` says that the same shafts are meant twice. */
  pay = (id: string, again = false): Promise<void> =>
    this.take(this.api.payOrder(id, this.person.name(), again));
  look = (id: string): Promise<void> => this.take(this.api.lookOrder(id, this.person.name()));
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
      await this.catchUp(order);
      this.trouble.set(order.trouble ? `${order.trouble}; this is how it stood last.` : '');
    });
  }

  /** What was taken or sent back was written into the plan by the server: the page takes it over. */
  private async catchUp({ state, variantId }: OrderView): Promise<void> {
    const open = this.store.variant();
    if (!open || variantId !== open.id || !['accepted', 'sentBack'].includes(state)) return;
    const { revision } = await firstValueFrom(this.api.variant(open.id));
    await this.store.catchUp(revision);
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
