import { expect } from '@playwright/test';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startApplication } from '../../tools/lib/application.mjs';
import { field, saved, strip } from '../bench-hand';
import { test } from '../journey';

// Away from the ports of the other journeys’ application and its stand-ins.
const PORT = 4420;

test('the page outlives a restart, keeps what was typed, and tomorrow all is as it was left', async ({
  page,
}) => {
  const data = mkdtempSync(join(tmpdir(), 'intervex-restart-'));
  const options = { port: PORT, data };
  let application = await startApplication(options);
  try {
    await page.goto(`http://127.0.0.1:${PORT}/`);
    await expect(strip(page, 'Cut L')).toContainText('91.0 mm');
    // A second start says where the first one answers, and ends; the first one and its database go on.
    for (const port of [PORT, PORT + 200]) {
      const second = spawnSync(process.execPath, [join(import.meta.dirname, '../../tools/start.mjs')], {
        env: { ...process.env, DATABASE_URL: '', PORT: String(port), INTERVEX_DATA_DIR: data },
        encoding: 'utf8',
      });
      expect(second.stdout).toContain(`Intervex is running already: http://127.0.0.1:${PORT}`);
      expect(second.status).toBe(0);
    }
    expect((await page.request.get(`http://127.0.0.1:${PORT}/api/health`)).ok()).toBe(true);
    await field(page, 'Blade kerf').fill('2.2');
    await saved(page);
    // The database dies under an open page: it says so, keeps what is typed, and catches up.
    const postmaster = readFileSync(join(data, 'pg/postmaster.pid'), 'utf8').split('\n')[0];
    process.kill(Number(postmaster), 'SIGKILL');
    await expect(page.getByText('The database is away; what you type is kept here')).toBeVisible();
    await field(page, 'Root gap').fill('2.6');
    await saved(page);
    await expect(page.getByText('The database is away')).toBeHidden();
    await application.stop();
    await field(page, 'Root gap').fill('2.7');
    await expect(page.getByRole('alert')).toContainText('Nothing is lost');
    application = await startApplication(options);
    await saved(page);
    await application.stop();

    application = await startApplication(options);
    await page.goto(`http://127.0.0.1:${PORT}/`);
    await expect(field(page, 'Blade kerf')).toHaveValue('2.2');
    await expect(field(page, 'Root gap')).toHaveValue('2.7');
    const projects = (await (
      await page.request.get(`http://127.0.0.1:${PORT}/api/projects`)
    ).json()) as unknown[];
    // Those of the demo, once.
    expect(projects).toHaveLength(3);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(field(page, 'Root gap')).not.toHaveValue('2.7');
  } finally {
    await application.stop();
    rmSync(data, { recursive: true, force: true });
  }
});
