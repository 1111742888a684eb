import { expect, type Browser, type BrowserContext, type Page } from '@playwright/test';
import { mkdtempSync, rmSync } from 'node:fs';
import { networkInterfaces, tmpdir } from 'node:os';
import { join } from 'node:path';
import { startApplication } from '../../tools/lib/application.mjs';
import { field, openStage, ownTern, saved } from '../bench-hand';
import { test } from '../journey';

// Applications of their own: sharing and restoring are of the whole house.
const PORTS = { restore: 4430, workshop: 4440 };
const ADDRESS =
  Object.values(networkInterfaces())
    .flatMap((list) => list ?? [])
    .find((a) => !a.internal && a.family === 'IPv4')?.address ?? '';

async function house<T>(port: number, work: (base: string) => Promise<T>): Promise<T> {
  const data = mkdtempSync(join(tmpdir(), 'intervex-house-'));
  const application = await startApplication({ port, data });
  try {
    return await work(`http://127.0.0.1:${port}`);
  } finally {
    await application.stop();
    rmSync(data, { recursive: true, force: true });
  }
}

test('a backup is saved, everything is wiped, and the backup puts it back', async ({ browser }) => {
  const file = join(mkdtempSync(join(tmpdir(), 'intervex-backup-')), 'mine.intervex-backup');
  await house(PORTS.restore, async (base) => {
    const page = await browser.newPage({ baseURL: base });
    await page.goto('/');
    await field(page, 'Blade kerf').fill('2.35');
    await saved(page);
    await page.goto('/data');
    await page.getByRole('button', { name: 'Make a backup now' }).click();
    const row = page.getByRole('row').filter({ hasText: 'by hand' });
    await expect(row).toBeVisible();
    const [download] = await Promise.all([page.waitForEvent('download'), row.getByRole('link').click()]);
    await download.saveAs(file);
    // Removed, and brought back from the list of what was removed.
    await page.goto('/projects');
    await page.getByRole('button', { name: 'Remove Hauler' }).first().click();
    await page.getByRole('button', { name: 'Yes, remove' }).click();
    await page.goto('/data');
    await page.getByRole('button', { name: /Bring back Hauler/ }).click();
    await page.goto('/projects');
    await expect(page.getByRole('button', { name: 'Remove Hauler' }).first()).toBeVisible();
    await page.close();
  });
  // The data folder is gone with that application; a new one begins with the demo.
  await house(PORTS.restore, async (base) => {
    const page = await browser.newPage({ baseURL: base });
    await page.goto('/');
    await expect(field(page, 'Blade kerf')).not.toHaveValue('2.35');
    await page.goto('/data');
    await page.getByLabel('Backup file').setInputFiles(file);
    await expect(page.getByRole('button', { name: 'Restore', exact: true })).toBeDisabled();
    await page.getByRole('textbox', { name: 'Type restore to say that it is meant' }).fill('restore');
    await page.getByRole('button', { name: 'Restore', exact: true }).click();
    await expect(page.getByText(/Put back as of .*3 projects/)).toBeVisible();
    await page.goto('/');
    await expect(field(page, 'Blade kerf')).toHaveValue('2.35');
    // What was there before can be had again.
    await page.goto('/data');
    await page.getByRole('button', { name: 'Bring it back' }).click();
    await page.getByRole('textbox', { name: /Type restore/ }).fill('restore');
    await page.getByRole('button', { name: 'Restore', exact: true }).click();
    await expect(page.getByText('What had been set aside is back.')).toBeVisible();
    await page.goto('/');
    await expect(field(page, 'Blade kerf')).not.toHaveValue('2.35');
    await page.close();
  });
  rmSync(file);
});

const visitor = (browser: Browser, baseURL: string, phone = false): Promise<BrowserContext> =>
  browser.newContext({
    baseURL,
    ignoreHTTPSErrors: true,
    reducedMotion: 'reduce',
    viewport: phone ? { width: 390, height: 844 } : { width: 1280, height: 800 },
  });

