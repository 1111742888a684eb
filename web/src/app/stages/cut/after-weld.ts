import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { learned } from '@intervex/core';
import { PanelGroup } from '../../shared/panel-group';
import { ReadingPair } from '../../readings/reading-pair';
import { FigureValue } from '../../shared/figure-value';
import { PersonService } from '../../state/person.service';
import { PlanStore } from '../../state/plan-store';

/** The tube read after tacking and welding, and what this welder’s welds pull. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-after-weld',
  imports: [PanelGroup, FigureValue, MatButtonModule, ReadingPair],
  template: `
    <ix-group name="After the work" note="cold, from the casting face">
      <ix-reading-pair
        left="after.tacked.left"
        right="after.tacked.right"
        label="Tacked, casting to housing end"
      />
      <ix-reading-pair
        left="after.welded.left"
        right="after.welded.right"
        label="Welded, casting to housing end"
      />
      @if (shrink(); as s) {
        <p>
          This welder’s butt pulls
          <ix-figure [figure]="s" [withU]="true" [digits]="2" />
          <button mat-button type="button" (click)="use()">Reckon with it</button>
        </p>
      }
    </ix-group>
  `,
  styles: `
    p {
      margin: 4px 0;
      font-size: 13px;
    }
  `,
})
export class AfterWeld {
  private readonly store = inject(PlanStore);
  private readonly person = inject(PersonService);
  protected readonly shrink = computed(() => this.store.results().of(learned).shrink);

  /** What was learned becomes what a side is reckoned with that is not tacked yet; one that is keeps its marks. */
  protected use(): void {
    const figure = this.shrink();
    if (!figure) return;
    const value = Math.round(Math.max(0, figure.value) * 100) / 100;
    this.store.setReading('cut.pull', {
      repeats: [{ value, who: this.person.name(), at: new Date().toISOString() }],
      instrument: 'rule',
      note: 'Learned from welds on this axle',
    });
    this.store.saveNow();
  }
}
