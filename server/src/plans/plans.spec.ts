import { EMPTY_PLAN, type Plan } from '@intervex/core';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { migrate } from '../db/migrate';
import { createPool } from '../db/pool';
import { seedDemo } from '../demo/seed';
import { emptyDatabase, MIGRATIONS, startHarness, type Harness } from '../testing/harness';
import { pino } from 'pino';

const FILES = readdirSync(MIGRATIONS).sort();
let h: Harness;
beforeAll(async () => {
  h = await startHarness();
});
afterAll(() => h.close());

const who = 'Ansa';
const half = (value: number) => ({
  repeats: [{ value, typed: String(value) }],
  instrument: 'tape' as const,
  datum: 'pinion axis',
});
const withHalf = (plan: Plan, value: number): Plan => ({
  ...plan,
  readings: { ...plan.readings, 'donor.half.left': half(value) },
});
const fresh = async (name = 'Hauler') =>
  (await h.call('POST', '/api/projects', { name, variant: 'Over-axle', who })).json;
const save = (id: string, baseRevision: number, plan: unknown) =>
  h.call('PUT', `/api/variants/${id}/plan`, { baseRevision, plan, who });

describe('projects', () => {
  it('keep the numbers of their strip, for all their variants, and refuse what is none', async () => {
    const made = await fresh('Wren');
    expect(made).not.toHaveProperty('strip');
    const set = (strip: unknown) => h.call('PATCH', `/api/projects/${made.projectId}`, { strip });
    expect((await set(['width', 'yield'])).status).toBe(204);
    expect((await h.call('GET', `/api/variants/${made.id}`)).json.strip).toEqual(['width', 'yield']);
    for (const wrong of [[], ['width', 'width'], [7], 'width', ['x'.repeat(41)]]) {
      const refused = await set(wrong);
      expect(refused.status).toBe(400);
      expect(refused.json.problems[0].field).toContain('strip');
    }
    expect((await h.call('PATCH', `/api/projects/${made.projectId}`, {})).status).toBe(400);
    expect((await h.call('GET', `/api/variants/${made.id}`)).json.strip).toEqual(['width', 'yield']);
  });

  it('say what an undo and a redo would change', async () => {
    const { id, plan } = await fresh('Dunlin');
    const saved = await save(id, 1, withHalf(plan, 801.3));
    expect(saved.json.undoes).toEqual(['/readings/donor.half.left']);
    expect(saved.json).not.toHaveProperty('redoes');
    const back = await h.call('POST', `/api/variants/${id}/undo`, { baseRevision: 2, who });
    expect(back.json).not.toHaveProperty('undoes');
    expect(back.json.redoes).toEqual(['/readings/donor.half.left']);
  });

  it('makes one, lists it, renames it, takes it off the list and keeps its revisions', async () => {
    const made = await fresh('Linnet');
    expect(made).toMatchObject({
      projectName: 'Linnet',
      name: 'Over-axle',
      revision: 1,
      canUndo: false,
      plan: EMPTY_PLAN,
    });
    expect((await h.call('PATCH', `/api/projects/${made.projectId}`, { name: 'Tamsel Linnet' })).status).toBe(
      204,
    );
    const names = (list: { name: string }[]) => list.map((p) => p.name);
    expect(names((await h.call('GET', '/api/projects')).json)).toContain('Tamsel Linnet');
    expect((await h.call('DELETE', `/api/projects/${made.projectId}`)).status).toBe(204);
    expect(names((await h.call('GET', '/api/projects')).json)).not.toContain('Tamsel Linnet');
    expect((await h.call('GET', `/api/variants/${made.id}`)).status).toBe(410);
    const kept = await h.pool.query('select 1 from plan_revisions where variant_id = $1', [made.id]);
    expect(kept.rowCount).toBe(1);
  });

  it('copies a variant with its plan', async () => {
    const made = await fresh();
    await save(made.id, 1, withHalf(EMPTY_PLAN, 812.3));
    const copy = await h.call('POST', '/api/variants', { copyOf: made.id, name: 'Keep offset', who });
    expect(copy.status).toBe(201);
    expect(copy.json).toMatchObject({
      projectId: made.projectId,
      revision: 1,
      plan: withHalf(EMPTY_PLAN, 812.3),
    });
  });

  it('begins a variant with a plan of its own in one step, and with none of it where the plan is refused', async () => {
    const made = await fresh('Kestrel');
    await save(made.id, 1, withHalf(EMPTY_PLAN, 797.4));
    const beside = await h.call('POST', '/api/variants', {
      copyOf: made.id,
      name: 'Stag axle',
      plan: withHalf(EMPTY_PLAN, 731.2),
      who,
    });
    expect(beside.json).toMatchObject({ revision: 1, canUndo: false, plan: withHalf(EMPTY_PLAN, 731.2) });
    const bad = {
      ...EMPTY_PLAN,
      readings: { 'donor.half.left': { ...half(0), repeats: [{ value: '731.2' }] } },
    };
    const no = await h.call('POST', '/api/variants', { copyOf: made.id, name: 'Third', plan: bad, who });
    expect([no.status, no.json.problems[0].field]).toEqual([
      400,
      'plan.readings.donor.half.left.repeats[0].value',
    ]);
    const listed = (await h.call('GET', '/api/projects')).json.find(
      (p: { id: string }) => p.id === made.projectId,
    );
    expect(listed.variants.map((v: { name: string }) => v.name)).toEqual(['Over-axle', 'Stag axle']);
  });

  it('takes a variant off the list and keeps its revisions, and never the only one', async () => {
    const made = await fresh('Plover');
    const only = await h.call('DELETE', `/api/variants/${made.id}`);
    expect(only).toMatchObject({ status: 409, json: { error: 'inUse' } });
    expect(only.json.message).toContain('only variant of its project');
    const copy = (await h.call('POST', '/api/variants', { copyOf: made.id, name: 'Keep offset', who })).json;
    expect((await h.call('DELETE', `/api/variants/${made.id}`)).status).toBe(204);
    expect((await h.call('GET', `/api/variants/${made.id}`)).status).toBe(410);
    expect((await save(made.id, 1, withHalf(EMPTY_PLAN, 640))).status).toBe(410);
    expect((await h.call('DELETE', `/api/variants/${made.id}`)).status).toBe(404);
    expect((await h.call('GET', `/api/variants/${copy.id}`)).status).toBe(200);
    const kept = await h.pool.query('select 1 from plan_revisions where variant_id = $1', [made.id]);
    expect(kept.rowCount).toBe(1);
  });

  it('never loses the last variant to two who remove at once', async () => {
    const made = await fresh('Whimbrel');
    const copy = (await h.call('POST', '/api/variants', { copyOf: made.id, name: 'Second', who })).json;
    const both = await Promise.all([made.id, copy.id].map((id) => h.call('DELETE', `/api/variants/${id}`)));
    expect(both.map((r) => r.status).sort()).toEqual([204, 409]);
  });

  it('puts the demo in once, never again', async () => {
    const pool = createPool(await emptyDatabase(), pino({ level: 'silent' }));
    expect(await migrate(pool, MIGRATIONS)).toEqual(FILES);
    const made = await Promise.all([seedDemo(pool), seedDemo(pool)]);
    expect(made.reduce((a, b) => a + b)).toBe(3);
    const names = async () =>
      (await pool.query<{ name: string }>('select name from projects order by created_at')).rows.map(
        (r) => r.name,
      );
    expect(await names()).toEqual(['Tern', 'Packhorse', 'Hauler']);
    await pool.query('update projects set removed_at = now()');
    expect(await seedDemo(pool)).toBe(0);
    expect(await names()).toHaveLength(3);
    await pool.end();
  });

  it('migrates safely from two processes at once', async () => {
    const url = await emptyDatabase();
    const pools = [1, 2].map(() => createPool(url, pino({ level: 'silent' })));
    const ran = await Promise.all(pools.map((p) => migrate(p, MIGRATIONS)));
    expect(ran.flat().sort()).toEqual(FILES);
    await Promise.all(pools.map((p) => p.end()));
  });
});

