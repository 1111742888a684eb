import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { isOpen, isUnknown, placeName, withValue, type Figure, type StripItem } from '@intervex/core';
import { Menu } from '../shared/menu';
import type { MenuItem } from '../shared/menu-item';
import { FigureValue } from '../shared/figure-value';
import { figureText } from '../shared/figure-text';
import { JumpService } from '../state/jump.service';
import { PlanStore } from '../state/plan-store';
import { sentenceOf } from '../state/refusals';
import { SelectionService } from '../state/selection.service';
import { UnitsService } from '../state/units.service';

/** Smallest change worth showing, by unit. */
const VISIBLE: Readonly<Record<string, number>> = { mm: 0.05, rad: 0.00008, ratio: 0.0005 };

/**
 * The numbers of this job, those that the project chose. Under each stands its unit, and after an edit by how much it
 * moved; or what it lacks.
 */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-strip',
  imports: [FigureValue, MatButtonModule, MatIconModule, Menu],
  templateUrl: './strip.html',
  styleUrl: './strip.scss',
  host: { role: 'region', 'aria-label': 'Running strip' },
})
export class Strip {
  protected readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  protected readonly jumps = inject(JumpService);
  protected readonly selection = inject(SelectionService);
  protected readonly trouble = signal('');

  /** What the project’s strip holds. */
  private readonly held = computed(() => {
    const chosen = this.store.variant()?.strip;
    return ({ id, rest }: StripItem) => (chosen ? chosen.includes(id) : !rest);
  });
  protected readonly choices = computed((): readonly MenuItem[] =>
    this.store.results().strip.map((item) => {
      const on = this.held()(item);
      return {
        text: item.label,
        icon: on ? 'checked' : 'unchecked',
        choice: { kind: 'checkbox', on },
        does: () => void this.toggle(item.id),
        stays: true,
      };
    }),
  );
  protected readonly items = computed(() => {
    const before = this.store.stripBefore();
    return this.store
      .results()
      .strip.filter(this.held())
      .map((item) => {
        const { id, label, tail = '' } = item;
        const figure =
          id === 'pinion' && item.figure ? withValue(item.figure, Math.abs(item.figure.value)) : item.figure;
        const { rest, unit } = figureText(figure ? this.units.figure(figure) : '');
        return {
          id,
          label,
          figure,
          under: [rest, unit === '%' ? '' : unit, tail].filter(Boolean).join(' '),
          change: item.figure ? this.change(item.figure, before[id]) : '',
          lack: figure ? undefined : this.lackOf(item),
        };
      });
  });
  private readonly open = computed(() => this.store.results().checks.filter(isOpen));
  private readonly untold = computed(() => this.store.results().checks.filter(isUnknown).length);
  /** Before the first reading there is nothing to look at, which is not the same as all in order. */
  private readonly none = computed(() => this.store.results().checks.length === 0);
  protected readonly level = computed(() => {
    // A plan that could not be opened is not one without open checks.
    if (this.store.loadError() || this.none()) return 'unknown';
    const open = this.open();
    if (open.some((c) => c.level === 'stop')) return 'stop';
    if (open.length > 0) return 'caution';
    return this.untold() > 0 ? 'unknown' : 'settled';
  });
  protected readonly text = computed(() => {
    if (this.store.loadError()) return 'No plan to check';
    if (this.none()) return 'Nothing checked yet';
    const stops = this.open().filter((c) => c.level === 'stop').length;
    const cautions = this.open().length - stops;
    const parts = [
      stops ? `${stops} ${stops === 1 ? 'stop' : 'stops'}` : '',
      cautions ? `${cautions} ${cautions === 1 ? 'caution' : 'cautions'}` : '',
    ];
    // What cannot be told is not in order.
    const untold = this.untold();
    if (untold) parts.push(`${untold} not known`);
    return parts.filter(Boolean).join(', ') || 'No open checks';
  });

  /** Shows a number or leaves it out, for all pages of the project. */
  private async toggle(id: string): Promise<void> {
    const on = this.store.results().strip.flatMap((item) => (this.held()(item) ? [item.id] : []));
    const strip = on.includes(id) ? on.filter((other) => other !== id) : [...on, id];
    if (strip.length === 0) {
      this.trouble.set('One number has to stay.');
      return;
    }
    try {
      await this.store.setStrip(strip);
      this.trouble.set('');
    } catch (error) {
      this.trouble.set(sentenceOf(error));
    }
  }

  /** What a number lacks: the first thing its decision needs, or what it says itself. */
  private lackOf({ decision, lack }: StripItem): { readonly text: string; readonly place: string } | undefined {
    const [place] = this.store.results().decisions.find((d) => d.id === decision)?.lacks ?? [];
    if (place) return { text: placeName(place), place };
    return lack === undefined ? undefined : { text: lack, place: '' };
  }

  private change(figure: Figure, before: number | undefined): string {
    if (before === undefined) return '';
    const by = figure.value - before;
    if (Math.abs(by) < (VISIBLE[figure.unit] ?? 0.05)) return '';
    const text = this.units.show(by, figure.unit);
    return by > 0 ? `+${text}` : text;
  }
}
