import { Component, computed, input } from '@angular/core';
import { FACTS, headingName } from '@intervex/core';
import { PanelHeading } from '../shared/panel-heading';
import { FactField } from './fact-field';

/** All facts of one heading of a stage. */
@Component({
  selector: 'ix-fact-group',
  imports: [PanelHeading, FactField],
  template: `
    @if (!bare() && facts().length) {
      <ix-heading>{{ heading() }}</ix-heading>
    }
    @for (f of facts(); track f.id) {
      <ix-fact [id]="f.id" />
    }
  `,
})
export class FactGroup {
  readonly stage = input.required<string>();
  /** Id of the heading. */
  readonly group = input.required<string>();
  /** Without its heading, where one stands already. */
  readonly bare = input(false);
  protected readonly heading = computed(() => headingName(this.stage(), this.group()));
  protected readonly facts = computed(() =>
    FACTS.filter((f) => f.stage === this.stage() && f.group === this.group()),
  );
}
