import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { ActivatedRoute, Router } from '@angular/router';
import { PlainTop } from '../shared/plain-top';
import { HouseService } from '../state/house.service';
import { Attempt } from './attempt';

/** Pairs this device with somebody, by the code that the owner made. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-join-page',
  imports: [MatButtonModule, PlainTop],
  template: `
    <ix-plain-top />
    <main>
      <h1>Pair this device</h1>
      <p class="second">The owner makes the code on the page Workshop. It is good once, for some minutes.</p>
      @if (attempt.trouble(); as why) {
        <p class="wrong" role="alert">{{ why }}</p>
      }
      <form class="entry" (submit)="$event.preventDefault(); pair(code.value, pin.value, device.value)">
        <label class="over">
          <span>Code</span>
          <input #code class="box" name="code" maxlength="20" autocomplete="off" required [value]="given" />
        </label>
        <label class="over">
          <span>PIN for this device: four to eight digits, that you choose now</span>
          <input
            #pin
            class="box"
            name="pin"
            type="password"
            inputmode="numeric"
            pattern="[0-9]{4,8}"
            maxlength="8"
            autocomplete="off"
            required
          />
        </label>
        <label class="over">
          <span>What this device is called</span>
          <input #device class="box" name="device" maxlength="60" autocomplete="off" required value="Phone" />
        </label>
        <button mat-flat-button type="submit" [disabled]="attempt.busy()">Pair it</button>
      </form>
    </main>
  `,
  styleUrl: './house.scss',
})
export class JoinPage {
  private readonly house = inject(HouseService);
  private readonly router = inject(Router);
  protected readonly given = inject(ActivatedRoute).snapshot.fragment ?? '';
  protected readonly attempt = new Attempt();

  protected async pair(code: string, pin: string, device: string): Promise<void> {
    if (await this.attempt.run(() => this.house.pair(code.trim(), pin, device.trim())))
      await this.router.navigateByUrl('/', { replaceUrl: true });
  }
}
