import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatIconModule } from '@angular/material/icon';
import { OPEN_CHOICES, OPEN_NAMES, inSentence, waiting } from '@intervex/core';
import { PlanStore } from '../../state/plan-store';

const WORDS = { open: 'open', assumed: 'assumed', settled: 'settled', unsaid: 'nobody said' } as const;

/** What may still change, and which decisions wait for it. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-waits-desk',
  imports: [MatIconModule],
  template: `
    <table class="grid wide cards">
      <thead>
        <tr>
          <th scope="col">What</th>
          <th scope="col" class="words">Stands</th>
          <th scope="col" class="words">Why, and who decides</th>
          <th scope="col" class="words">Waits for it</th>
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track row.id) {
          <tr>
            <th scope="row">{{ row.name }}</th>
            <td class="words" data-label="Stands">
              @if (row.loose) {
                <mat-icon svgIcon="caution" aria-hidden="true" />
              }
              {{ row.state }}
            </td>
            <td class="words" data-label="Why, and who decides">{{ row.why }}</td>
            <td class="words" data-label="Waits for it">{{ row.waits }}</td>
          </tr>
        }
      </tbody>
    </table>
    <p class="text second">
      What may still change is said in the brief. While one is open, every number that is true of it is marked
      as preliminary, a weld that rests on it is only tacked, and nothing is ordered for it.
    </p>
  `,
  styles: `
    mat-icon {
      width: 16px;
      height: 16px;
      color: var(--amber);
      vertical-align: -3px;
    }
    td.words {
      font-size: 13px;
    }
  `,
})
export class WaitsDesk {
  private readonly store = inject(PlanStore);
  protected readonly rows = computed(() => {
    const { openings } = this.store.results();
    const decisions = waiting(this.store.results());
    return OPEN_CHOICES.map((id) => {
      const said = openings[id];
      const names = decisions[id].map((d) => inSentence(d.label));
      const loose = said === undefined || said.state === 'open';
      return {
        id,
        name: OPEN_NAMES[id].replace(/^the /, '').replace(/^./, (letter) => letter.toUpperCase()),
        state: WORDS[said?.state ?? 'unsaid'],
        why: said ? [said.reason || 'why: not said', ...(said.who ? [`(${said.who})`] : [])].join(' ') : '–',
        loose,
        waits: loose
          ? names.join(', ') || 'nothing yet'
          : names.length
            ? `rests on it: ${names.join(', ')}`
            : '–',
      };
    });
  });
}
