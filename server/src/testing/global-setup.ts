import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build } from 'esbuild';
import type { TestProject } from 'vitest/node';
import { OPTIONS } from '../../build-options.mjs';
import { startCluster } from '../../../tools/lib/cluster.mjs';

declare module 'vitest' {
  export interface ProvidedContext {
    databaseUrl: string;
    /** The workers’ script, built. */
    workerFile: string;
  }
}

/** One throw-away cluster for all database tests; each file makes a database of its own in it. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const folder = mkdtempSync(join(tmpdir(), 'intervex-test-'));
  const cluster = await startCluster(folder, { throwAway: true });
  project.provide('databaseUrl', cluster.url);
  // Under the packages, so that it finds them.
  const outdir = join(import.meta.dirname, `../../../node_modules/.cache/intervex-test-${process.pid}`);
  await build({ ...OPTIONS, entryPoints: { worker: 'src/work/worker.ts' }, outdir });
  project.provide('workerFile', join(outdir, 'worker.js'));
  return async () => {
    await cluster.stop();
    rmSync(folder, { recursive: true, force: true });
    rmSync(outdir, { recursive: true, force: true });
  };
}
