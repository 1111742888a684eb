import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { obstacleProblem, rooms, type Obstacle } from '@intervex/core/desks/motion';
import { DraftFields } from '../../shared/draft-fields';
import { Fields, type FieldChange } from '../../shared/fields';
import { FigureValue } from '../../shared/figure-value';
import { refusalText } from '../../shared/refusal-text';
import type { RowValues } from '../../shared/rows-editor';
import { OpenChecks } from '../../stage/open-checks';
import { PlanStore } from '../../state/plan-store';
import { SelectionService } from '../../state/selection.service';
import { UnitsService } from '../../state/units.service';
import { labelOf, OBSTACLE, OBSTACLE_END, OBSTACLE_ROOM, withField } from './arm-fields';
import { pose } from './pose';

const PREFIX = 'obstacle.';

/** What of the car does not move, and the room to it where that is least. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-room-desk',
  imports: [DraftFields, Fields, FigureValue, MatButtonModule, MatIconModule, OpenChecks],
  template: `
    @if (rows().length) {
      <table class="grid cards">
        <thead>
          <tr>
            <th scope="col">In the way</th>
            <th scope="col">Least room</th>
            <th scope="col" class="words">Nearest to it</th>
            <th scope="col"><span class="hidden">What to do</span></th>
          </tr>
        </thead>
        <tbody>
          @for (r of rows(); track r.id) {
            <tr [class.picked]="r.id === id()">
              <th scope="row">
                <label class="one">
                  <input type="radio" name="obstacle" [checked]="r.id === id()" (change)="pick(r.id)" />
                  {{ r.name }}
                </label>
              </th>
              <td data-label="Least room"><ix-figure [figure]="r.room" /></td>
              <td class="words" data-label="Nearest to it">{{ r.said }}</td>
              <td>
                @if (r.asked; as asked) {
                  <button mat-button type="button" (click)="pose.set(asked)">
                    Put it there
                    <span class="hidden">, {{ r.name }}</span>
                  </button>
                }
              </td>
            </tr>
          }
        </tbody>
      </table>
    } @else {
      <p class="text second">
        List floor, exhaust, tank and tunnel as points, edges or boxes: forward of the axle’s middle, left of
        the centreline, up from the ground, car at ride height.
      </p>
    }
    <p class="actions">
      <button mat-stroked-button type="button" (click)="adding.set(true)">
        <mat-icon svgIcon="add" />
        Add what is in the way
      </button>
      @if (obstacle(); as o) {
        <button mat-stroked-button type="button" (click)="remove(id())">
          <mat-icon svgIcon="remove" />
          Remove {{ o.name }}
        </button>
      }
    </p>
    @if (problem(); as why) {
      <p class="trouble" role="alert">{{ why }}</p>
    }
    @if (adding()) {
      <ix-draft [columns]="draft" (added)="add($event)" (dropped)="adding.set(false)" />
    } @else if (obstacle(); as o) {
      <ix-fields [of]="id()" [columns]="fields()" [values]="values()" (changed)="change(o, $event)" />
    }
    <ix-open-checks of="obstacle" />
  `,
  styles: `
    .actions {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
      margin: 10px 0;
    }
    .one {
      display: flex;
      gap: 8px;
      align-items: center;
    }
  `,
})
export class RoomDesk {
  protected readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  private readonly selection = inject(SelectionService);
  protected readonly pose = pose;
  protected readonly draft = [...OBSTACLE, ...OBSTACLE_END, OBSTACLE_ROOM];
  protected readonly adding = signal(false);
  protected readonly problem = signal('');
  protected readonly id = computed(() => {
    const [all, place] = [this.store.plan().obstacles, this.selection.picked()];
    const picked = place.startsWith(PREFIX) ? place.slice(PREFIX.length) : '';
    return all[picked] ? picked : (Object.keys(all)[0] ?? '');
  });
  protected readonly obstacle = computed(() => this.store.plan().obstacles[this.id()]);
  protected readonly values = computed(() => ({ ...this.obstacle() }) as unknown as RowValues);
  protected readonly fields = computed(() =>
    this.obstacle()?.kind === 'point' ? [...OBSTACLE, OBSTACLE_ROOM] : this.draft,
  );
  protected readonly rows = computed(() =>
    this.store
      .results()
      .of(rooms)
      .map(({ id, obstacle, room, body, asked }) => ({
        id,
        name: obstacle.name,
        room,
        asked,
        said: asked ? `${body}, ${this.where(asked.z)}` : 'not known',
      })),
  );

  private where(z: number): string {
    return z === 0 ? 'at ride height' : `${this.units.show(Math.abs(z), 'mm')} ${z > 0 ? 'up' : 'down'}`;
  }

  protected pick(id: string): void {
    this.selection.picked.set(`${PREFIX}${id}`);
  }

  protected add(values: RowValues): void {
    const obstacle = Object.fromEntries(
      Object.entries(values).filter(([, v]) => v !== undefined && v !== ''),
    ) as unknown as Obstacle;
    if (this.refuses(obstacle)) return;
    const id = crypto.randomUUID();
    this.put(id, obstacle);
    this.adding.set(false);
    this.pick(id);
  }

  protected change(o: Obstacle, { key, value }: FieldChange): void {
    const next = withField(o, key, value);
    // A point that becomes a box begins where it is.
    const whole =
      next.kind === 'point'
        ? next
        : { ...next, x2: next.x2 ?? next.x, y2: next.y2 ?? next.y, z2: next.z2 ?? next.z };
    if (!this.refuses(whole)) this.put(this.id(), whole);
  }

  protected remove(id: string): void {
    this.put(id, undefined);
  }

  private refuses(o: Obstacle): boolean {
    const wrong = obstacleProblem(o);
    this.problem.set(wrong ? refusalText(labelOf(wrong.field), wrong, this.units) : '');
    return wrong !== undefined;
  }

  private put(id: string, obstacle: Obstacle | undefined): void {
    this.store.put('obstacles', id, obstacle);
    this.store.saveNow();
  }
}
