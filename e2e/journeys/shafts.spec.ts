import { expect, type APIRequestContext, type Page } from '@playwright/test';
import { field, openStage, ownTern, saved, strip, textOfPdf } from '../bench-hand';
import { PORT } from '../playwright.config';
import { test } from '../journey';

// One shaft maker for all: what one journey sets, another would feel.
test.describe.configure({ mode: 'serial' });

const MAKER = `http://127.0.0.1:${PORT + 3}`;
const shop = (request: APIRequestContext, path: string, data: object = {}) =>
  request.post(`${MAKER}${path}`, { data });
const tab = (page: Page, name: string) => page.getByRole('radio', { name }).check();
const card = (page: Page) => page.locator('ix-order').first();

test('a stock pair beats a custom order, and the cut is made to suit it', async ({ page, request }) => {
  const id = await ownTern(request);
  await openStage(page, id, 'shafts');
  await tab(page, 'Orders');
  await page.getByRole('button', { name: 'Ask for a quote' }).click();
  await expect(card(page)).toContainText(/quoted.*600, 15 days/);

  await tab(page, 'Stock pairs');
  await page.getByRole('button', { name: 'Search the counter' }).click();
  await expect(page.getByText(/of 5000 shafts pass\. Refused: \d+ for another tooth count/)).toBeVisible();
  await expect(
    page.getByText(
      /Made to order instead: 600, 15 days, by quote WQ-\d+\. \d+ of these pairs are cheaper and as soon/,
    ),
  ).toBeVisible();
  const first = page.locator('ix-pairs tbody tr').first();
  // 792 + 684.5 − 775.4 and 741.5 + 684.5 − 724.7 make 1402.4.
  await expect(first).toContainText('1402.4');
  await expect(first).toContainText('on the shelf');
  await first.getByRole('button', { name: 'take' }).click();
  await saved(page);
  await expect(strip(page, 'WMS width')).toContainText('1402.4 mm');
  await expect(strip(page, 'Shaft L')).toContainText(/684.5 \*?mm/);

  await openStage(page, id, 'cut');
  await expect(page.getByRole('radio', { name: /Stock shafts first/ })).toBeChecked();
  await expect(strip(page, 'Cut L')).toContainText('90.9 mm');
  await expect(page.getByRole('row', { name: /Stock shafts first/ })).toContainText('2 stock shafts');
});

test('an order is placed, a shaft of the wrong length is caught and recorded', async ({ page, request }) => {
  const id = await ownTern(request);
  await openStage(page, id, 'shafts');
  await tab(page, 'Orders');

  // A maker that is late or talks nonsense loses nothing.
  await shop(request, '/modes', { nonsense: true });
  await page.getByRole('button', { name: 'Ask for a quote' }).click();
  await expect(page.getByRole('alert')).toContainText(
    'Not ordered: the shaft maker’s answer makes no sense. Nothing was lost',
  );
  await shop(request, '/modes', { nonsense: false });
  await page.getByRole('button', { name: 'Ask for a quote' }).click();
  await expect(card(page)).toContainText('684.5 mm, 31/24, journal 35.01 mm');
  // A plan that moves on takes its quote with it, and gives it back when it moves back.
  await field(page, 'Round shaft length to').fill('5');
  await expect(card(page)).toContainText('left length 684.50 mm, now 685.00 mm');
  await expect(page.getByRole('button', { name: 'Place the order' })).toBeDisabled();
  await field(page, 'Round shaft length to').fill('0.5');
  await field(page, 'Round shaft length to').press('Enter');
  await saved(page);
  await page.getByRole('button', { name: 'Place the order' }).click();
  await expect(card(page)).toContainText('paid');
  const number = /WQ-\d+/.exec((await card(page).textContent()) ?? '')?.[0] ?? '';

  await shop(request, `/shop/orders/${number}/spoil`, { side: 'left', by: -12 });
  await shop(request, `/shop/orders/${number}/late`, { days: 10 });
  const look = page.getByRole('button', { name: 'Ask where it stands' });
  await look.click();
  await expect(card(page)).toContainText('late');
  await shop(request, `/shop/orders/${number}/advance`);
  await look.click();
  await expect(card(page)).toContainText('on its way');

  // What the parcel holds, by the caliper.
  const made = (
    (await (await request.get(`${MAKER}/shop/orders`)).json()) as {
      number: string;
      made: { side: string; length: number }[];
    }[]
  ).find((o) => o.number === number)?.made;
  const length = (side: string) => String(made?.find((m) => m.side === side)?.length);
  expect(length('left')).toBe('672.65');
  await page.getByLabel('Left length').fill('six hundred');
  await page.getByLabel('Right length').fill(length('right'));
  await page.getByRole('button', { name: 'Compare with the order' }).click();
  await expect(card(page).getByRole('alert')).toContainText('Left length:');
  await page.getByLabel('Left length').fill(length('left'));
  await page.getByRole('button', { name: 'Compare with the order' }).click();
  await expect(card(page)).toContainText('wrong shaft received');
  await expect(card(page)).toContainText(
    /Left length 672\.65 mm, ordered 684\.50 mm, off by [−-]11\.85 mm\. Too short/,
  );
  // The Tern’s shafts are held by clips: the wheel comes in with the shaft.
  await expect(card(page)).toContainText(
    /Left, kept as it is: wheel face and rotor stand 1[12]\.\d mm further in; the tyre keeps/,
  );
  await expect(card(page)).toContainText('Right length 683.90 mm, ordered 684.00 mm');
  await page.getByRole('button', { name: 'Send it back' }).click();
  await expect(card(page).getByRole('alert')).toHaveText('Write the reason first.');
  await page.getByLabel('Reason').fill('Twelve millimetres short');
  await page.getByRole('button', { name: 'Send it back' }).click();
  await expect(card(page)).toContainText('Twelve millimetres short');
  await expect(card(page).locator('.state')).toHaveText('being made');

  // Made again and right, it is taken; all of it stands in the record, also after a reload.
  await shop(request, `/shop/orders/${number}/advance`);
  await look.click();
  await page.reload();
  await tab(page, 'Orders');
  await page.getByLabel('Left length').fill('684.65');
  await page.getByLabel('Right length').fill('683.9');
  await page.getByRole('button', { name: 'Compare with the order' }).click();
  await expect(card(page).locator('.state')).toHaveText('taken');
  await expect(field(page, 'Shaft as received, left')).toHaveValue('684.65');
  await saved(page);
  await card(page)
    .getByText(/What became of it/)
    .click();
  await expect(card(page)).toContainText('left length off by -11.85 mm.');
  await expect(card(page)).toContainText('Twelve millimetres short');
});

