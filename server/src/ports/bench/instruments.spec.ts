import type { ServerResponse } from 'node:http';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startHarness, type Harness } from '../../testing/harness';
import { EventStream, instrumentAddress } from '../../testing/stream';
import { startUpstream, withJson, type Upstream } from '../../testing/upstream';

const CALIPER = {
  id: 'caliper',
  label: 'Caliper 150 mm',
  kind: 'caliper',
  unit: 'mm',
  resolution: 0.01,
  connected: true,
  battery: 0.8,
};
const line = (value: string) =>
  `{"id":"caliper","unit":"mm","value":${value},"battery":0.8,"held":false,"zeroed":false,"at":"2027-03-20T18:00:00.000Z"}`;

let bench: Upstream;
let h: Harness;
/** The open stream of the caliper, to write to or cut off. */
let wire: ServerResponse | undefined;
let up = true;

beforeAll(async () => {
  bench = await startUpstream();
  bench.answer = (request, response) => {
    if (!up) response.destroy();
    else if (request.url === '/devices') withJson([CALIPER])(request, response);
    else if (request.url === '/devices/caliper/stream') {
      wire = response.writeHead(200, { 'content-type': 'application/x-ndjson' });
      wire.flushHeaders();
    } else withJson({})(request, response);
  };
  h = await startHarness(undefined, { bench: bench.url });
});
afterAll(async () => {
  await h.close();
  await bench.close();
});

const opened = async (): Promise<ServerResponse> => {
  for (let i = 0; i < 250 && !wire; i += 1) await new Promise((next) => setTimeout(next, 20));
  if (!wire) throw new Error('The stream was never asked for.');
  return wire;
};
const listen = async () => {
  wire = undefined;
  const page = await EventStream.open(h.url + instrumentAddress('caliper'));
  return { page, send: await opened() };
};
const value = (v: number) => (heard: { event: string; data: { value?: number } }) =>
  heard.event === 'value' && heard.data.value === v;

describe('instruments', () => {
  it('are listed, with the reason where there are none', async () => {
    expect((await h.call('GET', '/api/instruments')).json).toEqual({ instruments: [CALIPER] });
    up = false;
    expect((await h.call('GET', '/api/instruments')).json).toEqual({
      instruments: [],
      trouble: 'the bench of instruments does not answer',
    });
    up = true;
  });

  it('hand their values on, even where a line comes in two parts', async () => {
    const { page, send } = await listen();
    const text = line('35.014');
    send.write(text.slice(0, 23));
    send.write(`${text.slice(23)}\n${line('35.02')}\n`);
    await page.until(value(35.014));
    await page.until(value(35.02));
    page.close();
  });

  it.each([
    [line('NaN'), 'it sent no number'],
    [line('1e9'), 'it sent 1000000000'],
    [line('35.01').slice(0, 40), 'it sent half a line'],
  ])('refuse %s, with the reason, and go on', async (bad, wrong) => {
    const { page, send } = await listen();
    send.write(`${bad}\n`);
    const heard = await page.until((x) => x.event === 'unread');
    expect(heard.data.wrong).toBe(wrong);
    send.write(`${line('36.5')}\n`);
    await page.until(value(36.5));
    expect(page.heard.filter((x) => x.event === 'value')).toHaveLength(1);
    page.close();
  });

  it('are found again after the line was lost, without the page doing anything', async () => {
    const { page, send } = await listen();
    send.write(`${line('12.3')}\n`);
    await page.until(value(12.3));
    wire = undefined;
    up = false;
    send.destroy();
    await page.until((x) => x.event === 'lost');
    up = true;
    (await opened()).write(`${line('12.75')}\n`);
    await page.until(value(12.75));
    page.close();
  });

  it('are zeroed and held by name', async () => {
    expect((await h.call('POST', '/api/instruments/caliper/zero', { on: true })).status).toBe(204);
    expect(bench.asked.at(-1)).toBe('POST /devices/caliper/zero');
    expect((await h.call('POST', '/api/instruments/caliper/hold', { on: 'maybe' })).status).toBe(400);
    const unknown = await EventStream.open(h.url + instrumentAddress('rule'));
    expect((await unknown.until((x) => x.event === 'refused')).data).toMatchObject({ error: 'notFound' });
    unknown.close();
    expect((await h.call('GET', instrumentAddress('../set'))).status).toBe(400);
    up = false;
    expect((await h.call('POST', '/api/instruments/caliper/zero', { on: true })).status).toBe(503);
    up = true;
  });
});
