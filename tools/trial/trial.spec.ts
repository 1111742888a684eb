import { expect, it } from 'vitest';
import { badRequests } from './bad-requests';
import { SHORT, trial } from './main';

it('a workshop’s worst day loses nothing and fails nobody', async () => {
  const found = await trial(SHORT);
  expect(found['readers']).toMatchObject({ refused: 0 });
  expect(Number(found['readers']?.['sheetsRead'])).toBeGreaterThan(3);
  expect(found['flood']).toMatchObject({ streams: SHORT.streams, refused: 0 });
  expect(found['garbage']).toMatchObject({ sent: SHORT.requests, failed: 0, written: 0 });
  expect(found['kills']).toMatchObject({ rounds: SHORT.kills, lost: 0 });
  expect(Number(found['kills']?.['acknowledged'])).toBeGreaterThan(10);
  expect(found['twoStarts']).toEqual({ running: 1, endedPolitely: 1 });
  expect(found['fullDisk']?.['unexpected'] ?? 0).toBe(0);
  expect(found['fullDisk']?.['lost'] ?? 0).toBe(0);
}, 900_000);

it('bad requests are the same every time, and unlike each other', () => {
  const all = [...badRequests('x', 400)].map((r) => JSON.stringify(r));
  expect([...badRequests('x', 400)].map((r) => JSON.stringify(r))).toEqual(all);
  expect(new Set(all).size).toBeGreaterThan(300);
});
