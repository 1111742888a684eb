import { expect, test } from '@playwright/test';
import { everyTab, LADDER, openStage, ownPlan, ownTern } from '../bench-hand';
import { crowded } from '../crowded';

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
const UNITS = ['mm', 'in', 'frac', 'frac32', 'frac64'];
const LONG = 'Wide-shouldered narrowing of the van axle for the long hill, second attempt, W W';

/** The demo with the longest names, and lengths off the tape that no fraction hits. */
const crooked = (text: string): string => {
  interface Reading {
    readonly instrument: string;
    readonly repeats: { value: number; typed?: string }[];
  }
  const file = JSON.parse(text) as {
    project: string;
    variant: string;
    plan: { readings: Record<string, Reading> };
  };
  for (const [id, { instrument, repeats }] of Object.entries(file.plan.readings))
    if (['tape', 'rule'].includes(instrument) || id.startsWith('cut.mark'))
      for (const repeat of repeats) {
        repeat.value += 0.37;
        delete repeat.typed;
      }
  return JSON.stringify({ ...file, project: LONG, variant: LONG });
};

for (const width of [1280, 390])
  for (const unit of UNITS)
    test(`nothing is cut off or laid over another: ${unit}, ${width} px wide`, async ({ page, request }) => {
      test.setTimeout(480_000);
      await page.setViewportSize({ width, height: width < 500 ? 844 : 800 });
      const id = await ownTern(request, crooked);
      await page.addInitScript((chosen) => localStorage.setItem('intervex.unit', chosen), unit);
      const found: string[] = [];
      const seen: string[] = [];
      for (const stage of STAGES) {
        await openStage(page, id, stage);
        await expect(page.locator('ix-strip dl')).toBeVisible();
        await everyTab(page, async (tab) => {
          seen.push(tab);
          await page.waitForTimeout(120);
          for (const line of await crowded(page)) found.push(`${stage} ${tab}: ${line}`);
        });
      }
      // Links beside springs.
      await openStage(page, await ownPlan(request, crooked(LADDER)), 'motion');
      await everyTab(page, async (tab) => {
        await page.waitForTimeout(120);
        for (const line of await crowded(page)) found.push(`ladder bars ${tab}: ${line}`);
      });
      for (const path of ['/projects', '/data', '/workshop']) {
        await page.goto(path);
        await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
        await expect(page.getByRole('status').filter({ hasText: /…$/ })).toHaveCount(0);
        for (const line of await crowded(page)) found.push(`${path}: ${line}`);
      }
      expect(found).toEqual([]);
      // It has gone through all tabs, not only those that stood open.
      const everywhere = ['Fit map', 'End faces', 'Chances', 'Lines', 'At speed', 'Waits', 'Run', 'Set-up'];
      // A phone walks survey and donor one reading at a time.
      const atDesk = width > 760 ? ['Angles', 'Mating'] : [];
      expect(seen).toEqual(expect.arrayContaining([...everywhere, ...atDesk]));
    });

test('the look-over finds what is cut off, laid over another, or runs out of the window', async ({ page }) => {
  await page.setContent(`
    <div style="width:90px;overflow:hidden;white-space:nowrap">A long line of words that is cut off</div>
    <div style="position:relative;height:40px"><span style="position:absolute;left:4px;top:0">first words</span><span style="position:absolute;left:30px;top:3px">second words</span></div>
    <input class="figure" value="123456789012345678901234567890" style="width:60px">
    <select style="width:50px"><option>a very long option text</option></select>
    <p class="figure" style="width:40px">1402.0 mm ± 1.2 mm</p>
    <svg width="80" height="20"><text x="60" y="12">out of it</text></svg>`);
  const found = (await crowded(page)).join('\n');
  for (const what of [
    'cut off: “A long line',
    'one over another',
    'cut off: “1234',
    'cut off: “a very long',
    'on two lines',
    'out of the drawing',
  ])
    expect(found).toContain(what);
});
