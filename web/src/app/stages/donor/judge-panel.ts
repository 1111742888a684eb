import { Component } from '@angular/core';
import { headingName } from '@intervex/core';
import { FactGroup } from '../../readings/fact-group';
import { ReadingGroup } from '../../readings/reading-group';

/** Headings by which a donor is judged, readings and facts alike, in the order they are looked at. */
export const JUDGED_GROUPS: readonly string[] = [
  'ratio',
  'differential',
  'condition',
  'strength',
  'completeness',
  'money',
];

/** What is looked at, counted and asked before a donor is bought. */
@Component({
  selector: 'ix-judge-panel',
  imports: [FactGroup, ReadingGroup],
  template: `
    @for (group of groups; track group) {
      <h2>{{ nameOf('donor', group) }}</h2>
      <ix-fact-group stage="donor" [group]="group" [bare]="true" />
      <ix-reading-group stage="donor" [group]="group" [bare]="true" />
    }
  `,
})
export class JudgePanel {
  protected readonly groups = JUDGED_GROUPS;
  protected readonly nameOf = headingName;
}
