import { type CollectionViewer, DataSource, type ListRange } from '@angular/cdk/collections';
import type { ProjectReading, ProjectReadings } from '@intervex/contract/wire';
import { BehaviorSubject, catchError, EMPTY, type Observable, Subject, Subscription, tap } from 'rxjs';

/** Readings asked for at a time. */
export const PAGE = 200;

/** A page of readings from the server: where it begins, and how many. */
type FetchPage = (from: number, limit: number) => Observable<ProjectReadings>;

/**
 * All readings of a project as a list that is fetched where it is looked at. Rows that are not there yet are
 * undefined. What goes wrong is told, and the page is asked for again when it is looked at again.
 */
export class ProjectReadingsSource extends DataSource<ProjectReading | undefined> {
  private readonly rows = new BehaviorSubject<readonly (ProjectReading | undefined)[]>([]);
  private readonly asked = new Set<number>();
  private readonly subscriptions = new Subscription();
  readonly counted = new Subject<Pick<ProjectReadings, 'found' | 'of'>>();
  readonly failed = new Subject<unknown>();

  constructor(private readonly fetch: FetchPage) {
    super();
  }

  override connect(viewer: CollectionViewer): Observable<readonly (ProjectReading | undefined)[]> {
    this.subscriptions.add(
      viewer.viewChange.subscribe((range) => {
        this.look(range);
      }),
    );
    this.page(0);
    return this.rows;
  }

  override disconnect(): void {
    this.subscriptions.unsubscribe();
  }

  private look({ start, end }: ListRange): void {
    for (let page = Math.floor(start / PAGE); page * PAGE < end; page += 1) this.page(page);
  }

  private page(page: number): void {
    if (this.asked.has(page)) return;
    this.asked.add(page);
    const from = page * PAGE;
    this.subscriptions.add(
      this.fetch(from, PAGE)
        .pipe(
          tap(({ rows, found, of }) => {
            const all = Array.from({ length: found }, (_, i) => this.rows.value[i]);
            rows.forEach((row, i) => (all[from + i] = row));
            this.rows.next(all);
            this.counted.next({ found, of });
          }),
          catchError((error: unknown) => {
            this.asked.delete(page);
            this.failed.next(error);
            return EMPTY;
          }),
        )
        .subscribe(),
    );
  }
}
