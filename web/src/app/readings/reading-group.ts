import { Component, computed, input } from '@angular/core';
import { headingName, QUANTITIES, quantityName } from '@intervex/core';
import { PanelHeading } from '../shared/panel-heading';
import { ReadingField } from './reading-field';

/** All quantities of one heading of a stage, in walking order. */
@Component({
  selector: 'ix-reading-group',
  imports: [PanelHeading, ReadingField],
  template: `
    @if (!bare()) {
      <ix-heading>
        {{ heading() }}
        @if (datum()) {
          <small>{{ datum() }}</small>
        }
      </ix-heading>
    }
    @for (q of quantities(); track q.id) {
      <ix-reading [id]="q.id" [label]="bothSides() ? nameOf(q) : ''" />
    }
  `,
})
export class ReadingGroup {
  readonly stage = input.required<string>();
  /** Id of the heading. */
  readonly group = input.required<string>();
  /** Without its heading, where one stands already. */
  readonly bare = input(false);

  protected readonly heading = computed(() => headingName(this.stage(), this.group()));
  protected readonly quantities = computed(() =>
    QUANTITIES.filter((q) => q.stage === this.stage() && q.group === this.group()),
  );
  /** Left and right stand under one heading, so each says which it is. */
  protected readonly bothSides = computed(
    () => new Set(this.quantities().flatMap((q) => q.side ?? [])).size > 1,
  );
  protected readonly nameOf = quantityName;
  protected readonly datum = computed(() => {
    const datums = new Set(this.quantities().map((q) => q.datum));
    const [only] = [...datums];
    return datums.size === 1 && only !== 'none' ? `datum: ${only ?? ''}` : '';
  });
}
