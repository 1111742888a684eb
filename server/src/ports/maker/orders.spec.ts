import { readFileSync } from 'node:fs';
import type { IncomingMessage } from 'node:http';
import { join } from 'node:path';
import { parse } from 'csv-parse/sync';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { JOBS } from '../../work/jobs';
import { payOrder, resumePaying, type Thinks } from './service';
import { startHarness, type Harness } from '../../testing/harness';
import { startUpstream, withJson, type Upstream } from '../../testing/upstream';

const tern = JSON.parse(readFileSync(join(import.meta.dirname, '../../../../examples/tern.json'), 'utf8')) as {
  plan: { facts: Record<string, unknown> };
};
let maker: Upstream;
let h: Harness;
let id = '';
let project = '';
/** What the maker says of an order now. */
let state = 'paid';
let bodies: unknown[] = [];

const read = async (request: IncomingMessage): Promise<unknown> => {
  const chunks: Buffer[] = [];
  for await (const chunk of request) chunks.push(chunk as Buffer);
  return chunks.length ? JSON.parse(Buffer.concat(chunks).toString()) : undefined;
};

beforeAll(async () => {
  maker = await startUpstream();
  h = await startHarness(undefined, { maker: maker.url });
});
afterAll(async () => {
  await h.close();
  await maker.close();
});
beforeEach(async () => {
  // A project of its own: nothing is on order, nothing received.
  id = (await h.call('POST', '/api/plan-files', tern)).json.id;
  project = (await h.call('GET', `/api/variants/${id}`)).json.projectId;
  maker.asked.length = 0;
  bodies = [];
  state = 'paid';
  maker.answer = (request, response) => {
    void read(request).then((body) => {
      bodies.push(body);
      const path = request.url ?? '';
      const answer = path.startsWith('/quotes')
        ? { number: 'WQ-7', price: 481, leadDays: 15, note: 'Held for 30 days.' }
        : { number: 'WQ-7', state, note: `is ${state}` };
      response.writeHead(200, { 'content-type': 'application/json' }).end(JSON.stringify(answer));
    });
  };
});

const quote = () => h.call('POST', `/api/variants/${id}/orders`, { who: 'Ansa' });
const step = (order: string, what: string, body: object = {}) =>
  h.call('POST', `/api/orders/${order}/${what}`, { who: 'Ansa', ...body });
const shafts = (left: number, right = 684.1) => ({
  shafts: [
    { side: 'left', length: left, journal: 35.01 },
    { side: 'right', length: right },
  ],
});
const list = async () =>
  (await h.call('GET', `/api/projects/${project}/orders`)).json as { id: string; state: string }[];
const planNow = async () =>
  (await h.call('GET', `/api/variants/${id}`)).json as {
    revision: number;
    plan: { readings: Record<string, unknown>; accepted: Record<string, unknown> };
  };
/** An order as far as the carrier. */
async function shipped(): Promise<string> {
  const { json } = await quote();
  await step(json.id, 'pay', { again: true });
  state = 'shipped';
  await step(json.id, 'look');
  return json.id as string;
}

