import { NgComponentOutlet } from '@angular/common';
import { Component, computed, effect, ElementRef, inject, input, viewChildren } from '@angular/core';
import { headingName } from '@intervex/core';
import { FactField } from '../readings/fact-field';
import { FactGroup } from '../readings/fact-group';
import { ReadingField } from '../readings/reading-field';
import { ReadingGroup } from '../readings/reading-group';
import { PanelHeading } from '../shared/panel-heading';
import { PlanStore } from '../state/plan-store';
import type { PanelPart } from './look';

/** Readings, facts and choices beside the desk, as the stage’s screen lists them. */
@Component({
  selector: 'ix-panel',
  imports: [FactField, FactGroup, NgComponentOutlet, PanelHeading, ReadingField, ReadingGroup],
  template: `
    @for (p of shown(); track $index) {
      @if ('part' in p) {
        <ng-container *ngComponentOutlet="p.part" />
      } @else if ('group' in p) {
        <div #heading [attr.data-group]="p.group">
          @if (p.factsFirst) {
            <ix-heading>{{ nameOf(stage(), p.group) }}</ix-heading>
            <ix-fact-group [stage]="stage()" [group]="p.group" [bare]="true" />
          }
          <ix-reading-group [stage]="stage()" [group]="p.group" [bare]="p.bare ?? p.factsFirst ?? false" />
          @if (!p.factsFirst) {
            <ix-fact-group [stage]="stage()" [group]="p.group" [bare]="true" />
          }
        </div>
      } @else {
        @if (p.title) {
          <ix-heading>{{ p.title }}</ix-heading>
        }
        @if (p.said) {
          <p class="second said">{{ p.said }}</p>
        }
        @for (id of p.facts; track id) {
          <ix-fact [id]="id" />
        }
        @for (id of p.readings; track id) {
          <ix-reading [id]="id" />
        }
      }
    }
  `,
  styles: `
    :host {
      display: block;
    }
    .said {
      margin: 4px 0;
      font-size: 13px;
    }
  `,
})
export class Panel {
  protected readonly nameOf = headingName;
  private readonly store = inject(PlanStore);
  private readonly headings = viewChildren<string, ElementRef<HTMLElement>>('heading', { read: ElementRef });
  readonly stage = input.required<string>();
  readonly parts = input.required<readonly PanelPart[]>();
  /** Heading that is to be brought into sight. */
  readonly first = input<string>();
  protected readonly shown = computed(() => {
    const plan = this.store.plan();
    return this.parts().filter((part) => part.shown?.(plan) ?? true);
  });

  constructor() {
    effect(() => {
      const [first, headings] = [this.first(), this.headings()];
      const found = first && headings.find((h) => h.nativeElement.dataset['group'] === first);
      if (found) found.nativeElement.scrollIntoView({ block: 'start' });
    });
  }
}
