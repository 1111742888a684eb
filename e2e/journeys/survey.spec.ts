import { expect } from '@playwright/test';
import { field, openStage, ownTern, saved, strip } from '../bench-hand';
import { test } from '../journey';

test('a car that is not level makes every rear number doubtful until it is level or accepted', async ({
  page,
  request,
}) => {
  // Without a chosen place the pinion follows the gearbox, which is read from a plumb line.
  const id = await ownTern(request, (text) => {
    const file = JSON.parse(text) as { plan: { readings: Record<string, unknown> } };
    delete file.plan.readings['cut.pinion'];
    return JSON.stringify(file);
  });
  await openStage(page, id, 'survey');
  await expect(page.getByText(/car that is not level/)).toBeHidden();
  await field(page, 'Sill, left front', 2).focus();
  await page.getByRole('button', { name: 'Remove reading 2 of Sill, left front' }).click();
  await field(page, 'Sill, left front').fill('259.4');
  await field(page, 'Sill, right rear').fill('245.1');
  // 259.4 − 243.6 and 254.2 − 245.1.
  await expect(page.getByText(/front leans by 15\.8 mm, rear leans by 9\.1 mm/)).toBeVisible();
  await page.getByRole('radio', { name: 'Axle' }).check();
  await expect(
    page.getByRole('button', { name: /Old axle off centreline 1\.8 mm.*car not level/ }),
  ).toBeVisible();
  await expect(
    page.locator('ix-reading').filter({ hasText: 'Gearbox output' }).getByLabel('car not level'),
  ).toBeVisible();
  await page.getByRole('link', { name: /Cut/ }).click();
  // Only the way that follows the gearbox rests on a plumb line.
  const doubtful = page.getByRole('row', { name: /Pinion where the driveline wants it/ });
  await expect(doubtful.getByRole('button', { name: /Cut, left 79\.0, car not level/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /New half.*car not level/ })).toHaveCount(0);
  await expect(strip(page, 'Cut L').getByRole('button', { name: /car not level/ })).toHaveCount(0);

  await page.getByRole('button', { name: /cautions/ }).click();
  const checks = page.getByRole('complementary', { name: 'Checks' });
  const rear = checks.getByRole('article').filter({ hasText: 'Rear leans' });
  await expect(rear).toContainText('Front first');
  await rear.getByRole('button', { name: 'Go there' }).click();
  await expect(field(page, 'Sill, left rear')).toBeFocused();
  await field(page, 'Sill, left front').fill('247.2');
  await field(page, 'Sill, right rear').fill('252.1');
  await expect(page.getByText(/car that is not level/)).toBeHidden();
  await saved(page);
});

test('weights, gearing and tyre say what each shaft must carry', async ({ page, request }) => {
  const id = await ownTern(request);
  await openStage(page, id, 'brief');
  const demand = page.locator('ix-torque-demand');
  // 420 · 2.92 · 3.91 · 0.9 · 0.75 · 1.3.
  await expect(demand).toContainText('4208');
  await expect(demand).toContainText('the tyre governs');
  await page.getByLabel('Gearbox ratios, first on').fill('2.92, first');
  await expect(page.getByRole('alert')).toContainText('“first” is no ratio');
  await page.getByLabel('Gearbox ratios, first on').fill('0.5');
  await page.getByRole('combobox', { name: 'Launch' }).click();
  await page.getByRole('option', { name: 'Rolling' }).click();
  // 420 · 0.5 · 3.91 · 0.9 · 0.75 = 554 N·m, less than the tyre holds.
  await expect(demand).toContainText('554');
  await expect(demand).toContainText('the engine governs');
  await page.getByRole('option', { name: 'Lathe' }).click();
  await saved(page);
  await page.reload();
  await expect(page.getByRole('option', { name: 'Lathe' })).toHaveAttribute('aria-selected', 'true');
});
