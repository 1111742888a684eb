import { expect, it } from 'vitest';
import { badRequests } from './bad-requests';
import { judged } from './judge';
import { SHORT, trial } from './main';

it('a workshop’s worst day loses nothing and fails nobody', async () => {
  const found = await trial(SHORT);
  expect(judged(found, false).wrong, JSON.stringify(found, null, 1)).toEqual([]);
  expect(found['garbage']).toMatchObject({ sent: SHORT.requests });
  expect(found['kills']).toMatchObject({ rounds: SHORT.kills });
  expect(found['pages']).toMatchObject({ streams: SHORT.streams });
}, 900_000);

it('bad requests are the same every time, and unlike each other', () => {
  const all = [...badRequests('x', 400)].map((r) => JSON.stringify(r));
  expect([...badRequests('x', 400)].map((r) => JSON.stringify(r))).toEqual(all);
  expect(new Set(all).size).toBeGreaterThan(300);
});
