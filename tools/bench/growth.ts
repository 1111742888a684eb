import pg from 'pg';
import { figureOf, type BenchFigure } from './figure';

const JSON_HEAD = { 'content-type': 'application/json' };
const RUNS = 60;
const PROJECTS = 10_000;
const REVISIONS = 5000;

interface View {
  readonly id: string;
  readonly revision: number;
  readonly plan: { readonly readings: Readonly<Record<string, unknown>> };
}

const p95 = (times: readonly number[]): number =>
  [...times].sort((a, b) => a - b)[Math.floor(times.length * 0.95)] ?? Number.NaN;

async function asked<T>(address: string, method = 'GET', body?: unknown): Promise<T> {
  const answer = await fetch(address, {
    method,
    headers: JSON_HEAD,
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  });
  if (!answer.ok) throw new Error(`${address} answered ${answer.status}.`);
  return (await answer.json()) as T;
}

interface Times {
  readonly open: number;
  readonly save: number;
  readonly undo: number;
  readonly list: number;
  readonly search: number;
}

/** How long the work of a day takes, 95th percentile, ms. */
async function day(base: string, id: string): Promise<Times> {
  const times = {
    open: [] as number[],
    save: [] as number[],
    undo: [] as number[],
    list: [] as number[],
    search: [] as number[],
  };
  const taken = async <T>(of: keyof typeof times, work: () => Promise<T>): Promise<T> => {
    const began = performance.now();
    const done = await work();
    times[of].push(performance.now() - began);
    return done;
  };
  const address = `${base}api/variants/${id}`;
  for (let i = 0; i < RUNS; i += 1) {
    const view = await taken('open', () => asked<View>(address));
    const half = { repeats: [{ value: 700 + i * 0.25 + Math.random() }], instrument: 'tape' };
    const plan = { ...view.plan, readings: { ...view.plan.readings, 'donor.half.left': half } };
    const saved = await taken('save', () =>
      asked<View>(`${address}/plan`, 'PUT', { baseRevision: view.revision, plan, who: 'bench' }),
    );
    await taken('undo', () => asked(`${address}/undo`, 'POST', { baseRevision: saved.revision, who: 'bench' }));
    await taken('list', () => asked(`${base}api/projects`));
    await taken('search', () => asked(`${base}api/projects?find=car%20${i}`));
  }
  return {
    open: p95(times.open),
    save: p95(times.save),
    undo: p95(times.undo),
    list: p95(times.list),
    search: p95(times.search),
  };
}

/** Thousands of projects, and a long history of one variant, put in beside the interface. */
async function grow(url: string, id: string): Promise<void> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  await client.query(
    `with old as (select r.plan, r.plan_version from variants v join plan_revisions r on r.variant_id = v.id and r.revision = v.head where v.id = $1),
          cars as (insert into projects (name) select 'Car ' || n from generate_series(1, ${PROJECTS}) n returning id),
          ways as (insert into variants (project_id, name, head) select id, 'First way', 1 from cars returning id)
     insert into plan_revisions (variant_id, revision, kind, plan, plan_version, who)
     select ways.id, 1, 'create', old.plan, old.plan_version, 'bench' from ways, old`,
    [id],
  );
  await client.query(
    `insert into plan_revisions (variant_id, revision, kind, parent, plan, plan_version, changed, who)
     select r.variant_id, r.revision + n, 'edit', r.revision + n - 1, r.plan, r.plan_version, '{/readings/donor.half.left}', 'bench'
       from variants v join plan_revisions r on r.variant_id = v.id and r.revision = v.head, generate_series(1, ${REVISIONS}) n
      where v.id = $1`,
    [id],
  );
  await client.query(`update variants set head = head + ${REVISIONS} where id = $1`, [id]);
  await client.query('analyze');
  await client.end();
}

/** What looks through all projects has a limit of its own; all else stays within twice what it was, ms. */
const MOST_MS: Readonly<Partial<Record<keyof Times, number>>> = { list: 50, search: 100 };

/** What a day’s work costs with ten projects and with ten thousand and a long history: it stays flat. */
export async function growth(base: string, url: string, file: string): Promise<readonly BenchFigure[]> {
  const made = await asked<View>(`${base}api/plan-files`, 'POST', JSON.parse(file));
  for (let i = 0; i < 6; i += 1)
    await asked(`${base}api/projects`, 'POST', { name: `Few ${i}`, variant: 'A', who: 'bench' });
  await day(base, made.id);
  const few = await day(base, made.id);
  await grow(url, made.id);
  await day(base, made.id);
  const many = await day(base, made.id);
  return (Object.keys(few) as (keyof Times)[]).map((what) =>
    figureOf({
      name: `${what} with ${PROJECTS} projects and ${REVISIONS} revisions, 95th percentile`,
      value: many[what],
      unit: 'ms',
      target: MOST_MS[what] ?? 2 * few[what],
      yardstick: { name: `${what} with ten projects`, value: few[what], unit: 'ms' },
    }),
  );
}
