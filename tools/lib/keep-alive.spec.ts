import { setTimeout as sleep } from 'node:timers/promises';
import { describe, expect, it } from 'vitest';
import { keepAlive, type Kept } from './keep-alive.mjs';

/** A database that died, and that cannot be started the first times. */
function dead(fails: number) {
  const seen = { restarts: 0, atOnce: 0, most: 0 };
  const of = (lives: boolean): Kept => ({
    alive: () => lives,
    stop: () => Promise.resolve(),
    restart: async () => {
      seen.restarts += 1;
      seen.atOnce += 1;
      seen.most = Math.max(seen.most, seen.atOnce);
      await sleep(5);
      seen.atOnce -= 1;
      if (seen.restarts <= fails) throw new Error('its disk is full');
      return of(true);
    },
  });
  return { seen, cluster: of(false) };
}

describe('a database that went away', () => {
  it('is started again until it can be, by one at a time, whoever asks', async () => {
    const { seen, cluster } = dead(3);
    const kept = keepAlive(cluster, () => false, 2);
    await Promise.all([kept.revive(), kept.revive(), sleep(8).then(() => kept.revive())]);
    expect(seen).toMatchObject({ restarts: 4, most: 1 });
    await kept.revive();
    expect(seen.restarts).toBe(4);
  });

  it('is left alone once all is being ended', async () => {
    const { seen, cluster } = dead(99);
    let ending = false;
    const kept = keepAlive(cluster, () => ending, 2);
    const reviving = kept.revive();
    await sleep(30);
    ending = true;
    await reviving;
    const { restarts } = seen;
    await sleep(20);
    expect(seen.restarts).toBe(restarts);
  });

  it('that was given from outside is not started', async () => {
    const kept = keepAlive(
      { alive: () => false, stop: () => Promise.resolve(), restart: undefined },
      () => false,
    );
    await expect(kept.revive()).resolves.toBeUndefined();
  });
});
