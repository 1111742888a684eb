import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { school, marks, placeName, sideName, type Side } from '@intervex/core';
import { FigureValue } from '../../shared/figure-value';
import { PlanStore } from '../../state/plan-store';

/** The scribe marks of one side: from where, which side the blade runs, what falls out, what to expect. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-marks',
  imports: [FigureValue],
  template: `
    @if (marks(); as m) {
      <table class="grid">
        <caption class="hidden">{{ title() }} scribe marks</caption>
        <tbody>
          @for (row of rows(); track row.label) {
            <tr>
              <th scope="row">{{ row.label }}</th>
              <td><ix-figure [figure]="row.figure" [withU]="row.withU" /></td>
            </tr>
          }
        </tbody>
      </table>
    } @else {
      <p class="second">{{ why() }}</p>
    }
  `,
  styles: `
    table {
      margin-bottom: 4px;
    }
    tr {
      display: flex;
      flex-wrap: wrap;
      gap: 0 8px;
      align-items: baseline;
      justify-content: space-between;
    }
    th,
    td {
      flex: none;
      padding: 4px 0;
      font-size: 13px;
      font-weight: 400;
      text-align: left;
    }
    td {
      font-size: 13.5px;
      margin-left: auto;
      font-weight: 600;
      text-align: right;
    }
    p {
      margin: 4px 0 6px;
      font-size: 13px;
    }
  `,
})
export class MarksTable {
  private readonly store = inject(PlanStore);
  readonly side = input.required<Side>();

  protected readonly title = computed(() => sideName(this.side()));
  protected readonly marks = computed(() => this.store.results().of(marks).marks[this.side()]);
  protected readonly why = computed(() => {
    const { of, decisions } = this.store.results();
    const work = of(school)?.work[this.side()];
    if (work === 'leave') return 'Nothing is cut on this side.';
    if (work === 'widen') return 'This side would have to be widened: metal is missing.';
    const cut = decisions.find((d) => d.id === 'cut');
    const marks = decisions.find((d) => d.id === 'marks');
    const lacks = [...new Set([...(cut?.lacks ?? []), ...(marks?.lacks ?? [])])];
    if (lacks.length) return `Needs first: ${lacks.map(placeName).join(', ')}.`;
    return cut?.held ?? marks?.held ?? 'The tube needs its reading first (Donor).';
  });
  protected readonly rows = computed(() => {
    const m = this.marks();
    if (!m) return [];
    const endOff = this.store.plan().choices.method === 'endOff';
    return [
      {
        label: endOff ? 'Cut here, blade outboard of it' : 'First mark, blade outboard of it',
        figure: m.inner.fromDatum,
        withU: false,
      },
      {
        label: endOff ? 'End off, blade inboard of it' : 'Second mark, blade inboard of it',
        figure: m.outer.fromDatum,
        withU: false,
      },
      ...(m.left ? [{ label: 'Tube left on the casting', figure: m.left, withU: false }] : []),
      { label: 'Between the marks', figure: m.spacing, withU: false },
      { label: 'Slug that falls out', figure: m.slug, withU: false },
      { label: 'Tube after tacking', figure: m.tubeTacked, withU: true },
      { label: 'Tube after welding', figure: m.tubeWelded, withU: true },
    ];
  });
}