test('chances are drawn beside the page, and the reading to improve is named', async ({ page, request }) => {
  const id = await ownTern(request);
  await openStage(page, id, 'shafts');
  await tab(page, 'Chances');
  await page.getByRole('button', { name: 'Run 100,000 builds' }).click();
  await expect(page.getByRole('row', { name: /Clear of the cross shaft/ })).toContainText('%');
  await expect(page.getByText(/^Left: [\d.]+ % all together\./)).toBeVisible();
  // What is worth a second reading is named, and leads to its field.
  const first = page.locator('ix-chances p button.link').first();
  await expect(first).toHaveText(/\w{4}/);
  await first.click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Survey|Stance|Donor|Cut/);
});

test('a tube fit is stopped for an oval bore, and the sheet says so', async ({ page, request }) => {
  const id = await ownTern(request);
  await openStage(page, id, 'cut');
  await page.getByRole('combobox', { name: 'Method' }).selectOption('New tubes into the casting');
  const read = async (name: string, text: string) => {
    await field(page, name).fill(text);
    await field(page, name).press('Enter');
  };
  const bores = ['76.18', '76.20', '76.31'];
  const tubes = ['76.24', '76.27', '76.25'];
  for (const [i, across] of ['top to bottom', 'top front to bottom rear', 'front to rear'].entries()) {
    await read(`Bore, ${across}, left`, bores[i] ?? '');
    await read(`Tube, ${across}, left`, tubes[i] ?? '');
  }
  await read('Insertion depth', '58');
  await page.getByRole('radio', { name: 'Tubes and ends' }).check();
  // 76.31 − 76.18.
  await expect(page.getByRole('row', { name: /Bore out of round/ })).toContainText('0.13 mm');
  await expect(page.getByText('Left bore is oval.')).toBeVisible();
  await expect(page.getByText('Do not press.', { exact: false }).first()).toBeVisible();
  // No length before the end piece was read; then 588 − 91 + 58 − 60 − 2 + 0.8.
  await expect(page.getByRole('row', { name: /Cut the tube to/ })).not.toContainText('mm');
  for (const side of ['left', 'right']) await field(page, `End piece, ${side}`).fill('60');
  await expect(page.getByRole('row', { name: /Cut the tube to/ })).toContainText('493.8 mm');
  await saved(page);
  const sheet = textOfPdf(await (await request.get(`/api/variants/${id}/cut-sheet.pdf`)).body());
  expect(sheet).toMatch(/STOP +Left bore is oval: 0\.13 mm, limit 0\.08 mm/);
  expect(sheet).toContain('hold point');
});
