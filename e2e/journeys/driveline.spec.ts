import { expect } from '@playwright/test';
import { field, openStage, ownTern, saved, textOfPdf } from '../bench-hand';
import { test } from '../journey';

test('a way to aim the pinion is chosen, and perch and bench card follow', async ({ page, request }) => {
  const id = await ownTern(request);
  await openStage(page, id, 'driveline');
  const way = page.getByRole('radio', { name: 'Nose down, parallel under load' });
  await way.check();
  const row = page.getByRole('row').filter({ has: way });
  await expect(row.getByRole('button', { name: /^Pinion slope to set at rest −1\.00°/ })).toBeVisible();
  await expect(row.getByRole('button', { name: /^Perch turns by, left −3\.50°/ })).toBeVisible();
  await saved(page);
  await page.getByRole('radio', { name: 'Bench', exact: true }).check();
  // Seat 0.2° in the car, pinion −1°: 1.2° against the pinion, 1.6° of that off by the flat.
  await expect(
    page.getByRole('button', { name: /^Left perch, gauge zeroed on the flat −0\.4°/ }),
  ).toBeVisible();
  await page.getByRole('radio', { name: 'pinion flange', exact: true }).check();
  await expect(page.getByRole('button', { name: /^Perch against the pinion, left 1\.2°/ })).toBeVisible();
  // The slope is typed instead, and all follows.
  await field(page, 'Pinion slope to set').fill('0.5');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Perch against the pinion, left −0\.3°/ })).toBeVisible();
});

test('the pinion is dragged by its nose with the keys, and put back by undo', async ({ page, request }) => {
  const id = await ownTern(request);
  await openStage(page, id, 'driveline');
  const nose = page.getByRole('slider', { name: 'Pinion slope to set' });
  await expect(nose).toHaveAttribute('aria-valuetext', '3.00°');
  await nose.focus();
  for (let i = 0; i < 4; i += 1) await page.keyboard.press('Shift+ArrowDown');
  await expect(nose).toHaveAttribute('aria-valuetext', '1.00°');
  await expect(field(page, 'Pinion slope to set')).toHaveValue('1');
  const box = await nose.locator('.knob').boundingBox();
  if (!box) throw new Error('The nose is not there.');
  // Taken hold of beside its middle it stays; then it goes as far as the pointer: 262 mm of nose at the drawing’s scale.
  await page.mouse.move(box.x + 3, box.y + 4);
  await page.mouse.down();
  await page.mouse.move(box.x + 5, box.y + 4);
  await expect(nose).toHaveAttribute('aria-valuetext', '1.00°');
  await page.mouse.move(box.x + 5, box.y, { steps: 4 });
  await page.mouse.up();
  const [, parts] =
    /1 : (\d+)/.exec(
      await page
        .getByText(/^1 : \d+, lengths/)
        .first()
        .innerText(),
    ) ?? [];
  const turned = (4 * Number(parts) * 25.4) / 96 / 262 / (Math.PI / 180);
  const now = Number((await nose.getAttribute('aria-valuetext'))?.replace('°', ''));
  expect(Math.abs(now - 1 - turned)).toBeLessThan(0.06 * turned + 0.3);
  await saved(page);
});

test('a gearbox that is still open leaves the weld tacked, on sheet and phone', async ({ page, request }) => {
  const id = await ownTern(request);
  await openStage(page, id, 'brief');
  const gearbox = page.getByRole('group', { name: 'Gearbox' });
  await gearbox.getByLabel('Why').fill('no');
  await expect(gearbox.getByRole('alert')).toHaveText(/at least 3 letters/);
  await gearbox.getByRole('combobox').selectOption('open');
  await gearbox.getByLabel('Why').fill('A six-speed may come');
  await gearbox.getByLabel('Who decides').fill('Wim');
  await page.keyboard.press('Tab');
  await expect(gearbox.getByRole('alert')).toHaveCount(0);
  await saved(page);
  await page.goto(`/plan/${id}/driveline`);
  await expect(
    page
      .getByRole('button', { name: /^Pinion slope to set at rest 3\.00°, preliminary: the gearbox still open/ })
      .first(),
  ).toBeVisible();
  await page.getByRole('radio', { name: 'Waits' }).check();
  const row = page.getByRole('row').filter({ hasText: 'A six-speed may come (Wim)' });
  await expect(row).toContainText('the pinion’s slope, the driveshaft’s length, the perch angle on the bench');
  await page.setViewportSize({ width: 390, height: 844 });
  await page.getByRole('radio', { name: 'Bench', exact: true }).check();
  await expect(page.getByText('The slope rests on what is still open: the gearbox.')).toBeVisible();
  const pdf = await request.get(`/api/variants/${id}/bench-card.pdf?paper=a4&units=mm`);
  expect(pdf.status()).toBe(200);
  const text = textOfPdf(await pdf.body());
  expect(text).toMatch(/TACK ONLY/);
  expect(text).toMatch(/the gearbox still open/);
});

test('a two-piece driveshaft with a sideways kink shakes the pinion at speed; a better slope is shown', async ({
  page,
  request,
}) => {
  const id = await ownTern(request);
  await openStage(page, id, 'driveline');
  await page.getByRole('combobox', { name: 'Driveshaft' }).selectOption('two');
  const enter = async (name: string, text: string) => {
    await field(page, name).fill(text);
    await page.keyboard.press('Enter');
  };
  await enter('Axle to centre joint', '880');
  await enter('Centre joint', '9');
  await enter('Centre joint height', '282');
  await enter('Pinion slope to set', '-2');
  const stop = page.getByText('Driveline shakes the pinion at speed');
  await expect(stop.first()).toBeVisible();
  await field(page, 'Pinion slope to set').fill('');
  await page.keyboard.press('Enter');
  await expect(
    page
      .getByRole('img', { name: /joint 3/ })
      .or(page.getByText(/joint 3/))
      .first(),
  ).toBeVisible();
  const shakes = page
    .getByRole('row')
    .filter({ has: page.getByRole('radio', { name: 'Parallel', exact: true }) });
  await expect(shakes.getByRole('button', { name: /^Torsional acceleration of the pinion/ })).toBeVisible();
});

test('a live gauge says how far a face is from where it must stand', async ({ page, request }) => {
  const id = await ownTern(request);
  await openStage(page, id, 'driveline');
  await page.getByRole('radio', { name: 'Bench', exact: true }).check();
  await page.getByRole('button', { name: 'Instruments' }).click();
  await page.getByRole('menuitem', { name: /angle gauge/i }).click();
  await expect(page.getByText(/too (high|low) in front|right/).first()).toBeVisible();
});

test('the driveshaft order goes out as PDF, table and file', async ({ request }) => {
  const id = await ownTern(request);
  const at = (kind: string) =>
    request.get(`/api/variants/${id}/order-sheet.${kind}?sheet=driveshaft&units=mm&paper=a4`);
  const csv = await (await at('csv')).text();
  expect(csv).toMatch(/Driveshaft.*1284\.0/);
  expect(csv).toMatch(/Gearbox seal to joint centre/);
  const file = (await (await at('json')).json()) as { title?: string };
  expect(JSON.stringify(file)).toContain('1284');
  const pdf = await at('pdf');
  expect(pdf.headers()['content-type']).toContain('pdf');
  expect(textOfPdf(await pdf.body())).toMatch(/Driveshaft order/);
});
