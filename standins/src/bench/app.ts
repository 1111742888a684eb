import type { Express, Request, Response } from 'express';
import Joi from 'joi';
import { operatedApp } from '../operated';
import { body } from '../refuse';
import { CHANNELS, FAULTS, type Device, type DeviceState } from './device';

/** How often a line is sent, ms. */
const EVERY_MS = 200;

const number = Joi.number().min(-100_000).max(100_000);
const setSchema = Joi.object<Partial<DeviceState>>({
  value: number,
  channels: Joi.object(Object.fromEntries(CHANNELS.map((c) => [c, number.required()]))),
  noise: Joi.number().min(0).max(100),
  drift: Joi.number().min(-100).max(100),
  battery: Joi.number().min(0).max(1),
  connected: Joi.boolean(),
  fault: Joi.string().valid(...FAULTS),
});
const onSchema = Joi.object<{ on: boolean }>({ on: Joi.boolean().default(true) });

/** The instruments over HTTP: list, stream of lines, zero, hold; and the operator’s side of them. */
export function benchApp(devices: ReadonlyMap<string, Device>, page: string): Express {
  const app = operatedApp(page);
  const streams = new Map<string, Set<Response>>();
  app.get('/devices', (_request, response) => {
    response.json([...devices.values()].map(described));
  });
  app.get('/devices/:id/stream', (request, response) => {
    const device = found(devices, request, response);
    if (!device) return;
    if (!device.state.connected) {
      response.status(503).json({ error: 'disconnected' });
      return;
    }
    response.type('application/x-ndjson').set('Cache-Control', 'no-store');
    const send = () => response.write(`${device.line()}\n`);
    send();
    const timer = setInterval(send, EVERY_MS);
    const open = streams.get(device.spec.id) ?? new Set<Response>();
    streams.set(device.spec.id, open.add(response));
    response.on('close', () => {
      clearInterval(timer);
      open.delete(response);
    });
  });
  for (const act of ['zero', 'hold'] as const)
    app.post(`/devices/:id/${act}`, (request, response) => {
      const device = found(devices, request, response);
      const wanted = device && body(onSchema, request.body, response);
      if (!device || !wanted) return;
      if (act === 'zero') device.setZero(wanted.on);
      else device.setHold(wanted.on);
      response.json(device.read());
    });
  app.post('/devices/:id/set', (request, response) => {
    const device = found(devices, request, response);
    const change = device && body(setSchema, request.body, response);
    if (!device || !change) return;
    device.set(change);
    // Whoever listens loses the line, as with a radio that goes out of reach.
    if (change.connected === false) for (const open of streams.get(device.spec.id) ?? []) open.end();
    response.json(described(device));
  });
  return app;
}

const described = ({ spec, state }: Device) => ({
  id: spec.id,
  label: spec.label,
  kind: spec.kind,
  unit: spec.unit,
  resolution: spec.resolution,
  ...state,
});

function found(devices: ReadonlyMap<string, Device>, request: Request, response: Response): Device | undefined {
  const device = devices.get(String(request.params['id']));
  if (!device) response.status(404).json({ error: 'notFound' });
  return device;
}
