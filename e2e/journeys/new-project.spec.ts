import { expect } from '@playwright/test';
import { readFileSync, writeFileSync } from 'node:fs';
import { field, openStage, ownTern, saved, strip, tabTo, TERN, textOfPdf } from '../bench-hand';
import { test } from '../journey';

test('from nothing to a cut sheet with the keyboard alone', async ({ page, context, request }) => {
  await page.goto('/projects');
  await expect(page.getByRole('heading', { name: 'Projects' })).toBeVisible();
  await tabTo(page, page.getByRole('button', { name: 'New project' }));
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Project name')).toBeFocused();
  await page.keyboard.type('Hauler on the Over-axle');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: 'Brief' })).toBeVisible();
  await tabTo(page, page.getByLabel('Car', { exact: true }));
  await page.keyboard.type('Penn Hauler');
  await tabTo(page, field(page, 'WMS width wanted'));
  await page.keyboard.type('1537.4');
  await expect(strip(page, 'WMS width')).toContainText('1537.4 mm');

  await tabTo(page, page.getByRole('link', { name: /Donor/ }));
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: 'Donor' })).toBeVisible();
  await tabTo(page, field(page, 'Pinion axis to WMS, left'));
  // Enter walks on in the order of the work, left before right.
  const left = ['829.6', '131.2', '621.9', '76.5', '812.3', '41.2', '34.1', '18.4'];
  const right = ['801.2', '127.7', '597.1', '76.4', '784.1', '40.9', '34.3', '18.2'];
  for (const [i, mm] of left.entries())
    for (const side of [mm, right[i] ?? '']) {
      await page.keyboard.type(side);
      await page.keyboard.press('Enter');
    }
  // 829.6 − 768.7 and 801.2 − 768.7.
  await expect(strip(page, 'Cut L')).toContainText('60.9 mm');
  await expect(strip(page, 'Cut R')).toContainText('32.5 mm');

  await tabTo(page, page.getByRole('link', { name: /Sheets/ }));
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: 'Sheets' })).toBeVisible();
  await expect(page.getByRole('row', { name: /Slug that falls out/ }).first()).toContainText('58.9 mm');
  await saved(page);
  await tabTo(page, page.getByRole('link', { name: 'Cut sheet, PDF' }));
  const opened = context.waitForEvent('page');
  await page.keyboard.press('Enter');
  const address = (await opened).url();
  const href = await page.getByRole('link', { name: 'Cut sheet, PDF' }).getAttribute('href');
  expect(address === 'about:blank' || address.endsWith(href ?? '-')).toBe(true);
  const text = textOfPdf(await (await request.get(href ?? '')).body());
  expect(text).toContain('Penn Hauler');
  expect(text).toContain('58.9 mm');
});

test('a plan goes out as a file and comes in again; a bad file is refused in words', async ({
  page,
  request,
}, info) => {
  const id = await ownTern(request);
  await openStage(page, id, 'sheets');
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Plan file (JSON)' }).click();
  const file = info.outputPath('tern.json');
  await (await download).saveAs(file);
  expect(JSON.parse(readFileSync(file, 'utf8'))).toEqual(JSON.parse(TERN));

  await page.goto('/projects');
  const give = (name: string, content: string | Buffer) =>
    page
      .getByLabel('Plan file')
      .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(content) });
  await give('short.json', TERN.slice(0, 700));
  await expect(page.getByRole('alert')).toContainText('cut short');
  await give('later.json', TERN.replace(/"version": \d+/, '"version": 99'));
  await expect(page.getByRole('alert')).toContainText('newer');
  await give('script.json', TERN.replace('"Tern"', '"<script>alert(1)</script>"'));
  await expect(page.getByRole('alert')).toContainText('project');
  const huge = info.outputPath('huge.json');
  writeFileSync(huge, Buffer.alloc(20_000_000, 32));
  await page.getByLabel('Plan file').setInputFiles(huge);
  await expect(page.getByRole('alert')).toContainText('20.0 MB');
  await page.getByLabel('Plan file').setInputFiles(file);
  await expect(page.getByRole('heading', { level: 1, name: 'Cut' })).toBeVisible();
  await expect(strip(page, 'Cut R')).toContainText('40.5 mm');
});