describe('saving', () => {
  it('appends a revision and says what changed and who did it', async () => {
    const { id } = await fresh();
    const answer = await save(id, 1, withHalf(EMPTY_PLAN, 791.2));
    expect(answer.json).toMatchObject({ revision: 2, canUndo: true, canRedo: false });
    const history = (await h.call('GET', `/api/variants/${id}/history`)).json;
    expect(history[0]).toMatchObject({
      revision: 2,
      kind: 'edit',
      who,
      changed: ['/readings/donor.half.left'],
    });
    expect(history[1]).toMatchObject({ revision: 1, kind: 'create' });
  });

  it('makes no revision where nothing changed', async () => {
    const { id } = await fresh();
    expect((await save(id, 1, EMPTY_PLAN)).json.revision).toBe(1);
  });

  it('answers a stale write with 409, what stands now and what changed, and writes nothing', async () => {
    const { id } = await fresh();
    await save(id, 1, withHalf(EMPTY_PLAN, 791.2));
    const stale = await save(id, 1, withHalf(EMPTY_PLAN, 640.7));
    expect(stale.status).toBe(409);
    expect(stale.json).toMatchObject({
      error: 'stale',
      base: EMPTY_PLAN,
      changed: ['/readings/donor.half.left'],
      current: { revision: 2 },
    });
    expect((await h.call('GET', `/api/variants/${id}`)).json.plan).toEqual(withHalf(EMPTY_PLAN, 791.2));
  });

  it('lets exactly one of ten writes from the same base through', async () => {
    const { id } = await fresh();
    const answers = await Promise.all(
      Array.from({ length: 10 }, (_, i) => save(id, 1, withHalf(EMPTY_PLAN, 700.5 + i))),
    );
    expect(answers.filter((a) => a.status === 200)).toHaveLength(1);
    expect(answers.filter((a) => a.status === 409)).toHaveLength(9);
    expect((await h.call('GET', `/api/variants/${id}`)).json.revision).toBe(2);
  });

  it('cannot be rewritten, not even by SQL', async () => {
    await expect(h.pool.query("update plan_revisions set who = 'somebody'")).rejects.toMatchObject({
      code: '23001',
    });
    await expect(h.pool.query('delete from plan_revisions')).rejects.toMatchObject({ code: '23001' });
  });
});

