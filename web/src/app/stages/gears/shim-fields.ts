import { ChangeDetectionStrategy, Component, model } from '@angular/core';
import { SHIM_FIELDS, type Shim, type ShimTexts } from './shim-words';

/** Fields for the three packs of a trial. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-shim-fields',
  template: `
    @for (f of fields; track f.key) {
      <label class="over">
        <span>{{ f.name }}</span>
        <input
          class="box figure"
          type="text"
          maxlength="30"
          [value]="texts()[f.key] ?? ''"
          (input)="write(f.key, $any($event.target).value)"
        />
      </label>
    }
  `,
  styles: `
    :host {
      display: contents;
    }
  `,
})
export class ShimFields {
  protected readonly fields = SHIM_FIELDS;
  readonly texts = model.required<ShimTexts>();

  protected write(key: Shim, text: string): void {
    this.texts.update((all) => ({ ...all, [key]: text }));
  }
}
