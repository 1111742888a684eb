import type { Heard, Wish } from '../state/one-stream';

/** The browser’s one stream, whose events a test sends to all that listen. */
export class FakeStream {
  /** All that was ever asked for. */
  readonly asked: Omit<Wish, 'to'>[] = [];
  private readonly listening = new Map<Omit<Wish, 'to'>, (heard: Heard) => void>();

  /** What is listened to now. */
  get wishes(): readonly Omit<Wish, 'to'>[] {
    return [...this.listening.keys()];
  }

  listen(wish: Omit<Wish, 'to'>, hears: (heard: Heard) => void): () => void {
    this.asked.push(wish);
    this.listening.set(wish, hears);
    return () => this.listening.delete(wish);
  }

  send(event: string, data: object = {}): void {
    for (const hears of [...this.listening.values()]) hears({ event, data: { ...data } });
  }
}
