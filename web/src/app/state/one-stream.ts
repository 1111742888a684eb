/** What a page wants to be told of, as the server takes it. */
export interface Wish {
  /** Name of who asks; what is told carries it. */
  readonly to: string;
  readonly who: string;
  readonly variant?: string;
  readonly instrument?: string;
}

/** What the server tells one page. */
export interface Heard {
  readonly event: string;
  readonly data: Readonly<Record<string, unknown>>;
}
type Hears = (heard: Heard) => void;

/** What the pages of one browser tell one another. */
type Word =
  /** A page says all that it wants. */
  | { readonly kind: 'wants'; readonly page: string; readonly wishes: readonly Wish[] }
  /** The page that leads has heard what a page wants. */
  | { readonly kind: 'heeds'; readonly page: string }
  /** A page begins to lead: all say what they want. */
  | { readonly kind: 'leads' }
  | { readonly kind: 'told'; readonly to: string; readonly heard: Heard }
  /** The stream opened, or was cut. */
  | { readonly kind: 'line'; readonly event: 'opened' | 'dropped' };

/** Parts of the browser that are used; tests put their own in. */
export interface Browser {
  readonly locks?: Pick<LockManager, 'request'>;
  readonly channel?: BroadcastChannel;
  source(address: string): EventSource;
}

/** Events that the server tells a page. */
const EVENTS = [
  'revision',
  'people',
  'listed',
  'restored',
  'away',
  'back',
  'value',
  'unread',
  'lost',
  'refused',
];
/** Pause before streams that were refused are tried again, ms. */
const RETRY_MS = 1500;
/** A page that leads answers within this, or another takes its place, ms. */
const HEEDS_MS = 4000;
/** Longest address: servers read no longer head than 16 kB. */
const LONGEST = 8000;

const LEADS = 'intervex leads the stream';
const LIVES = 'intervex listens ';

/** Addresses of the streams that carry all wishes: one, save where its address would be too long. */
export function addressesOf(wishes: readonly Wish[]): readonly string[] {
  const parts: string[][] = [];
  let length = LONGEST;
  for (const wish of [...wishes].sort((a, b) => a.to.localeCompare(b.to))) {
    const text = JSON.stringify(wish);
    length += encodeURIComponent(text).length + 3;
    if (length > LONGEST) {
      parts.push([]);
      length = encodeURIComponent(text).length;
    }
    parts.at(-1)?.push(text);
  }
  return parts.map((part) => `/api/live?listens=${encodeURIComponent(`[${part.join(',')}]`)}`);
}

/** Streams that are held together. */
class Streams {
  private readonly sources: readonly EventSource[];
  private readonly opened = new Set<EventSource>();

  constructor(
    readonly addresses: readonly string[],
    browser: Browser,
    hears: (to: string, heard: Heard) => void,
    stands: (state: 'opened' | 'dropped' | 'refused') => void,
  ) {
    this.sources = addresses.map((address) => browser.source(address));
    for (const source of this.sources) {
      source.onopen = () => {
        this.opened.add(source);
        if (this.opened.size === this.sources.length) stands('opened');
      };
      source.onerror = () => {
        this.opened.delete(source);
        // The browser comes back by itself, except where the answer was a refusal.
        stands(source.readyState === EventSource.CLOSED ? 'refused' : 'dropped');
      };
      for (const event of EVENTS)
        source.addEventListener(event, ({ data }: MessageEvent<string>) => {
          const { to, ...rest } = JSON.parse(data) as { to: string } & Record<string, unknown>;
          hears(to, { event, data: rest });
        });
    }
  }

  close(): void {
    for (const source of this.sources) source.close();
  }
}

/**
 * The one stream of server-sent events that all pages of a browser share, so that however many are open, enough of the
 * browser’s few connections is left to save by. One page leads: it holds the stream and hands on what is told. When it is
 * closed, or sleeps, another takes its place. Where the browser has no locks or channels each page leads for itself.
 */
export class OneStream {
  private readonly page = crypto.randomUUID();
  private readonly own = new Map<string, { readonly wish: Wish; readonly hears: Hears }>();
  private readonly others = new Map<string, readonly Wish[]>();
  private leads = false;
  private begun = false;
  private closed = false;
  private held: Streams | undefined;
  private opening: Streams | undefined;
  /** Others can tell that this page lives. */
  private lives = false;
  private unheeded: ReturnType<typeof setTimeout> | undefined;
  private letGo: (() => void)[] = [];

  constructor(private readonly browser: Browser) {}

  /** Is told of a variant or an instrument. @returns how that ends */
  listen(wish: Omit<Wish, 'to'>, hears: Hears): () => void {
    const to = crypto.randomUUID();
    this.own.set(to, { wish: { ...wish, to }, hears });
    this.begin();
    this.changed();
    return () => {
      if (this.own.delete(to)) this.changed();
    };
  }

