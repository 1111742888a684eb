import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { places } from '@intervex/core';
import { clamps, flip, perchOff, pinPlay, wheelbase } from '@intervex/core/desks/brackets';
import { FigureValue } from '../../shared/figure-value';
import { OpenChecks } from '../../stage/open-checks';
import { PlanStore } from '../../state/plan-store';

/** Perches, what a flip does, U-bolts and the plate. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-springs-desk',
  imports: [FigureValue, OpenChecks],
  template: `
    <table class="grid">
      <thead>
        <tr>
          <th scope="col">U-bolts, two a side</th>
          <th scope="col">Left</th>
          <th scope="col">Right</th>
        </tr>
      </thead>
      <tbody>
        @for (row of bolts(); track row.name) {
          <tr>
            <th scope="row">{{ row.name }}</th>
            <td><ix-figure [figure]="row.left" /></td>
            <td><ix-figure [figure]="row.right" /></td>
          </tr>
        }
      </tbody>
    </table>
    <table class="grid">
      <tbody>
        @for (row of others(); track row.name) {
          <tr>
            <th scope="row">{{ row.name }}</th>
            <td class="note second">{{ row.note }}</td>
            <td><ix-figure [figure]="row.figure" /></td>
          </tr>
        }
      </tbody>
    </table>
    <ix-open-checks of="perch" />
    <ix-open-checks of="clamp" />
  `,
})
export class SpringsDesk {
  private readonly store = inject(PlanStore);
  protected readonly bolts = computed(() => {
    const { left, right } = this.store.results().of(clamps);
    const row = (name: string, what: 'legs' | 'leg' | 'arc' | 'developed') => ({
      name,
      left: left[what],
      right: right[what],
    });
    return [
      row('Middle to middle of the legs', 'legs'),
      row('Leg from the tube’s centre', 'leg'),
      row('Over the tube', 'arc'),
      row('Straight bar', 'developed'),
    ];
  });
  protected readonly others = computed(() => {
    const { of } = this.store.results();
    const turned = of(flip);
    const off = of(perchOff);
    return [
      ...(turned
        ? [
            { name: 'Car comes down by the flip', note: 'minus where it rises', figure: turned.drop },
            { name: 'Bump travel left', note: 'after the flip', figure: turned.bumpLeft },
          ]
        : []),
      { name: 'Play of the centre bolt', note: 'in its perch', figure: of(pinPlay) },
      { name: 'Wheelbase', note: 'with the axle moved in the plate', figure: of(wheelbase) },
      ...of(places)
        .filter((p) => p.item.kind === 'perch')
        .map((p) => ({
          name: `${p.item.name}: wedge`,
          note: 'off what the pinion wants, front too high plus',
          figure: off[p.id],
        })),
    ];
  });
}
