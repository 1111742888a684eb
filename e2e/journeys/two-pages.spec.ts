import { expect, type Page } from '@playwright/test';
import { field, openStage, ownTern, saved } from '../bench-hand';
import { test } from '../journey';

/** No script can be had any more. */
const withoutScripts = (page: Page) => page.route('**/*.js', (route) => route.abort());

test('two pages on one plan: different fields merge, the same field asks, nothing is overwritten', async ({
  page,
  context,
  request,
}) => {
  const id = await ownTern(request);
  // Cut off from live news, as a tab that slept is.
  await context.route(/\/live\?/, (route) => route.abort());
  const other = await context.newPage();
  await openStage(page, id, 'cut');
  await openStage(other, id, 'cut');

  await field(page, 'Blade kerf').fill('1.9');
  await saved(page);
  await field(other, 'Root gap').fill('2.4');
  await expect(other.getByRole('status').filter({ hasText: /another page/i })).toBeVisible();
  await expect(field(other, 'Blade kerf')).toHaveValue('1.9');
  await saved(other);

  await field(page, 'Root gap').fill('3.1');
  const asks = page.getByRole('alert', { name: 'Changed elsewhere' });
  await expect(asks).toContainText('Root gap');
  await expect(asks.getByRole('button', { name: 'Keep mine: 3.1 mm' })).toBeVisible();
  const stored = async () => {
    const answer = (await (await request.get(`/api/variants/${id}`)).json()) as {
      plan: { readings: Record<string, { repeats: { value: number }[] }> };
    };
    return answer.plan.readings['cut.gap']?.repeats[0]?.value;
  };
  expect(await stored()).toBe(2.4);
  await asks.getByRole('button', { name: 'Take theirs: 2.4 mm' }).click();
  await saved(page);
  await expect(field(page, 'Root gap')).toHaveValue('2.4');
  expect(await stored()).toBe(2.4);

  await field(other, 'Root gap').fill('1.5');
  await saved(other);
  await field(page, 'Root gap').fill('1.7');
  await page.getByRole('button', { name: 'Keep mine: 1.7 mm' }).click();
  await saved(page);
  expect(await stored()).toBe(1.7);
});

test('who else comes moves no button, and a press counts for what was pressed though it moves away', async ({
  page,
  context,
  request,
}) => {
  const id = await ownTern(request);
  await openStage(page, id, 'cut');
  await field(page, 'Blade kerf').fill('1.9');
  await saved(page);
  const undo = page.getByRole('button', { name: /^Undo/ });
  const before = await undo.boundingBox();
  const other = await context.newPage();
  await openStage(other, id, 'cut');
  await expect(page.locator('ix-top-bar').getByTitle(/^2 pages open/)).toBeVisible();
  expect(await undo.boundingBox()).toEqual(before);

  // Something comes in above while the hand is down.
  const faces = page.getByRole('radio', { name: 'End faces' });
  const box = await faces.boundingBox();
  if (!box) throw new Error('The tab is not there.');
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.locator('section.desk').evaluate((desk) => (desk.style.marginTop = '70px'));
  await expect.poll(async () => (await faces.boundingBox())?.y).toBeGreaterThan(box.y + 60);
  await page.mouse.up();
  await expect(faces).toBeChecked();
  await expect(page.getByRole('heading', { name: 'Right end face' })).toBeVisible();
  // A hand that slides off has thought better of it.
  await page.getByRole('radio', { name: 'Left tube' }).hover();
  await page.mouse.down();
  await page.mouse.move(box.x, box.y + 300);
  await page.mouse.up();
  await expect(faces).toBeChecked();
});

test('a stage that cannot be loaded says so, leaves the page as it is, and comes when it can', async ({
  page,
  request,
}) => {
  const id = await ownTern(request);
  await openStage(page, id, 'cut');
  await withoutScripts(page);
  await page.getByRole('link', { name: /Gears/ }).click();
  const said = page.getByRole('alert').filter({ hasText: 'cannot be loaded now' });
  await expect(said).toBeVisible();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Cut');
  await page.unroute('**/*.js');
  await said.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Gears');
  await expect(said).toBeHidden();
});

test('a page whose scripts are gone after an update goes over to the new one with what was typed', async ({
  page,
  request,
}) => {
  const id = await ownTern(request);
  await openStage(page, id, 'cut');
  // The old scripts are gone, and the server’s page begins with others; saving does not get through either.
  await withoutScripts(page);
  await page.route(new URL('/', page.url()).href, (route) =>
    route.fulfill({ contentType: 'text/html', body: '<script src="main-NEWER.js" type="module"></script>' }),
  );
  await page.route('**/plan', (route) =>
    route.request().method() === 'PUT' ? route.abort() : route.continue(),
  );
  await field(page, 'Blade kerf').fill('2.7');
  await page.getByRole('link', { name: /Gears/ }).click();
  const said = page.getByRole('alert').filter({ hasText: 'Intervex was updated' });
  await expect(said).toBeVisible();
  await page.unroute('**/*.js');
  page.on('dialog', (dialog) => void dialog.accept());
  await said.getByRole('button', { name: 'Load the new page' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Gears');
  await page.unroute('**/plan');
  await page.getByRole('button', { name: 'Take it up again' }).click();
  await saved(page);
  await openStage(page, id, 'cut');
  await expect(field(page, 'Blade kerf')).toHaveValue('2.7');
});

test('twenty pages on one plan: each is heard by all and none waits for a connection, also when the first is closed', async ({
  page,
  context,
  request,
}) => {
  test.setTimeout(240_000);
  const id = await ownTern(request);
  const streams = new Set<unknown>();
  context.on('request', (asked) => {
    if (asked.url().includes('/api/live?')) streams.add(asked);
  });
  const over = (asked: unknown) => {
    streams.delete(asked);
  };
  context.on('requestfinished', over);
  context.on('requestfailed', over);
  const pages = [page];
  while (pages.length < 20) pages.push(await context.newPage());
  for (const one of pages) await openStage(one, id, 'cut');
  const last = pages.at(-1) as typeof page;
  const middle = pages[7] as typeof page;
  await expect(last.locator('ix-top-bar .here')).toContainText('20 pages open');
  expect(streams.size).toBe(1);
  await field(page, 'Blade kerf').fill('1.9');
  await saved(page);
  await expect(field(last, 'Blade kerf')).toHaveValue('1.9');
  // Whoever held the stream goes, and the next takes it up.
  await page.close();
  await field(last, 'Root gap').fill('2.4');
  await saved(last);
  await expect(field(middle, 'Root gap')).toHaveValue('2.4');
  await expect(last.locator('ix-top-bar .here')).toContainText('19 pages open');
  await expect(field(middle, 'Blade kerf')).toHaveValue('1.9');
  // Whoever enters over what came in a moment ago is asked; here it has been seen.
  await middle.waitForTimeout(2500);
  await field(middle, 'Blade kerf').fill('2.1');
  await saved(middle);
  await expect(field(last, 'Blade kerf')).toHaveValue('2.1');
});
