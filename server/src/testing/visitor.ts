import { randomUUID } from 'node:crypto';
import { request as plain, type IncomingMessage } from 'node:http';
import { request as tls } from 'node:https';
import { listenAddress } from './stream';

interface Heard {
  readonly status: number;
  readonly text: string;
  // A test reads whatever came back.
  // eslint-disable-next-line @typescript-eslint/no-explicit-any
  readonly json: any;
}

/** A browser somewhere in the workshop: it keeps cookies, and takes the certificate of our own. */
export class Visitor {
  private readonly cookies = new Map<string, string>();

  constructor(private readonly url: string) {}

  async call(
    method: string,
    path: string,
    body?: unknown,
    headers: Record<string, string> = {},
  ): Promise<Heard> {
    const answer = await this.ask(method, path, body, headers);
    const parts: Buffer[] = [];
    for await (const part of answer as AsyncIterable<Buffer>) parts.push(part);
    const text = Buffer.concat(parts).toString('utf8');
    const json: unknown = answer.headers['content-type']?.includes('json') ? JSON.parse(text) : undefined;
    return { status: answer.statusCode ?? 0, text, json };
  }

  /** Only how it was answered; what streams on is left. */
  async status(
    method: string,
    path: string,
    body?: unknown,
    headers: Record<string, string> = {},
  ): Promise<number> {
    const answer = await this.ask(method, path, body, headers);
    answer.destroy();
    return answer.statusCode ?? 0;
  }

  /** A stream of server-sent events, until it ends. */
  async stream(path: string): Promise<{ readonly ended: Promise<void> }> {
    const answer = await this.ask('GET', path, undefined, {});
    if (answer.statusCode !== 200) throw new Error(`No stream: ${answer.statusCode ?? 0}`);
    answer.resume();
    return {
      ended: new Promise((done) => {
        answer.once('close', () => {
          done();
        });
      }),
    };
  }

  /** Whether it may listen to something: `told`, or why not. */
  async listensTo(what: { readonly variant: string } | { readonly instrument: string }): Promise<string> {
    const [mine, last] = [randomUUID(), randomUUID()];
    // A second one that nobody may have: told of after the first.
    const path = listenAddress({ to: mine, ...what }, { to: last, variant: randomUUID() });
    const text = await this.hears(path, (said) => said.includes(last) && said.endsWith('\n\n'));
    const refusals = text
      .split('\n\n')
      .filter((block) => /^event: ?refused$/m.test(block))
      .map((block) => JSON.parse(/^data: ?(.*)$/m.exec(block)?.[1] ?? '{}') as { to: string; error: string });
    return refusals.find(({ to }) => to === mine)?.error ?? 'told';
  }

  /** What a stream says, until it has said enough. */
  async hears(path: string, enough: (text: string) => boolean): Promise<string> {
    const answer = await this.ask('GET', path, undefined, {});
    let text = '';
    for await (const part of answer as AsyncIterable<Buffer>) {
      text += part.toString('utf8');
      if (enough(text)) break;
    }
    answer.destroy();
    return text;
  }

  private ask(
    method: string,
    path: string,
    body: unknown,
    headers: Record<string, string>,
  ): Promise<IncomingMessage> {
    const url = new URL(path, this.url);
    const cookie = [...this.cookies].map(([name, value]) => `${name}=${value}`).join('; ');
    const text = body === undefined || Buffer.isBuffer(body) ? body : JSON.stringify(body);
    const all = {
      ...(cookie && { cookie }),
      ...(text && { 'content-type': 'application/json', 'content-length': String(Buffer.byteLength(text)) }),
      ...headers,
    };
    return new Promise((done, failed) => {
      const send = url.protocol === 'https:' ? tls : plain;
      const sent = send(url, { method, headers: all, rejectUnauthorized: false }, (answer) => {
        for (const line of answer.headers['set-cookie'] ?? []) {
          const [pair = ''] = line.split(';');
          this.cookies.set(pair.slice(0, pair.indexOf('=')), pair.slice(pair.indexOf('=') + 1));
        }
        done(answer);
      });
      sent.once('error', failed);
      sent.end(text);
    });
  }
}
