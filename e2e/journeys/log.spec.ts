import { expect } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { field, openStage, ownTern, saved, strip } from '../bench-hand';
import { test } from '../journey';

test('the readings log finds, tells the past, goes out as a table and comes in again', async ({
  page,
  request,
}, info) => {
  const id = await ownTern(request);
  await openStage(page, id, 'donor');
  await field(page, 'Brake space, left', 3).fill('75.96');
  await saved(page);
  await page.getByRole('button', { name: /^Project Tern/ }).click();
  await page.getByRole('menuitem', { name: 'Readings log' }).click();
  await page.getByRole('searchbox', { name: 'Find' }).fill('brake space left');
  await expect(page.getByRole('row')).toHaveCount(2);
  await expect(page.getByRole('row', { name: /Brake space, left/ })).toContainText('bench');
  await page.getByRole('button', { name: 'History of Brake space, left' }).click();
  const past = page.getByRole('region', { name: 'History of a reading' });
  await expect(past).toContainText('Revision 2, edit by bench');

  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Table (CSV)' }).click();
  const file = info.outputPath('readings.csv');
  await (await download).saveAs(file);
  const table = readFileSync(file, 'utf8');
  expect(table).toContain('donor.brakeSpace.left');

  const give = (text: string) =>
    page
      .getByLabel('Readings table', { exact: true })
      .setInputFiles({ name: 'readings.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await give(table.replace('donor.tube.left', 'donor.tube.middle'));
  await expect(page.getByRole('alert')).toContainText('“donor.tube.middle” is no quantity');
  await expect(page.getByRole('alert')).toContainText(/row \d+, id/);
  await give(table.replace(/(brief\.targetWidth,[^\n]*?),1402,mm/, '$1,1410,mm'));
  await expect(page.getByRole('status').filter({ hasText: 'is taken over' })).toBeVisible();
  await expect(strip(page, 'WMS width')).toContainText('1410.0 mm');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(strip(page, 'WMS width')).toContainText('1402.0 mm');
  // Undoing goes to where it undid something; the log is where it was.
  await expect(field(page, 'WMS width wanted')).toBeFocused();
  await openStage(page, id, 'readings');
  await page.getByRole('searchbox', { name: 'Find' }).fill('casting to housing end, left');
  await page.getByRole('button', { name: 'Casting to housing end, left', exact: true }).click();
  await expect(field(page, 'Casting to housing end, left')).toBeFocused();
});

test('all readings of a project are in one list that is searched on the server', async ({ page, request }) => {
  const id = await ownTern(request);
  await request.post('/api/variants', { data: { name: 'Second way', copyOf: id, who: 'Ansa' } });
  await openStage(page, id, 'readings');
  await page.getByRole('radio', { name: 'Whole project' }).check();
  const list = page.getByRole('list', { name: 'Readings of all variants' });
  await expect(list.getByRole('listitem').first()).toContainText('WMS width wanted');
  await page.getByRole('searchbox', { name: 'Find' }).fill('tube outside diameter second');
  await expect(page.getByText(/^4 of \d+ readings in all variants$/)).toBeVisible();
  await expect(list.getByRole('listitem')).toHaveCount(4);
  await expect(list.getByRole('listitem').first()).toContainText('69.86 mm');
  await page.getByRole('searchbox', { name: 'Find' }).fill('');
  await expect(page.getByText(/^(\d+) of \1 readings in all variants$/)).toBeVisible();
  // The list is as long as all readings, and what is looked at comes in while it is scrolled.
  await expect(async () => {
    await list.evaluate((e) => e.scrollTo(0, e.scrollHeight));
    await expect(list.getByRole('listitem').last()).toContainText('Second way', { timeout: 1500 });
  }).toPass({ timeout: 15_000 });
});
