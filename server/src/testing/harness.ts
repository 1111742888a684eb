import type { Express } from 'express';
import { randomBytes } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import { pino } from 'pino';
import { inject } from 'vitest';
import { createApp } from '../app';
import { Backups } from '../backup/backups';
import { HERE, through } from '../http/entry';
import { Workshop } from '../share/workshop';
import { migrate } from '../db/migrate';
import { createPool, type Pool } from '../db/pool';
import { LiveFeed } from '../live/feed';
import { liveStreams } from '../live/routes';
import { PATIENCE } from '../http/slow-bodies';
import { WorkPool } from '../work/pool';
import type { Addresses } from '../ports/port';

export const MIGRATIONS = join(import.meta.dirname, '../../migrations');

/** A server of the application on a database of its own. */
export interface Harness {
  readonly pool: Pool;
  readonly url: string;
  readonly app: Express;
  readonly backups: Backups;
  /** Its door to others, shut at first. */
  readonly workshop: Workshop;
  call(method: string, path: string, body?: unknown, headers?: Record<string, string>): Promise<Answer>;
  close(): Promise<void>;
}

export interface Answer {
  readonly status: number;
  readonly headers: Headers;
  readonly text: string;
  // A test reads whatever came back.
  // eslint-disable-next-line @typescript-eslint/no-explicit-any
  readonly json: any;
}

/** Makes an empty database in the test cluster and gives its address. */
export async function emptyDatabase(): Promise<string> {
  const url = new URL(inject('databaseUrl'));
  const name = `test_${randomBytes(6).toString('hex')}`;
  const admin = new pg.Client({ connectionString: url.href });
  await admin.connect();
  await admin.query(`create database ${name}`);
  await admin.end();
  url.pathname = `/${name}`;
  return url.href;
}

/** @param before what the database holds already, such as what an earlier build left in it */
export async function startHarness(
  webRoot?: string,
  ports: Addresses = {},
  before: (pool: Pool) => Promise<void> = async () => {},
): Promise<Harness> {
  const log = pino({ level: 'silent' });
  const connectionString = await emptyDatabase();
  const pool = createPool(connectionString, log);
  await before(pool);
  await migrate(pool, MIGRATIONS);
  const feed = new LiveFeed(connectionString, log);
  await feed.start();
  const live = liveStreams(pool, feed, log);
  const work = new WorkPool(inject('workerFile'), 0);
  const folder = mkdtempSync(join(tmpdir(), 'intervex-harness-'));
  const backups = new Backups(pool, join(folder, 'backups'), log);
  const workshop = new Workshop({ pool, log, folder, port: 0 });
  const app = createApp({ pool, log, webRoot, live, ports, work, backups, workshop, migrations: MIGRATIONS });
  // A machine that stands still closes no connection that a test is about to use again.
  const server = createServer({ ...PATIENCE, keepAliveTimeout: 60_000 }, through(HERE, app));
  await workshop.start(app);
  await listening(server);
  const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  return {
    pool,
    url,
    app,
    backups,
    workshop,
    call: (method, path, body, headers) => call(url + path, method, body, headers),
    close: async () => {
      live.close();
      await feed.close();
      await workshop.shut();
      server.closeAllConnections();
      await new Promise((done) => server.close(done));
      await work.close();
      rmSync(folder, { recursive: true, force: true });
      await pool.end();
    },
  };
}

const listening = (server: Server): Promise<void> =>
  new Promise((done) => {
    server.listen(0, '127.0.0.1', () => {
      done();
    });
  });

async function call(
  url: string,
  method: string,
  body: unknown,
  headers: Record<string, string> = {},
): Promise<Answer> {
  const raw = typeof body === 'string' || body === undefined || body instanceof Uint8Array;
  const response = await fetch(url, {
    method,
    headers: { ...(body === undefined ? {} : { 'content-type': 'application/json' }), ...headers },
    ...(body === undefined
      ? {}
      : { body: raw ? (body as string | Uint8Array<ArrayBuffer>) : JSON.stringify(body) }),
  });
  const text = await response.text();
  const json: unknown = response.headers.get('content-type')?.includes('json') ? JSON.parse(text) : undefined;
  return { status: response.status, headers: response.headers, text, json };
}
