import { expect, type Page } from '@playwright/test';
import { everyTab, LADDER, openStage, ownPlan, ownTern } from '../bench-hand';
import { crowded } from '../crowded';
import { test } from '../journey';

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
/** In the order in which one key goes through them. */
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

/** Looks a view over in every unit. */
async function inEveryUnit(page: Page, look: (unit: string) => Promise<void>): Promise<void> {
  for (const unit of UNITS) {
    expect(await page.evaluate(() => localStorage.getItem('intervex.unit'))).toBe(unit);
    await look(unit);
    // The key is one where nobody is typing.
    await page.evaluate(() => {
      if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
    });
    await page.keyboard.press('u');
  }
}

/** It has gone through all tabs, not only those that stood open; a phone walks survey and donor one reading at a time. */
const EVERYWHERE: Readonly<Record<string, string>> = {
  stance: 'Fit map',
  cut: 'End faces',
  shafts: 'Chances',
  hubs: 'Lines',
  driveline: 'At speed',
  gears: 'Set-up',
  brackets: 'Templates',
  motion: 'Scales',
};
const AT_DESK: Readonly<Record<string, string>> = { survey: 'Angles', donor: 'Mating' };

for (const width of [1280, 390])
  test.describe(`nothing is cut off or laid over another, ${width} px wide`, () => {
    const found: string[] = [];
    const look = async (page: Page, where: string) => {
      await inEveryUnit(page, async (unit) => {
        // A view that is new comes to rest later than one that only says its numbers otherwise.
        await page.waitForTimeout(unit === 'mm' ? 120 : 40);
        for (const line of await crowded(page)) found.push(`${where}, ${unit}: ${line}`);
      });
    };
    const everywhere = async (page: Page, id: string, stage: string): Promise<string[]> => {
      const seen: string[] = [];
      await openStage(page, id, stage);
      await expect(page.locator('ix-strip dl')).toBeVisible();
      await everyTab(page, async (tab) => {
        seen.push(tab);
        await look(page, `${stage} ${tab}`);
      });
      return seen;
    };
    test.beforeEach(async ({ page }) => {
      test.setTimeout(480_000);
      found.length = 0;
      await page.setViewportSize({ width, height: width < 500 ? 844 : 800 });
      await page.addInitScript(() => {
        localStorage.setItem('intervex.unit', 'mm');
      });
    });

    for (const part of [STAGES.slice(0, 4), STAGES.slice(4, 7), STAGES.slice(7, 10), STAGES.slice(10)])
      test(part.join(', '), async ({ page, request }) => {
        const id = await ownTern(request, crooked);
        for (const stage of part) {
          const seen = await everywhere(page, id, stage);
          const tab = EVERYWHERE[stage] ?? (width > 760 ? AT_DESK[stage] : undefined);
          if (tab) expect(seen).toContain(tab);
        }
        expect(found).toEqual([]);
      });

    test('links beside springs, and pages without a plan', async ({ page, request }) => {
      await everywhere(page, await ownPlan(request, crooked(LADDER)), 'motion');
      for (const path of ['/projects', '/data', '/workshop']) {
        await page.goto(path);
        await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
        await expect(page.getByRole('status').filter({ hasText: /…$/ })).toHaveCount(0);
        for (const line of await crowded(page)) found.push(`${path}: ${line}`);
      }
      expect(found).toEqual([]);
    });
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
