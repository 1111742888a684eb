import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { supervise } from './supervise.mjs';

let folder = '';
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'intervex-supervise-'));
});
afterAll(() => {
  rmSync(folder, { recursive: true, force: true });
});

/** A program that notes its start and then does what the text says. */
function program(name: string, text: string): { file: string; starts: () => number[] } {
  const [file, log] = [join(folder, `${name}.mjs`), join(folder, `${name}.log`)];
  writeFileSync(log, '');
  const note = `import { appendFileSync } from 'node:fs';\nappendFileSync(${JSON.stringify(log)}, process.pid + '\\n');\n`;
  writeFileSync(file, note + text);
  const starts = () => readFileSync(log, 'utf8').split('\n').filter(Boolean).map(Number);
  return { file, starts };
}

async function until(holds: () => boolean): Promise<void> {
  for (let i = 0; i < 200 && !holds(); i += 1) await sleep(50);
  expect(holds()).toBe(true);
}

const stays = 'setInterval(() => undefined, 1000);\n';

describe('supervise', () => {
  it('starts a killed program again, and ends it when asked', async () => {
    const { file, starts } = program('stays', stays);
    let before = 0;
    const running = supervise(file, {
      env: process.env,
      before: () => {
        before += 1;
        return Promise.resolve();
      },
      onGiveUp: () => undefined,
    });
    await until(() => starts().length === 1);
    process.kill(starts()[0] ?? 0, 'SIGKILL');
    await until(() => starts().length === 2);
    expect(before).toBe(1);
    await running.stop();
    await sleep(500);
    expect(starts()).toHaveLength(2);
    expect(() => process.kill(starts()[1] ?? 0, 0)).toThrow();
  });

  it('gives up on a program that keeps ending, and says why', async () => {
    const { file, starts } = program('ends', 'process.exit(3);\n');
    let said = '';
    const running = supervise(file, { env: process.env, onGiveUp: (message: string) => (said = message) });
    await until(() => said !== '');
    expect(said).toContain('code 3');
    expect(starts()).toHaveLength(6);
    await running.stop();
  });
});
