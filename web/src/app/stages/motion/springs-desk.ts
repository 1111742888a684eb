import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { dampers, leaf, memberId, rollRate, springs } from '@intervex/core/desks/motion';
import { FigureTable } from '../../shared/figure-table';
import { OpenChecks } from '../../stage/open-checks';
import { PlanStore } from '../../state/plan-store';
import { SpringCounter } from './spring-counter';

/** Springs and dampers: what they carry, how long they are, and what is left at both ends. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-motion-springs',
  imports: [FigureTable, OpenChecks, SpringCounter],
  template: `
    @if (leafRows().length) {
      <ix-figure-table of="Leaf springs" [rows]="leafRows()" />
    }
    @for (s of springs(); track s.id) {
      <ix-figure-table [of]="s.name" [rows]="s.rows" />
    } @empty {
      @if (!leafRows().length) {
        <p class="text second">
          List coil springs, coil-overs and dampers with their ends under Links; their rates and lengths stand
          here.
        </p>
      }
    }
    <ix-figure-table of="Roll stiffness" [rows]="rollRows()" />
    @if (springs().length) {
      <ix-spring-counter />
    }
    <ix-open-checks of="arm" />
    <ix-open-checks of="coil" />
  `,
})
export class SpringsDesk {
  private readonly store = inject(PlanStore);
  private readonly of = computed(() => this.store.results().of);
  protected readonly leafRows = computed(() => {
    const found = this.of()(leaf);
    return found
      ? [
          { name: 'Pinion turned for a mm of rise, nose up plus', figure: found.perRise },
          { name: 'Nose lifted by the hardest launch', figure: found.windUp },
          { name: 'Push on each front eye at launch', figure: found.eye },
        ]
      : [];
  });
  protected readonly rollRows = computed(() => {
    const roll = this.of()(rollRate);
    return [
      { name: 'Rear springs', figure: roll.springs },
      { name: 'Anti-roll bar', figure: roll.bar },
      { name: 'Including link bind', figure: roll.all },
    ];
  });
  protected readonly springs = computed(() => {
    const of = this.of();
    const room = of(dampers);
    const sprung = of(springs).map((s) => ({
      id: memberId(s.of.member),
      name: s.of.member.name,
      rows: [
        { name: 'Motion ratio', figure: s.of.ratio },
        { name: 'Load at ride height', figure: s.load },
        { name: 'Rate at the wheel', figure: s.wheelRate },
        { name: 'Natural frequency', figure: s.frequency },
        { name: 'Eye to eye at ride height', figure: s.of.ride },
        { name: 'Eye to eye in the travel with roll, shortest', figure: s.of.rollIn },
        { name: 'Eye to eye in the travel with roll, longest', figure: s.of.rollOut },
        { name: 'Spring’s own length at ride height', figure: s.ride },
        { name: 'Spring’s own length at full bump', figure: s.bump },
        { name: 'Spring’s own length at full droop', figure: s.droop },
        { name: 'Spring’s own length with roll, shortest', figure: s.rollIn },
        { name: 'Spring’s own length with roll, longest', figure: s.rollOut },
        { name: 'Adjuster and seats take', figure: s.seat },
        { name: 'Left before the spring is solid', figure: s.left },
        { name: 'Compression left at droop', figure: s.loose },
        ...room
          .filter((d) => d.of.member === s.of.member)
          .flatMap((d) => [
            {
              name: 'Left before the damper is closed',
              note: 'a bump stop on its rod, pressed solid, should be as high',
              figure: d.toClosed,
            },
            { name: 'Left before the damper is drawn out', figure: d.toOpen },
          ]),
      ],
    }));
    const alone = room
      .filter((d) => d.of.member.kind === 'damper')
      .map((d) => ({
        id: memberId(d.of.member),
        name: d.of.member.name,
        rows: [
          { name: 'Motion ratio', figure: d.of.ratio },
          { name: 'Eye to eye at ride height: length of a bare spacer', figure: d.of.ride },
          { name: 'Eye to eye at full bump', figure: d.of.bump },
          { name: 'Eye to eye at full droop', figure: d.of.droop },
          { name: 'Eye to eye in the travel with roll, shortest', figure: d.of.rollIn },
          { name: 'Eye to eye in the travel with roll, longest', figure: d.of.rollOut },
          {
            name: 'Left before it is closed',
            note: 'a bump stop on its rod, pressed solid, should be as high',
            figure: d.toClosed,
          },
          { name: 'Left before it is drawn out', figure: d.toOpen },
        ],
      }));
    return [...sprung, ...alone];
  });
}
