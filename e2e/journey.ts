import { expect, test as base, type BrowserContext, type TestInfo } from '@playwright/test';

/** What the page is told and goes through, newest last; kept on the page so that a failure can say what came before it. */
const NOTED = ['pointerdown', 'click', 'change', 'focusin', 'focusout', 'input', 'visibilitychange'];
const MOST_NOTES = 60;
/** Pause of a timer after which a machine is said to have stood still, ms. */
const STILL_MS = 2000;
const EVERY_MS = 250;

/** Runs in the page: notes events as they come, with the time since the page began. */
function note({ kinds, most }: { kinds: readonly string[]; most: number }): void {
  const notes: string[] = [];
  Object.assign(window, { notes });
  for (const kind of kinds)
    document.addEventListener(
      kind,
      ({ target }) => {
        const what = target instanceof Element ? target : document.documentElement;
        const name = what.getAttribute('aria-label') ?? what.getAttribute('data-quantity') ?? what.id;
        const value = what instanceof HTMLInputElement ? ` = ${what.value}` : '';
        notes.push(`${Math.round(performance.now())} ${kind} ${what.localName} ${name}${value}`);
        if (notes.length > most) notes.shift();
      },
      true,
    );
}

/** Longest time this process was not let run, ms; asked for at the end. */
function watchMachine(): () => number {
  let [last, longest] = [performance.now(), 0];
  const timer = setInterval(() => {
    const now = performance.now();
    longest = Math.max(longest, now - last - EVERY_MS);
    last = now;
  }, EVERY_MS);
  return () => {
    clearInterval(timer);
    return Math.round(longest);
  };
}

const failed = ({ status, expectedStatus }: TestInfo): boolean => status !== expectedStatus;

/**
 * A journey as all of them are walked: an error that nobody caught on its pages fails it, and where it fails it says what
 * the pages were told before.
 */
export const test = base.extend<{ watched: undefined }>({
  watched: [
    async ({ browser, context }, use, info) => {
      const errors: string[] = [];
      const watch = (of: BrowserContext) => {
        of.on('weberror', (error) => {
          const { name, message, stack = '' } = error.error();
          errors.push(`${name}: ${message}\n${stack}`);
        });
        of.on('console', (message) => {
          if (message.type() === 'error' && message.text().startsWith('ERROR')) errors.push(message.text());
        });
      };
      watch(context);
      // What a journey opens besides: a phone, a guest.
      browser.on('context', watch);
      await context.addInitScript(note, { kinds: NOTED, most: MOST_NOTES });
      const stillFor = watchMachine();
      await use(undefined);
      browser.off('context', watch);
      const still = stillFor();
      if (failed(info)) {
        for (const page of context.pages()) {
          const notes = await page
            .evaluate(() => (window as unknown as { notes?: readonly string[] }).notes ?? [])
            .catch(String);
          await info.attach(`told to ${page.url()}`, {
            body: [notes].flat().join('\n'),
            contentType: 'text/plain',
          });
        }
        if (still > STILL_MS)
          await info.attach('the machine stood still', { body: `${still} ms`, contentType: 'text/plain' });
      }
      expect(errors, 'errors that nobody caught on the page').toEqual([]);
    },
    { auto: true },
  ],
});
