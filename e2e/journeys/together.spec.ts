import { devices, expect } from '@playwright/test';
import { field, openStage, ownTern, saved, strip } from '../bench-hand';
import { test } from '../journey';

test('a reading entered on the phone moves the drawing on the laptop, and both are known to be here', async ({
  page,
  browser,
  request,
}) => {
  const id = await ownTern(request);
  await openStage(page, id, 'donor');
  const phone = await (
    await browser.newContext({ ...devices['Pixel 7'], viewport: { width: 390, height: 844 } })
  ).newPage();
  await openStage(phone, id, 'donor');
  await expect(page.locator('ix-top-bar .here')).toContainText('2 pages open: bench, bench');

  await phone.getByRole('combobox', { name: 'Heading' }).selectOption('Left side');
  for (const key of '796.2') await phone.getByRole('button', { name: key, exact: true }).tap();
  await phone.getByRole('button', { name: 'Next' }).tap();
  // The mean of 791.8, 792.2 and 796.2 is 793.4, 92.4 over 701.
  await expect(page.getByRole('button', { name: 'Donor half, left 793.4 mm' })).toBeVisible({ timeout: 2000 });
  await expect(strip(page, 'Cut L')).toContainText('+1.4');

  // Different fields on both at once: both stay. What is being typed is not taken away.
  await field(page, 'Smallest body diameter, left').fill('33.1x');
  await phone.getByRole('link', { name: /Cut/ }).tap();
  await field(phone, 'Blade kerf').fill('2.2');
  await saved(page);
  await expect(field(page, 'Smallest body diameter, left')).toHaveValue('33.1x');
  await field(page, 'Smallest body diameter, left').fill('33.1');
  await saved(page);
  await page.getByRole('link', { name: /Cut/ }).click();
  await expect(field(page, 'Blade kerf')).toHaveValue('2.2');
  await phone.close();
  await expect(page.locator('ix-top-bar .here')).toHaveCount(0);
});
