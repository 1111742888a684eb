import { Injectable, signal } from '@angular/core';

/** What is open of a stage’s screen; desk, panel and frame share it. Provided by the frame. */
@Injectable()
export class ScreenState {
  /** Id of the tab that is open. */
  readonly tab = signal('');
  /** Place that was asked for last, such as a joint. */
  readonly place = signal('');
  /** Tab that was picked by hand; its first readings are brought into sight. */
  readonly picked = signal('');

  open(tab: string): void {
    this.tab.set(tab);
  }

  pick(tab: string): void {
    this.picked.set('');
    this.tab.set(tab);
    this.picked.set(tab);
  }
}
