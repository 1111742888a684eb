import { mkdtempSync, rmSync } from 'node:fs';
import { cpus, tmpdir } from 'node:os';
import { join } from 'node:path';
import { startApplication } from '../lib/application.mjs';
import { flood, fullDisk, garbage, kills, readers, twoStarts, type Findings } from './trials';

const PORT = 4450;

/** How much of each is tried. */
interface Extent {
  readonly kills: number;
  readonly streams: number;
  readonly requests: number;
  readonly seconds: number;
}
export const LONG: Extent = { kills: 40, streams: 1000, requests: 12_000, seconds: 20 };
export const SHORT: Extent = { kills: 2, streams: 120, requests: 600, seconds: 3 };

/** Tries what a workshop may do to the application, and tells what was found. */
export async function trial(extent: Extent): Promise<Readonly<Record<string, Findings>>> {
  const data = mkdtempSync(join(tmpdir(), 'intervex-trial-'));
  try {
    const application = await startApplication({ port: PORT, data });
    const base = `http://127.0.0.1:${PORT}/`;
    try {
      return {
        readers: await readers(base, extent.seconds),
        flood: await flood(base, PORT, extent.streams),
        garbage: await garbage(base, extent.requests),
        kills: await kills(base, PORT, data, extent.kills),
        twoStarts: await twoStarts(PORT + 10),
        fullDisk: await fullDisk(PORT + 20),
      };
    } finally {
      await application.stop();
    }
  } finally {
    rmSync(data, { recursive: true, force: true });
  }
}

if (process.argv[1]?.endsWith('trial/main.ts')) {
  const found = await trial(process.argv.includes('--short') ? SHORT : LONG);
  const machine = { node: process.version, cores: cpus().length };
  process.stdout.write(`${JSON.stringify({ machine, found }, null, 2)}\n`);
}
