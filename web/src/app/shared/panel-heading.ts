import { Component } from '@angular/core';

/** A heading in a panel: its words, and in `small` what is added to them. The first of a panel has no rule over it. */
@Component({
  selector: 'ix-heading',
  template: `
    <h2><ng-content /></h2>
  `,
  styles: `
    :host {
      display: block;
      margin: 14px 0 4px;
      padding-top: 12px;
      border-top: 1px solid var(--rule);
    }
    h2 {
      display: flex;
      gap: 8px;
      align-items: baseline;
      justify-content: space-between;
      font-size: 14.5px;
    }
  `,
})
export class PanelHeading {}
