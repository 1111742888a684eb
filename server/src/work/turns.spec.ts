import { describe, expect, it } from 'vitest';
import { TooMany, Turns } from './turns';

const stays = new AbortController().signal;
/** Asks for turns, and tells in which order they came. */
async function calls(turns: Turns, asks: readonly string[]): Promise<string[]> {
  const called: string[] = [];
  const all = asks.map(async (name) => {
    const end = await turns.take(name.slice(0, 1), stays);
    called.push(name);
    await new Promise((next) => setTimeout(next, 1));
    end();
  });
  await Promise.all(all);
  return called;
}

describe('turns', () => {
  it('go round by person: who asks for much does not keep others waiting', async () => {
    const order = await calls(new Turns(1, 9, 20), ['a1', 'a2', 'a3', 'a4', 'b1', 'b2', 'c1']);
    expect(order).toEqual(['a1', 'a2', 'b1', 'c1', 'a3', 'b2', 'a4']);
  });

  it('are had by as many at once as there are', async () => {
    const turns = new Turns(2, 9, 20);
    const [first] = [await turns.take('a', stays), await turns.take('a', stays)];
    let third = false;
    const waits = turns.take('b', stays).then((end) => {
      third = true;
      return end;
    });
    await Promise.resolve();
    expect([third, turns.waiting]).toEqual([false, 1]);
    first();
    // Ended twice, it is given on once.
    first();
    await waits;
    expect([third, turns.waiting]).toEqual([true, 0]);
  });

  it('are not had by whoever gave up, and the next one comes', async () => {
    const turns = new Turns(1, 9, 20);
    const end = await turns.take('a', stays);
    const gives = new AbortController();
    const gone = turns.take('a', gives.signal);
    const next = turns.take('b', stays);
    gives.abort(new Error('gone'));
    await expect(gone).rejects.toThrow('gone');
    await expect(turns.take('a', gives.signal)).rejects.toThrow('gone');
    end();
    (await next)();
    expect(turns.waiting).toBe(0);
    (await turns.take('c', stays))();
  });

  it('are refused where too many wait: of one person sooner than of all', async () => {
    const turns = new Turns(1, 2, 3);
    const end = await turns.take('a', stays);
    const waits = [turns.take('a', stays), turns.take('a', stays)];
    await expect(turns.take('a', stays)).rejects.toBeInstanceOf(TooMany);
    waits.push(turns.take('b', stays));
    await expect(turns.take('c', stays)).rejects.toBeInstanceOf(TooMany);
    end();
    await Promise.all(
      waits.map(async (wait) => {
        (await wait)();
      }),
    );
    expect(turns.waiting).toBe(0);
  });
});
