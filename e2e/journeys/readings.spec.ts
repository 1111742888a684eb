import { expect } from '@playwright/test';
import { field, openStage, ownTern, saved, strip } from '../bench-hand';
import { test } from '../journey';

test('the demo opens, a reading typed as a fraction moves strip and drawing, and undo takes it back', async ({
  page,
}) => {
  await page.goto('/');
  await expect(page.getByText('Tern', { exact: true })).toBeVisible();
  await expect(page.getByRole('button', { name: 'WMS width 1402.0 mm', exact: true })).toBeVisible();
  await expect(strip(page, 'Cut L')).toContainText('91.0 mm');

  await page.getByRole('link', { name: /Donor/ }).click();
  const half = page.getByRole('button', { name: 'Donor half, left 792.0 mm' });
  await expect(half).toBeVisible();
  // 31 1/4 in is 793.75 mm; the mean with 792.2 is 792.975, which is 91.975 over 701.
  await field(page, 'Pinion axis to WMS, left').fill('31 1/4');
  await expect(strip(page, 'Cut L')).toContainText('92.0 mm');
  await expect(strip(page, 'Cut L')).toContainText('+1.0');
  await expect(page.getByRole('button', { name: 'Donor half, left 793.0 mm' })).toBeVisible();
  await saved(page);

  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(strip(page, 'Cut L')).toContainText('91.0 mm');
  await expect(half).toBeVisible();
  await expect(field(page, 'Pinion axis to WMS, left')).toHaveValue('791.8');
  await page.keyboard.press('Control+y');
  await expect(strip(page, 'Cut L')).toContainText('92.0 mm');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(strip(page, 'Cut L')).toContainText('91.0 mm');
});

test('what cannot be a reading is refused at its field and the text stays', async ({ page, request }) => {
  const id = await ownTern(request);
  await openStage(page, id, 'donor');
  const tube = field(page, 'Casting to housing end, left');
  const refusals: readonly (readonly [string, RegExp])[] = [
    ['wide', /“wide” is not a length/],
    ['57 3/0', /nothing below the line/],
    ['90 m', /between 20\.0 mm and 1200\.0 mm; this is 90000\.0 mm/],
    ['-588', /between 20\.0 mm and 1200\.0 mm/],
    ['1,234,5', /./],
  ];
  for (const [text, why] of refusals) {
    await tube.fill(text);
    await expect(page.getByRole('alert').filter({ hasText: why })).toBeVisible();
    await expect(tube).toHaveValue(text);
    await expect(tube).toHaveAttribute('aria-invalid', 'true');
  }
  await expect(strip(page, 'Cut L')).toContainText('91.0 mm');
  await page.getByRole('link', { name: /Survey/ }).click();
  await page.getByRole('link', { name: /Donor/ }).click();
  await expect(tube).toHaveValue('1,234,5');
  await tube.fill('588');
  await expect(tube).not.toHaveAttribute('aria-invalid');

  // A cut longer than the tube and a shaft shorter than its spline can be typed; they stop the job.
  await tube.fill('60');
  await field(page, 'Casting to housing end, left', 2).fill('60');
  await page.getByRole('button', { name: /stop/ }).click();
  await expect(page.getByRole('heading', { name: /Left cut is longer than the tube/ })).toBeVisible();
});

test('lengths can be shown and typed in any unit', async ({ page, request }) => {
  const id = await ownTern(request);
  await openStage(page, id, 'survey');
  await page.getByRole('radio', { name: 'inch' }).check();
  // 91.0 mm is 3.583 in: 3 9/16 and 0.020.
  await expect(strip(page, 'Cut L')).toContainText(/3 9⁄16.*\+ \.020 in/);
  await field(page, 'Gearbox output').fill('-9/16');
  await page.locator('main').click({ position: { x: 5, y: 5 } });
  // By turns: 1/32, 1/64, mm.
  for (let i = 0; i < 3; i += 1) await page.keyboard.press('u');
  await expect(field(page, 'Gearbox output')).toHaveValue('−14.29');
  await field(page, 'Gearbox output').fill('-0.5in');
  await expect(page.getByRole('button', { name: 'Gearbox output from centreline −12.7 mm' })).toBeVisible();
});

test('four readings round an end face say how it leans, and every figure shows its working', async ({
  page,
  request,
}) => {
  const id = await ownTern(request);
  await openStage(page, id, 'cut');
  await page.getByRole('radio', { name: 'Right', exact: true }).check();
  await page.getByRole('radio', { name: /tack/i }).check();
  await field(page, 'Radius read at, right').fill('76.2');
  // Top to bottom 0.6 mm over twice 76.2 mm; front to rear 0.2 mm: slopes 3.937 and 1.312 mrad.
  for (const [clock, mm] of [
    ['Top', '600.3'],
    ['Front', '600.1'],
    ['Bottom', '599.7'],
    ['Rear', '599.9'],
  ] as const)
    await field(page, `${clock}, right`).fill(mm);
  // √(3.937² + 1.312²) mrad is 4.150 mrad, 0.24°; 18.4° from the top toward the front.
  await expect(page.locator('ix-square .result')).toContainText('0.24°');
  await page.locator('ix-square .result').getByRole('button').first().click();
  const working = page.getByRole('complementary', { name: 'Working' });
  await expect(working).toContainText('0.2378°');
  await page.keyboard.press('Escape');
  await expect(working).toBeHidden();

  await strip(page, 'Cut L').getByRole('button').click();
  await expect(working).toContainText('792.00');
  await expect(working).toContainText('701.00');
  await working
    .getByRole('button', { name: /half, left/i })
    .first()
    .click();
  await working.getByRole('button', { name: 'Back' }).click();
  await expect(working).toContainText('701.00');
});
