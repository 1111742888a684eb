import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { openStage, ownTern } from '../bench-hand';

const ALL = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

type RunOptions = Parameters<AxeBuilder['options']>[0];
type Rules = NonNullable<RunOptions['runOnly']>;

/** What breaks a rule. Only that is worked out in full, in the page itself: there are no frames to go through. */
async function violationsOf(page: Page, runOnly: Rules): Promise<string[]> {
  const options: RunOptions = { runOnly, resultTypes: ['violations'] };
  const { violations, passes } = await new AxeBuilder({ page }).options(options).setLegacyMode(true).analyze();
  expect(passes.length).toBeGreaterThan(0);
  return violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html).join(' | ')}`);
}

/** Looks a view over. The other theme of the same layout can only differ in its contrast. */
async function scanFor(page: Page, themes: 'one' | 'both'): Promise<void> {
  expect(await violationsOf(page, { type: 'tag', values: ALL })).toEqual([]);
  if (themes === 'one') return;
  const other = () => page.evaluate(() => document.documentElement.classList.toggle('dark'));
  await other();
  expect(await violationsOf(page, { type: 'rule', values: ['color-contrast'] })).toEqual([]);
  await other();
}

const STAGES = ['brief', 'survey', 'donor', 'stance', 'cut', 'shafts', 'hubs', 'sheets', 'readings', 'routes'];
const SCREENS = [
  { colorScheme: 'light', width: 1280, themes: 'both' },
  { colorScheme: 'dark', width: 390, themes: 'one' },
] as const;

for (const { colorScheme, width, themes } of SCREENS)
  test.describe(`${themes === 'both' ? 'light and dark' : colorScheme}, ${width} px wide`, () => {
    const scan = (page: Page) => scanFor(page, themes);
    test.use({ colorScheme, viewport: { width, height: 844 } });

    for (const half of [STAGES.slice(0, 5), STAGES.slice(5)])
      test(`every view passes the accessibility scan: ${half.join(', ')}`, async ({ page, request }) => {
        const id = await ownTern(request);
        for (const stage of half) {
          await openStage(page, id, stage);
          await scan(page);
        }
      });

    test('the list of projects passes it', async ({ page }) => {
      await page.goto('/projects');
      await expect(page.getByRole('heading', { name: 'Tern' }).first()).toBeVisible();
      await scan(page);
    });

    test('every part of wheels, shafts and hub ends passes it too', async ({ page, request }) => {
      const id = await ownTern(request);
      const parts = {
        stance: ['Fit map'],
        shafts: ['Stock pairs', 'Chances', 'Orders'],
        hubs: ['Studs', 'Retention', 'Brakes', 'Lines'],
      };
      for (const [stage, tabs] of Object.entries(parts)) {
        await openStage(page, id, stage);
        for (const tab of tabs) {
          await page.getByRole('radio', { name: tab }).click();
          if (tab === 'Lines') await page.getByRole('button', { name: 'Its points' }).first().click();
          await scan(page);
        }
      }
    });

    test('drawers, tubes and end faces pass it too', async ({ page, request }) => {
      const id = await ownTern(request);
      await openStage(page, id, 'cut');
      await page.getByRole('radio', { name: 'Left tube' }).click();
      await scan(page);
      await page.getByRole('radio', { name: 'End faces' }).click();
      await page.getByRole('button', { name: /\d+ cautions/ }).click();
      await page.getByRole('button', { name: 'Accept…' }).first().click();
      await scan(page);
      await page.keyboard.press('Escape');
      await page.locator('ix-strip').getByRole('button').first().click();
      await expect(page.getByRole('complementary', { name: 'Working' })).toBeVisible();
      await scan(page);
    });

    // A phone walks these one at a time.
    if (width < 760) return;
    test('judging, mating, angles and the whole project pass it too', async ({ page, request }) => {
      const id = await ownTern(request);
      await openStage(page, id, 'donor');
      for (const tab of ['Judge', 'Mating']) {
        await page.getByRole('radio', { name: tab }).click();
        await scan(page);
      }
      await openStage(page, id, 'survey');
      await page.getByRole('radio', { name: 'Angles' }).click();
      await scan(page);
      await openStage(page, id, 'readings');
      await page.getByRole('radio', { name: 'Whole project' }).click();
      await expect(page.getByText(/readings in all variants/)).toBeVisible();
      await scan(page);
    });
  });
