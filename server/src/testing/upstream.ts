import { createServer, type RequestListener } from 'node:http';
import type { AddressInfo } from 'node:net';

/** A small outside service on loopback that answers as a test wants. */
export interface Upstream {
  readonly url: string;
  /** Answers from now on. */
  answer: RequestListener;
  /** Paths asked for, oldest first. */
  readonly asked: string[];
  close(): Promise<void>;
}

export async function startUpstream(): Promise<Upstream> {
  const asked: string[] = [];
  const server = createServer((request, response) => {
    asked.push(`${request.method ?? ''} ${request.url ?? ''}`);
    upstream.answer(request, response);
  });
  await new Promise<void>((done) => {
    server.listen(0, '127.0.0.1', done);
  });
  const upstream: Upstream = {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    answer: (_request, response) => response.end(),
    asked,
    close: async () => {
      server.closeAllConnections();
      await new Promise((done) => server.close(done));
    },
  };
  return upstream;
}

/** Answers everything with this value as JSON. */
export const withJson =
  (value: unknown, status = 200): RequestListener =>
  (_request, response) => {
    response.writeHead(status, { 'content-type': 'application/json' }).end(JSON.stringify(value));
  };
