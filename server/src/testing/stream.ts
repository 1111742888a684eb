import { randomUUID } from 'node:crypto';

export interface Heard {
  readonly event: string;
  // A test reads whatever came.
  // eslint-disable-next-line @typescript-eslint/no-explicit-any
  readonly data: any;
}

/** Where several pages of one browser listen over one stream. */
export const listenAddress = (...listens: readonly object[]): string =>
  `/api/live?listens=${encodeURIComponent(JSON.stringify(listens))}`;

/** Where one page listens to a variant. */
export const liveAddress = (variant: string, who = 'bench', to: string = randomUUID()): string =>
  listenAddress({ to, who, variant });

/** Where one page listens to an instrument. */
export const instrumentAddress = (instrument: string): string =>
  listenAddress({ to: randomUUID(), instrument });

/** A stream of server-sent events as a page holds it. */
export class EventStream {
  readonly heard: Heard[] = [];
  private readonly stop = new AbortController();
  private constructor() {}

  static async open(address: string): Promise<EventStream> {
    const stream = new EventStream();
    const response = await fetch(address, { signal: stream.stop.signal });
    if (!response.headers.get('content-type')?.includes('text/event-stream'))
      throw new Error(`No stream: ${response.status} ${await response.text()}`);
    void stream.read(response).catch(() => undefined);
    return stream;
  }

  close(): void {
    this.stop.abort();
  }

  async until(holds: (heard: Heard) => boolean): Promise<Heard> {
    for (let i = 0; i < 250; i += 1) {
      const found = this.heard.find(holds);
      if (found) return found;
      await new Promise((next) => setTimeout(next, 20));
    }
    throw new Error(`Not heard. Heard: ${JSON.stringify(this.heard)}`);
  }

  private async read(response: Response): Promise<void> {
    let text = '';
    for await (const chunk of response.body as unknown as AsyncIterable<Uint8Array>) {
      text += Buffer.from(chunk).toString('utf8');
      const blocks = text.split('\n\n');
      text = blocks.pop() ?? '';
      for (const block of blocks) {
        const line = (name: string) => new RegExp(`^${name}:(.*)$`, 'm').exec(block)?.[1]?.trim();
        const event = line('event');
        if (event) this.heard.push({ event, data: JSON.parse(line('data') ?? '{}') });
      }
    }
  }
}
