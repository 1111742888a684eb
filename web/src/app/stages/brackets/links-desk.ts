import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import {
  BRACKET_SIDES,
  JOINT_MAYS,
  LINK_KINDS,
  LINK_NAMES,
  linkProblem,
  REACHES,
  SIDE_NAMES,
  type BoltJoint,
  type Link,
} from '@intervex/core';
import { linkSizes, mendings, pairLoads } from '@intervex/core/desks/brackets';
import { DraftFields } from '../../shared/draft-fields';
import { Fields, type FieldChange } from '../../shared/fields';
import { FigureValue } from '../../shared/figure-value';
import type { RowColumn } from '../../shared/row-column';
import { refusalText } from '../../shared/refusal-text';
import { RowsEditor, type EditedRow, type RowValues } from '../../shared/rows-editor';
import { OpenChecks } from '../../stage/open-checks';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';

const size = (key: string, label: string, min: number, max: number): RowColumn => ({
  key,
  label,
  kind: 'mm',
  min,
  max,
});
const LINK_COLUMNS: readonly RowColumn[] = [
  { key: 'name', label: 'Link', kind: 'text' },
  {
    key: 'kind',
    label: 'Kind',
    kind: 'choice',
    options: LINK_KINDS.map((id) => ({ id, name: LINK_NAMES[id] })),
  },
  {
    key: 'side',
    label: 'Side',
    kind: 'choice',
    options: BRACKET_SIDES.map((id) => ({ id, name: SIDE_NAMES[id] })),
  },
  { ...size('eyes', 'Eye to eye', 60, 2500), byTape: true },
  size('outside', 'Tube', 8, 120),
  size('wall', 'Wall', 0.8, 60),
  size('thread', 'Thread', 4, 40),
  size('end', 'Rod end', 10, 250),
  size('out', 'Eye to tube', 0, 250),
  size('least', 'At least', 0, 250),
  {
    key: 'reach',
    label: 'Spanner',
    kind: 'choice',
    options: REACHES.map((id) => ({
      id,
      name: { unsaid: 'not looked', yes: 'gets there', no: 'does not' }[id],
    })),
  },
];
const MAY = { both: 'drill or sleeve', drill: 'drill', sleeve: 'sleeve', neither: 'neither' };
const JOINT_COLUMNS: readonly RowColumn[] = [
  { key: 'name', label: 'Where', kind: 'text' },
  size('bolt', 'Bolt', 3, 60),
  size('hole', 'Hole', 3, 80),
  { key: 'may', label: 'May', kind: 'choice', options: JOINT_MAYS.map((id) => ({ id, name: MAY[id] })) },
];

