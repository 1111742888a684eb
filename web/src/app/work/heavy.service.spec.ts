import { describe, expect, it } from 'vitest';
import { fitMap } from '@intervex/core';
import { FakeWorker } from '../testing/fake-worker';
import { Cancelled, HeavyService } from './heavy.service';

class Service extends HeavyService {
  readonly made: FakeWorker[] = [];
  answers: object | undefined = { fitMap };
  protected override make(): Worker {
    const worker = new FakeWorker(this.answers);
    this.made.push(worker);
    return worker as unknown as Worker;
  }
}

const RANGES = {
  left: { least: { at: 669.2, by: 'a' }, most: { at: 685.7, by: 'b' } },
  right: { least: { at: 666.5, by: 'a' }, most: { at: 682.3, by: 'b' } },
};
const GRID = { half: { from: 690, to: 712, cells: 4 }, et: { from: 20, to: 40, cells: 3 } };

describe('work beside the page', () => {
  it('answers what it is asked, from one worker', async () => {
    const service = new Service();
    const map = await service.fitMap(RANGES, GRID, 0);
    expect([map.columns, map.rows]).toEqual([4, 3]);
    expect([...map.margins]).toEqual([...fitMap(RANGES, GRID, 0).margins]);
    await service.fitMap(RANGES, GRID, 3);
    expect(service.made).toHaveLength(1);
  });

  it('is stopped at once, tells who waits, and starts anew', async () => {
    const service = new Service();
    service.answers = undefined;
    const waiting = service.fitMap(RANGES, GRID, 0);
    service.cancel();
    await expect(waiting).rejects.toBeInstanceOf(Cancelled);
    expect(service.made[0]?.ended).toBe(true);
    service.answers = { fitMap };
    await expect(service.fitMap(RANGES, GRID, 0)).resolves.toMatchObject({ columns: 4 });
    expect(service.made).toHaveLength(2);
  });

  it('leaves nobody waiting when the worker fails', async () => {
    const service = new Service();
    service.answers = undefined;
    const waiting = service.fitMap(RANGES, GRID, 0);
    service.made[0]?.dispatchEvent(new ErrorEvent('error', { message: 'out of memory' }));
    await expect(waiting).rejects.toThrow('out of memory');
  });
});
