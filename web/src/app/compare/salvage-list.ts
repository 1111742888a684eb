import { ChangeDetectionStrategy, Component, inject, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import type { PartsAnswer } from '@intervex/contract/wire';
import { planForDonor, type PartOffer } from '@intervex/core';
import { CounterService } from '../state/counter.service';
import { sentenceOf } from '../state/refusals';
import { PlanStore } from '../state/plan-store';
import { ProjectsService } from '../state/projects.service';

/** What a size of a salvage donor is called. */
const SIZES: readonly (readonly [size: string, label: string])[] = [
  ['width', 'WMS width'],
  ['ratio', 'ratio'],
  ['teeth', 'spline teeth'],
  ['holes', 'studs'],
  ['pcd', 'PCD'],
];

/** Salvage donors at the parts counter, and beginning a way with one of them. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-salvage',
  providers: [CounterService],
  imports: [MatButtonModule, MatIconModule],
  template: `
    <h2>Other donors</h2>
    <button mat-stroked-button type="button" [disabled]="counter.asking()" (click)="ask()">
      <mat-icon svgIcon="counter" />
      {{ counter.asking() ? 'Asking…' : 'Ask the parts counter' }}
    </button>
    @if (counter.asking()) {
      <button mat-button type="button" (click)="counter.stop()">Stop</button>
    }
    @if (trouble() || counter.trouble(); as why) {
      <p class="trouble" role="alert">{{ why }}</p>
    }
    @if (answer(); as a) {
      <p class="second">
        {{ a.from === 'list' ? 'Last known list of' : 'Asked' }} {{ a.at.slice(0, 10) }}. Sizes are the seller’s
        word until they are read.
      </p>
      <ul>
        @for (o of a.offers; track o.number) {
          <li>
            <b>{{ o.name }}</b>
            <span class="second">
              {{ o.number }}, {{ o.seller }}, {{ o.stock > 0 ? 'there' : 'gone' }}, {{ o.leadDays }} days
            </span>
            <span>{{ sizes(o) }}</span>
            <span class="figure">{{ o.price.toFixed(0) }}</span>
            <button mat-button type="button" [disabled]="busy()" (click)="begin(o)">
              Begin a route with it
            </button>
          </li>
        }
      </ul>
    }
    @if (said(); as what) {
      <p role="status">{{ what }}</p>
    }
  `,
  styles: `
    :host {
      display: block;
      margin-top: 20px;
    }
    h2 {
      margin-bottom: 6px;
      font-size: 15px;
    }
    ul {
      margin: 6px 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: flex;
      flex-wrap: wrap;
      gap: 2px 14px;
      align-items: baseline;
      padding: 4px 0;
      border-bottom: 1px solid var(--rule);
      font-size: 13.5px;
    }
    li .figure {
      margin-left: auto;
      font-weight: 600;
    }
    p {
      margin: 6px 0;
      font-size: 13px;
    }
    .trouble {
      color: var(--red);
    }
  `,
})
export class SalvageList {
  private readonly projects = inject(ProjectsService);
  protected readonly counter = inject(CounterService);
  private readonly store = inject(PlanStore);
  readonly begun = output();
  protected readonly busy = signal(false);
  protected readonly trouble = signal('');
  protected readonly said = signal('');
  protected readonly answer = signal<PartsAnswer | undefined>(undefined);

  protected async ask(): Promise<void> {
    const answer = await this.counter.ask({ kind: 'salvage' });
    if (answer) this.answer.set(answer);
  }

  /** Makes a variant for this donor: the car as surveyed, nothing of the old donor. */
  protected async begin(offer: PartOffer): Promise<void> {
    const variant = this.store.variant();
    if (!variant) return;
    this.busy.set(true);
    try {
      await this.store.flush();
      const name = offer.name.split(',')[0] ?? offer.name;
      await this.projects.copy(variant.id, name, planForDonor(this.store.plan(), offer.name, offer));
      this.said.set(`${name} stands in the comparison now.`);
      this.begun.emit();
    } catch (error) {
      this.trouble.set(sentenceOf(error));
    } finally {
      this.busy.set(false);
    }
  }

  protected sizes({ size }: PartOffer): string {
    return SIZES.flatMap(([key, label]) => (size[key] === undefined ? [] : `${label} ${size[key]}`)).join(', ');
  }
}
