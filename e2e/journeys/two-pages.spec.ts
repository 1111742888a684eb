import { expect } from '@playwright/test';
import { field, openStage, ownTern, saved } from '../bench-hand';
import { test } from '../journey';

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
