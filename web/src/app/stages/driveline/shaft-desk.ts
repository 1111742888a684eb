import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { atRest, datums, fastest, overTravel, shaftRoom, slipJoint, whips } from '@intervex/core';
import { FigureValue } from '../../shared/figure-value';
import { OpenChecks } from '../../stage/open-checks';
import { PlanStore } from '../../state/plan-store';

/** The driveshaft as it is ordered: lengths, speed, slip joint and room. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-shaft-desk',
  imports: [FigureValue, OpenChecks],
  template: `
    <table class="grid">
      <tbody>
        @for (row of rows(); track row.name + row.note) {
          <tr>
            <th scope="row">{{ row.name }}</th>
            <td class="note second">{{ row.note }}</td>
            <td><ix-figure [figure]="row.figure" [withU]="row.withU ?? false" /></td>
          </tr>
        }
      </tbody>
    </table>
    <ix-open-checks of="drive" />
  `,
})
export class ShaftDesk {
  private readonly store = inject(PlanStore);
  protected readonly rows = computed(() => {
    const { of } = this.store.results();
    const shafts = of(atRest)?.shafts ?? [];
    const { seal, flange, change } = of(datums);
    const { shorter, longer, toBottom, beyondLeast } = of(slipJoint);
    const { over, tunnel } = of(shaftRoom);
    const which = (i: number) =>
      shafts.length > 1 ? (i === 0 ? 'Front driveshaft' : 'Rear driveshaft') : 'Driveshaft';
    return [
      ...shafts.map((s, i) => ({
        name: which(i),
        note: 'joint centre to joint centre, at ride',
        figure: s.length,
        withU: true,
      })),
      { name: 'From the gearbox’s seal', note: 'to the joint behind it', figure: seal, withU: true },
      { name: 'To the pinion flange', note: 'from the joint before it', figure: flange, withU: true },
      { name: 'Against the shaft in the car', note: 'plus is longer', figure: change, withU: true },
      { name: 'At its fastest', note: '', figure: of(fastest) },
      ...of(whips).map(({ critical, share }, i) => ({
        name: `Critical speed, ${which(i).toLowerCase()}`,
        note: share ? `${(100 * share.value).toFixed(0)} % of it at its fastest` : 'tube held at its ends',
        figure: critical,
      })),
      { name: 'Shorter over the travel', note: 'than at ride', figure: shorter },
      { name: 'Longer over the travel', note: 'than at ride', figure: longer },
      ...of(overTravel).flatMap(({ words, at }) =>
        at.joints.map((joint, i) => ({
          name: `Joint ${i + 1} ${words}`,
          note: 'where the links take the axle',
          figure: joint,
        })),
      ),
      { name: 'Slip joint left to bottom', note: 'at its shortest', figure: toBottom },
      { name: 'Spline beyond the least', note: 'at its longest', figure: beyondLeast },
      { name: 'Free in the tunnel', note: 'at either side', figure: tunnel },
      ...over.map(({ name, gap }) => ({ name: `Under ${name}`, note: 'at full bump', figure: gap })),
    ];
  });
}
