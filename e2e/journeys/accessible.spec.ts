import { expect, type Page } from '@playwright/test';
import axe, { type RunOptions } from 'axe-core';
import { everyTab, LADDER, openStage, ownPlan, ownTern } from '../bench-hand';
import { test } from '../journey';

const WCAG = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'];
const ALL = [...WCAG, 'best-practice'];
const CONTRAST = 'color-contrast';

test.beforeEach(({ page }) => page.addInitScript(axe.source));

/** What breaks a rule. Only that is worked out in full: there are no frames to go through. */
async function violationsOf(page: Page, options: RunOptions): Promise<string[]> {
  const { violations, passes } = await page.evaluate(
    (how) => (window as unknown as { axe: typeof axe }).axe.run(document, how),
    { ...options, resultTypes: ['violations' as const] },
  );
  expect(passes.length).toBeGreaterThan(0);
  const said = (n: (typeof violations)[number]['nodes'][number]) => `${n.html} (${n.any[0]?.message ?? ''})`;
  return violations.map((v) => `${v.id}: ${v.nodes.map(said).join(' | ')}`);
}

/** A colour on its way to the other theme is looked at again once it has arrived; what stays wrong fails. */
async function comesToBreakNone(page: Page, options: RunOptions): Promise<void> {
  await expect.poll(() => violationsOf(page, options), { timeout: 90_000, intervals: [500] }).toEqual([]);
}

/**
 * Looks a view over. The other theme of the same layout can only differ in its contrast; and what stands beside each
 * other elsewhere as well has its contrast looked at there.
 */
async function scanFor(page: Page, contrast: 'elsewhere' | 'in both themes'): Promise<void> {
  const here = contrast === 'in both themes';
  await comesToBreakNone(page, {
    runOnly: { type: 'tag', values: ALL },
    rules: { [CONTRAST]: { enabled: here } },
  });
  if (!here) return;
  const other = () => page.evaluate(() => document.documentElement.classList.toggle('dark'));
  await other();
  await page.waitForTimeout(100);
  await comesToBreakNone(page, { runOnly: { type: 'rule', values: [CONTRAST] } });
  await other();
}

const STAGES = [
  'brief',
  'survey',
  'donor',
  'stance',
  'cut',
  'shafts',
  'hubs',
  'driveline',
  'gears',
  'brackets',
  'motion',
  'sheets',
  'readings',
  'history',
  'routes',
];
/** A desk and a phone; and a desk whose text is twice as large, which leaves half the room. */
const SCREENS = [
  { colorScheme: 'light', width: 1280, height: 844, contrast: 'in both themes' },
  { colorScheme: 'dark', width: 390, height: 844, contrast: 'in both themes' },
  { colorScheme: 'light', width: 640, height: 422, contrast: 'elsewhere' },
] as const;

for (const { colorScheme, width, height, contrast } of SCREENS)
  test.describe(`contrast ${contrast}, ${width} px wide`, () => {
    const scan = (page: Page) => scanFor(page, contrast);
    // What moves is seen where it comes to rest.
    test.use({ colorScheme, viewport: { width, height }, contextOptions: { reducedMotion: 'reduce' } });

    for (const part of [STAGES.slice(0, 4), STAGES.slice(4, 7), STAGES.slice(7, 10), STAGES.slice(10)])
      test(`every tab passes the accessibility scan: ${part.join(', ')}`, async ({ page, request }) => {
        const id = await ownTern(request);
        for (const stage of part) {
          await openStage(page, id, stage);
          await everyTab(page, async (tab) => {
            if (tab === 'Lines') await page.getByRole('button', { name: 'Its points' }).first().click();
            await scan(page);
          });
        }
      });

    test('an axle on links passes it, in space as well', async ({ page, request }) => {
      await openStage(page, await ownPlan(request, LADDER), 'motion');
      await page.getByRole('button', { name: 'Show it in space' }).click();
      await expect(page.getByRole('img', { name: 'The axle in space' })).toBeVisible();
      await everyTab(page, async (tab) => {
        if (tab === 'Links') await page.getByRole('button', { name: 'Add a crank with two bars' }).click();
        await scan(page);
      });
    });

    test('the list of projects passes it', async ({ page }) => {
      await page.goto('/projects');
      await expect(page.getByRole('heading', { name: 'Tern' }).first()).toBeVisible();
      await scan(page);
    });

    test('your data, the workshop and what leads into it pass it', async ({ page }) => {
      for (const [path, heading] of [
        ['/data', 'Your data'],
        ['/workshop', 'Workshop'],
        ['/join#KM4P-7XQ2', 'Pair this device'],
      ] as const) {
        await page.goto(path);
        await expect(page.getByRole('heading', { name: heading, level: 1 })).toBeVisible();
        await expect(page.getByText(/Looking/)).toHaveCount(0);
        await scan(page);
      }
    });

    test('drawers, tubes and end faces pass it too', async ({ page, request }) => {
      const id = await ownTern(request);
      await openStage(page, id, 'cut');
      await page.getByRole('radio', { name: 'Left tube' }).check();
      await scan(page);
      await page.getByRole('radio', { name: 'End faces' }).check();
      await page.getByRole('button', { name: /\d+ cautions/ }).click();
      await page.getByRole('button', { name: 'Accept…' }).first().click();
      await scan(page);
      await page.keyboard.press('Escape');
      await page.locator('ix-strip').getByRole('button').first().click();
      await expect(page.getByRole('complementary', { name: 'Working' })).toBeVisible();
      await scan(page);
    });

    test('the whole project, menus and what is asked pass it too', async ({ page, request }) => {
      const id = await ownTern(request);
      await openStage(page, id, 'readings');
      await page.getByRole('radio', { name: 'Whole project' }).check();
      await expect(page.getByText(/readings in all variants/)).toBeVisible();
      await scan(page);
      await page.getByRole('button', { name: /^Project Tern/ }).click();
      await expect(page.getByRole('menuitem', { name: 'Rename this variant' })).toBeVisible();
      // An open menu lies over the page and in none of its regions.
      expect(await violationsOf(page, { runOnly: { type: 'tag', values: WCAG } })).toEqual([]);
      await page.getByRole('menuitem', { name: 'Begin for another donor' }).click();
      await expect(page.getByLabel('Name of the other donor')).toBeVisible();
      await scan(page);
    });
  });
