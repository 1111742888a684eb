import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { stance } from '@intervex/core';
import { FigureValue } from '../../shared/figure-value';
import { PanelGroup } from '../../shared/panel-group';
import { PlanStore } from '../../state/plan-store';

/** The tyre by its size, and what that comes to on this rim. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-tyre-field',
  imports: [FigureValue, PanelGroup],
  template: `
    <ix-group name="Tyre">
      <label class="beside">
        <span>Size on the sidewall</span>
        <input
          type="text"
          class="box figure"
          maxlength="40"
          placeholder="205/60R15"
          spellcheck="false"
          [value]="store.plan().choices.tyre"
          [attr.aria-invalid]="stance().tyreProblem ? 'true' : null"
          (change)="set($any($event.target).value)"
          (keydown.enter)="set($any($event.target).value)"
        />
      </label>
      @if (stance().tyreProblem; as why) {
        <p class="trouble" role="alert">{{ why }}</p>
      }
      @if (stance().tyre; as t) {
        <dl class="facts">
          <div>
            <dt>On this rim</dt>
            <dd><ix-figure [figure]="stance().section" /></dd>
          </div>
          <div>
            <dt>Across</dt>
            <dd><ix-figure [figure]="stance().diameter" /></dd>
          </div>
          <div>
            <dt>Backspace</dt>
            <dd><ix-figure [figure]="stance().backspace" /></dd>
          </div>
        </dl>
      }
    </ix-group>
  `,
  styles: `
    .facts {
      margin-top: 6px;
    }
    .facts div {
      min-width: 90px;
    }
    .facts dd {
      font-size: 13.5px;
    }
  `,
})
export class TyreField {
  protected readonly store = inject(PlanStore);
  protected readonly stance = computed(() => this.store.results().of(stance));

  protected set(text: string): void {
    this.store.choose('tyre', text.trim().slice(0, 40));
    this.store.saveNow();
  }
}
