import { expect } from '@playwright/test';
import { field, openStage, ownTern, saved, strip, textOfPdf } from '../bench-hand';
import { PORT } from '../playwright.config';
import { test } from '../journey';

/** A set of the usual kind that begins heel and high. */
const SEED = 27;

test('a ratio is chosen after every gear set was run up the hill', async ({ page, request }) => {
  const id = await ownTern(request);
  await openStage(page, id, 'gears');
  await page.getByRole('button', { name: 'Ask the counter' }).click();
  const sets = page.getByRole('radiogroup', { name: 'Gear set' });
  await expect(sets.getByRole('radio', { name: 'Gear set 41:10, new' })).toBeVisible();
  // Only what counts at the line counts: 6200 wanted in gear 4 at 160 km/h, 43:10 turns 6239.
  for (const what of ['launch', 'cruise', 'price']) {
    const weight = page.getByRole('slider', { name: `How much ${what} counts` });
    await weight.focus();
    await page.keyboard.press('Home');
  }
  await expect(sets.getByRole('row').nth(1)).toContainText(/43:10|Short set/);
  await page.getByRole('radio', { name: 'Run', exact: true }).check();
  const rows = page.getByRole('row').filter({ hasText: /km\/h/ });
  await expect(rows.first()).toBeVisible({ timeout: 20_000 });
  await expect(page.getByRole('row').filter({ hasText: 'As it is in the axle' })).toContainText(/0\.0 m to/);
  // A shorter hill, and no way up one that is too steep.
  await field(page, 'Gradient').fill('95');
  await page.keyboard.press('Enter');
  await expect(page.getByText('does not get away').first()).toBeVisible({ timeout: 20_000 });
  await field(page, 'Gradient').fill('8');
  await page.keyboard.press('Enter');
  await expect(rows.first()).toBeVisible({ timeout: 20_000 });
  await page.getByRole('radio', { name: 'Ratio', exact: true }).check();
  await sets.getByRole('radio', { name: 'Short set, club' }).check();
  await saved(page);
  // The speedometer was made for 4.0: 4.3 shows 8 % too much.
  await expect(page.getByText('Speedometer shows too much').first()).toBeVisible();
  await page.getByRole('button', { name: 'Numbers of this strip' }).click();
  await page
    .getByRole('menuitemcheckbox', { name: 'Launch ratio' })
    .or(page.getByText('Launch ratio', { exact: true }))
    .first()
    .click();
  await page.keyboard.press('Escape');
  await expect(strip(page, 'Launch ratio')).toContainText('12.556');
});

test('what cannot be a gear set is refused at its field, and nothing is lost', async ({ page, request }) => {
  const id = await ownTern(request);
  await openStage(page, id, 'gears');
  const add = async (ring: string, pinion: string) => {
    await page.getByRole('textbox', { name: 'New row, What' }).fill('Odd set');
    await page.getByRole('textbox', { name: 'New row, Ring teeth' }).fill(ring);
    await page.getByRole('textbox', { name: 'New row, Pinion teeth' }).fill(pinion);
    await page.getByRole('combobox', { name: 'New row, Carrier' }).selectOption({ index: 1 });
    await page.getByRole('combobox', { name: 'New row, State' }).selectOption({ index: 1 });
    await page.getByRole('textbox', { name: 'New row, Price' }).fill('100');
    await page.getByRole('textbox', { name: 'New row, Days' }).fill('3');
    await page.getByRole('button', { name: 'Add to gear sets noted' }).click();
  };
  await add('200', '10');
  await expect(page.getByRole('alert').filter({ hasText: /Ring teeth.*80/ })).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'New row, Ring teeth' })).toHaveValue('200');
  await add('41', '0');
  await expect(page.getByRole('alert').filter({ hasText: /Pinion teeth.*5/ })).toBeVisible();
  await add('41', '9');
  await expect(page.getByRole('radio', { name: 'Odd set' })).toBeVisible();
  await page.getByRole('radio', { name: 'Run', exact: true }).check();
  await field(page, 'Distance').fill('0 m');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/between 20/).first()).toBeVisible();
  await field(page, 'Distance').fill('100 km');
  await page.keyboard.press('Enter');
  await expect(field(page, 'Distance')).toHaveValue('100 km');
});

