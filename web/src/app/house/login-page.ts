import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { ActivatedRoute, Router } from '@angular/router';
import { PlainTop } from '../shared/plain-top';
import { HouseService } from '../state/house.service';
import { MeService } from '../state/me.service';
import { Attempt } from './attempt';

/** Says who is there: by the PIN of a paired device, else by name and password. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-login-page',
  imports: [MatButtonModule, PlainTop],
  template: `
    <ix-plain-top />
    <main>
      <h1>Come in</h1>
      @if (attempt.trouble(); as why) {
        <p class="wrong" role="alert">{{ why }}</p>
      }
      @if (me().paired && !byName()) {
        <form class="entry" (submit)="$event.preventDefault(); enter({ pin: pin.value })">
          <label class="over">
            <span>PIN of this device, {{ me().paired }}</span>
            <input
              #pin
              class="box"
              name="pin"
              type="password"
              inputmode="numeric"
              maxlength="8"
              autocomplete="off"
              required
            />
          </label>
          <button mat-flat-button type="submit" [disabled]="attempt.busy()">Come in</button>
          <button mat-button type="button" (click)="byName.set(true)">By name and password</button>
        </form>
      } @else {
        <form
          class="entry"
          (submit)="$event.preventDefault(); enter({ name: name.value.trim(), password: password.value })"
        >
          <label class="over">
            <span>Name</span>
            <input #name class="box" name="name" maxlength="60" autocomplete="username" required />
          </label>
          <label class="over">
            <span>Password</span>
            <input
              #password
              class="box"
              name="password"
              type="password"
              maxlength="200"
              autocomplete="current-password"
              required
            />
          </label>
          <button mat-flat-button type="submit" [disabled]="attempt.busy()">Come in</button>
        </form>
        <p class="second">
          No password? The owner makes a code, under Workshop, that pairs this device with you.
          <a class="link" href="/join">Pair this device</a>
        </p>
      }
    </main>
  `,
  styleUrl: './house.scss',
})
export class LoginPage {
  private readonly house = inject(HouseService);
  private readonly router = inject(Router);
  private readonly back = inject(ActivatedRoute).snapshot.queryParamMap.get('back') ?? '/';
  private readonly who = inject(MeService);
  protected readonly me = this.who.me;
  protected readonly attempt = new Attempt();
  protected readonly byName = signal(false);

  constructor() {
    // Whoever is known already goes on.
    void this.who.know().then(({ role }) => role && this.goOn());
  }

  protected async enter(by: { name: string; password: string } | { pin: string }): Promise<void> {
    if (await this.attempt.run(() => this.house.login(by))) await this.goOn();
  }

  private goOn(): Promise<boolean> {
    // Only a place of this application.
    return this.router.navigateByUrl(/^\/(?!\/)/.test(this.back) ? this.back : '/');
  }
}
