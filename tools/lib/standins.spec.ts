import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { describe, expect, it } from 'vitest';
import { portNear, startStandins } from './standins.mjs';

describe('ports of the stand-ins', () => {
  it('are those wanted where they are free, else any free one', async () => {
    const server = createServer();
    await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
    const { port } = server.address() as AddressInfo;
    const other = await portNear(port);
    expect(other).not.toBe(port);
    await new Promise((done) => server.close(done));
    expect(await portNear(port)).toBe(port);
    expect(await portNear(65_536)).toBeGreaterThan(0);
  });

  it('start nothing where the environment names the real ones', async () => {
    const env = {
      INTERVEX_BENCH_URL: 'http://127.0.0.1:1',
      INTERVEX_PARTS_URL: 'http://127.0.0.1:2',
      INTERVEX_MAKER_URL: 'http://127.0.0.1:3',
      INTERVEX_GEARSET_URL: 'http://127.0.0.1:4',
    };
    const { addresses, pages, stop } = await startStandins(4700, env);
    expect([addresses, pages]).toEqual([{}, []]);
    await stop();
  });
});
