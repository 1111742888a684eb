import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import {
  square,
  CLOCKS,
  clockName,
  PHASE_NAMES,
  SIDES,
  SQUARE_PHASES,
  sideName,
  type Side,
  type SquarePhase,
} from '@intervex/core';
import { PanelGroup } from '../../shared/panel-group';
import { ReadingField } from '../../readings/reading-field';
import { FigureValue } from '../../shared/figure-value';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';
import { Segments } from '../../shared/segments';

const FOUR = new Set(['top', 'front', 'bottom', 'rear']);

/** Squareness readings of one side at one time, and what they mean. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-square',
  imports: [PanelGroup, FigureValue, MatButtonModule, ReadingField, Segments],
  template: `
    <ix-group name="Squareness" note="fixed ring to end face">
      <div class="picks">
        <ix-segments label="Side" [options]="sides" [value]="side()" (picked)="side.set($event)" />
        <ix-segments label="When" [options]="phases" [value]="phase()" (picked)="phase.set($event)" />
      </div>
      <ix-reading [id]="'square.' + side() + '.radius'" />
      @for (clock of clocks(); track clock.id) {
        <ix-reading [id]="'square.' + side() + '.' + phase() + '.' + clock.id" />
      }
      @if (!all()) {
        <button mat-button type="button" (click)="all.set(true)">Four more places</button>
      }
      @if (face(); as f) {
        <dl class="result">
          <div>
            <dt>Leans</dt>
            <dd><ix-figure [figure]="f.tilt" [withU]="true" /></dd>
          </div>
          <div>
            <dt>Farthest out</dt>
            <dd>{{ clockName(f.farthestRad) }}</dd>
          </div>
          <div>
            <dt>Camber</dt>
            <dd><ix-figure [figure]="f.camber" [withU]="true" /></dd>
          </div>
          <div>
            <dt>Toe</dt>
            <dd><ix-figure [figure]="f.toe" [withU]="true" /></dd>
          </div>
          <div>
            <dt>{{ f.stations }} places, rest</dt>
            <dd class="figure">{{ units.show(f.residual, 'mm', units.unit() === 'mm' ? 3 : 4) }}</dd>
          </div>
        </dl>
      } @else {
        <p class="second">Three places or more, and the radius, give tilt, its direction, camber and toe.</p>
      }
    </ix-group>
  `,
  styles: `
    .picks {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
      margin: 6px 0;
    }
    p {
      margin: 6px 0;
      font-size: 13px;
    }
    dl {
      margin: 8px 0 0;
    }
    dl div {
      display: flex;
      justify-content: space-between;
      min-height: 27px;
      padding: 4px 0 2px;
      border-bottom: 1px solid var(--rule);
      font-size: 13px;
    }
    dd {
      margin: 0;
      font-weight: 600;
    }
  `,
})
export class SquarePanel {
  private readonly store = inject(PlanStore);
  protected readonly units = inject(UnitsService);
  protected readonly sides = SIDES.map((id) => ({ id, name: sideName(id) }));
  protected readonly clockName = clockName;
  protected readonly phases = SQUARE_PHASES.map((id) => ({
    id,
    full: PHASE_NAMES[id],
    name: id === 'before' ? 'Before' : id === 'tacked' ? 'Tacked' : 'Welded',
  }));
  protected readonly side = signal<Side>('left');
  protected readonly phase = signal<SquarePhase>('tacked');
  protected readonly all = signal(false);
  protected readonly clocks = computed(() => {
    const readings = this.store.plan().readings;
    return CLOCKS.filter(
      (c) => this.all() || FOUR.has(c.id) || readings[`square.${this.side()}.${this.phase()}.${c.id}`],
    );
  });
  protected readonly face = computed(() => this.store.results().of(square).sets[this.side()][this.phase()]);

  constructor() {
    // Opens where the newest readings are.
    const { latest } = this.store.results().of(square);
    const side = latest.left ? 'left' : latest.right ? 'right' : 'left';
    this.side.set(side);
    this.phase.set(latest[side]?.phase ?? 'tacked');
  }
}
