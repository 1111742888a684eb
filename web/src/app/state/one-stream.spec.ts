import { addressesOf, OneStream, type Heard, type Wish } from './one-stream';

interface Waiting {
  readonly name: string;
  readonly grant: () => Promise<unknown>;
  readonly lost: (error: unknown) => void;
  readonly done: () => void;
}

/** Locks of one browser, as pages see them. */
class FakeLocks {
  private readonly held = new Map<string, Waiting>();
  private readonly queues: Waiting[] = [];

  of(page: FakePage): Pick<LockManager, 'request'> {
    const request = (name: string, ...rest: unknown[]) =>
      new Promise((done, failed) => {
        const grant = rest.at(-1) as () => Promise<unknown>;
        const { steal = false } = (rest.length > 1 ? rest[0] : {}) as LockOptions;
        const waiting: Waiting = {
          name,
          grant,
          lost: failed,
          done: () => {
            done(undefined);
          },
        };
        if (steal) {
          this.held.get(name)?.lost(new DOMException('stolen', 'AbortError'));
          this.held.delete(name);
          this.queues.unshift(waiting);
        } else this.queues.push(waiting);
        page.requests.push(waiting);
        this.next(name);
      });
    return { request } as unknown as Pick<LockManager, 'request'>;
  }

  /** A page that is no more holds nothing. */
  forget(page: FakePage): void {
    for (const waiting of page.requests) {
      const at = this.queues.indexOf(waiting);
      if (at >= 0) this.queues.splice(at, 1);
      if (this.held.get(waiting.name) === waiting) {
        this.held.delete(waiting.name);
        this.next(waiting.name);
      }
    }
  }

  private next(name: string): void {
    const at = this.queues.findIndex((w) => w.name === name);
    const [first] = this.held.has(name) || at < 0 ? [] : this.queues.splice(at, 1);
    if (!first) return;
    this.held.set(name, first);
    void Promise.resolve().then(async () => {
      if (this.held.get(name) !== first) return;
      await first.grant();
      if (this.held.get(name) !== first) return;
      this.held.delete(name);
      first.done();
      this.next(name);
    });
  }
}

/** A stream that the server answers when the test says so. */
class FakeSource extends EventTarget {
  static readonly CLOSED = 2;
  readyState = 0;
  onopen: () => void = () => undefined;
  onerror: () => void = () => undefined;

  constructor(readonly address: string) {
    super();
  }

  get wishes(): readonly Wish[] {
    return JSON.parse(new URL(this.address, 'http://x').searchParams.get('listens') ?? '[]') as Wish[];
  }

  close(): void {
    this.readyState = 2;
  }

  opens(): void {
    this.readyState = 1;
    this.onopen();
  }

  says(event: string, data: object): void {
    this.dispatchEvent(new MessageEvent(event, { data: JSON.stringify(data) }));
  }
}

class FakePage {
  readonly requests: Waiting[] = [];
  readonly heard: Heard[] = [];
  readonly sources: FakeSource[] = [];
  /** Hears nothing of the others and answers nothing. */
  sleeps = false;
  hears: ((data: unknown) => void) | undefined;
  readonly stream: OneStream;

  constructor(private readonly browser: FakeBrowser) {
    const post = (data: unknown) => {
      if (!this.sleeps) browser.post(this, data);
    };
    const channel = { postMessage: post, close: () => undefined, onmessage: null as unknown };
    this.hears = (data) => {
      if (!this.sleeps) (channel.onmessage as ((event: { data: unknown }) => void) | null)?.({ data });
    };
    this.stream = new OneStream({
      locks: browser.locks.of(this),
      channel: channel as unknown as BroadcastChannel,
      source: (address) => {
        const source = new FakeSource(address);
        this.sources.push(source);
        return source as unknown as EventSource;
      },
    });
  }

  get open(): readonly FakeSource[] {
    return this.sources.filter(({ readyState }) => readyState < 2);
  }

  follows(variant: string): () => void {
    return this.stream.listen({ variant, who: 'Ansa' }, (heard) => this.heard.push(heard));
  }

  /** Closed without a word. */
  dies(): void {
    for (const source of this.sources) source.close();
    this.hears = undefined;
    this.browser.pages.delete(this);
    this.browser.locks.forget(this);
  }
}

class FakeBrowser {
  readonly locks = new FakeLocks();
  readonly pages = new Set<FakePage>();

  page(): FakePage {
    const page = new FakePage(this);
    this.pages.add(page);
    return page;
  }

  post(from: FakePage, data: unknown): void {
    const copy: unknown = structuredClone(data);
    for (const page of this.pages) if (page !== from) void Promise.resolve().then(() => page.hears?.(copy));
  }

  get open(): readonly FakeSource[] {
    return [...this.pages].flatMap((page) => page.open);
  }

  /** All that was said is heard, and all streams that were asked for open. */
  async rests(): Promise<void> {
    for (let i = 0; i < 60; i += 1) {
      await vi.advanceTimersByTimeAsync(1);
      for (const source of this.open) if (source.readyState === 0) source.opens();
    }
  }

  /** The server tells whoever asked for a variant. */
  says(event: string, variant: string, data: object): void {
    for (const source of this.open)
      for (const wish of source.wishes)
        if (wish.variant === variant) source.says(event, { ...data, to: wish.to });
  }
}

const revisions = (page: FakePage) =>
  page.heard.filter(({ event }) => event === 'revision').map(({ data }) => data['revision']);

