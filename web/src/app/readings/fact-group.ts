import { Component, computed, input } from '@angular/core';
import { FACTS, type StageId } from '@intervex/core';
import { FactField } from './fact-field';

/** All facts of one heading of a stage. */
@Component({
  selector: 'ix-fact-group',
  imports: [FactField],
  template: `
    @if (!bare() && facts().length) {
      <h2>{{ group() }}</h2>
    }
    @for (f of facts(); track f.id) {
      <ix-fact [id]="f.id" />
    }
  `,
})
export class FactGroup {
  readonly stage = input.required<StageId>();
  readonly group = input.required<string>();
  /** Without its heading, where one stands already. */
  readonly bare = input(false);
  protected readonly facts = computed(() =>
    FACTS.filter((f) => f.stage === this.stage() && f.group === this.group()),
  );
}
