import type { ProjectReadings, VariantView } from '@intervex/contract/wire';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from '../lib/paths.mjs';
import { figureOf, type BenchFigure } from './figure';

/** Readings the project is given at least. */
const READINGS = 5000;
const RUNS = 120;
const SEARCHES = ['', 'wheel room', 'caliper donor', 'tape left bump', 'pcd', 'nothing of this kind'];
const JSON_HEAD = { 'content-type': 'application/json' };

/** A project with that many readings, made through the interface. */
async function bigProject(base: string): Promise<string> {
  const file = readFileSync(join(ROOT, 'examples/tern.json'), 'utf8');
  const post = async (path: string, body: string) => {
    const answer = await fetch(`${base}${path}`, { method: 'POST', headers: JSON_HEAD, body });
    if (answer.status !== 201) throw new Error(`${path} answered ${answer.status}.`);
    return (await answer.json()) as VariantView;
  };
  const first = await post('api/plan-files', file);
  const count = Object.values(first.plan.readings).reduce((sum, r) => sum + r.repeats.length, 0);
  for (let i = 1; i * count < READINGS; i += 1)
    await post('api/variants', JSON.stringify({ name: `Way ${i}`, copyOf: first.id, who: 'bench' }));
  return first.projectId;
}

const p95 = (times: readonly number[]): number =>
  [...times].sort((a, b) => a - b)[Math.floor(times.length * 0.95)] ?? Number.NaN;

async function times(address: (i: number) => string): Promise<readonly number[]> {
  const list: number[] = [];
  for (let i = 0; i < RUNS; i += 1) {
    const start = performance.now();
    await (await fetch(address(i))).text();
    if (i >= RUNS / 6) list.push(performance.now() - start);
  }
  return list;
}

/** How long listing and searching a project of thousands of readings takes, over loopback. */
export async function listing(base: string): Promise<BenchFigure> {
  const project = await bigProject(base);
  const address = (i: number) => {
    const find = encodeURIComponent(SEARCHES[i % SEARCHES.length] ?? '');
    return `${base}api/projects/${project}/readings?find=${find}&limit=200`;
  };
  const { of } = (await (await fetch(address(0))).json()) as ProjectReadings;
  const asked = await times(address);
  const health = await times(() => `${base}api/health`);
  await fetch(`${base}api/projects/${project}`, { method: 'DELETE' });
  return figureOf({
    name: `list and search of ${of} readings of one project, 95th percentile`,
    value: p95(asked),
    unit: 'ms',
    target: 50,
    yardstick: { name: 'one request to the server’s health, 95th percentile', value: p95(health), unit: 'ms' },
  });
}
