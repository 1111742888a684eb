import { ChangeDetectionStrategy, Component, DestroyRef, inject } from '@angular/core';
import { RouterOutlet } from '@angular/router';
import { FocusKeeper } from './state/focus-keeper.service';

@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-root',
  imports: [RouterOutlet],
  template: '<router-outlet />',
})
export class App {
  constructor() {
    inject(DestroyRef).onDestroy(inject(FocusKeeper).watch());
  }
}
