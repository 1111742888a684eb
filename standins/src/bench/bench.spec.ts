import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { benchApp } from './app';
import { Device, normal, type DeviceState } from './device';
import { bench } from './devices';

const SPEC = { id: 'caliper', label: 'Caliper', kind: 'caliper', unit: 'mm', resolution: 0.01 } as const;
const STATE: DeviceState = {
  value: 76.043,
  channels: { leftFront: 0, rightFront: 0, rightRear: 0, leftRear: 0 },
  noise: 0,
  drift: 0,
  battery: 0.8,
  connected: true,
  fault: 'none',
};
const device = (change: Partial<DeviceState> = {}, clock = () => 0, random = () => 0.25) =>
  new Device({ ...SPEC, start: { ...STATE, ...change } }, clock, random);

describe('an instrument', () => {
  it('reads to its resolution, drifts with time, and reads from the zero it is given', () => {
    let now = 0;
    const caliper = device({ drift: 0.6 }, () => now);
    expect(caliper.read()).toMatchObject({ value: 76.04, zeroed: false, held: false });
    now = 30_000;
    expect(caliper.read().value).toBe(76.34);
    caliper.setZero(true);
    caliper.set({ value: 80.25 });
    expect(caliper.read()).toMatchObject({ value: 4.21, zeroed: true });
    caliper.setZero(false);
    expect(caliper.read().value).toBe(80.55);
  });

  it('holds what it read until it is let go', () => {
    const caliper = device();
    caliper.setHold(true);
    caliper.set({ value: 12.7 });
    expect(caliper.read()).toMatchObject({ value: 76.04, held: true });
    caliper.setHold(false);
    expect(caliper.read()).toMatchObject({ value: 12.7, held: false });
  });

  it('wanders more on a low battery', () => {
    // cos(2π·0.25) is 0, cos(0) is 1: with u = e^(−1/2) the deviate is exactly 1.
    expect(normal(Math.exp(-0.5), 0)).toBeCloseTo(1, 12);
    const shares = () => {
      let first = true;
      return () => {
        first = !first;
        return first ? 0 : Math.exp(-0.5);
      };
    };
    expect(device({ noise: 0.1 }, () => 0, shares()).read().value).toBe(76.14);
    expect(device({ noise: 0.1, battery: 0.05 }, () => 0, shares()).read().value).toBe(76.64);
  });

  it.each([
    ['nan', /"value":NaN/],
    ['huge', /"value":1e9/],
    ['half', /^\{"id":"caliper"[^}]*$/],
  ] as const)('can send what no instrument should: %s', (fault, line) => {
    expect(device({ fault }).line()).toMatch(line);
  });

  it('sums the corners of the scales', () => {
    const scales = bench().get('scales');
    scales?.set({ noise: 0, channels: { leftFront: 291.5, rightFront: 284, rightRear: 241, leftRear: 248.5 } });
    expect(scales?.read()).toMatchObject({ value: 1065, channels: { rightRear: 241 } });
  });
});

describe('the bench over HTTP', () => {
  let server: Server;
  let url = '';
  const devices = bench();
  const post = (path: string, data: unknown) =>
    fetch(url + path, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(data),
    });

  beforeAll(async () => {
    server = createServer(benchApp(devices, '<h1>bench</h1>'));
    await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
    url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  });
  afterAll(() => {
    server.closeAllConnections();
    server.close();
  });

  it('lists its instruments and streams one line after the other until it is disconnected', async () => {
    const list = (await (await fetch(`${url}/devices`)).json()) as { id: string; unit: string }[];
    expect(list.map((d) => `${d.id} ${d.unit}`)).toEqual([
      'caliper mm',
      'gauge deg',
      'indicator mm',
      'scales kg',
    ]);
    const stream = await fetch(`${url}/devices/indicator/stream`);
    const reader = (stream.body as ReadableStream<Uint8Array>).getReader();
    const first = await reader.read();
    expect(JSON.parse(new TextDecoder().decode(first.value))).toMatchObject({ id: 'indicator', unit: 'mm' });
    await post('/devices/indicator/set', { connected: false });
    let part = await reader.read();
    while (!part.done) part = await reader.read();
    expect((await fetch(`${url}/devices/indicator/stream`)).status).toBe(503);
    await post('/devices/indicator/set', { connected: true });
  });

  it('refuses settings by field, and devices it has not', async () => {
    const bad = await post('/devices/caliper/set', { battery: 4, fault: 'smoke' });
    expect(bad.status).toBe(400);
    expect(((await bad.json()) as { problems: { field: string }[] }).problems.map((p) => p.field)).toEqual([
      'battery',
      'fault',
    ]);
    expect((await post('/devices/plumb/zero', {})).status).toBe(404);
  });
});