describe('orders with the shaft maker', () => {
  it('keeps its variant and its project on the list while it is under way', async () => {
    await h.call('POST', '/api/variants', { copyOf: id, name: 'Second way', who: 'Ansa' });
    const order = (await quote()).json.id;
    await step(order, 'pay');
    const refusals = [
      await h.call('DELETE', `/api/variants/${id}`),
      await h.call('DELETE', `/api/projects/${project}`),
    ];
    expect(refusals.map((r) => [r.status, r.json.message])).toEqual([
      [409, 'This variant stays: its order WQ-7 is under way.'],
      [409, 'This project stays: its order WQ-7 is under way.'],
    ]);
  });

  it('are quoted from the saved plan, and kept', async () => {
    const { status, json } = await quote();
    expect(status).toBe(201);
    expect(json).toMatchObject({
      state: 'quoted',
      revision: 1,
      quote: { number: 'WQ-7', price: 481, leadDays: 15 },
    });
    expect((bodies[0] as { lines: { length: number }[] }).lines.map((l) => l.length)).toEqual([684.5, 684]);
    expect((await list())[0]).toMatchObject({ id: json.id, events: [{ state: 'quoted', who: 'Ansa' }] });
  });

  it('go from paid over cutting to shipped, each once', async () => {
    const { json } = await quote();
    expect((await step(json.id, 'pay')).json.state).toBe('paid');
    expect((await step(json.id, 'look')).json.events.map((e: { state: string }) => e.state)).toEqual([
      'quoted',
      'paying',
      'paid',
    ]);
    // The maker knows a second try of the same order by its key.
    expect(bodies.at(-2)).toMatchObject({ number: 'WQ-7', key: json.id });
    for (const next of ['cutting', 'late', 'shipped']) {
      state = next;
      expect((await step(json.id, 'look')).json.state).toBe(next);
    }
    expect((await step(json.id, 'pay')).json.message).toBe('An order that is shipped cannot be paid.');
  });

  it('are not paid once the plan asks for other shafts, or a stop is open in what they follow from', async () => {
    const { json } = await quote();
    const { plan, revision } = (await h.call('GET', `/api/variants/${id}`)).json;
    const save = (readings: object, baseRevision: number) =>
      h.call('PUT', `/api/variants/${id}/plan`, {
        baseRevision,
        plan: { ...plan, readings: { ...plan.readings, ...readings } },
        who: 'Ansa',
      });
    const width = (value: number) => ({ 'brief.targetWidth': { repeats: [{ value }], instrument: 'chosen' } });
    await save(width(1399), revision);
    const moved = await step(json.id, 'pay');
    expect(moved.status).toBe(400);
    // 1.5 less on either side.
    expect(moved.json.problems.map((p: { wrong: string }) => p.wrong)).toEqual([
      'left length 684.50 mm, now 683.00 mm',
      'right length 684.00 mm, now 682.50 mm',
    ]);
    expect(maker.asked.filter((line) => line.includes('/orders'))).toEqual([]);
    const float = (value: number) => ({ repeats: [{ value }], instrument: 'caliper' });
    await save({ 'donor.endFloatMin': float(0.9), 'donor.endFloatMax': float(0.4) }, revision + 1);
    const stopped = await step(json.id, 'pay');
    expect(stopped.json.message).toContain('Not ordered while a stop is open: End-float');
    await save({}, revision + 2);
    expect((await step(json.id, 'pay')).status).toBe(200);
  });

  it('take what arrived right, and catch a wrong length', async () => {
    const right = await step(await shipped(), 'receive', shafts(684.62));
    expect(right.json).toMatchObject({ state: 'accepted', received: { ok: true } });
    // What was taken stands in the plan, whoever has its page open.
    const { plan, revision } = await planNow();
    expect(revision).toBe(2);
    expect(plan.readings['shaft.received.left']).toMatchObject({
      repeats: [{ value: 684.62, who: 'Ansa' }],
      instrument: 'rule',
    });
    expect(plan.accepted).not.toHaveProperty('shaft.received.left');
    const order = await shipped();
    const wrong = await step(order, 'receive', shafts(672.4));
    expect(wrong.json.state).toBe('wrong');
    const size = wrong.json.received.sizes[0];
    expect(size.off).toBeCloseTo(-12.1, 9);
    expect(wrong.json.events.at(-1).note).toBe('left length off by -12.10 mm.');
    const back = await step(order, 'settle', { decision: 'sendBack', reason: 'Twelve short' });
    expect(back.json.state).toBe('sentBack');
    expect(maker.asked.at(-1)).toBe('POST /orders/WQ-7/return');
    state = 'cutting';
    expect((await step(order, 'look')).json.state).toBe('cutting');
  });

  it('keep a wrong shaft only with a reason', async () => {
    const order = await shipped();
    await step(order, 'receive', shafts(684.5, 683.2));
    expect((await step(order, 'settle', { decision: 'accept', reason: '' })).status).toBe(400);
    const kept = await step(order, 'settle', { decision: 'accept', reason: 'Gap stays over 3 mm' });
    expect(kept.json).toMatchObject({ state: 'accepted' });
    expect(kept.json.events.at(-1)).toMatchObject({ note: 'Gap stays over 3 mm' });
    const { plan } = await planNow();
    expect(plan.readings['shaft.received.right']).toMatchObject({ repeats: [{ value: 683.2 }] });
    expect(plan.accepted['shaft.received.right']).toMatchObject({ reason: 'Gap stays over 3 mm', who: 'Ansa' });
    expect(plan.accepted).not.toHaveProperty('shaft.received.left');
    expect((await step(order, 'settle', { decision: 'accept', reason: 'again' })).status).toBe(400);
  });

  it.each([
    [{ shafts: [] }, 'shafts'],
    [{ shafts: [{ side: 'left', length: 'long' }] }, 'length'],
    [{ shafts: [{ side: 'middle', length: 684 }] }, 'side'],
    [shafts(1e9), 'length'],
  ])('refuse the measurement %o by field', async (body, field) => {
    const order = await shipped();
    const { status, json } = await step(order, 'receive', body);
    expect(status).toBe(400);
    expect(JSON.stringify(json.problems)).toContain(field);
    expect((await list()).find((o) => o.id === order)?.state).toBe('shipped');
  });

  it('want every shaft measured', async () => {
    const { status, json } = await step(await shipped(), 'receive', {
      shafts: [{ side: 'left', length: 684.5 }],
    });
    expect(status).toBe(400);
    expect(json.message).toBe('The right shaft has not been measured.');
  });

  it('lose nothing where the maker is late, fails, talks nonsense or says no', async () => {
    const { json } = await quote();
    await step(json.id, 'pay');
    maker.answer = withJson({}, 503);
    expect((await step(json.id, 'look')).json).toMatchObject({
      state: 'paid',
      trouble: 'the shaft maker answers 503',
    });
    maker.answer = withJson({ number: 7, price: 'soon' });
    expect((await step(json.id, 'look')).json.trouble).toContain('makes no sense');
    const nonsense = await quote();
    expect([nonsense.status, nonsense.json.message]).toEqual([
      503,
      'Not ordered: the shaft maker’s answer makes no sense. Nothing was lost; try again.',
    ]);
    maker.answer = withJson({ message: 'there is no cutter for 31/24' }, 422);
    const no = await quote();
    expect([no.status, no.json.message]).toEqual([
      400,
      'The shaft maker will not make this: there is no cutter for 31/24',
    ]);
    maker.answer = () => undefined;
    expect((await step(json.id, 'look')).json.trouble).toBe('the shaft maker did not answer within 1.5 s');
  });

  it('stay being paid while the maker is silent, and are taken up again: asked once more by the same key', async () => {
    const { json } = await quote();
    const answer = maker.answer;
    maker.answer = withJson({}, 503);
    const silent = await step(json.id, 'pay');
    expect(silent.status).toBe(503);
    expect(silent.json.message).toContain('nothing is ordered twice');
    expect((await list()).find((o) => o.id === json.id)?.state).toBe('paying');
    maker.answer = answer;
    bodies = [];
    expect(await resumePaying(h.pool, maker.url)).toBe(1);
    expect(bodies).toEqual([{ number: 'WQ-7', key: json.id }]);
    expect((await list()).find((o) => o.id === json.id)?.state).toBe('paid');
    expect(await resumePaying(h.pool, maker.url)).toBe(0);
  });

  it('are written once where they are paid twice at once', async () => {
    const { json } = await quote();
    const both = await Promise.all([step(json.id, 'pay'), step(json.id, 'pay')]);
    expect(both.map((b) => [200, 400].includes(b.status))).toEqual([true, true]);
    const events = (await step(json.id, 'look')).json.events as { state: string }[];
    expect(events.map((e) => e.state)).toEqual(['quoted', 'paying', 'paid']);
    const keys = new Set(bodies.flatMap((b) => (b && typeof b === 'object' && 'key' in b ? [b.key] : [])));
    expect([...keys]).toEqual([json.id]);
  });

  it('go back to the quote where the maker says no', async () => {
    const { json } = await quote();
    maker.answer = withJson({ message: 'the steel is out' }, 422);
    const no = (await step(json.id, 'pay')).json;
    expect(no.state).toBe('quoted');
    expect(no.events.at(-1).note).toBe('The maker says no: the steel is out');
  });

  it('are not made twice of the same shafts unless somebody says so', async () => {
    const first = (await quote()).json;
    await step(first.id, 'pay');
    const second = (await quote()).json;
    expect(second.same).toEqual(['WQ-7']);
    const refused = await step(second.id, 'pay');
    expect([refused.status, refused.json.problems[0].field]).toEqual([400, 'again']);
    expect((await step(second.id, 'pay', { again: true })).json.state).toBe('paid');
  });

  it('are made once where many quotes of the same shafts are paid at once', async () => {
    const quotes = [];
    for (let i = 0; i < 20; i += 1) quotes.push((await quote()).json.id as string);
    bodies = [];
    const answers = await Promise.all(quotes.map((one) => step(one, 'pay')));
    expect(answers.filter(({ status }) => status === 200)).toHaveLength(1);
    const others = answers.filter(({ status }) => status !== 200);
    expect(others.map(({ status, json }) => [status, json.problems[0].field])).toEqual(
      others.map(() => [400, 'again']),
    );
    const keys = bodies.flatMap((b) => (b && typeof b === 'object' && 'key' in b ? [b.key] : []));
    expect(new Set(keys).size).toBe(1);
    expect((await list()).filter(({ state: now }) => now === 'paid')).toHaveLength(1);
  });

  it('look at the plan again where somebody changes it while they are paid, and give up where he goes on', async () => {
    const change = (kerf: number) =>
      h.call(
        'POST',
        `/api/variants/${id}/readings.csv?who=Birk`,
        `id,value,unit,instrument\ncut.kerf,${kerf},mm,caliper`,
        {
          'content-type': 'text/csv',
        },
      );
    let looked = 0;
    const changing =
      (times: number): Thinks =>
      async (plan) => {
        looked += 1;
        if (looked <= times) expect((await change(2.1 + looked / 10)).status).toBe(200);
        return JOBS.shaftOrder(plan);
      };
    const [first, second] = [(await quote()).json.id as string, (await quote()).json.id as string];
    await expect(payOrder(h.pool, maker.url, first, { who: 'Ansa' }, changing(99))).rejects.toMatchObject({
      body: { error: 'unavailable' },
    });
    expect(looked).toBe(5);
    expect((await list()).map((o) => o.state)).toEqual(['quoted', 'quoted']);
    looked = 0;
    expect((await payOrder(h.pool, maker.url, second, { who: 'Ansa' }, changing(1))).state).toBe('paid');
    expect(looked).toBe(2);
  });

  it('are not made of a plan that lacks what a maker asks', async () => {
    const { 'donor.material': _material, ...facts } = tern.plan.facts;
    const bare = { ...tern, plan: { ...tern.plan, facts } };
    const other = (await h.call('POST', '/api/plan-files', bare)).json.id as string;
    const { status, json } = await h.call('POST', `/api/variants/${other}/orders`, { who: 'Ansa' });
    expect([status, json.message]).toEqual([400, 'The order is not whole: material.']);
    expect((await h.call('POST', `/api/orders/${id}/pay`, { who: 'Ansa' })).status).toBe(404);
  });

  it('cannot be rewritten', async () => {
    await quote();
    await expect(h.pool.query("update order_events set note = 'x'")).rejects.toThrow('append-only');
  });
});

describe('order sheets', () => {
  const get = (file: string) => fetch(`${h.url}/api/variants/${id}/order-sheet.${file}`);

  it('are PDF, table and file with the same numbers', async () => {
    const csv = await (await get('csv?sheet=shafts&units=mm')).text();
    const rows = parse(csv, { bom: true, columns: true }) as Record<string, string>[];
    const length = rows.find((r) => r['item'] === 'Length' && r['side'] === 'left');
    expect(length?.['value']).toBe('684.5');
    const file = (await (await get('json?sheet=shafts')).json()) as {
      format: string;
      order: { lines: { length: number; spline: string }[] };
      sections: { rows: { item: string; right: { text: string } }[] }[];
    };
    expect(file.format).toBe('intervex-order');
    expect(file.order.lines[1]).toMatchObject({ length: 684, spline: '31/24' });
    expect(file.sections[0]?.rows[0]?.right.text).toBe('684.0 mm*');
    const pdf = await get('pdf?sheet=brakes&paper=letter');
    expect(pdf.headers.get('content-type')).toBe('application/pdf');
    expect((await pdf.arrayBuffer()).byteLength).toBeGreaterThan(10_000);
    expect((await get('pdf?sheet=cakes')).status).toBe(400);
  });
});
