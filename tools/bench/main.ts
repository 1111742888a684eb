import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { cpus, tmpdir } from 'node:os';
import { join } from 'node:path';
import { startCluster } from '../lib/cluster.mjs';
import { startApplication } from '../lib/application.mjs';
import { browsing } from './browsing';
import { computing, drawing, mapping, overlapping, pairing } from './computing';
import { ROOT } from '../lib/paths.mjs';
import { growth } from './growth';
import { idling } from './idling';
import { figureOf, type BenchFigure } from './figure';
import { listing } from './listing';
import { moving } from './moving';
import { drivelineEdit, running } from './running';
import { serving } from './serving';

const PORT = 4393;

/** Time of an empty Node.js process, s: what starting anything at all costs here. */
function emptyProcess(): number {
  const start = performance.now();
  spawnSync(process.execPath, ['-e', '0']);
  return (performance.now() - start) / 1000;
}

async function measure(): Promise<readonly BenchFigure[]> {
  const data = mkdtempSync(join(tmpdir(), 'intervex-bench-'));
  try {
    // The first start builds and makes the database; the second is the one that is measured.
    await (await startApplication({ port: PORT, data })).stop();
    const application = await startApplication({ port: PORT, data });
    const second = figureOf({
      name: 'second start, until it serves',
      value: application.readyMs / 1000,
      unit: 's',
      target: 10,
      yardstick: { name: 'an empty Node.js process', value: emptyProcess(), unit: 's' },
    });
    try {
      const base = `http://127.0.0.1:${PORT}/`;
      const idle = await idling(base, application.pid);
      const { url } = await startCluster(data);
      const demo = readFileSync(join(ROOT, 'examples/tern.json'), 'utf8');
      return [
        ...computing(),
        pairing(),
        mapping(),
        overlapping(),
        drawing(),
        running(),
        drivelineEdit(),
        ...moving(),
        second,
        await listing(base),
        ...(await serving(base, url)),
        ...(await browsing(base)),
        idle,
        ...(await growth(base, url, demo)),
      ];
    } finally {
      await application.stop();
    }
  } finally {
    rmSync(data, { recursive: true, force: true });
  }
}

const figures = await measure();
const machine = { node: process.version, cores: cpus().length };
process.stdout.write(`${JSON.stringify({ machine, figures }, null, 2)}\n`);
