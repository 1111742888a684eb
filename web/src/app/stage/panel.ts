import { NgComponentOutlet } from '@angular/common';
import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  untracked,
} from '@angular/core';
import { quantity, quantityName, type QuantityId } from '@intervex/core';
import { FactField } from '../readings/fact-field';
import { ReadingField } from '../readings/reading-field';
import { ReadingGroup } from '../readings/reading-group';
import { PanelGroup } from '../shared/panel-group';
import { PanelGroups } from '../shared/panel-groups';
import { PlanStore } from '../state/plan-store';
import { ChoiceField } from './choice-field';
import type { PanelChoice, PanelPart } from './look';

/**
 * Readings, facts and choices beside the desk, as the stage’s screen lists them: what the drawing is about first, then
 * the rest in its order, and an index of all groups on top.
 */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-panel',
  imports: [ChoiceField, FactField, NgComponentOutlet, PanelGroup, ReadingField, ReadingGroup],
  providers: [PanelGroups],
  template: `
    @if (groups.list().length > 2) {
      <nav aria-label="Groups">
        @for (g of groups.list(); track g.entry) {
          <button type="button" class="plain" (click)="groups.go(g.entry)">{{ g.name }}</button>
        }
      </nav>
    }
    @for (p of shown(); track keyOf(p)) {
      @if ('part' in p) {
        <ng-container *ngComponentOutlet="p.part" />
      } @else if ('group' in p) {
        <ix-reading-group
          [stage]="stage()"
          [group]="p.group"
          [with]="p.with ?? ''"
          [title]="p.title ?? ''"
          [bare]="p.bare ?? false"
          [withFacts]="true"
          [factsFirst]="p.factsFirst ?? false"
        />
      } @else if (p.title) {
        <ix-group [name]="p.title">
          @if (p.said) {
            <p class="second said">{{ p.said }}</p>
          }
          @for (c of p.choices; track c.of) {
            <ix-choice
              [label]="c.label"
              [value]="choices()[c.of]"
              [options]="optionsOf(c)"
              (picked)="pick(c, $event)"
            />
          }
          @for (id of p.facts; track id) {
            <ix-fact [id]="id" />
          }
          @for (id of p.readings; track id) {
            <ix-reading [id]="id" [label]="labelOf(id)" />
          }
        </ix-group>
      } @else {
        @for (id of p.facts; track id) {
          <ix-fact [id]="id" />
        }
        @for (id of p.readings; track id) {
          <ix-reading [id]="id" [label]="labelOf(id)" />
        }
      }
    }
  `,
  styles: `
    :host {
      display: block;
    }
    nav {
      display: flex;
      position: sticky;
      z-index: 3;
      top: 0;
      flex-wrap: wrap;
      gap: 0 12px;
      margin: 0 -16px;
      padding: 6px 16px;
      border-bottom: 1px solid var(--rule);
      background: var(--sheet);
    }
    nav button {
      min-height: 24px;
      color: var(--dye);
      font-size: 12.5px;
    }
    nav button:hover {
      text-decoration: underline;
    }
    .said {
      margin: 4px 0;
      font-size: 13px;
    }
    @media (max-width: 760px) {
      nav {
        position: static;
        gap: 4px 16px;
        margin: 0 -10px;
        padding: 6px 10px;
      }
    }
  `,
})
export class Panel {
  private readonly store = inject(PlanStore);
  protected readonly groups = inject(PanelGroups);
  readonly stage = input.required<string>();
  readonly parts = input.required<readonly PanelPart[]>();
  /** Headings the drawing is about. */
  readonly first = input<readonly string[]>([]);
  protected readonly shown = computed(() => {
    const [{ plan }, first] = [this.store.results(), this.first()];
    const all = inBlocks(this.parts().filter((part) => part.shown?.(plan) ?? true));
    const about = all.filter((block) => block.some((p) => 'group' in p && first.includes(p.group)));
    return [...about, ...all.filter((block) => !about.includes(block))].flat();
  });

  protected readonly choices = computed(() => this.store.plan().choices);

  constructor() {
    afterRenderEffect(() => {
      this.shown();
      untracked(() => {
        this.groups.reorder();
      });
    });
  }

  protected optionsOf({ names }: PanelChoice): readonly { readonly id: string; readonly name: string }[] {
    return Object.entries<string>(names).map(([id, name]) => ({ id, name }));
  }

  protected pick({ of }: PanelChoice, id: string): void {
    this.store.choose(of, id as never);
    this.store.saveNow();
  }

  /** Of a field that stands apart from its twin, the side too. */
  protected labelOf(id: QuantityId): string {
    const q = quantity(id);
    return q.side ? quantityName(q) : '';
  }

  protected readonly keyOf = (p: PanelPart): unknown =>
    'part' in p ? p.part : 'group' in p ? p.group : (p.title ?? p.readings?.[0] ?? p.facts?.[0]);
}

/** A part with what stands under it without a heading of its own: they move together. */
function inBlocks(parts: readonly PanelPart[]): readonly (readonly PanelPart[])[] {
  const blocks: PanelPart[][] = [];
  for (const part of parts) {
    const heads = 'part' in part ? !part.under : 'group' in part ? !part.bare : !!part.title;
    const last = blocks.at(-1);
    if (heads || !last) blocks.push([part]);
    else last.push(part);
  }
  return blocks;
}
