import { expect, type APIRequestContext, type Page } from '@playwright/test';
import { field, killStandin, openStage, ownPlan, ownTern, PACKHORSE, saved, STAG } from '../bench-hand';
import { PORT } from '../playwright.config';
import { test } from '../journey';

// One parts counter for all: what one journey sets, another would feel.
test.describe.configure({ mode: 'serial' });

const COUNTER = `http://127.0.0.1:${PORT + 2}`;
const counter = (request: APIRequestContext, modes: object) =>
  request.post(`${COUNTER}/modes`, { data: modes });
const judge = (page: Page) => page.getByRole('radio', { name: 'Judge' }).check();
const cell = (page: Page, row: string, column: number) =>
  page
    .getByRole('row', { name: new RegExp(`^${row}`) })
    .getByRole('cell')
    .nth(column);

test('three donors side by side: the comparison names what is wrong with each', async ({ page, request }) => {
  const id = await ownTern(request);
  for (const text of [STAG, PACKHORSE]) {
    const { variant, plan } = JSON.parse(text) as { variant: string; plan: unknown };
    const made = await request.post('/api/variants', {
      data: { copyOf: id, name: variant, plan, who: 'Ansa' },
    });
    expect(made.status()).toBe(201);
  }
  await openStage(page, id, 'routes');
  const heads = page.getByRole('columnheader', { name: /of 100/ });
  await expect(heads).toHaveCount(3);
  await expect(heads.nth(0)).toContainText('1Carter axle');
  await expect(heads.nth(1)).toContainText('out');
  await expect(heads.nth(2)).toContainText('out');
  const reasons = page.getByRole('row', { name: /Why it stands here/ });
  await expect(reasons).toContainText('Bolts in: every joint fits.');
  await expect(reasons).toContainText(/Costs \d+ more than the cheapest/);
  await expect(reasons).toContainText('Sold as limited slip, but it is open');
  await expect(reasons).toContainText(
    /Wheel bearing: does not fit, none of \d+ bearings joins a journal of 38.10 mm to a bore of 72.02 mm/,
  );

  // What is alike goes away; what is weighed otherwise scores otherwise.
  await expect(page.getByRole('row', { name: /^WMS width/ })).toBeVisible();
  await page.getByRole('checkbox', { name: 'Differences only' }).check();
  await expect(page.getByRole('row', { name: /^WMS width/ })).toHaveCount(0);
  const before = await heads.nth(0).textContent();
  await page.getByRole('slider', { name: 'Weight of Money' }).fill('5');
  await expect(heads.nth(0)).not.toHaveText(before ?? '');
  await page.getByRole('button', { name: 'Usual weights' }).click();
  await expect(heads.nth(0)).toHaveText(before ?? '');
});

test('a donor is rejected with a reason and a photo, and stands so in the comparison', async ({
  page,
  request,
}) => {
  const id = await ownPlan(request, PACKHORSE);
  await openStage(page, id, 'donor');
  await judge(page);
  await expect(page.getByText('Proven open.')).toBeVisible();
  await page.getByLabel('Reason; it stands in the comparison').fill('open, and the seller will not move');
  await page.getByRole('button', { name: 'Accept this donor' }).click();
  await expect(page.getByRole('alert')).toContainText('A stop is open');

  const photo = page.getByLabel('Photo for the decision');
  await photo.setInputFiles({
    name: 'tag.jpg',
    mimeType: 'image/jpeg',
    buffer: Buffer.from(`\x7fELF${'\0'.repeat(400)}`, 'latin1'),
  });
  await expect(page.getByRole('alert').filter({ hasText: 'no photo' })).toContainText('a photo as JPEG');
  const picture = await page.screenshot({ type: 'jpeg' });
  await photo.setInputFiles({ name: 'torn.jpg', mimeType: 'image/jpeg', buffer: picture.subarray(0, 6000) });
  await expect(page.getByRole('alert').filter({ hasText: 'broken' })).toBeVisible();
  await photo.setInputFiles({ name: 'inside.jpg', mimeType: 'image/jpeg', buffer: picture });
  const thumb = page.getByRole('img', { name: /Photo by/ });
  await expect(thumb).toBeVisible();
  // The picture may still be on its way when its place is there.
  await expect.poll(() => thumb.evaluate((e) => (e as HTMLImageElement).naturalWidth)).toBe(240);
  await expect(page.getByLabel('Reason; it stands in the comparison')).toHaveValue(
    'open, and the seller will not move',
  );

  await page.getByRole('button', { name: 'Reject it' }).click();
  await expect(page.getByRole('heading', { name: /^Rejected by/ })).toBeVisible();
  await page.getByLabel('What the photo shows').fill('bevel gears, no clutches');
  await page.getByLabel('What the photo shows').blur();
  await saved(page);
  await page.getByRole('link', { name: /Routes/ }).click();
  await expect(page.getByRole('row', { name: /Why it stands here/ })).toContainText(
    'Rejected: open, and the seller will not move.',
  );
  await page.reload();
  await openStage(page, id, 'donor');
  await judge(page);
  await expect(page.getByRole('img', { name: 'bevel gears, no clutches' })).toBeVisible();
});

