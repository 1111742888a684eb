import { expose } from 'comlink';

/** A worker in the same thread: it answers over a channel, or never. */
export class FakeWorker extends EventTarget {
  private readonly channel = new MessageChannel();
  ended = false;

  constructor(answers: object | undefined) {
    super();
    if (answers) expose(answers, this.channel.port2);
    this.channel.port2.start();
    this.channel.port1.addEventListener('message', (event) =>
      this.dispatchEvent(new MessageEvent('message', { data: event.data as unknown })),
    );
    this.channel.port1.start();
  }
  postMessage(message: unknown, transfer: Transferable[] = []): void {
    this.channel.port1.postMessage(message, transfer);
  }
  terminate(): void {
    this.ended = true;
    this.channel.port1.close();
  }
}
