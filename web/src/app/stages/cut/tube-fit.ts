import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { tubes, float, ends, learned, SIDES, type Figure, type Side } from '@intervex/core';
import { SidedTable, type SidedRow } from '../../shared/sided-table';
import { PlanStore } from '../../state/plan-store';
import { OpenChecks } from '../../stage/open-checks';

/** New tubes and full-float ends side by side: lengths, fits at both extremes, what pressing asks, hold points. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-tube-fit',
  imports: [OpenChecks, SidedTable],
  template: `
    @for (table of tables(); track table.title) {
      <ix-sided [title]="table.title" [rows]="table.rows" />
    }
    @if (pressing()) {
      <ix-open-checks of="tube" />
      <p class="text">
        <b>Hold points.</b>
        Mark the insertion depth all round before pressing: a tube pressed too deep cannot be pulled back. Stop
        two thirds in, measure what stands out and whether it stands square, then go on. Weld tube to casting
        before anything is straightened; ends last.
      </p>
    }
    @if (floating()) {
      <ix-open-checks of="float" />
    }
  `,
})
export class TubeFit {
  private readonly store = inject(PlanStore);
  protected readonly pressing = computed(() => this.store.plan().choices.method === 'newTubes');
  protected readonly floating = computed(() => this.store.plan().choices.retentionTo === 'fullFloat');

  protected readonly tables = computed(() => {
    const { of } = this.store.results();
    const [pressing, made, ending, after] = [of(tubes), of(float), of(ends), of(learned)];
    const row = (label: string, of: (side: Side) => Figure | undefined, digits?: number): SidedRow => ({
      label,
      left: of('left'),
      right: of('right'),
      digits,
    });
    const pressed = [
      row('Cut the tube to', (s) => pressing.piece[s]),
      row('Loosest', (s) => pressing.fit[s]?.least, 2),
      row('Tightest', (s) => pressing.fit[s]?.most, 2),
      row('Bore out of round', (s) => pressing.fit[s]?.boreOval, 2),
      row('Tube out of round', (s) => pressing.fit[s]?.tubeOval, 2),
      row('Press force', (s) => pressing.fit[s]?.force),
      row('Stress over yield', (s) => pressing.fit[s]?.stress),
    ];
    const floated = [
      row('Plug turned to', (s) => made[s].plug, 2),
      row('Comes off the plug', (s) => made[s].turnOff, 2),
      row('Drive spline out of line', (s) => made[s].angle),
      row('Plug-weld holes, from the tube’s end', (s) => made[s].holeFrom),
      row('Hole to hole round the tube', (s) => made[s].holeStep),
      row('WMS moves out', (s) => ending.moved[s]),
    ];
    const welded = [
      row('Tacked, against expected', (s) => after.tackedOff[s], 2),
      row('Welded, against expected', (s) => after.weldedOff[s], 2),
      row('This weld pulled', (s) => after.pull[s], 2),
    ];
    const read = SIDES.some((s) => after.tackedOff[s] ?? after.weldedOff[s] ?? after.pull[s]);
    return [
      ...(this.pressing() ? [{ title: 'New tubes', rows: pressed }] : []),
      ...(this.floating() ? [{ title: 'Full-float ends', rows: floated }] : []),
      ...(read ? [{ title: 'After the work', rows: welded }] : []),
    ];
  });
}
