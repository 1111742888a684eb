import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';

/** A choice among few, with its label: as narrow as a field. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-choice',
  template: `
    <label>
      <span>{{ label() }}</span>
      <select class="choice" (change)="pick($any($event.target).value)">
        @for (o of options(); track o.id) {
          <option [value]="o.id" [selected]="o.id === value()">{{ o.name }}</option>
        }
      </select>
    </label>
  `,
  styles: `
    label {
      display: grid;
      grid-template-columns: minmax(0, 1fr) minmax(0, 190px);
      gap: 8px;
      align-items: center;
      padding: 3px 0;
      font-size: 13.5px;
    }
    select {
      min-width: 0;
    }
  `,
})
export class ChoiceField<T extends string> {
  readonly label = input.required<string>();
  readonly value = input.required<T>();
  readonly options = input.required<readonly { readonly id: T; readonly name: string }[]>();
  readonly picked = output<T>();

  protected pick(text: string): void {
    const option = this.options().find((o) => o.id === text);
    if (option) this.picked.emit(option.id);
  }
}
