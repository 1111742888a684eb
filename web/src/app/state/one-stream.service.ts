import { DestroyRef, inject, Injectable } from '@angular/core';
import { OneStream, type Browser } from './one-stream';

const CHANNEL = 'intervex stream';

/** The stream that all pages of this browser share, as this page has it. */
@Injectable({ providedIn: 'root' })
export class OneStreamService extends OneStream {
  constructor() {
    const { locks } = navigator as Partial<Navigator>;
    const browser: Browser = {
      ...(locks && { locks }),
      ...(locks && 'BroadcastChannel' in globalThis && { channel: new BroadcastChannel(CHANNEL) }),
      source: (address) => new EventSource(address),
    };
    super(browser);
    const seen = () => {
      if (document.visibilityState === 'visible') this.wakes();
    };
    document.addEventListener('visibilitychange', seen);
    inject(DestroyRef).onDestroy(() => {
      document.removeEventListener('visibilitychange', seen);
      this.close();
    });
  }
}
