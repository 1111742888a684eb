import express from 'express';
import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import pg from 'pg';
import { ROOT } from '../lib/paths.mjs';
import { figureOf, type BenchFigure } from './figure';

const JSON_HEAD = { 'content-type': 'application/json' };
/** Requests of one turn, and turns; ours and the yardstick’s go in turns, so that both have the same machine. */
const SAVES = 40;
const READS = 200;
const TURNS = 5;

interface Side {
  save(n: number): Promise<void>;
  read(): Promise<void>;
}

async function asked(address: string, init: RequestInit = {}): Promise<string> {
  const answer = await fetch(address, { ...init, headers: JSON_HEAD });
  if (!answer.ok) throw new Error(`${address} answered ${answer.status}: ${await answer.text()}`);
  return answer.text();
}

/** The demo plan with one reading moved. */
function moved(text: string, n: number): unknown {
  const plan = JSON.parse(text) as { readings: Record<string, { repeats: { value: number }[] }> };
  const first = Object.values(plan.readings)[0]?.repeats[0];
  if (first) first.value = Number((first.value + n * 0.01).toFixed(2));
  return plan;
}

/** Ours: a plan of its own, saved and read through the interface. */
async function ours(base: string, file: string): Promise<Side & { done: () => Promise<void> }> {
  const made = JSON.parse(await asked(`${base}api/plan-files`, { method: 'POST', body: file })) as {
    id: string;
    projectId: string;
    plan: unknown;
  };
  const text = JSON.stringify(made.plan);
  let baseRevision = 1;
  return {
    async save(n) {
      const body = JSON.stringify({ baseRevision, plan: moved(text, n), who: 'bench' });
      const said = await asked(`${base}api/variants/${made.id}/plan`, { method: 'PUT', body });
      baseRevision = (JSON.parse(said) as { revision: number }).revision;
    },
    async read() {
      await asked(`${base}api/variants/${made.id}`);
    },
    async done() {
      await asked(`${base}api/projects/${made.projectId}`, { method: 'DELETE' });
    },
  };
}

/** The yardstick: bare Express and node-postgres with the same two statements, on the same database. */
async function bare(url: string, file: string): Promise<Side & { done: () => Promise<void> }> {
  const pool = new pg.Pool({ connectionString: url, max: 10 });
  await pool.query('drop schema if exists bench_yardstick cascade');
  await pool.query('create schema bench_yardstick');
  await pool.query('create table bench_yardstick.heads (id int primary key, head int not null)');
  await pool.query(
    'create table bench_yardstick.plans (id int, revision int, plan jsonb not null, primary key (id, revision))',
  );
  const { plan } = JSON.parse(file) as { plan: unknown };
  const text = JSON.stringify(plan);
  await pool.query('insert into bench_yardstick.heads values (1, 1)');
  await pool.query('insert into bench_yardstick.plans values (1, 1, $1)', [text]);
  const app = express();
  app.put('/plan', express.json({ limit: '1mb' }), async (request, response) => {
    const { revision, plan: sent } = request.body as { revision: number; plan: unknown };
    const client = await pool.connect();
    await client.query('begin');
    await client.query('insert into bench_yardstick.plans values (1, $1, $2)', [
      revision,
      JSON.stringify(sent),
    ]);
    await client.query('update bench_yardstick.heads set head = $1 where id = 1', [revision]);
    await client.query('commit');
    client.release();
    response.json({ revision, plan: sent });
  });
  app.get('/plan', async (_request, response) => {
    const { rows } = await pool.query(
      'select h.head, p.plan from bench_yardstick.heads h join bench_yardstick.plans p on p.id = h.id and p.revision = h.head where h.id = 1',
    );
    response.json(rows[0]);
  });
  const server = createServer(app);
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  let revision = 1;
  return {
    async save(n) {
      revision += 1;
      const body = JSON.stringify({ revision, plan: moved(text, n), who: 'bench' });
      JSON.parse(await asked(`${base}/plan`, { method: 'PUT', body }));
    },
    async read() {
      await asked(`${base}/plan`);
    },
    async done() {
      server.closeAllConnections();
      await new Promise((closed) => server.close(closed));
      await pool.query('drop schema bench_yardstick cascade');
      await pool.end();
    },
  };
}

/** Requests a second of each side, in turns: the median turn. */
async function rates(sides: readonly Side[], count: number, ask: (side: Side, n: number) => Promise<void>) {
  const turns = sides.map((): number[] => []);
  let n = 0;
  for (let turn = 0; turn <= TURNS; turn += 1)
    for (const [i, side] of sides.entries()) {
      const began = performance.now();
      for (let k = 0; k < count; k += 1) await ask(side, (n += 1));
      // The first turn warms up.
      if (turn > 0) turns[i]?.push((1000 * count) / (performance.now() - began));
    }
  return turns.map((list) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)] ?? Number.NaN);
}

/** How near saves and reads of the demo plan come to bare Express and node-postgres, one after the other. */
export async function serving(base: string, databaseUrl: string): Promise<readonly BenchFigure[]> {
  const file = readFileSync(join(ROOT, 'examples/tern.json'), 'utf8');
  const [mine, plain] = [await ours(base, file), await bare(databaseUrl, file)];
  const [save = 0, bareSave = 0] = await rates([mine, plain], SAVES, (side, n) => side.save(n));
  const [read = 0, bareRead = 0] = await rates([mine, plain], READS, (side) => side.read());
  await mine.done();
  await plain.done();
  return [
    figureOf({
      name: 'saves of the demo plan a second; at least 0.7 of the yardstick',
      value: save,
      unit: '1/s',
      target: 0.7 * bareSave,
      more: true,
      yardstick: {
        name: 'bare Express and node-postgres, the same two statements',
        value: bareSave,
        unit: '1/s',
      },
    }),
    figureOf({
      name: 'reads of the demo plan a second; at least 0.9 of the yardstick',
      value: read,
      unit: '1/s',
      target: 0.9 * bareRead,
      more: true,
      yardstick: { name: 'bare Express and node-postgres, one statement', value: bareRead, unit: '1/s' },
    }),
  ];
}