  /** The page was looked at again: whoever leads may have slept meanwhile. */
  wakes(): void {
    if (this.begun) this.changed();
  }

  close(): void {
    this.closed = true;
    clearTimeout(this.unheeded);
    this.drop();
    for (const go of this.letGo) go();
    this.browser.channel?.close();
  }

  private begin(): void {
    if (this.begun) return;
    this.begun = true;
    const { channel, locks } = this.browser;
    if (!channel || !locks) {
      this.lead();
      return;
    }
    channel.onmessage = ({ data }: MessageEvent<Word>) => {
      this.hear(data);
    };
    void locks.request(LIVES + this.page, () => {
      this.lives = true;
      this.changed();
      return this.untilClosed();
    });
    this.queue();
  }

  private readonly untilClosed = () => new Promise<void>((go) => this.letGo.push(go));

  /** Leads once nobody else does, or at once in the place of one who does not answer. */
  private queue(steal = false): void {
    this.browser.locks
      ?.request(LEADS, { steal }, () => {
        this.lead();
        return this.untilClosed();
      })
      .catch(() => {
        // Another page took the lead.
        this.leads = false;
        this.drop();
        if (this.closed) return;
        this.queue();
        this.changed();
      });
  }

  private lead(): void {
    if (this.closed) return;
    this.heeded();
    this.leads = true;
    this.say({ kind: 'leads' });
    this.connect();
  }

  private heeded(): void {
    clearTimeout(this.unheeded);
    this.unheeded = undefined;
  }

  private drop(): void {
    this.held?.close();
    this.opening?.close();
    this.held = this.opening = undefined;
    this.others.clear();
  }

  private say(word: Word): void {
    if (!this.closed) this.browser.channel?.postMessage(word);
  }

  private changed(): void {
    if (this.leads) this.connect();
    else if (this.lives && !this.closed) {
      this.say({ kind: 'wants', page: this.page, wishes: [...this.own.values()].map(({ wish }) => wish) });
      this.unheeded ??= setTimeout(() => {
        this.unheeded = undefined;
        if (!this.leads && !this.closed) this.queue(true);
      }, HEEDS_MS);
    }
  }

  private hear(word: Word): void {
    switch (word.kind) {
      case 'wants':
        if (this.leads) this.heed(word.page, word.wishes);
        return;
      case 'heeds':
        if (word.page !== this.page) return;
        this.heeded();
        return;
      case 'leads':
        this.changed();
        return;
      case 'told':
        this.own.get(word.to)?.hears(word.heard);
        return;
      case 'line':
        this.line(word.event);
    }
  }

  private heed(page: string, wishes: readonly Wish[]): void {
    // Its lock is had once it is no more.
    if (!this.others.has(page))
      void this.browser.locks?.request(LIVES + page, () => {
        if (this.others.delete(page)) this.connect();
      });
    this.others.set(page, wishes);
    this.say({ kind: 'heeds', page });
    this.connect();
  }

  private line(event: 'opened' | 'dropped'): void {
    for (const { hears } of [...this.own.values()]) hears({ event, data: {} });
  }

  private tellLine(event: 'opened' | 'dropped'): void {
    this.line(event);
    this.say({ kind: 'line', event });
  }

  /** Holds the streams that all wishes need. Those held until then go only when the next are open: nothing is missed. */
  private connect(): void {
    if (!this.leads || this.closed || this.opening) return;
    const own = [...this.own.values()].map(({ wish }) => wish);
    const addresses = addressesOf([...own, ...[...this.others.values()].flat()]);
    if (JSON.stringify(addresses) === JSON.stringify(this.held?.addresses ?? [])) return;
    if (addresses.length === 0) {
      this.held?.close();
      this.held = undefined;
      return;
    }
    const next: Streams = new Streams(
      addresses,
      this.browser,
      (to, heard) => {
        const mine = this.own.get(to);
        if (mine) mine.hears(heard);
        else this.say({ kind: 'told', to, heard });
      },
      (state) => {
        this.stands(next, state);
      },
    );
    this.opening = next;
  }

  private stands(streams: Streams, state: 'opened' | 'dropped' | 'refused'): void {
    if (streams !== this.opening && streams !== this.held) return;
    if (state === 'opened') {
      if (streams === this.opening) {
        this.held?.close();
        this.held = streams;
        this.opening = undefined;
      }
      this.tellLine('opened');
      this.connect();
      return;
    }
    if (state === 'refused') {
      streams.close();
      if (streams === this.opening) this.opening = undefined;
      else this.held = undefined;
      setTimeout(() => {
        this.connect();
      }, RETRY_MS);
    }
    // While others still carry what is told, nothing is lost.
    if (streams === this.held || !this.held) this.tellLine('dropped');
  }
}
