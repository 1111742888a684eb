import { ChangeDetectionStrategy, Component } from '@angular/core';
import { PATTERN_FACES } from '@intervex/core';
import { PanelGroup } from '../../shared/panel-group';
import { PatternPanel } from './pattern-readings';

/** Pairs of holes of each face, as the caliper reads them. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-pattern-fields',
  imports: [PanelGroup, PatternPanel],
  template: `
    <ix-group name="Read between holes">
      @for (face of faces; track face) {
        <ix-pattern [face]="face" />
      }
    </ix-group>
  `,
})
export class PatternFields {
  protected readonly faces = PATTERN_FACES;
}
