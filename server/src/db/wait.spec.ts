import { describe, expect, it } from 'vitest';
import { onceItCan } from './wait';

const coded = (code: string) => Object.assign(new Error(code), { code });

describe('a start that the database holds up', () => {
  it('goes on once it can, and says what it waits for, once each', async () => {
    const said: string[] = [];
    const errors = [coded('ECONNREFUSED'), coded('57P03'), coded('57P03'), coded('53100'), coded('57P01')];
    const done = await onceItCan(
      () => {
        const next = errors.shift();
        return next ? Promise.reject(next) : Promise.resolve('done');
      },
      (line) => said.push(line),
      1,
    );
    expect(done).toBe('done');
    expect(said.slice(0, 3)).toEqual([
      'The database cannot be used: nothing answers there. Waiting for it.',
      'The database cannot be used: it is only starting up. Waiting for it.',
      'The database cannot be used: its disk is full. Waiting for it.',
    ]);
    expect(said).toHaveLength(4);
    expect(said[3]).toMatch(/^The database cannot be used: .*shutting down.* Waiting for it\.$/);
  });

  it.each(['28P01', '3D000', '42501', '42P07'])(
    'ends at once with %s, which waiting does not mend',
    async (code) => {
      let tries = 0;
      const job = () => {
        tries += 1;
        return Promise.reject(coded(code));
      };
      await expect(onceItCan(job, () => undefined, 1)).rejects.toMatchObject({ code });
      expect(tries).toBe(1);
    },
  );
});