let browser: FakeBrowser;
beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal('EventSource', FakeSource);
  browser = new FakeBrowser();
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('the one stream of a browser', () => {
  it('is one however many pages are open, and tells each what is its own', async () => {
    const pages = Array.from({ length: 20 }, () => browser.page());
    pages.forEach((page, i) => page.follows(`v${i % 3}`));
    await browser.rests();
    expect(browser.open).toHaveLength(1);
    expect(browser.open[0]?.wishes).toHaveLength(20);
    browser.says('revision', 'v1', { revision: 8 });
    await browser.rests();
    pages.forEach((page, i) => {
      expect(revisions(page)).toEqual(i % 3 === 1 ? [8] : []);
      expect(page.heard.some(({ event }) => event === 'opened')).toBe(true);
    });
  });

  it('is taken over when the page that held it is closed, again and again', async () => {
    const pages = Array.from({ length: 6 }, () => browser.page());
    for (const page of pages) page.follows('v');
    await browser.rests();
    for (let left = 5; left > 0; left -= 1) {
      const leader = [...browser.pages].find((page) => page.open.length > 0);
      leader?.dies();
      await browser.rests();
      expect(browser.open).toHaveLength(1);
      expect(browser.open[0]?.wishes).toHaveLength(left);
      browser.says('revision', 'v', { revision: left });
      await browser.rests();
      for (const page of browser.pages) expect(revisions(page).at(-1)).toBe(left);
    }
  });

  it('no longer asks for a page that went without a word', async () => {
    const [first, second] = [browser.page(), browser.page()];
    first.follows('a');
    second.follows('b');
    await browser.rests();
    second.dies();
    await browser.rests();
    expect(browser.open.flatMap(({ wishes }) => wishes.map(({ variant }) => variant))).toEqual(['a']);
  });

  it('keeps the streams that it has until the next are open', async () => {
    const [first, second] = [browser.page(), browser.page()];
    first.follows('a');
    await browser.rests();
    const [before] = browser.open;
    second.follows('b');
    await vi.advanceTimersByTimeAsync(5);
    expect(browser.open).toHaveLength(2);
    before?.says('revision', { revision: 3, to: before.wishes[0]?.to });
    expect(revisions(first)).toEqual([3]);
    await browser.rests();
    expect(before?.readyState).toBe(2);
    expect(browser.open).toHaveLength(1);
  });

  it('goes to another page where the one that holds it does not answer, which listens by that one when it wakes', async () => {
    const [first, second] = [browser.page(), browser.page()];
    first.follows('v');
    await browser.rests();
    first.sleeps = true;
    second.follows('v');
    await vi.advanceTimersByTimeAsync(4100);
    await browser.rests();
    expect(second.open).toHaveLength(1);
    browser.says('revision', 'v', { revision: 5 });
    expect(revisions(second)).toEqual([5]);
    first.sleeps = false;
    first.stream.wakes();
    await browser.rests();
    expect(browser.open).toHaveLength(1);
    browser.says('revision', 'v', { revision: 6 });
    await browser.rests();
    expect(revisions(first).at(-1)).toBe(6);
  });

  it('goes on from one to the next, each time the one that holds it does not answer', async () => {
    const [first, second] = [browser.page(), browser.page()];
    first.follows('v');
    second.follows('v');
    await browser.rests();
    for (const [sleeps, wakes] of [
      [first, second],
      [second, first],
      [first, second],
    ] as const) {
      sleeps.sleeps = true;
      wakes.stream.wakes();
      await vi.advanceTimersByTimeAsync(4100);
      await browser.rests();
      browser.says('revision', 'v', { revision: 5 });
      expect(wakes.open).toHaveLength(1);
      expect(revisions(wakes).at(-1)).toBe(5);
      sleeps.sleeps = false;
      sleeps.stream.wakes();
      await browser.rests();
      expect(browser.open).toHaveLength(1);
    }
  });

  it('says that it was cut, and is asked for again after a refusal', async () => {
    const [first, second] = [browser.page(), browser.page()];
    first.follows('v');
    second.follows('v');
    await browser.rests();
    const [source] = browser.open;
    if (source) source.readyState = 2;
    source?.onerror();
    await vi.advanceTimersByTimeAsync(5);
    for (const page of [first, second]) expect(page.heard.at(-1)?.event).toBe('dropped');
    await vi.advanceTimersByTimeAsync(1500);
    await browser.rests();
    expect(browser.open).toHaveLength(1);
    for (const page of [first, second]) expect(page.heard.at(-1)?.event).toBe('opened');
  });

  it('is let go when nobody listens any more', async () => {
    const page = browser.page();
    const stop = page.follows('v');
    await browser.rests();
    stop();
    expect(browser.open).toEqual([]);
  });

  it('is each page’s own where the browser has no locks', () => {
    const opened: string[] = [];
    const alone = new OneStream({
      source: (address) => {
        opened.push(address);
        return new FakeSource(address) as unknown as EventSource;
      },
    });
    alone.listen({ variant: 'v', who: 'Ansa' }, () => undefined);
    expect(opened).toHaveLength(1);
  });
});

describe('addresses', () => {
  it('are one for twenty pages, and never longer than a server reads', () => {
    const wishes = (count: number, who: string): Wish[] =>
      Array.from({ length: count }, (_, i) => ({
        ...{ to: `${i}`.padStart(36, '0'), who, variant: '7d0c2f4e-1111-4c9a-9d2e-3b1f0a8c5e77' },
      }));
    expect(addressesOf(wishes(20, 'Ansa Pell'))).toHaveLength(1);
    const many = addressesOf(wishes(150, 'Ansa Pell é é é'));
    expect(Math.max(...many.map((address) => address.length))).toBeLessThan(8100);
    const all = many.flatMap((address) => new FakeSource(address).wishes);
    expect(all).toHaveLength(150);
    expect(many.length).toBeLessThan(6);
  });
});