test('projects and variants get their names, and leave the list when asked', async ({ page, request }) => {
  await ownTern(request, (text) => text.replace('"Tern"', '"Linnet trial"'));
  await page.goto('/projects');
  const entry = page.getByRole('listitem').filter({ has: page.getByRole('heading', { name: 'Linnet trial' }) });
  await entry.getByRole('button', { name: 'Rename Linnet trial' }).click();
  await page.getByLabel('New name').fill('Linnet <b>');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('character');
  await page.getByLabel('New name').fill('Tamsel Linnet');
  await page.keyboard.press('Enter');
  const renamed = page
    .getByRole('listitem')
    .filter({ has: page.getByRole('heading', { name: 'Tamsel Linnet' }) });
  await expect(renamed).toBeVisible();
  await renamed.getByRole('button', { name: 'Remove Tamsel Linnet' }).click();
  await renamed.getByRole('button', { name: 'Yes, remove' }).click();
  await expect(renamed).toBeHidden();
});

test('who is at the bench is asked once and known to the others; a variant is begun for another donor and removed', async ({
  page,
  browser,
  request,
}) => {
  const id = await ownTern(request, (text) => text.replace('"Tern"', '"Whimbrel trial"'));
  await page.goto('/projects');
  const ask = page.locator('ix-who-form.ask');
  await ask.getByLabel('Your name').fill('Ansa Pell');
  await page.keyboard.press('Enter');
  await expect(ask).toBeHidden();
  await page.reload();
  const entry = page
    .getByRole('listitem')
    .filter({ has: page.getByRole('heading', { name: 'Whimbrel trial' }) });
  await expect(entry).toBeVisible();
  await expect(ask).toBeHidden();
  // The only variant stays.
  await expect(entry.getByRole('button', { name: /^Remove .* of Whimbrel trial$/ })).toHaveCount(0);

  await entry.getByRole('button', { name: /^Another donor, from/ }).click();
  await page.getByLabel('Name of the other donor').fill('Heron axle');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/plan\/[\w-]{36}\/brief/);
  await expect(page.getByRole('button', { name: /^Project Whimbrel trial/ })).toContainText('Heron axle');
  const other = /plan\/([\w-]{36})/.exec(page.url())?.[1] ?? '';
  expect(other).not.toBe(id);
  // Of the new donor nothing is known; the car is as it was.
  await openStage(page, other, 'donor');
  await expect(field(page, 'Casting to housing end, left')).toHaveValue('');
  await expect(field(page, 'Brake space, left')).toHaveValue('');
  await openStage(page, other, 'survey');
  await expect(field(page, 'Centreline to left WMS')).not.toHaveValue('');
  await openStage(page, other, 'donor');

  await field(page, 'Casting to housing end, left').fill('640.5');
  await saved(page);
  await page.getByRole('button', { name: /^Project Whimbrel trial/ }).click();
  await page.getByRole('menuitem', { name: 'Readings log' }).click();
  await page.getByRole('searchbox', { name: 'Find' }).fill('casting to housing end left');
  await page.getByRole('button', { name: 'History of Casting to housing end, left' }).click();
  await expect(page.getByRole('region', { name: 'History of a reading' })).toContainText('edit by Ansa Pell');
  const mate = await (await browser.newContext()).newPage();
  await openStage(mate, other, 'donor');
  await expect(mate.locator('ix-top-bar .here')).toContainText('Ansa Pell');

  await openStage(page, other, 'donor');
  await page.getByRole('button', { name: /^Project Whimbrel trial/ }).click();
  await page.getByRole('menuitem', { name: 'Remove this variant' }).click();
  await expect(page.getByRole('alert')).toContainText('Take Heron axle off this list?');
  await page.getByRole('button', { name: 'Yes, remove' }).click();
  await expect(page.getByRole('link', { name: 'Heron axle' })).toBeHidden();
  await expect(entry).toBeVisible();
  expect(await page.evaluate(() => document.activeElement === document.body)).toBe(false);
});
