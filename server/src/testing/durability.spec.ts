import { EMPTY_PLAN, type Plan } from '@intervex/core';
import type { VariantView } from '@intervex/contract';
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { freePort, startCluster } from '../../../tools/lib/cluster.mjs';

type Cluster = Awaited<ReturnType<typeof startCluster>>;

const WRITERS = 4;
const ROUNDS = 3;
/** A round is cut off when the writers together have had this many answers more. */
const ANSWERS_PER_ROUND = 30;

let folder = '';
let cluster: Cluster;
let port = 0;
let server: ChildProcess | undefined;

const url = () => `http://127.0.0.1:${port}`;
const gone = (child: ChildProcess) => new Promise((done) => child.once('exit', done));

/** Starts the real server process and waits until it answers. */
async function startServer(): Promise<void> {
  const file = join(import.meta.dirname, '../main.ts');
  const env = { ...process.env, PORT: String(port), DATABASE_URL: cluster.url, LOG_LEVEL: 'silent' };
  server = spawn(process.execPath, ['--import', 'tsx', file], { env, stdio: 'ignore' });
  await answering(200);
}

/** Waits until the health of the server has this status. */
async function answering(status: number): Promise<void> {
  for (let i = 0; i < 300; i += 1) {
    const answer = await fetch(`${url()}/api/health`).catch(() => undefined);
    if (answer?.status === status) return;
    await sleep(100);
  }
  throw new Error(`The server did not answer with ${status}.`);
}

const planWith = (value: number): Plan => ({
  ...EMPTY_PLAN,
  readings: { 'donor.half.left': { repeats: [{ value }], instrument: 'tape' } },
});
const valueOf = (plan: Plan) => plan.readings['donor.half.left']?.repeats[0]?.value;

async function newVariant(name: string): Promise<string> {
  const answer = await fetch(`${url()}/api/projects`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name, variant: 'First way', who: 'Ansa' }),
  });
  return ((await answer.json()) as VariantView).id;
}

/** Somebody who saves one value after the other and remembers every one the server said yes to. */
class Writer {
  readonly acknowledged = new Map<number, number>();
  revision = 1;
  value = 600;

  constructor(readonly id: string) {}

  async saveOnce(): Promise<boolean> {
    this.value += 0.25;
    const sent = this.value;
    const body = JSON.stringify({ baseRevision: this.revision, plan: planWith(sent), who: 'Ansa' });
    const answer = await fetch(`${url()}/api/variants/${this.id}/plan`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body,
    }).catch(() => undefined);
    if (answer?.status !== 200) return false;
    const view = (await answer.json().catch(() => undefined)) as VariantView | undefined;
    if (!view) return false;
    this.revision = view.revision;
    this.acknowledged.set(view.revision, sent);
    return true;
  }

  /** Takes up again from what the server holds; a save without an answer may or may not be in. */
  async resume(): Promise<void> {
    const view = (await (await fetch(`${url()}/api/variants/${this.id}`)).json()) as VariantView;
    expect(view.revision).toBeGreaterThanOrEqual(this.revision);
    expect(view.revision).toBeLessThanOrEqual(this.revision + 1);
    this.revision = view.revision;
  }
}

/** Lets all writers write at once and runs `strike` in the middle of it. */
async function strikeWhileWriting(writers: readonly Writer[], strike: () => void): Promise<void> {
  let answers = 0;
  let struck = false;
  await Promise.all(
    writers.map(async (writer) => {
      while (await writer.saveOnce()) {
        answers += 1;
        if (answers < ANSWERS_PER_ROUND || struck) continue;
        struck = true;
        strike();
      }
    }),
  );
  expect(struck).toBe(true);
}

/** Every acknowledged save is a revision with its value, and no number is missing. */
async function nothingLost(writers: readonly Writer[]): Promise<void> {
  const client = new pg.Client({ connectionString: cluster.url });
  await client.connect();
  for (const writer of writers) {
    const { rows } = await client.query<{ revision: number; plan: Plan }>(
      'select revision, plan from plan_revisions where variant_id = $1 order by revision',
      [writer.id],
    );
    expect(rows.map((r) => r.revision)).toEqual(rows.map((_, i) => i + 1));
    const stored = new Map(rows.map((r) => [r.revision, valueOf(r.plan)]));
    for (const [revision, value] of writer.acknowledged) expect(stored.get(revision)).toBe(value);
  }
  await client.end();
}

describe('killed in the middle of writes', () => {
  let writers: readonly Writer[] = [];

  beforeAll(async () => {
    folder = mkdtempSync(join(tmpdir(), 'intervex-durable-'));
    cluster = await startCluster(folder);
    port = await freePort();
    await startServer();
    const ids = await Promise.all(Array.from({ length: WRITERS }, (_, i) => newVariant(`Writer ${i + 1}`)));
    writers = ids.map((id) => new Writer(id));
  });

  afterAll(async () => {
    if (server && server.exitCode === null) {
      const ended = gone(server);
      server.kill('SIGTERM');
      await ended;
    }
    await cluster.stop();
    rmSync(folder, { recursive: true, force: true });
  });

  it('the server loses no change it said yes to', async () => {
    for (let round = 0; round < ROUNDS; round += 1) {
      const running = server as ChildProcess;
      const ended = gone(running);
      await strikeWhileWriting(writers, () => running.kill('SIGKILL'));
      await ended;
      await startServer();
      await nothingLost(writers);
      await Promise.all(writers.map((w) => w.resume()));
    }
  });

  it('the database loses none either, and the server says 503 meanwhile and goes on by itself', async () => {
    for (let round = 0; round < ROUNDS; round += 1) {
      await strikeWhileWriting(writers, () => process.kill(cluster.pid, 'SIGKILL'));
      await answering(503);
      const away = await fetch(`${url()}/api/projects`);
      expect(away.status).toBe(503);
      const said = (await away.json()) as { error: string; message: string };
      expect(said.error).toBe('unavailable');
      expect(JSON.stringify(said)).not.toMatch(/postgres|ECONN|:\d{4}/i);
      cluster = await cluster.restart();
      await answering(200);
      await nothingLost(writers);
      await Promise.all(writers.map((w) => w.resume()));
    }
    expect(writers.reduce((sum, w) => sum + w.acknowledged.size, 0)).toBeGreaterThan(
      2 * ROUNDS * ANSWERS_PER_ROUND - 1,
    );
  });
});
