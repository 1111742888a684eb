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

  it('waits for one that hangs up with whatever it has to say, as one on a full disk does', async () => {
    const said: string[] = [];
    const last = Object.assign(coded('XX000'), { severity: 'FATAL', message: 'could not write init file' });
    const errors = [last, Object.assign(coded('58030'), { severity: 'PANIC' })];
    const job = () => (errors.length ? Promise.reject(errors.shift() as Error) : Promise.resolve('done'));
    expect(await onceItCan(job, (line) => said.push(line), 1)).toBe('done');
    expect(said[0]).toBe('The database cannot be used: it says “could not write init file”. Waiting for it.');
    expect(said[1]).toBe('The database cannot be used: it cannot write to its disk. Waiting for it.');
    const refused = Object.assign(coded('28P01'), { severity: 'FATAL' });
    await expect(
      onceItCan(
        () => Promise.reject(refused),
        () => undefined,
        1,
      ),
    ).rejects.toBe(refused);
    // What went wrong inside it, with the line still open, is no reason to wait.
    const inside = Object.assign(coded('XX000'), { severity: 'ERROR' });
    await expect(
      onceItCan(
        () => Promise.reject(inside),
        () => undefined,
        1,
      ),
    ).rejects.toBe(inside);
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
