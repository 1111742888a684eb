import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { surveySheet } from '@intervex/core/sheets';
import { ScreenState } from '../../stage/screen-state';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';

/** The sheet that is walked round with, as it will be printed with what is read; blank it has empty boxes. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-walk-preview',
  template: `
    <article>
      @for (section of sections(); track section.title) {
        <table class="grid wide">
          <caption>
            {{ section.title }}
          </caption>
          <tbody>
            @for (row of section.rows; track row.id) {
              <tr>
                <th scope="row">
                  {{ row.name }}
                  <small class="second">{{ row.how }}{{ row.how ? '. ' : '' }}{{ row.hint }}</small>
                </th>
                <td class="repeats">
                  {{ row.ticked || (row.repeats.length ? '' : '____') }}
                  @for (r of row.repeats; track $index) {
                    <span class="figure">{{ r }}</span>
                  }
                </td>
                <td class="figure number">{{ row.result || row.unit }}</td>
              </tr>
            }
          </tbody>
        </table>
      }
    </article>
  `,
  styleUrl: './sheet-desk.scss',
  styles: `
    small {
      display: block;
      font-weight: 400;
    }
    .repeats {
      text-align: right;
    }
    .repeats span {
      display: inline-block;
      margin-left: 10px;
      white-space: nowrap;
    }
    .number {
      white-space: nowrap;
    }
    @media (max-width: 760px) {
      tr {
        display: flex;
        flex-wrap: wrap;
        justify-content: space-between;
        border-bottom: 1px solid var(--rule);
      }
      th {
        flex-basis: 100%;
        border: 0;
      }
      td {
        max-width: 100%;
        border: 0;
      }
      .repeats span {
        margin: 0 10px 0 0;
      }
      .repeats {
        text-align: left;
      }
    }
  `,
})
export class WalkPreview {
  private readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  private readonly state = inject(ScreenState);
  protected readonly sections = computed(() =>
    surveySheet(this.store.plan(), this.store.results(), {
      stage: this.state.tab().replace(/^walk\./, ''),
      unit: this.units.unit(),
      filled: true,
    }),
  );
}
