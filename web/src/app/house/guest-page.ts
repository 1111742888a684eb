import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { ActivatedRoute, Router } from '@angular/router';
import { PlainTop } from '../shared/plain-top';
import { HouseService } from '../state/house.service';
import { Attempt } from './attempt';

/** Lets a guest in by his link. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-guest-page',
  imports: [PlainTop],
  template: `
    <ix-plain-top />
    <main>
      <h1>Guest</h1>
      @if (attempt.trouble()) {
        <p class="wrong" role="alert">
          This link does not open anything: it has ended or was withdrawn. Ask whoever gave it to you for
          another.
        </p>
      } @else {
        <p role="status">Opening…</p>
      }
    </main>
  `,
  styleUrl: './house.scss',
})
export class GuestPage {
  protected readonly attempt = new Attempt();

  constructor() {
    const [house, router] = [inject(HouseService), inject(Router)];
    const token = inject(ActivatedRoute).snapshot.fragment ?? '';
    void this.attempt
      .run(() => house.enterAsGuest(token))
      .then((opened) => opened && router.navigateByUrl('/', { replaceUrl: true }));
  }
}