describe('undo and redo', () => {
  it('walks back and forth, and a new edit ends the redo', async () => {
    const { id } = await fresh();
    const step = async (what: 'undo' | 'redo', baseRevision: number) =>
      h.call('POST', `/api/variants/${id}/${what}`, { baseRevision, who });
    await save(id, 1, withHalf(EMPTY_PLAN, 701.1));
    await save(id, 2, withHalf(EMPTY_PLAN, 702.2));
    expect((await step('undo', 3)).json).toMatchObject({
      revision: 4,
      plan: withHalf(EMPTY_PLAN, 701.1),
      canUndo: true,
      canRedo: true,
    });
    expect((await step('undo', 4)).json).toMatchObject({
      revision: 5,
      plan: EMPTY_PLAN,
      canUndo: false,
      canRedo: true,
    });
    expect((await step('undo', 5)).status).toBe(409);
    expect((await step('redo', 5)).json).toMatchObject({
      revision: 6,
      plan: withHalf(EMPTY_PLAN, 701.1),
      canRedo: true,
    });
    expect((await step('redo', 6)).json).toMatchObject({
      revision: 7,
      plan: withHalf(EMPTY_PLAN, 702.2),
      canRedo: false,
    });
    expect((await step('undo', 7)).json).toMatchObject({ revision: 8, plan: withHalf(EMPTY_PLAN, 701.1) });
    expect((await save(id, 8, withHalf(EMPTY_PLAN, 703.3))).json).toMatchObject({
      revision: 9,
      canRedo: false,
    });
    expect((await step('undo', 9)).json.plan).toEqual(withHalf(EMPTY_PLAN, 701.1));
    expect((await step('undo', 7)).json.error).toBe('stale');
  });
});

