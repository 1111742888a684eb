/** Too many wait already. */
export class TooMany extends Error {}

interface Waiting {
  readonly begin: () => void;
}

/**
 * Turns at something that few can have at once. Whoever waits is called person by person, so that who asks for much
 * waits longer, and nobody waits behind all of it.
 */
export class Turns {
  private running = 0;
  /** Who waits, in the order in which they are called; each with what he waits for. */
  private readonly queues = new Map<string, Waiting[]>();

  /**
   * @param atOnce how many have a turn at once
   * @param mostEach how many wait of one person
   * @param mostAll how many wait in all
   */
  constructor(
    private readonly atOnce: number,
    private readonly mostEach: number,
    private readonly mostAll: number,
  ) {}

  /** How many wait. */
  get waiting(): number {
    return [...this.queues.values()].reduce((sum, { length }) => sum + length, 0);
  }

  /**
   * Waits for a turn.
   *
   * @param signal gives up waiting
   * @returns ends the turn
   * @throws TooMany; the signal’s reason where it gave up
   */
  async take(person: string, signal: AbortSignal): Promise<() => void> {
    signal.throwIfAborted();
    if (this.running >= this.atOnce) await this.wait(person, signal);
    else this.running += 1;
    let over = false;
    return () => {
      if (over) return;
      over = true;
      this.next();
    };
  }

  private wait(person: string, signal: AbortSignal): Promise<void> {
    const queue = this.queues.get(person) ?? [];
    if (queue.length >= this.mostEach || this.waiting >= this.mostAll) throw new TooMany('Too many wait.');
    return new Promise<void>((done, failed) => {
      const leave = () => {
        queue.splice(queue.indexOf(waiting), 1);
        if (queue.length === 0) this.queues.delete(person);
        failed(signal.reason as Error);
      };
      const waiting: Waiting = {
        begin: () => {
          signal.removeEventListener('abort', leave);
          done();
        },
      };
      queue.push(waiting);
      this.queues.set(person, queue);
      signal.addEventListener('abort', leave, { once: true });
    });
  }

  /** The turn goes to the person who is next; whoever else waits for him is called after all others. */
  private next(): void {
    const [first] = this.queues;
    if (!first) {
      this.running -= 1;
      return;
    }
    const [person, queue] = first;
    const called = queue.shift();
    this.queues.delete(person);
    if (queue.length > 0) this.queues.set(person, queue);
    called?.begin();
  }
}
