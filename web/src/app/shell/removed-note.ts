import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { RemovedRefusal } from '@intervex/contract/wire';
import { HouseService } from '../state/house.service';
import { MeService } from '../state/me.service';
import { Attempt } from '../house/attempt';

/** Says who removed the plan that is open, and brings it back. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-removed-note',
  imports: [MatButtonModule],
  template: `
    <p role="alert">
      {{ said() }}
      @if (owner()) {
        <button mat-button type="button" [disabled]="attempt.busy()" (click)="bringBack()">
          Bring it back
        </button>
      } @else {
        The owner can bring it back.
      }
      @if (attempt.trouble(); as why) {
        {{ why }}
      }
    </p>
  `,
  styles: `
    p {
      margin: 0;
    }
  `,
})
export class RemovedNote {
  private readonly house = inject(HouseService);
  private readonly me = inject(MeService).me;
  readonly removed = input.required<RemovedRefusal['removed']>();
  /** What is typed has nowhere to go. */
  readonly open = input(false);
  readonly back = output();
  protected readonly attempt = new Attempt();
  protected readonly owner = computed(() => this.me().role === 'owner');
  protected readonly said = computed(() => {
    const { who, kind, name, at } = this.removed();
    const time = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' }).format(
      new Date(at),
    );
    const kept = this.open() ? ' What you type here is kept in this browser until it is back.' : '';
    const by = who === undefined ? 'at the computer that Intervex runs on' : `by ${who}`;
    return `The ${kind} ${name} was removed ${by}, ${time}.${kept}`;
  });

  protected async bringBack(): Promise<void> {
    if (await this.attempt.run(() => this.house.bringBack(this.removed().id))) this.back.emit();
  }
}
