import { expect, type Locator, type Page } from '@playwright/test';
import { field, openStage, ownTern, saved, strip, textOfPdf } from '../bench-hand';
import { test } from '../journey';

/** How many cautions are open. */
const cautions = async (page: Page): Promise<number> =>
  Number.parseInt((await page.getByRole('button', { name: /\d+ cautions/ }).innerText()).trim(), 10);
const card = (checks: Locator): Locator => checks.locator('article', { hasText: 'Camber from the left cut' });

test('another way to cut moves every number, and the marks can be dragged within their limits', async ({
  page,
  request,
}) => {
  const id = await ownTern(request);
  await openStage(page, id, 'cut');
  await page.getByRole('radio', { name: 'Keep the pinion offset' }).check();
  // (1533.5 − 1402) / 2 a side; shafts 775.4 − 65.75 and 724.7 − 65.75 to half a millimetre.
  await expect(strip(page, 'Cut L')).toContainText('65.8 mm');
  await expect(strip(page, 'Cut R')).toContainText('65.8 mm');
  await expect(strip(page, 'Shaft L')).toContainText(/709.5 \*?mm/);
  await expect(strip(page, 'Shaft R')).toContainText(/659.0 \*?mm/);
  await expect(strip(page, 'Pinion')).toContainText('25.3 mm');
  await page.getByRole('radio', { name: 'Pinion where the driveline wants it' }).check();
  await expect(strip(page, 'Cut L')).toContainText(/79\.0 \*?mm/);
  await page.getByRole('radio', { name: 'Even up' }).check();
  await expect(strip(page, 'Cut L')).toContainText('91.0 mm');

  const mark = page.getByRole('slider', { name: 'First mark, left' });
  await expect(mark).toHaveAttribute('aria-valuenow', '202');
  await mark.focus();
  await page.keyboard.press('ArrowUp');
  await expect(field(page, 'First mark, left')).toHaveValue('203.0');
  const knob = await mark.boundingBox();
  if (!knob) throw new Error('The mark is not drawn.');
  const [x, y] = [knob.x + knob.width / 2, knob.y + knob.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x - 12, y, { steps: 4 });
  const moved = Number(await mark.getAttribute('aria-valuenow'));
  expect(moved).toBeGreaterThan(220);
  // Dragged far into the casting it stops at the limit.
  await page.mouse.move(x + 400, y, { steps: 4 });
  await page.mouse.up();
  expect(await mark.getAttribute('aria-valuenow')).toBe(await mark.getAttribute('aria-valuemin'));
  await saved(page);

  await page.getByRole('combobox', { name: 'Method' }).selectOption('End off and on again');
  // Nothing is marked while the end piece was not read.
  await expect(page.getByText(/Needs first: end piece/).first()).toBeVisible();
  for (const side of ['left', 'right']) await field(page, `End piece, ${side}`).fill('60');
  const piece = page.getByRole('slider', { name: 'End piece, right' });
  await expect(piece).toHaveAttribute('aria-valuenow', '60');
  await piece.focus();
  await page.keyboard.press('Shift+ArrowUp');
  await expect(field(page, 'End piece, right')).toHaveValue('70.0');
});

test('a caution is accepted with a reason and stands on screen, paper and table', async ({ page, request }) => {
  const id = await ownTern(request);
  await openStage(page, id, 'cut');
  const open = await cautions(page);
  await page.getByRole('button', { name: /\d+ cautions/ }).click();
  const checks = page.getByRole('complementary', { name: 'Checks' });
  await card(checks).getByRole('button', { name: 'Accept…' }).click();
  await checks.getByRole('button', { name: 'Accept with this reason' }).click();
  await expect(checks.getByRole('alert')).toContainText('Write the reason');
  await checks.getByLabel('Reason').fill('Full-float ends follow; they set the camber anew.');
  await checks.getByLabel('Who decides').fill('Ansa');
  await checks.getByRole('button', { name: 'Accept with this reason' }).click();
  await expect(page.getByRole('button', { name: `${open - 1} cautions` })).toBeVisible();
  await checks.getByRole('button', { name: 'Close the checks' }).click();
  await saved(page);

  await page.getByRole('link', { name: /Sheets/ }).click();
  await expect(page.getByText('Full-float ends follow; they set the camber anew.')).toBeVisible();
  const pdf = await request.get(`/api/variants/${id}/cut-sheet.pdf?units=mm&paper=letter`);
  const paper = textOfPdf(await pdf.body());
  expect(paper).toContain('Full-float ends follow');
  expect(paper).toContain('294.2 mm');
  const csv = await (await request.get(`/api/variants/${id}/cut-sheet.csv`)).text();
  expect(csv).toContain('Full-float ends follow');
});

test('a limit is changed with a reason and can go back to its default', async ({ page, request }) => {
  const id = await ownTern(request);
  await openStage(page, id, 'cut');
  const open = await cautions(page);
  await page.getByRole('button', { name: /\d+ cautions/ }).click();
  const checks = page.getByRole('complementary', { name: 'Checks' });
  await card(checks).getByRole('button', { name: 'Change limit…' }).click();
  await checks.getByLabel('New limit').fill('0.3');
  await checks.getByLabel('Reason').fill('Road car on narrow tyres');
  await checks.getByRole('button', { name: 'Change the limit' }).click();
  await expect(page.getByRole('button', { name: `${open - 1} cautions` })).toBeVisible();
  await checks.getByRole('button', { name: /Show \d+ passed/ }).click();
  await checks.getByRole('button', { name: 'Default limit' }).first().click();
  await expect(page.getByRole('button', { name: `${open} cautions` })).toBeVisible();
});
