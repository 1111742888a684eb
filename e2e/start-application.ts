import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startApplication } from '../tools/lib/application.mjs';
import { PORT } from './playwright.config';

/** One application for all journeys; each journey works in a project of its own. */
export default async function start(): Promise<() => Promise<void>> {
  const data = mkdtempSync(join(tmpdir(), 'intervex-e2e-'));
  const application = await startApplication({ port: PORT, data });
  return async () => {
    await application.stop();
    rmSync(data, { recursive: true, force: true });
  };
}
