import { expect, type APIRequestContext, type BrowserContext, type Page } from '@playwright/test';
import { field, openStage, ownTern, saved } from '../bench-hand';
import { test } from '../journey';

interface Stored {
  readonly revision: number;
  readonly plan: { readonly readings: Readonly<Record<string, { repeats: { value: number }[] }>> };
}
const stored = async (request: APIRequestContext, id: string): Promise<Stored> =>
  (await (await request.get(`/api/variants/${id}`)).json()) as Stored;
const values = async (request: APIRequestContext, id: string, quantity: string): Promise<readonly number[]> =>
  (await stored(request, id)).plan.readings[quantity]?.repeats.map(({ value }) => value) ?? [];

/** Somebody else saves a root gap. */
async function elsewhere(request: APIRequestContext, id: string, value: number): Promise<void> {
  const { revision, plan } = await stored(request, id);
  const gap = { ...plan.readings['cut.gap'], repeats: [{ value }], instrument: 'caliper' };
  const next = { ...plan, readings: { ...plan.readings, 'cut.gap': gap } };
  const data = { baseRevision: revision, plan: next, who: 'Birk' };
  expect((await request.put(`/api/variants/${id}/plan`, { data })).status()).toBe(200);
}

const question = (page: Page) => page.getByRole('alert', { name: 'Changed elsewhere' });

/** Opens the plan in a new tab and takes up what was left behind. */
async function takeUp(context: BrowserContext, id: string): Promise<Page> {
  const page = await context.newPage();
  await openStage(page, id, 'cut');
  await page.getByRole('button', { name: 'Take it up again' }).click();
  return page;
}

test('work done while the server was away is asked about until somebody answers, whenever its tab is closed', async ({
  page,
  context,
  request,
}) => {
  const id = await ownTern(request);
  await openStage(page, id, 'cut');
  await context.route(/\/plan$/, (route) =>
    route.request().method() === 'PUT' ? route.abort() : route.continue(),
  );
  await field(page, 'Root gap').fill('3.6');
  await expect(page.getByRole('alert')).toContainText('Nothing is lost');
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  await page.waitForTimeout(600);
  await page.close();
  await elsewhere(request, id, 3.9);

  // Taken up, and closed before it is answered.
  const second = await takeUp(context, id);
  await expect(question(second).getByRole('button', { name: 'Keep mine: 3.6 mm' })).toBeVisible();
  await expect(question(second).getByRole('button', { name: 'Take theirs: 3.9 mm' })).toBeVisible();
  await second.waitForTimeout(600);
  await second.close();

  // Again, and typed on; a tab beside it is not asked, for this one is open.
  const third = await takeUp(context, id);
  await expect(question(third)).toBeVisible();
  await field(third, 'Blade kerf').fill('2.2');
  await third.waitForTimeout(600);
  const beside = await context.newPage();
  await openStage(beside, id, 'cut');
  await beside.waitForTimeout(1500);
  await expect(beside.getByRole('button', { name: 'Take it up again' })).toBeHidden();
  await beside.close();
  await third.close();

  // Throwing it away asks once more, and can be left.
  await context.unroute(/\/plan$/);
  const last = await context.newPage();
  await openStage(last, id, 'cut');
  await last.getByRole('button', { name: 'Throw it away' }).click();
  await last.getByRole('button', { name: 'Leave it' }).click();
  await last.getByRole('button', { name: 'Take it up again' }).click();
  await question(last).getByRole('button', { name: 'Keep mine: 3.6 mm' }).click();
  await saved(last);
  expect(await values(request, id, 'cut.gap')).toEqual([3.6]);
  expect(await values(request, id, 'cut.kerf')).toContain(2.2);
  await last.close();

  const again = await context.newPage();
  await openStage(again, id, 'cut');
  await again.waitForTimeout(1500);
  await expect(again.getByRole('button', { name: 'Take it up again' })).toBeHidden();
});

test('a field that is being typed into is not written over: theirs, mine, or both', async ({
  page,
  context,
  request,
}) => {
  const id = await ownTern(request);
  const other = await context.newPage();
  await openStage(page, id, 'cut');
  await openStage(other, id, 'cut');
  const gap = field(page, 'Root gap');
  await gap.fill('3');
  await saved(page);
  // He sees it, and reads something else.
  await other.waitForTimeout(2500);
  await field(other, 'Root gap').fill('2.4');
  await field(other, 'Root gap').press('Tab');
  await saved(other);
  await expect(question(page)).toContainText('Root gap');
  await gap.pressSequentially('.1');
  await question(page).getByRole('button', { name: 'Keep both as repeats' }).click();
  await saved(page);
  expect([...(await values(request, id, 'cut.gap'))].sort()).toHaveLength(2);
  expect(await values(request, id, 'cut.gap')).toContain(2.4);
});

test('what is typed while an undo is under way stays, and the other page hears what was taken back', async ({
  page,
  context,
  request,
}) => {
  const id = await ownTern(request);
  const other = await context.newPage();
  await openStage(page, id, 'cut');
  await openStage(other, id, 'cut');
  const [before] = await values(request, id, 'cut.gap');
  await field(page, 'Root gap').fill('2.6');
  await field(page, 'Root gap').press('Tab');
  await saved(page);
  await expect(field(other, 'Root gap')).toHaveValue('2.6');
  await page.route(/\/undo$/, async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 1500));
    await route.continue();
  });
  await page.getByRole('button', { name: 'Undo' }).click();
  await field(page, 'Blade kerf').fill('2.31');
  await field(page, 'Blade kerf').press('Tab');
  await expect(field(other, 'Blade kerf')).toHaveValue('2.31');
  await expect(other.getByText(/took back root gap/)).toBeVisible();
  await saved(page);
  await expect(field(page, 'Blade kerf')).toHaveValue('2.31');
  expect(await values(request, id, 'cut.kerf')).toContain(2.31);
  expect((await values(request, id, 'cut.gap'))[0]).toBe(before);
});

test('a plan that was removed while it is open says so, and goes on once it is back', async ({
  page,
  request,
}) => {
  const id = await ownTern(request);
  const beside = await request.post('/api/variants', { data: { name: 'Second way', copyOf: id, who: 'Ansa' } });
  const { id: second } = (await beside.json()) as { id: string };
  await openStage(page, second, 'cut');
  expect((await request.delete(`/api/variants/${second}`)).ok()).toBe(true);
  const note = page.locator('ix-removed-note');
  await expect(note).toContainText('was removed at the computer that Intervex runs on');
  await expect(note).toContainText('What you type here is kept in this browser');
  await field(page, 'Blade kerf').fill('2.3');
  await expect(page.locator('.save')).toHaveText('Not saved');
  await expect(page.getByText('Right would be')).toHaveCount(0);
  await note.getByRole('button', { name: 'Bring it back' }).click();
  await saved(page);
  await expect(note).toHaveCount(0);
  const { plan } = (await (await request.get(`/api/variants/${second}`)).json()) as {
    plan: { readings: Record<string, { repeats: { value: number }[] }> };
  };
  expect(plan.readings['cut.kerf']?.repeats[0]?.value).toBe(2.3);
  expect((await request.delete(`/api/variants/${second}`)).ok()).toBe(true);
  // Opened anew it can be brought back as well.
  await page.reload();
  await expect(page.getByRole('heading', { name: 'This plan was removed' })).toBeVisible();
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(field(page, 'Blade kerf')).toHaveValue('2.3');
});
