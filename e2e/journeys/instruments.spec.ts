import { devices, expect, type APIRequestContext, type Page } from '@playwright/test';
import { field, killStandin, openStage, ownTern, saved } from '../bench-hand';
import { PORT } from '../playwright.config';
import { test } from '../journey';

// One bench of instruments for all: what one journey sets, another would feel.
test.describe.configure({ mode: 'serial' });

const BENCH = `http://127.0.0.1:${PORT + 1}`;
const set = async (request: APIRequestContext, id: string, state: object) => {
  const answer = await request.post(`${BENCH}/devices/${id}/set`, { data: state });
  expect(answer.ok()).toBe(true);
};
/** Without the reading of the tube, so that the walk begins there. */
const withoutTube = (text: string) => {
  const file = JSON.parse(text) as { plan: { readings: Record<string, unknown> } };
  delete file.plan.readings['survey.tubeOd'];
  return JSON.stringify(file);
};
async function connect(page: Page, name: RegExp): Promise<void> {
  await page.getByRole('button', { name: 'Instruments' }).click();
  await page.getByRole('menuitem', { name }).click();
}
const bar = (page: Page) => page.locator('ix-instrument-bar');
const shows = async (page: Page, text: string) => {
  await expect(bar(page).locator('output')).toContainText(text);
};

test('a phone under the car takes caliper readings while the drawing on the laptop follows', async ({
  page,
  browser,
  request,
}) => {
  const id = await ownTern(request, withoutTube);
  await set(request, 'caliper', { value: 69.86, noise: 0, drift: 0, fault: 'none', connected: true });
  await openStage(page, id, 'survey');
  await page.getByRole('radio', { name: 'Axle' }).check();
  const phone = await (
    await browser.newContext({ ...devices['Pixel 7'], viewport: { width: 390, height: 844 } })
  ).newPage();
  await openStage(phone, id, 'survey');
  await phone.getByRole('combobox', { name: 'Heading' }).selectOption('Axle in the car');
  await expect(phone.getByRole('heading', { name: 'Tube outside diameter' })).toBeVisible();
  await connect(phone, /Caliper/);
  await shows(phone, '69.86 mm');
  await bar(phone).getByRole('button', { name: 'Take' }).tap();
  await expect(bar(phone)).toContainText('Taken into Tube outside diameter: 69.86 mm.');
  await expect(field(page, 'Tube outside diameter')).toHaveValue('69.86');
  await set(request, 'caliper', { value: 70.21 });
  await shows(phone, '70.21 mm');
  await bar(phone).getByRole('button', { name: 'Take' }).tap();
  // 0.35 mm apart is more than a caliper explains: the phone says so, and so does the laptop.
  await expect(phone.getByText(/differ by more than the caliper explains. Read it again/)).toBeVisible();
  const laptop = page.locator('ix-reading').filter({ hasText: 'Tube outside diameter' });
  await expect(laptop).toContainText('2 readings disagree: take another');
  await set(request, 'caliper', { value: 69.89 });
  await shows(phone, '69.89 mm');
  await bar(phone).getByRole('button', { name: 'Take' }).tap();
  await expect(bar(phone)).toContainText('reading 3');
  await expect(field(page, 'Tube outside diameter', 3)).toHaveValue('69.89');
  // Two of three agree; the one that does not goes, and stays in the history.
  await field(page, 'Tube outside diameter', 2).focus();
  await page.getByRole('button', { name: 'Remove reading 2 of Tube outside diameter' }).click();
  await expect(laptop.getByRole('img', { name: /2 readings agree/ })).toBeVisible();
  await saved(page);
  const wide = await phone.evaluate(() => document.documentElement.scrollWidth);
  expect(wide).toBeLessThanOrEqual(390);
  await phone.close();
});

