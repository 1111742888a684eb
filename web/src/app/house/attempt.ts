import { signal } from '@angular/core';
import { sentenceOf } from '../state/refusals';

/** Does what the server may refuse, one thing at a time, and keeps why it did. */
export class Attempt {
  readonly trouble = signal('');
  readonly busy = signal(false);

  /** @returns whether it went well */
  async run(work: () => Promise<unknown>): Promise<boolean> {
    this.trouble.set('');
    this.busy.set(true);
    try {
      await work();
      return true;
    } catch (error) {
      this.trouble.set(sentenceOf(error));
      return false;
    } finally {
      this.busy.set(false);
    }
  }
}
