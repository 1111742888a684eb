import { readdirSync, readFileSync } from 'node:fs';
import { setTimeout as sleep } from 'node:timers/promises';

const JSON_HEAD = { 'content-type': 'application/json' };

/** An answer, or nothing where there was none. */
interface Said {
  readonly status: number;
  readonly ms: number;
  readonly text: string;
}

/** Asks, and tells how it was answered; 0 where it was not. */
export async function ask(address: string, init: RequestInit = {}): Promise<Said> {
  const began = performance.now();
  try {
    const answer = await fetch(address, { ...init, headers: { ...JSON_HEAD, ...init.headers } });
    const text = await answer.text();
    return { status: answer.status, ms: performance.now() - began, text };
  } catch {
    return { status: 0, ms: performance.now() - began, text: '' };
  }
}

/** Waits until it holds. @throws Error that says what was waited for */
export async function until(what: string, holds: () => Promise<boolean> | boolean, ms = 60_000): Promise<void> {
  const end = Date.now() + ms;
  while (Date.now() < end) {
    if (await holds()) return;
    await sleep(50);
  }
  throw new Error(`Waited ${ms / 1000} s for ${what}.`);
}

/** The server’s process of an application on a port. */
export function serverOf(port: number): number | undefined {
  const found = readdirSync('/proc').find((name) => {
    try {
      return (
        /^\d+$/.test(name) &&
        readFileSync(`/proc/${name}/cmdline`, 'utf8').includes('server/dist/main.js') &&
        readFileSync(`/proc/${name}/environ`, 'utf8').split('\0').includes(`PORT=${port}`)
      );
    } catch {
      return false;
    }
  });
  return found === undefined ? undefined : Number(found);
}

/** Memory of a process that is in use, MB. */
export function memoryOf(pid: number): number {
  const line = /VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'));
  return Math.round(Number(line?.[1] ?? 0) / 1024);
}

interface View {
  readonly id: string;
  readonly revision: number;
  readonly plan: {
    readonly readings: Readonly<Record<string, { readonly repeats: readonly { readonly value: number }[] }>>;
  };
}

const valueOf = (view: View): number => view.plan.readings['donor.half.left']?.repeats[0]?.value ?? 0;

/** Somebody who saves one value after the other, and remembers every one that the server said yes to. */
export class Writer {
  acknowledged = 0;
  /** The newest value that was said yes to, and all that were sent since. */
  private kept = 0;
  private readonly sent = new Set<number>();
  private view: View | undefined;

  private constructor(
    private readonly base: string,
    private readonly id: string,
  ) {}

  static async begin(base: string, name: string): Promise<Writer> {
    const made = await ask(`${base}api/projects`, {
      method: 'POST',
      body: JSON.stringify({ name, variant: 'First way', who: 'trial' }),
    });
    if (made.status !== 201) throw new Error(`A project was not begun: ${made.status} ${made.text}`);
    return new Writer(base, (JSON.parse(made.text) as View).id);
  }

  /** Saves once. @returns the status; 0 where there was no answer */
  async save(): Promise<number> {
    const view = this.view ?? (await this.read());
    if (!view) return 0;
    const value = Number((600 + (view.revision % 1000) * 0.25 + Math.random() / 100).toFixed(4));
    const readings = { ...view.plan.readings, 'donor.half.left': { repeats: [{ value }], instrument: 'tape' } };
    this.sent.add(value);
    const { status, text } = await ask(`${this.base}api/variants/${this.id}/plan`, {
      method: 'PUT',
      body: JSON.stringify({ baseRevision: view.revision, plan: { ...view.plan, readings }, who: 'trial' }),
    });
    this.view = undefined;
    if (status !== 200) return status;
    this.acknowledged += 1;
    this.kept = value;
    this.sent.clear();
    this.view = JSON.parse(text) as View;
    return status;
  }

  private async read(): Promise<View | undefined> {
    const { status, text } = await ask(`${this.base}api/variants/${this.id}`);
    return status === 200 ? (JSON.parse(text) as View) : undefined;
  }

  /** Whether what stands now is what was said yes to last, or was sent since without an answer. */
  async lost(): Promise<boolean> {
    const view = await this.read();
    if (!view) return true;
    this.view = view;
    const value = valueOf(view);
    return this.acknowledged > 0 && value !== this.kept && !this.sent.has(value);
  }
}

/** Whether the application answers and its database too. */
export const healthy = async (base: string): Promise<boolean> =>
  (await ask(`${base}api/health`)).status === 200;