test('the mating table finds the bearing nobody makes, and goes on from the last list without the counter', async ({
  page,
  request,
}) => {
  const id = await ownPlan(request, STAG);
  await openStage(page, id, 'donor');
  await page.getByRole('radio', { name: 'Mating' }).check();
  await page.getByRole('button', { name: 'Wheel bearing' }).click();
  await expect(page.getByRole('row', { name: /Wheel bearing/ })).toContainText('does not fit');
  await page.getByRole('button', { name: 'Ask again' }).click();
  await expect(page.getByText(/96 looked through, asked/)).toBeVisible();

  // As the donor's own journal is, there is a bearing; it has to be asked for.
  await field(page, 'Journal of the new shafts').fill('');
  await field(page, 'Journal of the new shafts').press('Enter');
  await expect(page.getByText(/sizes have changed since the counter was asked/).first()).toBeVisible();
  try {
    await counter(request, { failing: true });
    await page.getByRole('button', { name: 'Ask again' }).click();
    await expect(page.getByRole('alert')).toContainText(
      'the counter answers 503: this is its last known list.',
    );
    await expect(page.getByText(/last known list of/).first()).toBeVisible();
    await expect(page.getByRole('row', { name: /Wheel bearing/ })).toContainText('Bearing 35 × 72 × 17');
    await counter(request, { failing: false, slowMs: 5000 });
    await page.getByRole('button', { name: 'Ask again' }).click();
    await expect(page.getByRole('alert')).toContainText('did not answer within 1.5 s');
    await counter(request, { slowMs: 0, outOfStock: true });
    await page.getByRole('button', { name: 'Ask again' }).click();
    await expect(page.getByText('out of stock').first()).toBeVisible();
  } finally {
    await counter(request, { failing: false, slowMs: 0, outOfStock: false });
  }
  killStandin('parts.js', PORT + 2);
  await page.getByRole('button', { name: 'Ask again' }).click();
  await expect(page.getByRole('button', { name: 'Ask again' })).toBeEnabled();
  // It comes back by itself.
  await expect(async () => {
    await page.getByRole('button', { name: 'Ask again' }).click();
    await expect(page.getByText(/looked through, asked/)).toBeVisible({ timeout: 3000 });
  }).toPass({ timeout: 20_000 });
  await page
    .getByRole('button', { name: /^Choose / })
    .first()
    .click();
  await page.getByLabel('Work it takes').fill('press on, and a snap ring');
  await page.getByLabel('Cost').fill('twelve');
  await page.getByLabel('Cost').blur();
  await expect(page.getByRole('alert')).toContainText('“twelve” is no cost');
  await page.getByLabel('Cost').fill('12.50');
  await page.getByLabel('Who finds out').fill('Birk');
  await page.getByLabel('Who finds out').blur();
  await saved(page);
  await expect(page.getByRole('row', { name: /Wheel bearing/ })).toContainText('12.5');
});

test('a salvage offer begins another route with nothing but the seller’s word', async ({ page, request }) => {
  const id = await ownTern(request);
  await openStage(page, id, 'routes');
  await page.getByRole('button', { name: 'Ask the parts counter' }).click();
  await page
    .getByRole('listitem')
    .filter({ hasText: 'MS-70' })
    .getByRole('button', { name: 'Begin a route with it' })
    .click();
  const heads = page.getByRole('columnheader', { name: /of 100/ });
  await expect(heads).toHaveCount(2);
  await expect(cell(page, 'Purchase', 1)).toHaveText('280');
  await page.getByRole('link', { name: 'Calder Hauler axle' }).click();
  await expect(page.locator('ix-stage-screen header')).toContainText('Calder Hauler axle, heavy');
  await page.getByRole('radio', { name: 'Mating' }).check();
  await page.getByRole('button', { name: 'Flange to wheel' }).click();
  await expect(page.getByRole('row', { name: /Flange to wheel/ })).toContainText('6 × 139.70 mm');
  await expect(
    page.getByRole('button', { name: 'seller, instrument for Donor flange PCD', exact: true }),
  ).toBeVisible();
  await expect(field(page, 'Donor stud hole')).toHaveValue('');
});
