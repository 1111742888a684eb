import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { randomUUID } from 'node:crypto';
import { healthOf } from './health.mjs';
import { ROOT } from './paths.mjs';

/**
 * The application as its start command starts it, on a port and data folder of its own.
 *
 * @param {{ port: number, data: string, waitMs?: number }} options
 * @returns {Promise<{ pid: number, readyMs: number, stop: () => Promise<void> }>}
 */
export async function startApplication({ port, data, waitMs = 300_000 }) {
  const began = Date.now();
  const instance = randomUUID();
  const env = {
    ...process.env,
    DATABASE_URL: '',
    PORT: String(port),
    INTERVEX_INSTANCE: instance,
    INTERVEX_DATA_DIR: data,
    LOG_LEVEL: 'error',
  };
  const child = spawn(process.execPath, [join(ROOT, 'tools/start.mjs')], {
    env,
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let said = '';
  const gone = new Promise((done) => child.once('exit', done));
  await new Promise((ready, failed) => {
    const late = setTimeout(() => failed(new Error(`Not ready after ${waitMs} ms:\n${said}`)), waitMs);
    const listen = (/** @type {Buffer} */ chunk) => {
      said += chunk.toString();
      if (!said.includes('Intervex is ready')) return;
      clearTimeout(late);
      ready(undefined);
    };
    child.stdout.on('data', listen);
    child.stderr.on('data', listen);
    child.once('exit', (code) => {
      clearTimeout(late);
      failed(new Error(`The start command ended with ${code}:\n${said}`));
    });
  });
  const answers = await healthOf(`http://127.0.0.1:${port}`);
  if (answers?.instance !== instance) throw new Error(`Another application answers on port ${port}.`);
  return {
    pid: child.pid ?? 0,
    readyMs: Date.now() - began,
    async stop() {
      child.kill('SIGINT');
      await gone;
    },
  };
}