describe('plan files', () => {
  const tern = readFileSync(join(import.meta.dirname, '../../../examples/tern.json'), 'utf8');

  it('go out and come in the same', async () => {
    const made = (await h.call('POST', '/api/plan-files?who=Ansa', tern)).json;
    expect(made).toMatchObject({ projectName: 'Tern', revision: 1 });
    const out = await h.call('GET', `/api/variants/${made.id}/plan-file`);
    expect(out.headers.get('content-disposition')).toContain(
      'attachment; filename="Tern Carter axle, even up.intervex.json"',
    );
    expect(JSON.parse(out.text)).toEqual(JSON.parse(tern));
  });

  it.each([
    ['cut short', tern.slice(0, 900), 400, 'file', /cut short/],
    ['empty', '', 400, 'file', /empty/],
    ['of another kind', '{"format":"shopping-list"}', 400, 'format', /no Intervex plan/],
    ['of a later version', tern.replace(/"version": \d+/, '"version": 99'), 400, 'version', /newer/],
    ['with a field nobody knows', tern.replace('"vehicle"', '"vehicel"'), 400, 'plan.brief', /./],
    [
      'with a script in a name',
      tern.replace('"Tern"', '"<script>alert(1)</script>"'),
      400,
      'project',
      /character/,
    ],
    [
      'with SQL in a name',
      tern.replace('"Tern"', JSON.stringify("x'; drop table projects; --")),
      400,
      'project',
      /character/,
    ],
    [
      'with a negative tube',
      tern.replace('"value": 587.8', '"value": -587.8'),
      400,
      'plan.readings.donor.tube.left.repeats[0].value',
      /between 20\.0 mm and 1200\.0 mm/,
    ],
    [
      'with an axle of 90 m',
      tern.replace('"value": 1402', '"value": 90000'),
      400,
      'plan.readings.brief.targetWidth.repeats[0].value',
      /2600/,
    ],
    [
      'with text for a number',
      tern.replace('"value": 1402', '"value": "wide"'),
      400,
      'plan.readings.brief.targetWidth.repeats[0].value',
      /number/,
    ],
  ])('%s is refused with field and reason', async (_, text, status, field, wrong) => {
    const before = (await h.pool.query<{ n: string }>('select count(*) as n from projects')).rows[0]?.n;
    const answer = await h.call('POST', '/api/plan-files', text);
    expect(answer.status).toBe(status);
    const problem = answer.json.problems.find((p: { field: string }) => p.field.startsWith(field));
    expect(problem).toBeDefined();
    expect(problem.wrong).toMatch(wrong);
    expect(problem.right.length).toBeGreaterThan(3);
    expect((await h.pool.query<{ n: string }>('select count(*) as n from projects')).rows[0]?.n).toBe(before);
  });

  it('of 20 MB is refused as too large', async () => {
    const answer = await h.call('POST', '/api/plan-files', `{"format":"${'x'.repeat(20_000_000)}"}`);
    expect(answer.status).toBe(413);
    expect(answer.json).toMatchObject({ error: 'tooLarge', problems: [{ field: 'body' }] });
  });
});