test('a phone pairs by a code and helps; a guest reads one variant until the link is withdrawn', async ({
  browser,
}) => {
  test.skip(ADDRESS === '', 'this machine has no network');
  await house(PORTS.workshop, async (base) => {
    const desk = await browser.newPage({ baseURL: base });
    await desk.goto('/workshop');
    await desk.getByRole('button', { name: 'Share in the workshop' }).click();
    await expect(desk.getByText(`https://${ADDRESS}:${PORTS.workshop}`).first()).toBeVisible();
    await desk.getByRole('textbox', { name: 'Name' }).fill('Tove');
    await desk.getByRole('button', { name: 'Add' }).click();
    await desk.getByRole('button', { name: 'Pair a phone with Tove' }).click();
    const code = (await desk.locator('.code .big').textContent()) ?? '';
    await expect(desk.getByRole('img', { name: /QR code of https/ })).toBeVisible();

    const shared = `https://${ADDRESS}:${PORTS.workshop}`;
    const phone = await visitor(browser, shared, true);
    await helps(await phone.newPage(), shared, code.trim());
    await guestReads(desk, browser);

    // Ended at the desk, the phone is asked for its PIN again.
    await desk.goto('/workshop');
    await expect(desk.getByRole('row').filter({ hasText: 'Tove, helper' })).toBeVisible();
    await desk.getByRole('button', { name: 'End all sessions of Tove' }).click();
    const again = await phone.newPage();
    await again.goto(`${shared}/projects`);
    await again.getByRole('textbox', { name: /PIN of this device/ }).fill('4711');
    await again.getByRole('button', { name: 'Come in', exact: true }).click();
    await expect(again.getByRole('heading', { name: 'Projects' })).toBeVisible();
    await phone.close();
    await desk.close();
  });
});

