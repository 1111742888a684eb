import { expect, type Locator, type Page } from '@playwright/test';
import { field, openStage, ownTern, saved, strip } from '../bench-hand';
import { test } from '../journey';

const check = (page: Page, words: RegExp | string) =>
  page.locator('ix-checks-drawer, ix-checks').getByText(words).first();

/** Drags a handle of a drawing sideways by some pixels, and says how long each move took to be painted. */
async function dragBy(page: Page, handle: Locator, pixels: number): Promise<void> {
  const box = await handle.boundingBox();
  if (!box) throw new Error('The handle is not to be seen.');
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let i = 1; i <= 12; i += 1) await page.mouse.move(x + (pixels * i) / 12, y);
  await page.mouse.up();
}

test('from survey to a wheel that clears on the tighter side', async ({ page, request }) => {
  const id = await ownTern(request);
  await openStage(page, id, 'survey');
  await page.getByRole('radio', { name: 'Room' }).check();
  // The right side is the tighter one outboard: read again, it has lost five millimetres.
  const lip = field(page, 'Arch lip, full bump, right');
  await lip.fill('778.3');
  await lip.press('Enter');
  await saved(page);

  await openStage(page, id, 'stance');
  const size = page.getByLabel('Size on the sidewall');
  await size.fill('920/60R13');
  await size.press('Enter');
  await expect(page.getByRole('alert')).toContainText('A section of 920 mm does not exist: 105 to 455 mm.');
  await expect(size).toHaveValue('920/60R13');
  await size.fill('145/90R13');
  await size.press('Enter');
  await expect(page.getByRole('alert')).toHaveCount(0);
  await field(page, 'Rim width, inch').fill('5');
  await field(page, 'Wheel offset (ET)').fill('24');
  await field(page, 'Wheel offset (ET)').press('Enter');
  // By hand: 155.16 wide on 5 inch, 4 on the measuring rim. Outside in a bend the right wheel is up by 0.8 of its
  // bump, the lip there at 780.76, the section's half 83.79 with its bulge, and 291.8 high it leans 1.5°:
  // 780.76 − 700.95 + 24 − 3 − 83.79 − 7.64 = 9.38, where 13 are wanted.
  await expect(strip(page, 'Least clearance')).toContainText(/9.4 \*?mm/);
  await expect(page.getByText('Offset for this width').locator('xpath=..')).toContainText('27.6 mm to 37.4 mm');

  // The counter's wheels that clear come first; the first of them is taken.
  await page.getByRole('button', { name: 'Ask the counter' }).click();
  await expect(page.getByText(/\d+ of 24 clear on this axle/)).toBeVisible();
  await page.getByRole('button', { name: 'take', exact: true }).first().click();
  await saved(page);
  await expect(page.getByRole('button', { name: 'taken' })).toHaveCount(1);
  await expect(strip(page, 'Least clearance')).toContainText(/15.4 \*?mm/);
  // No caution of the tyre is left on either side.
  await expect(page.getByRole('link', { name: /Stance/ })).toContainText('145/90R13');
});

test('dragged out, the wheel meets the arch lip, and the page says what limits it', async ({
  page,
  request,
}) => {
  const id = await ownTern(request);
  await openStage(page, id, 'stance');
  const wheel = page.getByRole('slider', { name: 'Wheel offset, left wheel' });
  await expect(wheel).toHaveAttribute('aria-valuenow', '30');
  // Outward on the left is to the left of the picture.
  await dragBy(page, wheel, -26);
  const et = Number(await wheel.getAttribute('aria-valuenow'));
  expect(et).toBeLessThan(0);
  await saved(page);
  await expect(page.getByRole('slider', { name: 'Wheel offset, right wheel' })).toHaveAttribute(
    'aria-valuenow',
    String(et),
  );
  await expect(page.getByRole('link', { name: /Stance/ })).toContainText('stop');
  await page.getByRole('button', { name: /stop/ }).first().click();
  await expect(check(page, /(Left|Right) tyre touches the arch lip/)).toBeVisible();

  await page.getByRole('button', { name: 'Close the checks' }).click();

  // The map says the same of this place, and what would clear.
  await page.getByRole('radio', { name: 'Fit map' }).check();
  const map = page.getByRole('application');
  await expect(map).toBeVisible();
  await expect(page.locator('ix-fit-map').getByRole('status')).toContainText(
    /short; limited by .*arch lip, full bump, right/,
  );
  await map.focus();
  for (let i = 0; i < 14; i += 1) await page.keyboard.press('Shift+ArrowUp');
  await expect(page.locator('ix-fit-map').getByRole('status')).toContainText('short; limited by inner arch');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  // Undone, the wheel stands where it stood.
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(field(page, 'Wheel offset (ET)')).toHaveValue('30.0');
});