describe('bad requests', () => {
  const bad = async (method: string, path: string, body?: unknown, headers?: Record<string, string>) => {
    const answer = await h.call(method, path, body, headers);
    expect(answer.status).toBeGreaterThanOrEqual(400);
    expect(answer.status).toBeLessThan(500);
    expect(answer.text).not.toMatch(/\bat .*\.(ts|js):\d+|node_modules|select |insert /i);
    return answer;
  };

  it('wrong content type, wrong encoding, half a body', async () => {
    expect(
      (await bad('POST', '/api/projects', 'name=Tern', { 'content-type': 'application/x-www-form-urlencoded' }))
        .status,
    ).toBe(415);
    expect((await bad('POST', '/api/plan-files', 'x', { 'content-type': 'text/plain' })).status).toBe(415);
    expect(
      (await bad('POST', '/api/projects', '{"name":"T"}', { 'content-type': 'application/json; charset=koi9' }))
        .status,
    ).toBe(415);
    expect((await bad('POST', '/api/projects', '{"name":')).json.message).toMatch(/whole JSON/);
  });

  it('ids that are none, or not known', async () => {
    expect((await bad('GET', "/api/variants/1'%20or%20'1'='1")).json.problems[0].field).toBe('id');
    expect((await bad('GET', '/api/variants/00000000-0000-4000-8000-000000000000')).status).toBe(404);
    expect(
      (
        await bad('PUT', '/api/variants/00000000-0000-4000-8000-000000000000/plan', {
          baseRevision: 1,
          plan: EMPTY_PLAN,
          who,
        })
      ).status,
    ).toBe(404);
    expect((await bad('GET', '/api/nothing')).status).toBe(404);
  });

  it('fields nobody knows, missing fields, and values out of place', async () => {
    const { id } = await fresh();
    expect(
      (
        await bad('PUT', `/api/variants/${id}/plan`, {
          baseRevision: 1,
          plan: { ...EMPTY_PLAN, extra: 1 },
          who,
        })
      ).json.problems[0],
    ).toMatchObject({ field: 'plan.extra', wrong: '“extra” is not a field here' });
    expect(
      (await bad('PUT', `/api/variants/${id}/plan`, { baseRevision: 1, plan: {}, who })).json.problems.map(
        (p: { field: string }) => p.field,
      ),
    ).toContain('plan.brief');
    expect(
      (await bad('PUT', `/api/variants/${id}/plan`, { baseRevision: 7, plan: EMPTY_PLAN, who })).json
        .problems[0].field,
    ).toBe('baseRevision');
    expect((await bad('POST', '/api/projects', { name: '', variant: 'x', who })).json.problems[0].field).toBe(
      'name',
    );
    expect(
      (await bad('POST', '/api/projects', { name: 'lone \ud800', variant: 'x', who })).json.problems[0].field,
    ).toBe('name');
    expect(
      (await bad('POST', '/api/projects', { name: 'null \u0000', variant: 'x', who })).json.problems[0].field,
    ).toBe('name');
    expect((await bad('GET', `/api/variants/${id}/cut-sheet.pdf?paper=a3`)).json.problems[0]).toMatchObject({
      field: 'paper',
      right: 'one of a4, letter',
    });
    const readings = JSON.parse('{"__proto__":{"repeats":[{"value":1}],"instrument":"tape"}}') as unknown;
    expect(
      (
        await bad('PUT', `/api/variants/${id}/plan`, {
          baseRevision: 1,
          plan: { ...EMPTY_PLAN, readings: { 'donor.nose': readings } },
          who,
        })
      ).status,
    ).toBe(400);
  });

  it('a limit without a reason, an acceptance without one', async () => {
    const { id } = await fresh();
    const limits = { 'cut.fromCasting': { value: 30, reason: '' } };
    expect(
      (await bad('PUT', `/api/variants/${id}/plan`, { baseRevision: 1, plan: { ...EMPTY_PLAN, limits }, who }))
        .json.problems[0].field,
    ).toBe('plan.limits.cut.fromCasting.reason');
    const accepted = { 'cut.width': { figure: 3, who, at: '2026-11-02T10:00:00Z' } };
    expect(
      (
        await bad('PUT', `/api/variants/${id}/plan`, {
          baseRevision: 1,
          plan: { ...EMPTY_PLAN, accepted },
          who,
        })
      ).json.problems[0].field,
    ).toBe('plan.accepted.cut.width.reason');
  });
});

describe('health and page', () => {
  it('answers, with security headers', async () => {
    const answer = await h.call('GET', '/api/health');
    expect(answer.json).toEqual({ status: 'ok', database: 'ok', instance: null });
    expect(answer.headers.get('content-security-policy')).toContain("default-src 'self'");
    expect(answer.headers.get('x-powered-by')).toBeNull();
  });
});