/** Pairs, takes a reading, and is refused what a helper may not do. */
async function helps(page: Page, shared: string, code: string): Promise<void> {
  await page.goto(`${shared}/projects`);
  await expect(page.getByRole('heading', { name: 'Come in' })).toBeVisible();
  await page.goto(`${shared}/join#${code}`);
  await expect(page.getByRole('textbox', { name: 'Code' })).toHaveValue(code);
  await page.getByRole('textbox', { name: /PIN for this device/ }).fill('4711');
  await page.getByRole('button', { name: 'Pair it' }).click();
  await page.waitForURL(/\/plan\//);
  const id = /plan\/([0-9a-f-]+)/.exec(page.url())?.[1] ?? '';
  await openStage(page, id, 'cut');
  await field(page, 'Blade kerf').fill('2.05');
  await field(page, 'Blade kerf').press('Enter');
  const read = async () =>
    (await (await page.request.get(`${shared}/api/variants/${id}`)).json()) as {
      plan: { readings: Record<string, { repeats: { value: number; who?: string }[] }>; accepted: object };
    };
  await expect.poll(async () => (await read()).plan.readings['cut.kerf']?.repeats[0]?.value).toBe(2.05);
  const [newest] = (await (await page.request.get(`${shared}/api/variants/${id}/history`)).json()) as {
    who: string;
  }[];
  expect(newest?.who).toBe('Tove');
  const before = Object.keys((await read()).plan.accepted).length;
  await page
    .getByRole('button', { name: /stops?, .*caution|cautions?$/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Accept…' }).first().click();
  await page.getByRole('textbox', { name: 'Reason' }).fill('Looked at it on the bench');
  await page.getByRole('button', { name: 'Accept with this reason' }).click();
  await expect(page.getByText(/is not a helper’s to change/)).toBeVisible();
  expect(Object.keys((await read()).plan.accepted)).toHaveLength(before);
  expect((await page.request.delete(`${shared}/api/variants/${id}`)).status()).toBe(403);
}

/** Opens a guest’s link, reads, and finds it shut when it was withdrawn. */
async function guestReads(desk: Page, browser: Browser): Promise<void> {
  await desk.goto('/workshop');
  await desk.getByRole('textbox', { name: 'Who' }).fill('Cutter');
  await desk.getByRole('button', { name: 'Make a link' }).click();
  const link = (await desk.locator('.code p.figure').textContent()) ?? '';
  const guest = await visitor(browser, new URL(link).origin);
  const page = await guest.newPage();
  await page.goto(link.trim());
  await expect(page.getByText('You read this variant as a guest')).toBeVisible({ timeout: 60_000 });
  await page.goto(`${new URL(link).origin}/projects`);
  await page.waitForURL(/\/plan\//);
  expect((await page.request.get(`${new URL(link).origin}/api/projects`)).status()).toBe(403);
  await desk.getByRole('button', { name: 'Withdraw the link of Cutter' }).click();
  await expect(desk.getByRole('row', { name: /^Cutter / })).toContainText('withdrawn');
  await page.goto(link.trim());
  await expect(page.getByText('it has ended or was withdrawn')).toBeVisible();
  await guest.close();
}

test('work that was not saved when the tab crashed is offered back', async ({ page, context, request }) => {
  const id = await ownTern(request);
  await openStage(page, id, 'cut');
  // The server is out of reach; what is typed is kept in the browser.
  await page.route('**/api/variants/*/plan', (route) => route.abort());
  await field(page, 'Blade kerf').fill('2.85');
  await field(page, 'Root gap').fill('3.15');
  await expect(page.locator('.save')).toContainText('Not saved yet');
  await page.waitForTimeout(600);
  const crashed = page.waitForEvent('crash');
  await page.goto('chrome://crash').catch(() => undefined);
  await crashed.catch(() => undefined);
  const next = await context.newPage();
  await openStage(next, id, 'cut');
  await expect(field(next, 'Blade kerf')).not.toHaveValue('2.85');
  await expect(next.getByRole('alert')).toContainText('was not saved before its page was closed');
  await next.getByRole('button', { name: 'Take it up again' }).click();
  await expect(field(next, 'Blade kerf')).toHaveValue('2.85');
  await expect(field(next, 'Root gap')).toHaveValue('3.15');
  await saved(next);
  // It is not asked about again.
  await next.reload();
  await expect(field(next, 'Root gap')).toHaveValue('3.15');
  await expect(next.getByText('was not saved before')).toHaveCount(0);
});

test('what keeps work in the browser is asked for again where it was out of reach', async ({
  page,
  context,
  request,
}) => {
  const id = await ownTern(request);
  let away = true;
  await page.route('**/chunk-*.js', async (route) => {
    const response = await route.fetch();
    const keeps = (await response.text()).includes('intervex page ');
    await (keeps && away ? route.abort() : route.fulfill({ response }));
  });
  await page.route('**/api/variants/*/plan', (route) => route.abort());
  const missed = page.waitForEvent('requestfailed', (failed) => failed.url().endsWith('.js'));
  await openStage(page, id, 'cut');
  await missed;
  away = false;
  await field(page, 'Blade kerf').fill('2.85');
  await expect(page.locator('.save')).toContainText('Not saved yet');
  await page.waitForTimeout(600);
  // Closed without being asked, as a crash does it.
  await page.close();
  const next = await context.newPage();
  await openStage(next, id, 'cut');
  await next.getByRole('button', { name: 'Take it up again' }).click();
  await expect(field(next, 'Blade kerf')).toHaveValue('2.85');
});

test('history: an earlier revision is compared with now and put back', async ({ page, request }) => {
  const id = await ownTern(request);
  await openStage(page, id, 'cut');
  const before = await field(page, 'Blade kerf').inputValue();
  await field(page, 'Blade kerf').fill('2.95');
  await saved(page);
  await page.getByRole('button', { name: /^Project / }).click();
  await page
    .getByRole('link', { name: 'History' })
    .or(page.getByRole('menuitem', { name: 'History' }))
    .click();
  await expect(page.getByRole('heading', { name: 'History' })).toBeVisible();
  await page.getByRole('button', { name: 'Compare revision 1' }).click();
  await expect(page.getByRole('region', { name: 'Revision compared with now' })).toContainText('2.95');
  await page.getByRole('button', { name: 'Put revision 1 back' }).click();
  await expect(page.getByText('Revision 1 is put back as revision 3')).toBeVisible();
  await openStage(page, id, 'cut');
  await expect(field(page, 'Blade kerf')).toHaveValue(before);
});
