import type { Session } from 'better-sse';

/** One page’s part of the stream that its browser holds: what is said on it carries the page’s name. */
export class Line {
  constructor(
    private readonly session: Session,
    /** Name the page gave itself. */
    private readonly to: string,
    /** Says that the stream is gone. */
    readonly gone: AbortSignal,
  ) {}

  get isOpen(): boolean {
    return this.session.isConnected;
  }

  push(data: object, event: string): void {
    if (this.isOpen) this.session.push({ ...data, to: this.to }, event);
  }
}

/**
 * Looks whether an instrument can be listened to.
 *
 * @returns how its values are told on a line, until that is gone
 * @throws Refused where there is none such, or it cannot be heard
 */
export type Listens = (instrument: string) => Promise<(line: Line) => void>;
