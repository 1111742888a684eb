import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import {
  studs,
  factText,
  limitValue,
  type Figure,
  type LimitId,
  type PartOffer,
  type PartSearch,
} from '@intervex/core';
import { FigureValue } from '../../shared/figure-value';
import { CounterService } from '../../state/counter.service';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';
import { OpenChecks } from '../../stage/open-checks';

/** Pitches that differ by less are one, mm. */
const SAME_PITCH = 0.1;

/** Studs and nuts: what they hold, and which there are. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-studs',
  providers: [CounterService],
  imports: [FigureValue, OpenChecks, MatButtonModule, MatIconModule],
  template: `
    <table class="grid">
      <tbody>
        @for (row of rows(); track row.label) {
          <tr>
            <th scope="row">{{ row.label }}</th>
            <td class="note second">{{ row.note }}</td>
            <td>
              @if (row.text) {
                {{ row.text }}
              } @else {
                <ix-figure [figure]="row.figure" [digits]="row.digits" />
              }
            </td>
          </tr>
        }
      </tbody>
    </table>
    <ix-open-checks of="stud" />
    <p class="text">
      <button mat-stroked-button type="button" [disabled]="counter.asking() || !studs().thread" (click)="ask()">
        <mat-icon svgIcon="counter" />
        Ask the counter for studs of this thread
      </button>
    </p>
    @if (counter.trouble(); as why) {
      <p class="trouble" role="alert">{{ why }}</p>
    }
    @if (search(); as s) {
      <table class="grid">
        <tbody>
          @for (o of s.found; track o.number) {
            <tr [class.picked]="o.number === s.chosen">
              <th scope="row">{{ o.name }}</th>
              <td class="note second">{{ o.number }}, {{ knurl(o) }}, {{ o.stock }} there</td>
              <td class="figure">{{ o.price }}</td>
              <td>
                <button type="button" class="plain link" (click)="pick(o)">
                  {{ o.number === s.chosen ? 'taken' : 'take' }}
                </button>
              </td>
            </tr>
          } @empty {
            <tr><td>None of this thread.</td></tr>
          }
        </tbody>
      </table>
    }
    <p class="text second">
      New studs and nuts; tighten with a wrench, and again after the first drive. Never heat or weld a stud.
    </p>
  `,
})
export class StudsDesk {
  protected readonly counter = inject(CounterService);
  private readonly store = inject(PlanStore);
  protected readonly units = inject(UnitsService);
  protected readonly studs = computed(() => this.store.results().of(studs));
  protected readonly search = computed<PartSearch | undefined>(() => this.store.plan().searches.stud);
  protected knurl({ size: { knurl } }: PartOffer): string {
    const digits = this.units.unit() === 'mm' ? 2 : 3;
    return knurl === undefined ? 'knurl not told' : `knurl ${this.units.show(knurl, 'mm', digits)}`;
  }

  protected readonly rows = computed(() => {
    const s = this.studs();
    const { facts, limits } = this.store.plan();
    const limit = (id: LimitId) => limitValue(limits, id);
    const share = (id: LimitId) => this.units.show(limit(id), 'ratio', 0);
    const studClass = facts['new.studClass'];
    const thread = facts['new.studThread'] ?? facts['donor.studThread'];
    const row = (label: string, note: string, figure: Figure | undefined, digits?: number) => ({
      label,
      note,
      figure,
      digits,
      text: '',
    });
    return [
      {
        ...row('Thread', 'of the studs that will be in the rear', undefined),
        text: thread ? factText('donor.studThread', thread.value) : 'not known',
      },
      row('Thread in the nut', 'beyond hat, spacer and wheel', s.engaged),
      row('Over its diameter', `at least ${limit('stud.engagement')}`, s.share, 2),
      row('Clamp of one nut', 'dry thread', s.clamp),
      row('Stress in the stud', 'clamp over the thread’s stress area', s.stress),
      row(
        'Stress over its proof',
        studClass
          ? `${factText('new.studClass', studClass.value)}, good to ${share('stud.proof')}, at most ${share('stud.proofMost')}`
          : 'the studs’ class is not known',
        s.proof,
      ),
      row('Friction over the wheel’s torque', `at least ${limit('stud.friction')}`, s.reserve, 2),
      ...(s.flange
        ? [
            row('Thread in the adapter’s nuts', 'on the flange’s own studs', s.flange.engaged),
            row('Over its diameter, at the flange', `at least ${limit('stud.engagement')}`, s.flange.share, 2),
            row('Friction at the flange', `at least ${limit('stud.friction')}`, s.flange.reserve, 2),
          ]
        : []),
      row('Knurl over its hole', 'above 0 it holds', s.pressed, 2),
    ];
  });

  protected async ask(): Promise<void> {
    const { thread } = this.studs();
    if (!thread) return;
    const near = { diameter: Number(thread.diameter.toFixed(3)), pitch: Number(thread.pitch.toFixed(3)) };
    // The counter’s tolerance is wider than one pitch to the next.
    await this.counter.keep(
      'stud',
      { kind: 'stud', near },
      (offer) => Math.abs((offer.size['pitch'] ?? 0) - thread.pitch) < SAME_PITCH,
    );
  }

  protected pick(offer: PartOffer): void {
    this.counter.pick('stud', offer.number);
    const knurl = offer.size['knurl'];
    if (knurl !== undefined)
      this.store.setReading('stud.knurl', {
        repeats: [{ value: knurl }],
        instrument: 'chosen',
        note: offer.number,
      });
    this.store.saveNow();
  }
}
