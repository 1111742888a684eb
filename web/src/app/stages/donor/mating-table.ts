import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatIconModule } from '@angular/material/icon';
import type { JointId, JointResult, Verdict } from '@intervex/core';
import { ScreenState } from '../../stage/screen-state';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';
import { chosenJoint, placeOf } from './chosen-joint';
import { VERDICT_WORDS } from './verdict-words';
import { joints } from '@intervex/core';

const ICONS: Readonly<Record<Verdict, string>> = {
  fits: 'settled',
  work: 'work',
  no: 'stop',
  unknown: 'unknown',
};

/** Every joint between donor, car and bought parts: both faces, the verdict, and what it takes. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-mating',
  imports: [MatIconModule],
  template: `
    <p class="sums">
      @for (s of sums(); track s.verdict) {
        <span [class]="s.verdict">
          <mat-icon [svgIcon]="icons[s.verdict]" aria-hidden="true" />
          <b class="figure">{{ s.count }}</b>
          {{ words[s.verdict] }}
        </span>
      }
    </p>
    <table class="grid wide">
      <thead>
        <tr>
          <th scope="col">Joint</th>
          <th scope="col">Faces</th>
          <th scope="col">Verdict</th>
          <th scope="col" class="number">Cost</th>
          <th scope="col" class="number">Hours</th>
          <th scope="col">Who finds out</th>
        </tr>
      </thead>
      <tbody>
        @for (j of joints(); track j.id) {
          <tr [class.chosen]="j.id === chosen()" (click)="choose(j.id)">
            <th scope="row">
              <button
                type="button"
                class="plain"
                [attr.aria-pressed]="j.id === chosen()"
                (click)="choose(j.id); $event.stopPropagation()"
              >
                {{ j.label }}
              </button>
            </th>
            <td>
              @for (f of j.faces; track f.of) {
                <span class="face">
                  <small class="second">{{ f.of }}</small>
                  <span [class.second]="!f.text">{{ units.say(f.text) || 'not known' }}</span>
                </span>
              }
            </td>
            <td [class]="j.verdict">
              <span class="verdict">
                <mat-icon [svgIcon]="icons[j.verdict]" aria-hidden="true" />
                <b>{{ words[j.verdict] }}</b>
                @if (j.note.verdict) {
                  <small class="second">own verdict</small>
                }
              </span>
              <small>{{ why(j) }}</small>
            </td>
            <td class="number figure" data-label="Cost">{{ j.note.cost ?? '' }}</td>
            <td class="number figure" data-label="Hours">{{ j.note.hours ?? '' }}</td>
            <td data-label="Who finds out">{{ j.note.owner ?? '' }}</td>
          </tr>
        }
      </tbody>
    </table>
  `,
  styles: `
    :host {
      display: block;
      overflow-x: auto;
    }
    .sums {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 20px;
      margin: 4px 0 10px;
      font-size: 13.5px;
    }
    .sums span,
    .verdict {
      display: inline-flex;
      gap: 5px;
      align-items: center;
    }
    mat-icon {
      flex: none;
      width: 17px;
      height: 17px;
      color: var(--ink-2);
    }
    .fits mat-icon {
      color: var(--dye);
    }
    .work mat-icon {
      color: var(--amber);
    }
    .no mat-icon,
    .no b {
      color: var(--red);
    }
    table {
      background: var(--sheet);
    }
    th,
    td {
      padding-left: 9px;
      font-size: 13px;
      text-align: left;
      vertical-align: top;
    }
    tbody tr {
      cursor: pointer;
    }
    tbody tr:hover {
      background: var(--paper);
    }
    tr.chosen,
    tbody tr.chosen:hover {
      background: var(--dye-tint);
      box-shadow: inset 3px 0 0 var(--dye);
    }
    tbody th button {
      min-height: 24px;
      font-weight: 620;
      text-align: left;
    }
    .face {
      display: grid;
      grid-template-columns: 104px minmax(90px, 1fr);
      gap: 6px;
      align-items: baseline;
    }
    td small {
      display: block;
      font-size: 12px;
      line-height: 1.3;
    }
    .number {
      text-align: right;
    }
    /* On a phone each joint is a card: its name, both faces, the verdict, and what it takes. */
    @media (max-width: 760px) {
      thead {
        display: none;
      }
      tbody tr {
        display: grid;
        grid-template-columns: 1fr 1fr 2fr;
        padding: 4px 0;
        border-bottom: 1px solid var(--rule);
      }
      tbody th,
      tbody td {
        grid-column: 1 / -1;
        padding: 2px 9px;
        border: 0;
      }
      td[data-label] {
        grid-column: auto;
        text-align: left;
      }
      td[data-label]:empty {
        display: none;
      }
      td[data-label]::before {
        display: block;
        color: var(--ink-2);
        font: 400 12px var(--words);
        content: attr(data-label);
      }
    }
  `,
})
export class MatingTable {
  private readonly store = inject(PlanStore);
  protected readonly units = inject(UnitsService);
  private readonly state = inject(ScreenState);
  protected readonly chosen = chosenJoint();
  protected readonly words = VERDICT_WORDS;
  protected readonly icons = ICONS;

  protected readonly joints = computed(() => this.store.results().of(joints));
  protected readonly sums = computed(() =>
    (['fits', 'work', 'no', 'unknown'] as const).map((verdict) => ({
      verdict,
      count: this.joints().filter((j) => j.verdict === verdict).length,
    })),
  );

  protected choose(id: JointId): void {
    this.state.place.set(placeOf(id));
  }

  /** Reason of the verdict that counts, and the work that was written down. */
  protected why({ note, computed: judged }: JointResult): string {
    const reason = note.verdict ? (note.reason ?? '') : this.units.say(judged.why);
    return [reason, note.work && `work: ${note.work}`].filter(Boolean).join('; ');
  }
}
