import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';

/** One of several, and its whole name where the short one is not enough. */
interface Segment<T extends string> {
  readonly id: T;
  readonly name: string;
  readonly full?: string;
}

/** Groups on one page are told apart by name. */
let groups = 0;

/** One of a few that stand side by side: parts of a stage, paper, a unit. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-segments',
  template: `
    <span class="group" role="radiogroup" [attr.aria-label]="label()">
      @for (o of options(); track o.id) {
        <label [class.on]="o.id === value()">
          <input
            type="radio"
            [name]="group"
            [value]="o.id"
            [checked]="o.id === value()"
            [attr.aria-label]="o.full ?? null"
            (change)="picked.emit(o.id)"
          />
          {{ o.name }}
        </label>
      }
    </span>
  `,
  styles: `
    :host {
      display: inline-block;
      max-width: 100%;
    }
    /* More rows where one is too narrow, ruled between. */
    .group {
      display: inline-flex;
      flex-wrap: wrap;
      border: 1px solid var(--rule);
      border-radius: 3px;
      background: var(--sheet);
    }
    label {
      position: relative;
      display: grid;
      flex: auto;
      place-items: center;
      height: var(--segment-height, 29px);
      padding: 0 12px;
      box-shadow: -1px -1px 0 var(--rule);
      color: var(--ink);
      font-size: var(--segment-size, 13px);
      white-space: nowrap;
      cursor: pointer;
    }
    label:hover {
      background: var(--paper);
    }
    label.on {
      background: var(--segment-on, var(--dye-tint));
      color: var(--segment-on-ink, var(--dye));
      font-weight: 500;
    }
    label:has(:focus-visible) {
      z-index: 1;
      outline: 2px solid var(--dye);
      outline-offset: 1px;
    }
    /* It takes the whole of its label, so that a press anywhere is a press on it. */
    input {
      position: absolute;
      inset: 0;
      margin: 0;
      opacity: 0;
      cursor: pointer;
    }
  `,
})
export class Segments<T extends string> {
  /** What is chosen among, for those who cannot see it. */
  readonly label = input.required<string>();
  readonly options = input.required<readonly Segment<T>[]>();
  readonly value = input.required<T>();
  readonly picked = output<T>();
  protected readonly group = `segments-${(groups += 1)}`;
}

/** Papers that sheets are printed on. */
export const PAPERS = [
  { id: 'a4', name: 'A4' },
  { id: 'letter', name: 'Letter' },
] as const;
