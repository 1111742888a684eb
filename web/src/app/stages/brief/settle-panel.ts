import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import {
  LEAST_REASON,
  OPEN_CHOICES,
  OPEN_NAMES,
  OPEN_STATES,
  type OpenChoice,
  type OpenState,
} from '@intervex/core';
import { PanelGroup } from '../../shared/panel-group';
import { PlaceOf } from '../../shared/place-of';
import { PersonService } from '../../state/person.service';
import { PlanStore } from '../../state/plan-store';

const WORDS: Readonly<Record<OpenState | 'unsaid', string>> = {
  unsaid: 'not said',
  open: 'open',
  assumed: 'assumed',
  settled: 'settled',
};

/** What of the car may still change: how firm each is, why, and who decides. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-settle-panel',
  imports: [MatButtonModule, PanelGroup, PlaceOf],
  template: `
    <ix-group name="What may still change" note="numbers that rest on what is open are preliminary">
      <div tabindex="-1" ixPlace="brief.open">
        @for (row of rows(); track row.id) {
          <fieldset>
            <legend>{{ row.name }}</legend>
            <select
              class="choice"
              [attr.aria-label]="row.name"
              (change)="choose(row.id, $any($event.target).value)"
            >
              @for (s of states; track s.id) {
                <option [value]="s.id" [selected]="s.id === row.state">{{ s.name }}</option>
              }
            </select>
            @if (row.state !== 'unsaid') {
              <label class="over why">
                <span>Why</span>
                <textarea
                  class="box"
                  rows="2"
                  maxlength="300"
                  [value]="row.reason"
                  [attr.aria-invalid]="row.trouble ? 'true' : null"
                  (input)="write(row.id, 'reason', $any($event.target).value)"
                  (change)="store.saveNow()"
                ></textarea>
              </label>
              <label class="over">
                <span>Who decides</span>
                <input
                  class="box"
                  type="text"
                  maxlength="60"
                  [value]="row.who"
                  (input)="write(row.id, 'who', $any($event.target).value)"
                  (change)="store.saveNow()"
                />
              </label>
              @if (row.trouble) {
                <p class="trouble" role="alert">{{ row.trouble }}</p>
              }
            }
          </fieldset>
        }
      </div>
    </ix-group>
  `,
  styles: `
    fieldset {
      display: grid;
      grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
      gap: 0 10px;
      margin: 4px 0 8px;
      padding: 0;
      border: 0;
    }
    legend {
      float: left;
      padding: 4px 0;
      font-size: 13.5px;
    }
    .trouble,
    .why {
      grid-column: 1 / -1;
    }
  `,
})
export class SettlePanel {
  protected readonly store = inject(PlanStore);
  private readonly person = inject(PersonService);
  protected readonly states = (['unsaid', ...OPEN_STATES] as const).map((id) => ({ id, name: WORDS[id] }));
  /** What is written and not whole yet: it stays on the page until it is. */
  private readonly drafts = signal<Readonly<Partial<Record<OpenChoice, Draft>>>>({});
  protected readonly rows = computed(() =>
    OPEN_CHOICES.map((id) => {
      const said = this.drafts()[id] ?? this.store.plan().open[id];
      return {
        id,
        name: OPEN_NAMES[id].replace(/^the /, '').replace(/^./, (letter) => letter.toUpperCase()),
        state: said?.state ?? ('unsaid' as const),
        reason: said?.reason ?? '',
        who: said?.who ?? '',
        trouble: said ? troubleOf(said) : '',
      };
    }),
  );

  protected choose(id: OpenChoice, state: OpenState | 'unsaid'): void {
    if (state === 'unsaid') {
      this.drop(id);
      this.store.put('open', id, undefined);
    } else {
      const now = this.drafts()[id] ?? this.store.plan().open[id];
      this.keep(id, { reason: now?.reason ?? '', who: now?.who || this.person.name(), state });
    }
    this.store.saveNow();
  }

  protected write(id: OpenChoice, field: 'reason' | 'who', text: string): void {
    const now = this.drafts()[id] ?? this.store.plan().open[id];
    if (now) this.keep(id, { ...now, [field]: text });
  }

  /** What is whole goes into the plan; what is not waits here, and what stood in the plan stays. */
  private keep(id: OpenChoice, draft: Draft): void {
    if (draft.state === 'settled' && troubleOf(draft)) {
      this.drafts.update((all) => ({ ...all, [id]: draft }));
      return;
    }
    this.drop(id);
    this.store.put('open', id, draft);
  }

  private drop(id: OpenChoice): void {
    this.drafts.update(({ [id]: _gone, ...rest }) => rest);
  }
}

interface Draft {
  readonly state: OpenState;
  readonly reason: string;
  readonly who: string;
}

function troubleOf({ state, reason, who }: Draft): string {
  const kept = state === 'settled' ? 'until then it is not kept as settled' : 'it is kept, and asked for';
  if (reason.trim().length < LEAST_REASON) return `Say why, in at least 3 letters; ${kept}.`;
  return who.trim() ? '' : `Say who decides it; ${kept}.`;
}
