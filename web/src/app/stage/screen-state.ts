import { Injectable, signal } from '@angular/core';

/** What is open of a stage’s screen; desk, panel and frame share it. Provided by the frame. */
@Injectable()
export class ScreenState {
  /** Id of the tab that is open. */
  readonly tab = signal('');
  /** Place that was asked for last, such as a joint. */
  readonly place = signal('');

  open(tab: string): void {
    this.tab.set(tab);
  }
}
