import { Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { learned, SIDES } from '@intervex/core';
import { PanelHeading } from '../../shared/panel-heading';
import { ReadingField } from '../../readings/reading-field';
import { FigureValue } from '../../shared/figure-value';
import { PersonService } from '../../state/person.service';
import { PlanStore } from '../../state/plan-store';

/** The tube read after tacking and welding, and what this welder’s welds pull. */
@Component({
  selector: 'ix-after-weld',
  imports: [PanelHeading, FigureValue, MatButtonModule, ReadingField],
  template: `
    <ix-heading>
      After the work
      <small>cold, from the casting face</small>
    </ix-heading>
    @for (side of sides; track side) {
      <ix-reading [id]="'after.tacked.' + side" [label]="'Tacked, ' + side" />
      <ix-reading [id]="'after.welded.' + side" [label]="'Welded, ' + side" />
    }
    @if (shrink(); as s) {
      <p>
        This welder’s butt pulls
        <ix-figure [figure]="s" [withU]="true" [digits]="2" />
        <button mat-button type="button" (click)="use()">Reckon with it</button>
      </p>
    }
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
  protected readonly sides = SIDES;
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
