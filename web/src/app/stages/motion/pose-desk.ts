import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { axlePose, standing, study } from '@intervex/core/desks/motion';
import { FigureTable } from '../../shared/figure-table';
import { FigureValue } from '../../shared/figure-value';
import { OpenChecks } from '../../stage/open-checks';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';
import { pose } from './pose';
import { SpaceDesk } from './space-desk';

const DEGREE = Math.PI / 180;
/** Seconds that a cycle from droop to bump and back takes. */
const CYCLE = 4;
const MM = 1;
const TENTH = 0.1;

/** Sliders that put the axle up, down and in roll; what it does there, and at both ends of its travel. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-pose-desk',
  imports: [FigureTable, FigureValue, MatButtonModule, OpenChecks, SpaceDesk],
  templateUrl: './pose-desk.html',
  styleUrl: './pose-desk.scss',
})
export class PoseDesk {
  protected readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  protected readonly pose = pose;
  protected readonly step = { z: MM, roll: TENTH };
  private readonly of = computed(() => this.store.results().of);
  private readonly stands = computed(() => this.of()(standing));
  protected readonly told = computed(() => this.of()(study));
  protected readonly known = computed(() => this.stands() !== undefined);
  /** Ends of the sliders: mm, and degrees. */
  protected readonly reach = computed(() => {
    const { bump, droop, roll } = this.stands()?.stand.reach ?? { bump: NaN, droop: NaN, roll: NaN };
    const known = (v: number, otherwise: number) => (Number.isNaN(v) ? otherwise : v);
    return { bump: known(bump, 0), droop: known(droop, 0), roll: known(roll, 0) / DEGREE };
  });
  protected readonly rollDegrees = computed(() => Number((this.pose().roll / DEGREE).toFixed(2)));
  protected readonly heaveText = computed(() => {
    const { z } = this.pose();
    const shown = this.units.show(Math.abs(z), 'mm');
    return z === 0 ? 'ride height' : `${shown} ${z > 0 ? 'up' : 'down'}`;
  });
  protected readonly rollText = computed(() => {
    const { roll } = this.pose();
    return roll === 0
      ? 'level'
      : `${this.units.show(Math.abs(roll), 'rad')}, ${roll > 0 ? 'right' : 'left'} side down`;
  });
  protected readonly playing = signal(false);
  protected readonly inSpace = signal(false);
  private frame = 0;

  /** What the axle does in this pose. */
  protected readonly here = computed(() => {
    const stands = this.stands();
    if (!stands) return undefined;
    const { z, roll } = this.pose();
    const at = axlePose(stands.stand.axle, { z, roll });
    const show = (value: number, unit: 'mm' | 'rad') => this.units.show(value, unit);
    if (at.status === 'outOfReach') return { rows: [], said: 'The links do not reach there.' };
    if (at.status === 'twoWays')
      return {
        rows: [],
        said: 'The links can hold the axle in two places there: one goes over its dead point.',
      };
    if (at.status === 'loose') return { rows: [], said: 'The links leave the axle free there.' };
    const bind = at.errors.reduce((most, e) => Math.max(most, Math.abs(e)), 0);
    return {
      said: '',
      rows: [
        { name: 'Pinion turned, nose up plus', value: show(-at.pitch, 'rad') },
        { name: 'Axle forward', value: show(at.x, 'mm') },
        { name: 'Axle to the left', value: show(at.y, 'mm') },
        { name: 'Axle steers to the left', value: show(at.yaw, 'rad') },
        { name: 'Length that links lack', value: at.status === 'exact' ? 'none' : show(bind, 'mm') },
      ],
    };
  });
  protected readonly ends = computed(() => {
    const t = this.told();
    return [
      { name: 'Pinion turned, nose up plus', bump: t['pinion.bump'], droop: t['pinion.droop'] },
      { name: 'Axle forward', bump: t['x.bump'], droop: t['x.droop'] },
      { name: 'Axle to the left', bump: t['y.bump'], droop: t['y.droop'] },
      { name: 'Length that links lack', bump: t['bind.bump'], droop: t['bind.droop'] },
    ];
  });
  protected readonly character = computed(() => {
    const t = this.told();
    return [
      { name: 'Anti-squat', note: '1 neither lifts nor squats', figure: t.antiSquat },
      { name: 'Anti-lift under braking', note: 'brakes held on the axle', figure: t.antiLift },
      { name: 'Instant centre, forward of the axle', note: 'from the side', figure: t.icAlong },
      { name: 'Instant centre above the ground', note: '', figure: t.icHeight },
      { name: 'Above the neutral line', note: 'minus below it: squats', figure: t.aboveNeutral },
      { name: 'Roll centre above the ground', note: '', figure: t.rollCentre },
      {
        name: 'Axle steer for a degree of roll',
        note: 'to the left as the right goes down plus',
        figure: t.rollSteer,
      },
      { name: 'Length that links lack in roll', note: 'bind', figure: t['bind.roll'] },
      { name: 'Largest force of the bind', note: 'by the bushings’ rate', figure: t.bindForce },
      { name: 'Roll stiffness it adds, for a degree', note: 'nobody set it', figure: t.addedRoll },
    ];
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => {
      cancelAnimationFrame(this.frame);
    });
  }

  protected heave(mm: number): void {
    this.stop();
    this.pose.update((p) => ({ ...p, z: mm }));
  }

  protected roll(degrees: number): void {
    this.stop();
    this.pose.update((p) => ({ ...p, roll: degrees * DEGREE }));
  }

  protected ride(): void {
    this.stop();
    this.pose.set({ z: 0, roll: 0 });
  }

  /** From droop to bump and back, until it is stopped. */
  protected play(): void {
    if (this.playing()) {
      this.stop();
      return;
    }
    this.playing.set(true);
    const { bump, droop } = this.reach();
    const from = performance.now();
    const next = (now: number) => {
      const t = (1 - Math.cos((2 * Math.PI * (now - from)) / (1000 * CYCLE))) / 2;
      this.pose.update((p) => ({ ...p, z: Number((-droop + t * (bump + droop)).toFixed(1)) }));
      this.frame = requestAnimationFrame(next);
    };
    this.frame = requestAnimationFrame(next);
  }

  private stop(): void {
    cancelAnimationFrame(this.frame);
    this.playing.set(false);
  }
}