test('a gear set is set up trial by trial, and its sheet goes on the bench', async ({ page, request }) => {
  const id = await ownTern(request);
  await openStage(page, id, 'gears');
  await page.getByRole('radio', { name: 'Set-up' }).check();
  const write = async (name: string, text: string) =>
    page.getByRole('textbox', { name, exact: true }).fill(text);
  await write('Behind the pinion’s head', '0.5 0.45 0.4 0.3 0.1 0.08 0.05 0.03');
  await write('Beside the carrier, each used once', '1.5 1.2 0.6 0.5 0.45 0.4 0.3 0.1 0.08 0.05');
  await write('Pinion shim', '0.9');
  await write('Carrier, ring side', '2.1');
  await write('Carrier, other side', '1.9');
  await write('Backlash at four teeth or more', '0.31 0.33 0.32 0.3');
  // The contact is dragged to where it was seen: near the face, toward the heel.
  const flank = page.getByRole('img', { name: /^Drive flank/ });
  const box = await flank.boundingBox();
  if (!box) throw new Error('There is no flank.');
  await page.mouse.move(box.x + 120, box.y + 60);
  await page.mouse.down();
  await page.mouse.move(box.x + 70, box.y + 28, { steps: 5 });
  await page.mouse.up();
  await expect(
    page.getByRole('img', { name: 'Drive flank, contact at the face, toward the heel' }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Note this trial' }).click();
  await expect(page.getByText('Try next')).toBeVisible();
  await page.getByRole('button', { name: 'Use these for the next trial' }).click();
  await expect(page.getByRole('textbox', { name: 'Pinion shim', exact: true })).not.toHaveValue('');
  await write('Backlash at four teeth or more', '0.2 0.21 0.19 0.2');
  await page.getByRole('textbox', { name: 'Torque to turn the pinion' }).fill('20 lbin');
  await write('Note; it stands on the sheet', 'heel and high before');
  await page.getByRole('button', { name: 'Note this trial' }).click();
  await expect(page.getByRole('row').filter({ hasText: 'good' })).toBeVisible();
  await page.getByRole('textbox', { name: 'Reason; it stands on the sheet' }).fill('Quiet on the bench');
  await page.getByRole('button', { name: 'Take it' }).click();
  await expect(page.getByText(/Taken as it is:.*Quiet on the bench/)).toBeVisible();
  await saved(page);
  const pdf = await request.get(`/api/variants/${id}/gear-set-up.pdf?paper=a4&units=mm`);
  const text = textOfPdf(await pdf.body());
  expect(text).toMatch(/Gear set-up/);
  expect(text).toMatch(/Quiet on the bench/);
  // 20 pound-inches: 20 · 4.448 N · 0.0254 m.
  expect(text).toMatch(/pinion turns at\s+2\.3\s+N·m/);
});

test('a gear set that reads heel and high is brought to a good pattern by the advice alone', async ({
  page,
  request,
}) => {
  const operate = async (seed: number) =>
    request.post(`http://127.0.0.1:${PORT + 4}/modes`, { data: { seed } });
  await operate(SEED);
  const id = await ownTern(request);
  await openStage(page, id, 'gears');
  await page.getByRole('radio', { name: 'Practice', exact: true }).check();
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  await page.getByRole('button', { name: 'Put them in and read' }).click();
  await expect(
    page.getByRole('img', { name: /^Drive flank, contact at the face, .* the heel$/ }),
  ).toBeVisible();
  await page.getByRole('checkbox', { name: 'Show what the advice says' }).check();
  let trials = 1;
  while (!(await page.getByText(/^Good after/).isVisible())) {
    expect(trials).toBeLessThan(4);
    await page.getByRole('button', { name: 'Use these for the next trial' }).click();
    await page.getByRole('button', { name: 'Put them in and read' }).click();
    trials += 1;
    await expect(page.getByRole('rowheader', { name: `Trial ${trials}`, exact: true })).toBeVisible();
  }
  // A page that is loaded again goes on with the same set.
  await page.reload();
  await page.getByRole('radio', { name: 'Practice', exact: true }).check();
  await expect(page.getByText(`Good after ${trials}.`)).toBeVisible();
  await page.getByRole('button', { name: 'Open it' }).click();
  await expect(page.getByText(`You: good after ${trials} trials.`)).toBeVisible();
  await expect(page.getByText(/The advice alone, from the same shims: good after \d trials?\./)).toBeVisible();
  // Nothing of it stands in the plan.
  const { plan } = (await (await request.get(`/api/variants/${id}`)).json()) as {
    plan: { gearTrials: object };
  };
  expect(plan.gearTrials).toEqual({});
  await operate(0);
});
