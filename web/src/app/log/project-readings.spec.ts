import type { ProjectReading, ProjectReadings } from '@intervex/contract/wire';
import { BehaviorSubject, of, throwError } from 'rxjs';
import { PAGE, ProjectReadingsSource } from './project-readings';

const FOUND = 1237;
const row = (n: number) => ({ name: `reading ${n}` }) as ProjectReading;
const page = (from: number, limit: number): ProjectReadings => ({
  found: FOUND,
  of: 5000,
  rows: Array.from({ length: Math.min(limit, FOUND - from) }, (_, i) => row(from + i)),
});

describe('readings of a project', () => {
  it('are fetched where they are looked at, once each', () => {
    const asked: number[] = [];
    const source = new ProjectReadingsSource((from, limit) => {
      asked.push(from);
      return of(page(from, limit));
    });
    const viewChange = new BehaviorSubject({ start: 0, end: 20 });
    let rows: readonly (ProjectReading | undefined)[] = [];
    source.connect({ viewChange }).subscribe((now) => (rows = now));
    expect(rows).toHaveLength(FOUND);
    expect(rows[PAGE]).toBeUndefined();
    viewChange.next({ start: PAGE - 5, end: PAGE + 20 });
    viewChange.next({ start: 1190, end: FOUND });
    viewChange.next({ start: 1195, end: FOUND });
    expect(asked).toEqual([0, PAGE, 1000, 1200]);
    expect(rows[PAGE]?.name).toBe(`reading ${PAGE}`);
    expect(rows.at(-1)?.name).toBe('reading 1236');
    expect(rows[500]).toBeUndefined();
    source.disconnect();
    viewChange.next({ start: 500, end: 520 });
    expect(asked).toHaveLength(4);
  });

  it('are asked for again after a failure, and the failure is told', () => {
    let times = 0;
    const source = new ProjectReadingsSource((from, limit) => {
      times += 1;
      return times === 1 ? throwError(() => new Error('away')) : of(page(from, limit));
    });
    const failures: unknown[] = [];
    source.failed.subscribe((e) => failures.push(e));
    const viewChange = new BehaviorSubject({ start: 0, end: 20 });
    let rows: readonly unknown[] = [];
    source.connect({ viewChange }).subscribe((now) => (rows = now));
    viewChange.next({ start: 0, end: 21 });
    expect(failures).toHaveLength(1);
    expect(rows).toHaveLength(FOUND);
  });
});
