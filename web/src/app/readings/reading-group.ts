import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { FACTS, headingName, QUANTITIES, quantityName, type Quantity } from '@intervex/core';
import { PanelGroup } from '../shared/panel-group';
import { FactField } from './fact-field';
import { ReadingField } from './reading-field';
import { ReadingPair } from './reading-pair';

/** One line of a group: a reading, or what is read on both sides. */
type Line = { readonly id: string; readonly label: string } & (
  { readonly one: Quantity } | { readonly left: Quantity; readonly right: Quantity }
);

/**
 * Readings and facts of one heading of a stage in walking order, or of two that are each other’s sides: what is read left
 * and right stands in two columns, left before right.
 */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-reading-group',
  imports: [FactField, NgTemplateOutlet, PanelGroup, ReadingField, ReadingPair],
  template: `
    @if (bare()) {
      <ng-container [ngTemplateOutlet]="lines" />
    } @else {
      <ix-group [name]="name()" [note]="datum()" [group]="stage() + '.' + group()">
        <ng-container [ngTemplateOutlet]="lines" />
      </ix-group>
    }
    <ng-template #lines>
      @if (factsFirst()) {
        <ng-container [ngTemplateOutlet]="seen" />
      }
      @for (line of rows(); track line.id) {
        @if ('one' in line) {
          <ix-reading [id]="line.id" [label]="line.label" />
        } @else {
          <ix-reading-pair [left]="line.left.id" [right]="line.right.id" [label]="line.label" />
        }
      }
      @if (!factsFirst()) {
        <ng-container [ngTemplateOutlet]="seen" />
      }
    </ng-template>
    <ng-template #seen>
      @for (f of facts(); track f.id) {
        <ix-fact [id]="f.id" />
      }
    </ng-template>
  `,
})
export class ReadingGroup {
  readonly stage = input.required<string>();
  /** Id of the heading, and of the heading of the other side. */
  readonly group = input.required<string>();
  readonly with = input('');
  /** What it is called instead of its heading’s name. */
  readonly title = input('');
  /** Without its heading, where one stands already. */
  readonly bare = input(false);
  /** Facts of the same heading stand under it, or over it. */
  readonly withFacts = input(false);
  readonly factsFirst = input(false);

  private readonly quantities = computed(() => {
    const of = (group: string) => QUANTITIES.filter((q) => q.stage === this.stage() && q.group === group);
    return [...of(this.group()), ...(this.with() ? of(this.with()) : [])];
  });
  protected readonly name = computed(() => this.title() || headingName(this.stage(), this.group()));
  protected readonly rows = computed(() => linesOf(this.quantities()));
  protected readonly facts = computed(() =>
    this.withFacts() || this.factsFirst()
      ? FACTS.filter((f) => f.stage === this.stage() && [this.group(), this.with()].includes(f.group))
      : [],
  );
  protected readonly datum = computed(() => {
    const datums = new Set(this.quantities().map((q) => q.datum));
    const [only] = [...datums];
    return datums.size === 1 && only !== 'none' ? `from ${only ?? ''}` : '';
  });
}

/** Quantities line by line: what has a twin of the other side stands with it, where the first of both comes. */
function linesOf(all: readonly Quantity[]): readonly Line[] {
  const twins = new Map(all.filter((q) => q.side === 'right').map((q) => [q.label, q]));
  const paired = new Set<string>();
  return all.flatMap((q): Line[] => {
    if (paired.has(q.id)) return [];
    const right = q.side === 'left' ? twins.get(q.label) : undefined;
    if (!right)
      return [
        { id: q.id, label: all.some((o) => o !== q && o.label === q.label) ? quantityName(q) : '', one: q },
      ];
    paired.add(right.id);
    return [{ id: q.id, label: q.label, left: q, right }];
  });
}
