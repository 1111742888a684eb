import { Component } from '@angular/core';
import { PATTERN_FACES } from '@intervex/core';
import { PanelHeading } from '../../shared/panel-heading';
import { PatternPanel } from './pattern-readings';

/** Pairs of holes of each face, as the caliper reads them. */
@Component({
  selector: 'ix-pattern-fields',
  imports: [PanelHeading, PatternPanel],
  template: `
    <ix-heading>Read between holes</ix-heading>
    @for (face of faces; track face) {
      <ix-pattern [face]="face" />
    }
  `,
})
export class PatternFields {
  protected readonly faces = PATTERN_FACES;
}