/** Links with their thread and reach, bolts with their holes, and what both bear. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-links-desk',
  imports: [DraftFields, Fields, FigureValue, MatButtonModule, MatIconModule, OpenChecks, RowsEditor],
  template: `
    @if (sizes().length) {
      <table class="grid cards">
        <thead>
          <tr>
            <th scope="col">Link</th>
            <th scope="col">Tube to cut</th>
            <th scope="col">Thread inside</th>
            <th scope="col">Over diameter</th>
            <th scope="col">Longer by</th>
            <th scope="col">Shorter by</th>
            <th scope="col">Load to buckling</th>
          </tr>
        </thead>
        <tbody>
          @for (s of sizes(); track s.id) {
            <tr [class.picked]="s.id === id()">
              <th scope="row">
                <label class="one">
                  <input type="radio" name="link" [checked]="s.id === id()" (change)="picked.set(s.id)" />
                  {{ s.link.name }}
                </label>
              </th>
              <td data-label="Tube to cut"><ix-figure [figure]="s.tube" /></td>
              <td data-label="Thread inside"><ix-figure [figure]="s.inside" /></td>
              <td data-label="Over diameter"><ix-figure [figure]="s.engaged" /></td>
              <td data-label="Longer by"><ix-figure [figure]="s.longer" /></td>
              <td data-label="Shorter by"><ix-figure [figure]="s.shorter" /></td>
              <td data-label="Load to buckling"><ix-figure [figure]="s.buckling" /></td>
            </tr>
          }
        </tbody>
      </table>
    } @else {
      <p class="text second">No links are listed yet. Add each with its length eye to eye and its rod ends.</p>
    }
    <p class="actions">
      <button mat-stroked-button type="button" (click)="adding.set(true)">
        <mat-icon svgIcon="add" />
        Add a link
      </button>
      @if (link(); as l) {
        <button mat-stroked-button type="button" (click)="remove(id())">
          <mat-icon svgIcon="remove" />
          Remove {{ l.name }}
        </button>
      }
    </p>
    @if (problem(); as why) {
      <p class="trouble" role="alert">{{ why }}</p>
    }
    @if (adding()) {
      <ix-draft [columns]="linkColumns" (added)="add($event)" (dropped)="adding.set(false)" />
    } @else if (link(); as l) {
      <ix-fields [of]="id()" [columns]="linkColumns" [values]="$any(l)" (changed)="change(l, $event)" />
    }
    @if (sizes().length) {
      <table class="grid">
        <tbody>
          @for (row of loads(); track row.name) {
            <tr>
              <th scope="row">{{ row.name }}</th>
              <td class="note second">{{ row.note }}</td>
              <td><ix-figure [figure]="row.figure" /></td>
            </tr>
          }
        </tbody>
      </table>
    }
    <h2>Bolts and holes of old and new parts</h2>
    <ix-rows
      name="bolts and holes"
      [columns]="jointColumns"
      [rows]="joints()"
      (changed)="keepJoint($event)"
      (removed)="store.put('boltJoints', $event, undefined); store.saveNow()"
    />
    @for (m of mendings(); track m.id) {
      <p class="text">{{ m.said }}</p>
    }
    <ix-open-checks of="link" />
    <ix-open-checks of="joint" />
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
    h2 {
      margin: 12px 0 4px;
      color: var(--ink-2);
      font-size: 13px;
      font-weight: 600;
    }
  `,
})
export class LinksDesk {
  protected readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  protected readonly linkColumns = LINK_COLUMNS;
  protected readonly jointColumns = JOINT_COLUMNS;
  protected readonly picked = signal('');
  protected readonly adding = signal(false);
  /** Why what was typed last cannot be. */
  protected readonly problem = signal('');
  protected readonly id = computed(() => {
    const all = this.store.plan().links;
    return all[this.picked()] ? this.picked() : (Object.keys(all)[0] ?? '');
  });
  protected readonly link = computed(() => this.store.plan().links[this.id()]);
  protected readonly joints = computed<readonly EditedRow[]>(() =>
    Object.entries(this.store.plan().boltJoints).map(([id, joint]) => ({ id, values: { ...joint } })),
  );
  protected readonly sizes = computed(() => this.store.results().of(linkSizes));
  protected readonly loads = computed(() => {
    const { thrust, lower, upper } = this.store.results().of(pairLoads);
    return [
      { name: 'Push of the tyres', note: 'at their limit, until the motion is known', figure: thrust },
      { name: 'Lower links, both', note: '', figure: lower },
      { name: 'Upper links, both', note: '', figure: upper },
    ];
  });
  protected readonly mendings = computed(() => {
    const said = this.store.results().of(mendings);
    return Object.entries(this.store.plan().boltJoints).map(([id, { name }]) => ({
      id,
      said: `${name}: ${this.units.say(said[id] ?? '')}.`,
    }));
  });

  protected add(values: RowValues): void {
    const link = values as unknown as Link;
    if (this.refuses(link)) return;
    const id = crypto.randomUUID();
    this.put(id, link);
    this.picked.set(id);
    this.adding.set(false);
  }

  /** Says what does not go together. */
  private refuses(link: Link): boolean {
    const wrong = linkProblem(link);
    const label = LINK_COLUMNS.find(({ key }) => key === wrong?.field)?.label ?? '';
    this.problem.set(wrong ? refusalText(label, wrong, this.units) : '');
    return wrong !== undefined;
  }

  protected remove(id: string): void {
    this.put(id, undefined);
  }

  protected change(link: Link, { key, value }: FieldChange): void {
    const next = { ...link, [key]: value };
    if (!this.refuses(next)) this.put(this.id(), next);
  }

  private put(id: string, link: Link | undefined): void {
    this.store.put('links', id, link);
    this.store.saveNow();
  }

  protected keepJoint({ id, values }: EditedRow): void {
    this.store.put('boltJoints', id, values as unknown as BoltJoint);
    this.store.saveNow();
  }
}