test('an instrument that fails is not believed, and is found again by itself', async ({ page, request }) => {
  const id = await ownTern(request, withoutTube);
  await set(request, 'caliper', { value: 69.87, noise: 0, fault: 'none', connected: true });
  await openStage(page, id, 'survey');
  await connect(page, /Caliper/);
  await field(page, 'Tube outside diameter').focus();
  await shows(page, '69.87 mm');
  for (const [fault, why] of [
    ['nan', 'it sent no number'],
    ['huge', 'it sent 1000000000'],
    ['half', 'it sent half a line'],
  ] as const) {
    await set(request, 'caliper', { fault });
    await shows(page, why);
    await page.keyboard.press('F9');
    await expect(bar(page)).toContainText(`Not taken: ${why}`);
  }
  await set(request, 'caliper', { fault: 'none', connected: false });
  await shows(page, 'trying again');
  await page.keyboard.press('F9');
  await expect(bar(page)).toContainText('Not taken');
  await set(request, 'caliper', { connected: true, battery: 0.05 });
  await shows(page, '69.87 mm');
  await expect(bar(page)).toContainText('battery low: readings wander');
  await set(request, 'caliper', { battery: 0.9 });

  killStandin('bench.js', PORT + 1);
  await shows(page, 'trying again');
  await field(page, 'Tube outside diameter').fill('69.9');
  // It starts again as it ships.
  await shows(page, '76.0');
  await expect(field(page, 'Tube outside diameter')).toHaveValue('69.9');
  await set(request, 'caliper', { value: 69.88, noise: 0 });
  await shows(page, '69.88 mm');
  await page.keyboard.press('F9');
  await expect(bar(page)).toContainText('Taken into Tube outside diameter: 69.88 mm, reading 2.');
  await bar(page).getByRole('button', { name: 'Disconnect' }).click();
  await expect(bar(page).locator('section')).toHaveCount(0);
});

test('a gauge zeroed on a flat reads relative angles, and scales fill in the axle loads', async ({
  page,
  request,
}) => {
  const id = await ownTern(request, (text) => {
    const file = JSON.parse(text) as { plan: { readings: Record<string, unknown> } };
    delete file.plan.readings['angle.pinion'];
    return JSON.stringify(file);
  });
  await set(request, 'gauge', { value: 1.3, noise: 0, drift: 0 });
  await openStage(page, id, 'survey');
  await page.getByRole('radio', { name: 'Angles' }).check();
  await connect(page, /Angle gauge/);
  await shows(page, '1.30°');
  await field(page, 'Flat of the old casting').focus();
  await bar(page).getByRole('button', { name: 'Zero' }).click();
  await shows(page, '0.00°');
  await set(request, 'gauge', { value: 2.8 });
  await shows(page, '1.50°');
  await field(page, 'Pinion slope').focus();
  await page.keyboard.press('F9');
  await expect(bar(page)).toContainText('Taken into Pinion slope');
  const row = page.getByRole('row', { name: /^Pinion slope/ });
  await expect(row.getByRole('combobox')).toHaveValue('angle.flat');
  // The flat stands at 1.3°, so the pinion slopes 2.8° against level.
  await expect(row).toContainText('2.8°');
  await bar(page).getByRole('button', { name: 'Own zero' }).click();
  await shows(page, '2.80°');

  await page.getByRole('link', { name: /Brief/ }).click();
  await connect(page, /Corner scales/);
  await set(request, 'scales', {
    noise: 0,
    channels: { leftFront: 291.5, rightFront: 284, rightRear: 241, leftRear: 248.5 },
  });
  await shows(page, '1065.0 kg');
  // Other corners come to the same in all.
  for (const corner of ['LF 291.5', 'RF 284.0', 'LR 248.5', 'RR 241.0'])
    await expect(bar(page)).toContainText(`${corner} kg`);
  await bar(page).getByRole('button', { name: 'Into the axle loads' }).click();
  await expect(bar(page)).toContainText('front 575.5 kg, rear 489.5 kg');
  await expect(page.getByText('489.5').first()).toBeVisible();
  await saved(page);
});

test('an instrument that types its number and Enter works in every field', async ({ page, request }) => {
  const id = await ownTern(request, withoutTube);
  await openStage(page, id, 'survey');
  await field(page, 'Tube outside diameter').focus();
  await page.keyboard.type('69.87');
  await page.keyboard.press('Enter');
  await expect(field(page, 'Centreline to right WMS')).toBeFocused();
  await expect(field(page, 'Tube outside diameter')).toHaveValue('69.87');
  await page.getByRole('button', { name: 'One at a time' }).click();
  await page.getByRole('combobox', { name: 'Heading' }).selectOption('Floor');
  const entry = page.getByRole('textbox', { name: 'Floor, left front' });
  await entry.focus();
  await page.keyboard.type('702.4');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Floor, right front' })).toBeVisible();
  await page.keyboard.type('703.1');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Floor, right rear' })).toBeVisible();
  await saved(page);
});
