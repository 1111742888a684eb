import { expect, type Page } from '@playwright/test';
import { openStage, ownTern, strip } from '../bench-hand';
import { test } from '../journey';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

const NAMES: Readonly<Record<string, string>> = { ' ': 'space', '-': 'minus' };

/** Types on the big keys. */
async function tap(page: Page, text: string): Promise<void> {
  for (const character of text)
    await page.getByRole('button', { name: NAMES[character] ?? character, exact: true }).tap();
}

test('readings go in one after the other on big keys', async ({ page, request }) => {
  const id = await ownTern(request);
  await openStage(page, id, 'survey');
  // The demo's floor has not been read, so the walk begins there.
  await expect(page.getByRole('heading', { name: 'Floor, left front' })).toBeVisible();
  await tap(page, '27 11/16');
  await expect(page.getByText('= 703.26 mm')).toBeVisible();
  await page.getByRole('button', { name: 'Delete' }).tap();
  await page.getByRole('button', { name: 'Delete' }).tap();
  await page.getByRole('button', { name: 'Delete' }).tap();
  await tap(page, '/0');
  await page.getByRole('button', { name: 'Next' }).tap();
  await expect(page.getByRole('alert')).toContainText('nothing below the line');
  await expect(page.getByRole('textbox')).toHaveValue('27 11/0');
  await page.getByRole('textbox').fill('');
  await tap(page, '709.5');
  await page.getByRole('button', { name: 'Again' }).tap();
  await tap(page, '702.1');
  await page.getByRole('button', { name: 'Again' }).tap();
  // 709.5 and 702.1 lie further apart than a tape explains.
  await expect(page.getByText(/differ by more than the tape explains/)).toBeVisible();
  await page.getByRole('button', { name: 'Remove the last' }).tap();
  await expect(page.getByText(/differ by more/)).toBeHidden();
  await page.getByRole('button', { name: 'Next' }).tap();
  await expect(page.getByRole('heading', { name: 'Floor, right front' })).toBeVisible();

  await page.getByRole('link', { name: /Donor/ }).tap();
  await page.getByRole('combobox', { name: 'Heading' }).selectOption('Left side');
  await tap(page, '796.2');
  await page.getByRole('button', { name: 'Next' }).tap();
  // The mean of 791.8, 792.2 and 796.2 is 793.4, 92.4 over 701.
  await expect(strip(page, 'Cut L')).toContainText('92.4 mm');
  const wide = await page.evaluate(() => document.documentElement.scrollWidth);
  expect(wide).toBeLessThanOrEqual(390);
});
